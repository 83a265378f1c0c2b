import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { cruise, type ICruiseResult } from 'dependency-cruiser'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import config from '../.dependency-cruiser.mjs'
import { CHAPTERS } from './layers.mjs'

/** A copy of the core in which something may be planted. */
let copy = ''
beforeEach(() => {
  copy = mkdtempSync(join(tmpdir(), 'mantel-layers-'))
  cpSync('core', join(copy, 'core'), { recursive: true })
  mkdirSync(join(copy, 'shared'))
})
afterEach(() => rmSync(copy, { recursive: true, force: true }))

/** Rules that are broken in the copy. */
async function broken(): Promise<string[]> {
  const { output } = await cruise(['core', 'shared'], {
    baseDir: copy,
    validate: true,
    ruleSet: { forbidden: config.forbidden },
    exclude: config.options.exclude,
    tsPreCompilationDeps: true,
    enhancedResolveOptions: config.options.enhancedResolveOptions,
  })
  return (output as ICruiseResult).summary.violations.map(v => v.rule.name)
}

describe('imports flow down, types included', () => {
  it('the core as it stands breaks no rule, and every chapter has its place', async () => {
    expect(await broken()).toEqual([])
    const chapters = readdirSync('core').filter(n => !n.includes('.test.'))
    expect(chapters.map(n => n.replace(/\.ts$/, '')).sort()).toEqual([...CHAPTERS].sort())
  })

  it('a planted import upward is found, by value and by type', async () => {
    writeFileSync(join(copy, 'core/chance/planted.ts'), "export { seasonOfHouse } from '../season'\n")
    expect(await broken()).toContain('core-chance-imports-upward')
    writeFileSync(
      join(copy, 'core/chance/planted.ts'),
      "import type { Lane } from '../season'\nexport type Planted = Lane\n",
    )
    expect(await broken()).toContain('core-chance-imports-upward')
  })

  it('a planted circle is found, by type too, and an import out of the core', async () => {
    writeFileSync(join(copy, 'core/units/a.ts'), "import type { B } from './b'\nexport interface A {\n  b: B\n}\n")
    writeFileSync(join(copy, 'core/units/b.ts'), "import type { A } from './a'\nexport interface B {\n  a: A\n}\n")
    writeFileSync(join(copy, 'shared/x.ts'), 'export const x = 1\n')
    writeFileSync(join(copy, 'core/units/c.ts'), "export { x } from '../../shared/x'\n")
    const rules = await broken()
    expect(rules).toContain('no-circle')
    expect(rules).toContain('core-imports-core-only')
  })
})
