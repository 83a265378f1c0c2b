import { readFileSync, readdirSync } from 'node:fs'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

/** Texts in a source that a keeper could read: two words and more. */
function sentencesIn(source: string): string[] {
  const found: string[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
      if (/\p{L}\s+\p{L}|\s\p{L}+\s*$|^\s*\p{L}+\s/u.test(node.text)) found.push(node.text)
    ts.forEachChild(node, visit)
  }
  visit(ts.createSourceFile('rule.ts', source, ts.ScriptTarget.Latest, true))
  return found
}

describe('a rule of an alarm', () => {
  const files = readdirSync(import.meta.dirname).filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
  // the index names what could not be computed, tellSome only counts words
  const rules = files.filter(f => !f.endsWith('Wording.ts') && !['index.ts', 'tellSome.ts'].includes(f))

  it.each(rules)('holds no sentence: %s', file => {
    expect(sentencesIn(readFileSync(`${import.meta.dirname}/${file}`, 'utf8'))).toEqual([])
  })

  it('and one that did would be found, however it is written', () => {
    const rule = "const a = 'cold:now'; const b = 'Warm it'; const c = `${a} is cold`; const d = `fell to ${b}`"
    expect(sentencesIn(rule)).toEqual(['Warm it', ' is cold', 'fell to '])
  })

  it('has its words beside it, wherever it tells anything itself', () => {
    const worded = files.filter(f => f.endsWith('Wording.ts')).map(f => f.replace('Wording.ts', '.ts'))
    expect(worded.filter(rule => !rules.includes(rule))).toEqual([])
    expect(rules.filter(rule => !worded.includes(rule) && rule !== 'told.ts')).toEqual([])
  })
})
