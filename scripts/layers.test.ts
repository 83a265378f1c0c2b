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

/** Rules that are broken in the copy, each with the file in which it is. */
async function broken(): Promise<{ rule: string; from: string }[]> {
  const { output } = await cruise(['core', 'shared'], {
    baseDir: copy,
    validate: true,
    ruleSet: { forbidden: config.forbidden },
    exclude: config.options.exclude,
    tsPreCompilationDeps: true,
    enhancedResolveOptions: config.options.enhancedResolveOptions,
  })
  return (output as ICruiseResult).summary.violations.map(v => ({ rule: v.rule.name, from: v.from }))
}

describe('imports flow down, types included', () => {
  it('every chapter of the core has its place', () => {
    const chapters = readdirSync('core').filter(n => !n.includes('.test.'))
    expect(chapters.map(n => n.replace(/\.ts$/, '')).sort()).toEqual([...CHAPTERS].sort())
  })

  it('what is planted is found, by value and by type: an import upward, a circle, an import out of the core; and nothing else', async () => {
    const plant = (path: string, text: string) => writeFileSync(join(copy, path), `${text}\n`)
    plant('core/chance/byValue.ts', "export { seasonOfHouse } from '../season'")
    plant('core/chance/byType.ts', "import type { Lane } from '../season'\nexport type Planted = Lane")
    plant('core/units/a.ts', "import type { B } from './b'\nexport interface A {\n  b: B\n}")
    plant('core/units/b.ts', "import type { A } from './a'\nexport interface B {\n  a: A\n}")
    plant('shared/x.ts', 'export const x = 1')
    plant('core/units/c.ts', "export { x } from '../../shared/x'")
    const found = (await broken()).map(({ rule, from }) => `${rule}: ${from}`)
    const circle = found.filter(f => /^no-circle: core\/units\/[ab]\.ts$/.test(f))
    expect(circle).not.toEqual([])
    expect(new Set(found)).toEqual(
      new Set([
        ...circle,
        'core-chance-imports-upward: core/chance/byValue.ts',
        'core-chance-imports-upward: core/chance/byType.ts',
        'core-imports-core-only: core/units/c.ts',
      ]),
    )
  })
})
