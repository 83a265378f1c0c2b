import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ElementHandle } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import type { HouseSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

let one: RunningServer
let other: RunningServer
let chromium: Awaited<ReturnType<typeof launch>>
let visit: Visit
const folder = mkdtempSync(join(tmpdir(), 'mantel-sheets-'))
const sheets = () => readdirSync(folder).filter(f => f.endsWith('.mantel.json'))
const dialog = '[role="dialog"]'

beforeAll(async () => {
  ;[one, other, chromium] = await Promise.all([startServer(), startServer(), launch()])
  visit = await Visit.start(chromium.browser, one.address)
  const client = await visit.page.createCDPSession()
  await client.send('Page.setDownloadBehavior', { behavior: 'allow', downloadPath: folder })
}, 60_000)
afterAll(async () => {
  await chromium?.close()
  await Promise.all([one?.stop(), other?.stop()])
  rmSync(folder, { recursive: true, force: true })
})
const houseOf = async (server: RunningServer) =>
  ((await fetch(`${server.address}/api/house`).then(r => r.json())) as HouseSnapshot).house

describe('a species that is not shipped', () => {
  it('is found near by word, and added from its relative by keys alone', async () => {
    await visit.go('/almanac')
    await visit.page.type('input[aria-label="Find a species or feeder"]', 'leaf-tail')
    await visit.untilGone('nav[aria-label="Almanac"] li:nth-child(2)')
    await visit.press('Leaf-tailed gecko', 'nav[aria-label="Almanac"]')
    await visit.untilText('main h2', 'Leaf-tailed gecko')
    await visit.press('Add a species like it')
    await visit.see(`${dialog} input[name="name"]`)
    await visit.still()
    await visit.page.focus(`${dialog} input[name="name"]`)
    await visit.page.keyboard.type('Cave leaf-tail')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('main h2', 'Cave leaf-tail')
    expect(await visit.text('[data-borrowed]')).toMatch(/^(\d+) of \1 values are borrowed from Leaf-tailed gecko/)
  })

  it('a name that another has is refused beside the field, and nothing is written', async () => {
    const before = Object.keys((await houseOf(one)).species)
    await visit.press('Add a species like it')
    await visit.see(`${dialog} input[name="name"]`)
    await visit.still()
    await visit.page.type(`${dialog} input[name="name"]`, 'corn SNAKE')
    await visit.page.keyboard.press('Enter')
    await visit.untilText(dialog, 'The almanac has a Corn snake already')
    // a form checks itself again a moment after the last letter, which must not wipe away what the house said
    await new Promise(resolve => setTimeout(resolve, 700))
    await visit.page.focus(`${dialog} input[name="latin"]`)
    await visit.untilText(dialog, 'The almanac has a Corn snake already')
    expect(await visit.page.$eval(`${dialog} input[name="name"]`, e => e.getAttribute('aria-invalid'))).toBe('true')
    await visit.retype(`${dialog} input[name="name"]`, 'Red hill snake')
    await visit.page.type(`${dialog} input[name="latin"]`, 'pantherophis GUTTATUS')
    await visit.page.keyboard.press('Enter')
    await visit.untilText(dialog, 'is in the almanac already, as Corn snake')
    expect(Object.keys((await houseOf(one)).species)).toEqual(before)
    await visit.page.keyboard.press('Escape')
    await visit.untilGone(dialog)
  })

  it('takes a table of its own: one that does not fall with warmth is refused, and another kept', async () => {
    await visit.press('Edit table')
    const days = `${dialog} input[aria-label="Days 1"]`
    await visit.see(days)
    await visit.still()
    await visit.retype(days, '20')
    await visit.press('Set table', dialog)
    await visit.untilText(dialog, 'Warmer must be quicker')
    await visit.retype(days, '140')
    await visit.press('What would it move?', dialog)
    await visit.untilText(dialog, 'Nothing in this house today.')
    await visit.press('Set table', dialog)
    await visit.untilGone(dialog)
    await visit.untilText('main td', '140')
    await visit.untilText('main .mark', 'yours')
  })

  it('takes a step more on its ladder, drawn to scale', async () => {
    const steps = () => visit.page.$$eval('ol.ladder li', list => list.length)
    const before = await steps()
    await visit.press('Edit ladder')
    await visit.see(`${dialog} fieldset`)
    await visit.still()
    const first = `${dialog} fieldset:first-of-type input`
    await visit.retype(first, '9')
    await visit.press('Set ladder', dialog)
    await visit.untilText(dialog, 'The first step of a ladder is from the first meal')
    await visit.retype(first, '0')
    await visit.press('Add a step', dialog)
    await visit.press('Set ladder', dialog)
    await visit.untilGone(dialog)
    await visit.until('a step more', (n: number) => document.querySelectorAll('ol.ladder li').length === n, before + 1)
    expect(
      (await visit.page.$$eval('ol.ladder ellipse', list => list.map(e => Number(e.getAttribute('rx'))))).every(
        r => r >= 2,
      ),
    ).toBe(true)
  })

  it('a prey of it may be asked to be itself, by keys: it is told with the step, and left out again at nothing', async () => {
    const told = () => visit.text('ol.ladder li')
    await visit.press('Edit ladder')
    await visit.see(`${dialog} fieldset`)
    await visit.still()
    const row = `${dialog} fieldset:first-of-type .part`
    await visit.page.focus(`${row} button[aria-label^="At least"]`)
    await visit.page.keyboard.press('Enter')
    await visit.see(`${row} input[aria-label^="Itself at least"]`)
    // the field has the focus, with what is usual
    expect(await visit.page.evaluate(() => (document.activeElement as HTMLInputElement).value)).toBe('50')
    await visit.press('Set ladder', dialog)
    await visit.untilGone(dialog)
    await visit.untilText('ol.ladder li', 'at least 50 % of it itself')
    await visit.press('Edit ladder')
    await visit.see(`${row} input[aria-label^="Itself at least"]`)
    await visit.still()
    await visit.retype(`${row} input[aria-label^="Itself at least"]`, '0')
    await visit.press('Set ladder', dialog)
    await visit.untilGone(dialog)
    await visit.untilNoText('ol.ladder li', 'itself')
    expect(await told()).not.toContain('itself')
  })
})

const leafTail = async () => Object.values((await houseOf(one)).species)[0]!

describe('the parts of a species on forms', () => {
  const edit = async (name: string) => {
    await visit.press(name)
    await visit.see(`${dialog} form`)
    await visit.still()
  }

  it('a clock is dropped and another added, and what was not touched keeps its mark', async () => {
    await edit('Edit Clocks: earliest, likely, latest')
    const field = `${dialog} input[aria-label="hatch → first meal, likely"]`
    await visit.retype(field, '30')
    await visit.press('Drop clock lock → laying', dialog)
    await visit.press('Set', dialog)
    await visit.untilText(dialog, 'Earliest, likely and latest must be in order')
    await visit.retype(field, '6')
    await visit.press('Set', dialog)
    await visit.untilGone(dialog)
    const { clocks } = (await leafTail()).parts
    expect(clocks!['copulation>laid']).toBeUndefined()
    expect(clocks!['hatched>firstMeal']!.days).toMatchObject({ likely: 6, mark: 'own' })
    const others = Object.entries(clocks!).filter(([key]) => key !== 'hatched>firstMeal')
    const given = Object.keys(shippedAlmanac.species['leaf-tailed-gecko']!.clocks)
    const kept = given.filter(key => !['copulation>laid', 'hatched>firstMeal'].includes(key))
    expect(others.map(([key]) => key).sort()).toEqual(kept.sort())
    for (const [key, clock] of others) expect([key, clock.days.mark]).toEqual([key, 'borrowed'])
  })

  it('what is not known is said so, then taken over from another, by keys', async () => {
    await edit('Edit Pairing')
    await visit.press('Pairing: not known', dialog)
    await visit.press('Set', dialog)
    await visit.untilGone(dialog)
    expect((await leafTail()).parts.mating).toBeNull()
    await edit('Set Pairing')
    await visit.page.focus(`${dialog} button[aria-label^="Pairing: take over from"]`)
    await visit.page.keyboard.press('Enter')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('Leopard gecko')
    await visit.untilText('[role="option"]', 'Leopard gecko')
    await visit.page.keyboard.press('Enter')
    await visit.see(`${dialog} input[aria-label="Females to a male"]`)
    await visit.retype(`${dialog} input[aria-label="Females to a male"]`, '2')
    await visit.press('Set', dialog)
    await visit.untilGone(dialog)
    const { mating } = (await leafTail()).parts
    expect(mating!.females).toMatchObject({ value: 2, mark: 'own' })
    expect(mating!.visitDays).toMatchObject({ mark: 'borrowed', from: 'Leopard gecko' })
  })

  it('an own number inside a part goes with the part, and does not lie over what was set', async () => {
    const path = `species.${(await leafTail()).id}.fertility.value`
    await visit.click(`[data-path="${path}"]`)
    await visit.retype('form input[inputmode="decimal"]', '0.5')
    await visit.page.keyboard.press('Enter')
    await visit.untilText(`[data-path="${path}"]`, '0.5')
    await edit('Edit Eggs and young')
    await visit.retype(`${dialog} input[aria-label="Good eggs"]`, '0.7')
    await visit.press('Set', dialog)
    await visit.untilGone(dialog)
    await visit.untilText(`[data-path="${path}"]`, '0.7')
    const { overrides } = (await fetch(`${one.address}/api/house`).then(r => r.json())) as HouseSnapshot
    expect(overrides).toEqual([])
  })
})

describe('a feeder that comes in several ways', () => {
  it('is had another way with one press, the plan says so, and it is taken back', async () => {
    // a page loaded anew has no earlier toast whose Undo could be meant
    await visit.go('/round')
    await visit.go('/almanac#mealworm')
    await visit.press('Get it this way: an own colony, by the tub')
    await visit.untilText('.ways b', 'an own colony, by the tub')
    expect((await houseOf(one)).feeders.mealworm!.parts).toMatchObject({
      supply: { kind: 'colony' },
      otherWays: [{ kind: 'bought' }],
    })
    await visit.press('Undo')
    await visit.untilText('.ways b', 'bought, by the tub of 500')
  })

  it('takes over a way from another feeder, each number borrowed, and drops it', async () => {
    await visit.go('/almanac#beanBeetle')
    const ways = () => document.querySelectorAll('.ways li').length
    const before = await visit.page.evaluate(ways)
    const others = shippedAlmanac.feeders.beanBeetle!.otherWays?.length ?? 0
    await visit.click('button[aria-label^="Another way:"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('about to yield')
    await visit.untilText('[role="option"]', 'bought about to yield, by the cup, as small fruit fly')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('.ways', 'bought about to yield, by the cup')
    await visit.untilText(`[data-path="feeders.beanBeetle.otherWays.${others}.yieldTotal.value"]`, 'borrowed')
    await visit.press('Drop: bought about to yield, by the cup')
    await visit.until('the way gone', (n: number) => document.querySelectorAll('.ways li').length === n, before)
  })
})

describe('a sheet, from one house to another', () => {
  it('goes out as a file', async () => {
    await visit.go(`/almanac#${(await leafTail()).id}`)
    await visit.press('Sheets out and in')
    await visit.press('Export Cave leaf-tail', dialog)
    for (let tries = 0; tries < 100 && !sheets().length; tries++) await new Promise(r => setTimeout(r, 50))
    expect(sheets()).toEqual(['cave-leaf-tail.mantel.json'])
    await visit.page.keyboard.press('Escape')
    for (let n = 0; n < 5; n++) await visit.expectRefusal(422)
    expect(visit.complaints).toEqual([])
  })

  it('what it would change is shown before it is taken; what cannot be read is told', async () => {
    const there = await Visit.start(chromium.browser, other.address)
    await there.go('/almanac')
    await there.press('Sheets out and in')
    const input = (await there.page.waitForSelector(`${dialog} input[data-sheet]`)) as ElementHandle<HTMLInputElement>
    const bad = join(folder, 'newer.json')
    writeFileSync(bad, '{"mantelSheet": 9, "species": [], "feeders": []}')
    await input.uploadFile(bad)
    await there.untilText(dialog, 'written by a newer Mantel')
    const large = join(folder, 'large.json')
    writeFileSync(large, ' '.repeat(10_000_000))
    await input.uploadFile(large)
    await there.untilText(dialog, 'larger than 5 MB')
    await input.uploadFile(join(folder, sheets()[0]!))
    await there.untilText(dialog, 'New here: Cave leaf-tail')
    await there.untilText(dialog, 'It moves nothing in this house today.')
    expect((await houseOf(other)).species).toEqual({})
    await there.press('Take it over', dialog)
    await there.untilText(dialog, '1 added.')
    const [here] = Object.values((await houseOf(other)).species)
    const sent = JSON.parse(readFileSync(join(folder, sheets()[0]!), 'utf8')) as {
      species: { id: string; name: string }[]
    }
    expect(here).toMatchObject({ name: 'Cave leaf-tail', id: sent.species[0]!.id })
    expect(there.complaints).toEqual([])
    await there.page.close()
  })
})

describe('numbers for every species', () => {
  it('are found by a word in the list, and set where they stand', async () => {
    await visit.go('/almanac')
    await visit.page.type('input[aria-label="Find a species or feeder"]', 'freezer')
    await visit.untilText('nav[aria-label="Almanac"]', 'Numbers for every species 1 so called')
    await visit.press('Numbers for every species 1 so called', 'nav[aria-label="Almanac"]')
    await visit.untilText('.almanac-sheet', 'Prey in a litre of freezer')
    expect(await visit.page.$eval('.almanac-sheet [role="status"]', e => (e as HTMLElement).innerText)).toBe('1 number')
    const number = '.almanac-sheet .number'
    expect(await visit.text(number)).toMatch(/freezer:\s*500/)
    await visit.click(number)
    await visit.retype('form input[inputmode="decimal"]', '450')
    await visit.page.keyboard.press('Enter')
    await visit.untilText(number, 'yours')
    await visit.untilGone('form input[inputmode="decimal"]')
    expect(await visit.text(number)).toMatch(/freezer:\s*450/)
    expect(await visit.text('.almanac-sheet')).toContain('1 of them is yours')
    await visit.page.$eval('input[aria-label="Find a number"]', e => (e as HTMLInputElement).select())
    await visit.page.type('input[aria-label="Find a number"]', 'no such number')
    await visit.untilText('.almanac-sheet', 'No number is called that.')
  })
})
