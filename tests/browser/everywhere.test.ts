import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { AxeResults } from 'axe-core'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const SCREENS = [
  '/round',
  '/season',
  '/animals',
  '/brumation',
  '/pairing',
  '/genes',
  '/eggs',
  '/nursery',
  '/feeders',
  '/culture-day',
  '/labels',
  '/suppliers',
  '/they-are-here',
  '/places',
  '/devices',
  '/almanac',
  '/begin',
  '/settings',
]

let demo: RunningServer
let empty: RunningServer
let chromium: Awaited<ReturnType<typeof launch>>
let visit: Visit
let animalId = ''
let groupId = ''
let clutchId = ''

beforeAll(async () => {
  ;[demo, empty, chromium] = await Promise.all([startServer({ MANTEL_DEMO: '1' }), startServer(), launch()])
  type Tagged = Record<string, { id: string; tag: string }>
  const { house } = await fetch(`${demo.address}/api/house`).then(
    r => r.json() as Promise<{ house: { animals: Tagged; groups: Tagged; clutches: Tagged } }>,
  )
  animalId = Object.values(house.animals).find(a => a.tag === 'KY-07')!.id
  groupId = Object.values(house.groups)[0]!.id
  clutchId = Object.values(house.clutches).find(c => c.tag === 'C-3')!.id
})
afterAll(async () => {
  await chromium?.close()
  await Promise.all([demo?.stop(), empty?.stop()])
})
afterEach(async () => {
  const { complaints } = visit
  await visit.close()
  expect(complaints).toEqual([])
})

/** What differs between the themes is their colours: all rules once, these in each. */
const OF_COLOUR = ['color-contrast', 'link-in-text-block']

async function findings(rules?: string[]): Promise<string[]> {
  await visit.page.evaluate(code => {
    if (!('axe' in window)) (0, eval)(code)
  }, axe)
  const results = await visit.page.evaluate(
    only =>
      (window as unknown as { axe: { run: (options: object) => Promise<AxeResults> } }).axe.run({
        // what passes is not told node by node, which takes longer than to look
        resultTypes: ['violations'],
        preload: false,
        ...(only ? { runOnly: { type: 'rule', values: only } } : {}),
      }),
    rules,
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
async function inEachTheme(): Promise<string[]> {
  const found: string[] = []
  for (const theme of ['dark', 'night', 'light']) {
    await wear(theme)
    found.push(...(await findings(theme === 'light' ? undefined : OF_COLOUR)).map(f => `${theme}: ${f}`))
  }
  return found
}

/** Targets under 24 px one way, but for words within a sentence. */
const smallTargets = () =>
  visit.page.$$eval('main button, main a, main summary', targets =>
    targets
      .filter(e => (e as HTMLElement).offsetParent && !getComputedStyle(e).display.startsWith('inline '))
      .filter(e => !(getComputedStyle(e).display === 'inline' || e.matches('p *, td *, dd *, .what *')))
      .filter(e => Math.min(e.getBoundingClientRect().height, e.getBoundingClientRect().width) < 23.5)
      .map(e => `${(e as HTMLElement).innerText || e.getAttribute('aria-label')}: ${e.className}`),
  )

describe('axe-core finds nothing above minor in any of three themes, and no target is under 24 px', () => {
  it('on every screen', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/round')
    for (const path of [
      ...SCREENS,
      `/animals/${animalId}`,
      `/animals/${animalId}#sex`,
      `/animals/${animalId}#genes`,
      `/animals/${animalId}#lineage`,
      `/pedigree/${animalId}`,
      `/groups/${groupId}`,
      `/eggs/${clutchId}`,
      `/animals/${animalId}#eating`,
      `/handover/${animalId}`,
      '/helper',
    ]) {
      await visit.move(path)
      expect(await inEachTheme(), path).toEqual([])
      expect(await smallTargets(), path).toEqual([])
    }
    // twenty screens in three themes
  }, 300_000)

  it('in the bench with a cell open, and in the rota', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/pairing')
    await visit.press('Bench')
    await visit.page.waitForSelector('[data-cell="1,1"]')
    expect(await inEachTheme()).toEqual([])
    await visit.click('[data-cell="1,1"]')
    await visit.untilText('[role="dialog"]', 'Why, step by step')
    await visit.still()
    expect(await inEachTheme()).toEqual([])
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')
    await visit.press('Rota')
    await visit.page.waitForSelector('[data-rota]')
    expect(await inEachTheme()).toEqual([])
  })

  it('in the homes that will be too small, opened', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/places')
    await visit.press('Room to grow')
    await visit.click('[data-alike="fat-tailed-gecko"]')
    expect(await inEachTheme()).toEqual([])
    expect(await smallTargets()).toEqual([])
  })

  it('in the lane panel and the working sheet', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/season')
    await visit.click('[data-lane="C-3"] .open')
    await visit.page.waitForSelector('[role="dialog"] .events')
    await visit.still()
    expect(await inEachTheme()).toEqual([])
    await visit.click('[role="dialog"] [data-event="hatched"] .working-link')
    await visit.untilText('[role="dialog"]', 'What would change it')
    await visit.still()
    expect(await inEachTheme()).toEqual([])
  })
})

