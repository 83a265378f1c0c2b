import { readFileSync, readdirSync } from 'node:fs'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

/** What names a part of the work to whoever is told that it failed, and says nothing of animals. */
const isNameOfWork = (node: ts.Node): boolean =>
  ts.isCallExpression(node.parent) && /^(each)?guarded$/i.test(node.parent.expression.getText())

/** Texts in a source that a keeper could read: two words and more. */
function sentencesIn(source: string): string[] {
  const found: string[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
      if (/\p{L}\s+\p{L}|\s\p{L}+\s*$|^\s*\p{L}+\s/u.test(node.text) && !isNameOfWork(node)) found.push(node.text)
    ts.forEachChild(node, visit)
  }
  visit(ts.createSourceFile('rule.ts', source, ts.ScriptTarget.Latest, true))
  return found
}

describe.each(['alarms', 'tasks'])('a rule of the %s', folder => {
  const path = `${import.meta.dirname}/season/${folder}`
  const files = readdirSync(path).filter(f => f.endsWith('.ts') && !f.endsWith('.test.ts'))
  const rules = files.filter(f => !f.endsWith('Wording.ts'))

  it.each(rules)('holds no sentence: %s', file => {
    expect(sentencesIn(readFileSync(`${path}/${file}`, 'utf8'))).toEqual([])
  })

  it('has its words beside it', () => {
    const worded = files.filter(f => f.endsWith('Wording.ts')).map(f => f.replace('Wording.ts', '.ts'))
    expect(worded.filter(rule => !rules.includes(rule))).toEqual([])
    // what is shared by rules tells nothing by itself
    const shared = ['about.ts', 'index.ts', 'taskMaker.ts', 'told.ts']
    expect(rules.filter(rule => !worded.includes(rule) && !shared.includes(rule))).toEqual([])
  })
})

describe('a rule whose words stand beside it', () => {
  const all = readdirSync(import.meta.dirname, { recursive: true, encoding: 'utf8' }).map(f => f.replaceAll('\\', '/'))
  const worded = all.filter(f => f.endsWith('Wording.ts')).map(f => f.replace('Wording.ts', ''))
  const rules = worded.flatMap(of => [`${of}.ts`, `${of}Findings.ts`]).filter(f => all.includes(f))

  it('is found wherever words are', () => {
    expect(rules).toEqual(expect.arrayContaining(['supply/causes.ts', 'feeding/meal.ts', 'season/alarms/losses.ts']))
    // of these the rule has a name of its own
    const alone = ['brumation/cold', 'brumation/fitness', 'brumation/warmUp']
    expect(worded.filter(of => !all.includes(`${of}.ts`) && !alone.includes(of))).toEqual([])
  })

  it.each(rules)('holds no sentence: %s', file => {
    expect(sentencesIn(readFileSync(`${import.meta.dirname}/${file}`, 'utf8'))).toEqual([])
  })
})

describe('a sentence in a rule', () => {
  it('is found, however it is written; the name of a work that may fail is none', () => {
    const rule = [
      "const a = 'cold:now'",
      "const b = 'Warm it'",
      'const c = `${a} is cold`',
      'const d = `fell to ${b}`',
      "guarded(context, 'some tasks', null, () => 1)",
    ].join('\n')
    expect(sentencesIn(rule)).toEqual(['Warm it', ' is cold', 'fell to '])
  })
})
