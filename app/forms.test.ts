import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

const app = new URL('.', import.meta.url).pathname
const forms = readdirSync(app, { recursive: true, encoding: 'utf8' })
  .filter(file => file.endsWith('.vue'))
  .flatMap(file =>
    [...readFileSync(join(app, file), 'utf8').matchAll(/<UForm\s[^>]*>/g)].map(([tag]) => ({ file, tag })),
  )

describe('forms', () => {
  // a form checks itself again a moment after the last letter, and drops what its check does not say
  it('keep what the house refused in what they check themselves', () => {
    expect(forms.map(f => f.file)).toContain('components/almanac/AddForm.vue')
    expect(forms.filter(f => !/:validate="(validate|refusals\.still)"/.test(f.tag)).map(f => f.file)).toEqual([])
  })
})