describe('on a phone of 390 px', () => {
  it('no screen scrolls sideways, and buttons are big enough for a thumb', async () => {
    visit = await Visit.start(chromium.browser, demo.address, { phone: true })
    await visit.go('/round')
    for (const path of [
      ...SCREENS,
      `/animals/${animalId}`,
      `/animals/${animalId}#sex`,
      `/animals/${animalId}#genes`,
      `/animals/${animalId}#lineage`,
      `/pedigree/${animalId}`,
      `/groups/${groupId}`,
      `/eggs/${clutchId}`,
      `/animals/${animalId}#eating`,
      `/handover/${animalId}`,
      '/helper',
    ]) {
      await visit.move(path)
      expect(await visit.page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(390)
      const small = await visit.page.$$eval('main .do button, main .record button, nav.bar a, nav.bar > button', bs =>
        bs
          .filter(b => (b as HTMLElement).offsetParent && b.getBoundingClientRect().height < 43.5)
          .map(b => (b as HTMLElement).innerText),
      )
      expect(small, path).toEqual([])
    }
  })

  it('walks and records by thumb, and writes a log line from the bottom bar', async () => {
    visit = await Visit.start(chromium.browser, demo.address, { phone: true })
    await visit.go('/round')
    const id = await visit.page.$eval('[data-task^="feed:"]', e => (e as HTMLElement).dataset.task!)
    await visit.tap('Took', `[data-task="${id}"]`)
    await visit.untilGone(`[data-task="${id}"]`)
    await visit.tap('Undo')
    await visit.page.waitForSelector(`[data-task="${id}"]`)
    await visit.tap('Log', 'nav.bar')
    await visit.page.waitForSelector('form.log.open input')
    await visit.page.type('form.log input', 'K-09 shed')
    await visit.untilText('form.log', 'K-09 shed')
    await visit.tap('Write', 'form.log')
    await visit.untilText('body', 'Undo')
    await visit.tap('Close the log line', 'form.log')
    await visit.tap('Season', 'nav.bar')
    await visit.page.waitForSelector('[data-lane="C-3"]')
    await visit.tap('What if …')
    await visit.page.waitForSelector('[data-testid="appetite"]')
  })
})

describe('by keyboard', () => {
  it('each screen has its name in the tab, and a jump puts the focus at its heading', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/round')
    const names: string[] = []
    for (const path of SCREENS.slice(1)) {
      await visit.move(path)
      names.push(await visit.page.title())
      await visit.until(`the focus at the heading of ${path}`, () => document.activeElement?.tagName === 'H1')
    }
    expect(new Set(names).size).toBe(SCREENS.length - 1)
    expect(names[0]).toBe('Season · Alder Yard · Mantel')
  })

  it('what is recorded moves the focus to the next line', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/round')
    const [first, next] = await visit.page.$$eval('.room .task:has(.do button)', ts =>
      ts.slice(0, 2).map(t => (t as HTMLElement).dataset.task!),
    )
    await visit.page.focus(`[data-task="${first!}"] .do button:not([aria-haspopup])`)
    await visit.page.keyboard.press('Enter')
    await visit.untilGone(`[data-task="${first!}"]`)
    await visit.until(
      'the focus in the next line',
      (id: string) => (document.activeElement?.closest('.task') as HTMLElement | null)?.dataset.task === id,
      next!,
    )
    await visit.press('Undo')
    await visit.page.waitForSelector(`[data-task="${first!}"]`)
  })

  it.each([
    [1280, 800],
    [320, 256],
  ])('what has the focus lies under no bar, at %i × %i', async (width, height) => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.page.setViewport({ width, height })
    await visit.go('/round')
    const hidden: string[] = []
    for (let n = 0; n < 40; n++) {
      await visit.page.keyboard.press('j')
      const under = await visit.page.evaluate(() => {
        const at = document.activeElement as HTMLElement
        const box = at.getBoundingClientRect()
        const top = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2)
        return top && (at === top || at.contains(top)) ? '' : at.innerText
      })
      if (under) hidden.push(under)
    }
    expect(hidden).toEqual([])
  })

  it('a refused form puts the focus in the first wrong field', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/settings')
    await visit.retype('xpath///label[contains(., "Name")]/following::input[1]', ' ')
    await visit.press('Keep settings')
    await visit.until('the focus in the name', () => document.activeElement?.getAttribute('aria-invalid') === 'true')
    const top = await visit.page.evaluate(() => document.activeElement!.getBoundingClientRect().top)
    expect(top).toBeGreaterThanOrEqual(0)
    expect(top).toBeLessThan(800)
  })
})

