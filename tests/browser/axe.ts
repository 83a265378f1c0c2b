import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { AxeResults } from 'axe-core'
import { visit } from './demo'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What differs between the themes is their colours: all rules once, these in each. */
const OF_COLOUR = ['color-contrast', 'link-in-text-block']
const SAMPLE = 'data-colour-sample'

/**
 * Marks one text of each sort that was not looked at yet: what is written alike, in the same colours over the same
 * colours, is as easy to read, on this screen or another.
 * @returns how many sorts there are on this screen, and how many of them are new
 */
function markSamples(): Promise<{ all: number; fresh: number }> {
  return visit.page.evaluate(mark => {
    const looked = ((window as unknown as { looked?: Set<string> }).looked ??= new Set())
    const known = new Map<Element, string>()
    /** All that lies under an element, from the page upward. */
    const under = (e: Element | null): string => {
      if (!e) return ''
      let chain = known.get(e)
      if (chain === undefined) {
        const { backgroundColor, backgroundImage, opacity, filter, mixBlendMode } = getComputedStyle(e)
        const own = [backgroundColor, backgroundImage, opacity, filter, mixBlendMode].join()
        const below = under(e.parentElement)
        known.set(e, (chain = own === 'rgba(0, 0, 0, 0),none,1,none,normal' ? below : `${below}/${own}`))
      }
      return chain
    }
    const kinds = new Set<string>()
    for (const e of document.querySelectorAll('body *')) {
      if (![...e.childNodes].some(n => n.nodeType === Node.TEXT_NODE && n.textContent!.trim())) continue
      if (!e.checkVisibility()) continue
      const { color, fill, fontSize, fontWeight, textShadow, textDecorationLine, position } = getComputedStyle(e)
      const around = e.parentElement ? getComputedStyle(e.parentElement).color : ''
      // a link among other words is to be told from them
      const amongWords = e.matches('a') && e.parentElement?.textContent?.trim() !== e.textContent!.trim()
      const kind = [
        amongWords,
        color,
        fill,
        fontSize,
        fontWeight,
        textShadow,
        textDecorationLine,
        position,
        around,
        under(e),
      ].join()
      if (kinds.has(kind)) continue
      kinds.add(kind)
      if (looked.has(kind)) continue
      looked.add(kind)
      e.setAttribute(mark, '')
    }
    return { all: kinds.size, fresh: document.querySelectorAll(`[${mark}]`).length }
  }, SAMPLE)
}

/** Runs some rules on parts of the page, or all but those of colour on all of it. */
async function run(only: { rules: string[]; within: string } | null): Promise<string[]> {
  const results = await visit.page.evaluate(
    (of, colour) =>
      (
        window as unknown as { axe: { run: (within: object | Document, options: object) => Promise<AxeResults> } }
      ).axe.run(of ? { include: [[of.within]] } : document, {
        // what passes is not told node by node, which takes longer than to look
        resultTypes: ['violations'],
        preload: false,
        ...(of
          ? { runOnly: { type: 'rule', values: of.rules } }
          : { rules: Object.fromEntries(colour.map(rule => [rule, { enabled: false }])) }),
      }),
    only,
    OF_COLOUR,
  )
  return results.violations
    .filter(v => v.impact !== 'minor')
    .map(
      v =>
        `${v.id} (${v.impact}): ${v.nodes
          .slice(0, 3)
          .map(n => `${n.html.slice(0, 140)} ${n.any[0]?.message ?? ''}`)
          .join(' | ')}`,
    )
}

/** What axe-core finds above minor in the colours of the page that is looked at. */
async function colourFindings(): Promise<string[]> {
  await bringAxe()
  const { all, fresh } = await markSamples()
  if (!all) throw new Error('Nothing is written on this screen')
  if (!fresh) return []
  const found = await run({ rules: OF_COLOUR, within: `[${SAMPLE}]` })
  await visit.page.$$eval(`[${SAMPLE}]`, (es, mark) => es.forEach(e => e.removeAttribute(mark)), SAMPLE)
  return found
}

async function bringAxe(): Promise<void> {
  // half a megabyte, which is only sent to a page that has it not
  if (await visit.page.evaluate(() => 'axe' in window)) return
  await visit.page.evaluate(code => {
    ;(0, eval)(code)
  }, axe)
}

/** What axe-core finds above minor on the page that is looked at. */
export async function findings(): Promise<string[]> {
  await bringAxe()
  return [...(await run(null)), ...(await colourFindings())]
}

/** Changes the theme as its switch does, without loading the screen anew. */
async function wear(theme: string): Promise<void> {
  await visit.page.evaluate(name => {
    const app = document.querySelector('#__nuxt') as unknown as {
      __vue_app__: { config: { globalProperties: { $colorMode: { preference: string } } } }
    }
    app.__vue_app__.config.globalProperties.$colorMode.preference = name
  }, theme)
  await visit.until(`the ${theme} theme`, (name: string) => document.documentElement.classList.contains(name), theme)
}

/** What axe-core finds in each of the three themes; the light one comes last, so that the next screen begins in it. */
export async function inEachTheme(): Promise<string[]> {
  const found: string[] = []
  for (const theme of ['dark', 'night', 'light']) {
    await wear(theme)
    found.push(...(await (theme === 'light' ? findings() : colourFindings())).map(f => `${theme}: ${f}`))
  }
  return found
}
