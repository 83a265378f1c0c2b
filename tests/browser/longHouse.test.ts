import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

let server: RunningServer
let chromium: Awaited<ReturnType<typeof launch>>
const ids: Record<string, string> = {}

async function post<T>(path: string, body: unknown): Promise<T> {
  const response = await fetch(`${server.address}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!response.ok) throw new Error(await response.text())
  return (await response.json()) as T
}
const on = (type: string, id: string, day: string, kind: string, data: object) => ({
  id: v7(),
  at: `${day}T10:00:00Z`,
  subject: { type, id },
  kind,
  data,
  source: 'keeper',
})

/** Three rooms with 450 animals that are due, and a clutch of 40 tagged young. */
beforeAll(async () => {
  ;[server, chromium] = await Promise.all([startServer(), launch()])
  for (const name of ['Attic', 'Barn', 'Cellar']) await post('/api/places', { name, kind: 'room', tempC: 26 })
  const rows = Array.from({ length: 450 }, (_, i) => {
    const tag = `Z-${String(i).padStart(3, '0')}`
    return `${tag},corn snake,${i % 2 ? 'female' : 'male'},2021-05-01,${['Attic', 'Barn', 'Cellar'][i % 3]!}`
  })
  await post('/api/animals/list', { csv: `tag,species,sex,born,place\n${rows.join('\n')}` })
  const { house } = (await fetch(`${server.address}/api/house`).then(r => r.json())) as {
    house: { animals: Record<string, { id: string; tag: string }> }
  }
  const animals = Object.values(house.animals)
  for (const a of animals) ids[a.tag] = a.id
  for (const [kind, data] of [
    ['weighed', { massG: 620 }],
    ['fed', { prey: 'mouse.adult', offered: 1, taken: 1 }],
  ] as const)
    await post('/api/entries', { entries: animals.map(a => on('animal', a.id, '2026-11-01', kind, data)) })
  const pair = on('pairing', v7(), '2026-04-01', 'paired', { tag: 'P-1', damId: ids['Z-001'], sireId: ids['Z-000'] })
  pair.subject.id = pair.id
  const laid = on('pairing', pair.id, '2026-06-01', 'laid', { tag: 'C-1', eggs: 40, slugs: 0, tempC: 28 })
  const hatched = on('clutch', laid.id, '2026-08-05', 'hatched', { count: 40 })
  await post('/api/entries', { entries: [pair, laid, hatched] })
  await post(`/api/clutches/${laid.id}/tag`, { count: 40, prefix: 'Y' })
}, 120_000)
afterAll(async () => {
  await chromium?.close()
  await server?.stop()
})

describe('a long house', () => {
  it('comes to Round folded by rooms with their totals, one open at a time, and walks by J and K', async () => {
    const visit = await Visit.start(chromium.browser, server.address)
    await visit.go('/round')
    const folds = () =>
      visit.page.$$eval('.room .fold', bs => bs.map(b => [(b as HTMLElement).innerText.split(/\s/)[0], b.ariaExpanded]))
    expect((await folds()).filter(([, open]) => open === 'true')).toHaveLength(1)
    expect(await visit.text('main')).toMatch(/Barn\s+3 jobs, 150 to feed/)
    expect((await visit.page.$$('[data-room] .task')).length).toBeLessThanOrEqual(60)
    const barn = await visit.page.waitForSelector('xpath///button[contains(@class, "fold")][contains(., "Barn")]')
    await barn!.evaluate(b => (b as HTMLElement).click())
    await visit.until('the barn alone to be open', () =>
      [...document.querySelectorAll('.room .fold')].every(
        b => (b.ariaExpanded === 'true') === (b as HTMLElement).innerText.includes('Barn'),
      ),
    )
    // what is done makes room for the next line
    const shown = await visit.page.$$eval('[data-room] .task', ts => ts.map(t => (t as HTMLElement).dataset.task!))
    expect(shown).toHaveLength(60)
    await visit.press('Took', `[data-task="${shown[0]!}"]`)
    await visit.untilGone(`[data-task="${shown[0]!}"]`)
    expect(await visit.page.$$('[data-room] .task')).toHaveLength(60)
    // J and K go from line to line and over the folded rooms
    const at = () => visit.page.evaluate(() => document.activeElement?.closest('.task, .area, h2')?.textContent ?? '')
    await visit.page.evaluate(() => document.querySelector<HTMLElement>('[data-room="Barn"] .fold')!.focus())
    await visit.page.keyboard.press('j')
    expect(await at()).toContain('Fresh water')
    await visit.page.keyboard.press('j')
    expect(await at()).toContain('Z-')
    await visit.page.keyboard.press('k')
    await visit.page.keyboard.press('k')
    expect(await at()).toContain('Barn')
    await visit.press('Show 89 more lines of Barn')
    await visit.until('all lines', () => document.querySelectorAll('[data-room="Barn"] .task').length === 149)
    await visit.close()
  })

  it('makes the young of one clutch one line, feeds them all by one press, and takes it back', async () => {
    const visit = await Visit.start(chromium.browser, server.address)
    await visit.go('/round')
    const anywhere = await visit.page.waitForSelector(
      'xpath///button[contains(@class, "fold")][contains(., "Anywhere")]',
    )
    if ((await anywhere!.evaluate(b => b.ariaExpanded)) === 'false')
      await anywhere!.evaluate(b => (b as HTMLElement).click())
    await visit.see('[data-many="C-1"]')
    expect(await visit.page.$$('[data-task^="feed:"][data-task]')).toHaveLength(0)
    await visit.press('All 40 took', '[data-many="C-1"]')
    await visit.untilText('body', '40 young of C-1: took')
    await visit.untilGone('[data-many="C-1"] button[aria-expanded="true"]')
    const fed = () =>
      fetch(`${server.address}/api/house`)
        .then(r => r.json() as Promise<{ house: { animals: Record<string, { tag: string; meals: unknown[] }> } }>)
        .then(({ house }) => Object.values(house.animals).filter(a => a.tag.startsWith('Y') && a.meals.length).length)
    expect(await fed()).toBe(40)
    await visit.press('Undo')
    await visit.untilText('body', 'Taken back')
    expect(await fed()).toBe(0)
    await visit.close()
  })

  it('draws of a long list what is in view, and the rest when it is scrolled to', async () => {
    const visit = await Visit.start(chromium.browser, server.address)
    await visit.go('/animals')
    await visit.untilText('main', '490 animals')
    expect((await visit.page.$$('tbody tr')).length).toBeLessThan(60)
    expect(await visit.page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800)
    await visit.page.$eval('.animals', t => (t.scrollTop = t.scrollHeight))
    await visit.untilText('tbody', 'Z-449')
    await visit.close()
  })
})

/** The bytes of program loaded for the first screen, and after it stood. */
const programLoaded = (visit: Visit) =>
  visit.page.evaluate(() => {
    const stood = performance.getEntriesByName('fetch-ahead')[0]?.startTime ?? Infinity
    let [before, after] = [0, 0]
    for (const r of performance.getEntriesByType('resource') as PerformanceResourceTiming[]) {
      if (!r.name.endsWith('.js')) continue
      if (r.startTime < stood) before += r.decodedBodySize
      else after += r.decodedBodySize
    }
    return { before, after }
  })

describe('the first load', () => {
  it('of Round takes less than 500 kB of program, and all other screens come after it', async () => {
    const visit = await Visit.start(chromium.browser, server.address, { ahead: true })
    await visit.go('/round')
    await visit.ahead()
    const { before, after } = await programLoaded(visit)
    expect(before).toBeGreaterThan(100_000)
    expect(before).toBeLessThan(500_000)
    expect(after).toBeGreaterThan(before / 2)
    await visit.close()
  })

  it('is nearly all that is loaded where the keeper saves data, until another screen is asked for', async () => {
    const visit = await Visit.start(chromium.browser, server.address)
    await visit.go('/round')
    await new Promise(resolve => setTimeout(resolve, 1500))
    const { before, after } = await programLoaded(visit)
    expect(after).toBeGreaterThan(0) // what tells that the house did not answer must be there when it does not
    expect(after).toBeLessThan(60_000)
    expect(await visit.page.evaluate(() => document.documentElement.dataset.ahead)).toBeUndefined()
    await visit.move('/animals')
    await visit.untilText('main', '490 animals')
    expect((await programLoaded(visit)).after).toBeGreaterThan(after)
    expect(before).toBeLessThan(500_000)
    await visit.close()
  })
})