describe('on paper', () => {
  it('Round is lines with a box to tick, and nothing to press', async () => {
    visit = await Visit.start(chromium.browser, demo.address)
    await visit.go('/round')
    await visit.page.emulateMediaType('print')
    const { boxes, lines, buttons } = await visit.page.evaluate(() => {
      const shown = (e: Element) => (e as HTMLElement).offsetParent !== null
      const tasks = [...document.querySelectorAll('.task')].filter(shown)
      return {
        lines: tasks.length,
        boxes: tasks.filter(t => getComputedStyle(t.querySelector('.who')!, '::before').borderTopWidth !== '0px')
          .length,
        buttons: [...document.querySelectorAll('.screen .do button, nav a, form.log input')].filter(shown).length,
      }
    })
    expect(lines).toBeGreaterThan(10)
    expect(boxes).toBe(lines)
    expect(buttons).toBe(0)
  })
})

describe('an empty house', () => {
  it('says how to begin on every screen', async () => {
    visit = await Visit.start(chromium.browser, empty.address)
    await visit.go('/round')
    for (const path of SCREENS) {
      await visit.move(path)
      expect((await visit.text()).length, path).toBeGreaterThan(60)
      expect(await findings(), path).toEqual([])
    }
    await visit.go('/round')
    expect(await visit.text()).toMatch(/This house is empty/)
  })

  it('takes a first place and a first animal, and shows a bad field where it is', async () => {
    visit = await Visit.start(chromium.browser, empty.address)
    await visit.go('/places')
    await visit.press('Add a place')
    await visit.page.waitForSelector('[role="dialog"] form')
    const fields = await visit.page.$$('[role="dialog"] form input')
    await fields[0]!.type('Bench room')
    await fields.at(-1)!.type('warm')
    await visit.press('Add place', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'not a number with a unit')
    await fields.at(-1)!.evaluate(field => (field as HTMLInputElement).select())
    await fields.at(-1)!.type('75.2 °F')
    await visit.press('Add place', '[role="dialog"]')
    await visit.untilText('main', '24 °C')

    await visit.go('/animals')
    await visit.press('Add an animal')
    await visit.page.waitForSelector('[role="dialog"] form')
    await visit.press('Add animal', '[role="dialog"] form')
    await visit.untilText('[role="dialog"]', 'A tag is needed')
    await visit.page.type('[role="dialog"] input[name="tag"]', 'K-01')
    // what is mended while typing must not move the form under the next click
    await visit.until(
      'the message to go',
      () => !document.querySelector<HTMLElement>('[role="dialog"]')!.innerText.includes('A tag is needed'),
    )
    await visit.press('Choose', '[role="dialog"]')
    await visit.page.waitForSelector('[role="option"]')
    await visit.page.keyboard.type('Corn')
    await visit.page.keyboard.press('Enter')
    await visit.press('Add animal', '[role="dialog"] form')
    await visit.untilText('h1', 'K-01')
    await visit.go('/round')
    await visit.untilText('main', 'K-01')
  })

  it('a list of animals on the first day: when they last ate is asked once, and the meals follow from it', async () => {
    visit = await Visit.start(chromium.browser, empty.address)
    const rows = Array.from(
      { length: 200 },
      (_, i) => `Z-${i},${['corn snake', 'leopard gecko', 'rosy boa'][i % 3]},${i % 2 ? 'female' : 'male'},2022-05-01`,
    )
    const added = await fetch(`${empty.address}/api/animals/list`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ csv: `tag,species,sex,born\n${rows.join('\n')}` }),
    })
    expect(added.status).toBe(200)
    await visit.go('/round')
    // with the first animal of the house, of unknown birth
    await visit.untilText('.first', '201 animals without a meal written')
    // nothing stands line by line until it is answered, and axe finds nothing in it
    expect(await visit.page.$$eval('.room [data-task^="feed:"], .room [data-task^="weigh:"]', ts => ts.length)).toBe(0)
    expect(await findings()).toEqual([])
    await visit.click('.first [data-segment="day"]')
    await visit.page.keyboard.type('20112026')
    await visit.press('All 201 ate then')
    await visit.untilGone('.first')
    const { season } = (await fetch(`${empty.address}/api/season`).then(r => r.json())) as {
      season: { tasks: { id: string; tag: string }[] }
    }
    // of five days ago: geckos of three days are due, snakes of ten days and more are not
    expect(season.tasks.filter(t => t.id.startsWith('feed:')).length).toBe(67)
  })
})
