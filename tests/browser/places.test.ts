import { describe, expect, it } from 'vitest'
import type { SeasonSnapshot } from '#shared/contracts/house'
import { Visit } from './browser'
import { chromium, server, serveDemo, snapshot, visit } from './demo'

serveDemo({ each: true })

const house = async () => (await snapshot()).house
const season = async () => ((await fetch(`${server.address}/api/season`).then(r => r.json())) as SeasonSnapshot).season
const placeNamed = async (name: string) => Object.values((await house()).places).find(p => p.name === name)!

/** Picks from a list that opens, by its first letters. */
async function choose(list: string, option: string): Promise<void> {
  await visit.click(list)
  await visit.see('[role="option"]')
  await visit.page.keyboard.type(option.slice(0, 4))
  await visit.page.keyboard.press('Enter')
  await visit.untilText(list, option)
}

describe('where something is wrong', () => {
  it('names the two places that are wrong, why, and how much room there is', async () => {
    await visit.go('/places')
    expect(await visit.text('header')).toMatch(/Rock pen first: harm\. Watch Moss tank.*\d+ of \d+ tubs are free/)
    expect(await visit.text('main')).toMatch(
      /Rock pen, basking spot, has been under its band for \d+ h, at 1\d(\.\d)? °C/,
    )
    expect(await visit.text('main')).toMatch(/Moss tank has been under its band for 4 days, at 4\d %/)
    expect(await visit.text('[data-place="Rock pen"]')).toMatch(/O-01/)
  })

  it('a place says what it reads against its band; an answered alarm is silent, and can be taken back', async () => {
    await visit.go('/places')
    await visit.click('[data-place="Moss tank"]')
    await visit.untilText('main h1', 'How is Moss tank?')
    await visit.untilText('main', 'should be 60 % to 95 %')
    await visit.press('Answer', 'main')
    await visit.page.type('[role="dialog"] input', 'New mister is ordered')
    await visit.press('Let it be silent', '[role="dialog"]')
    await visit.untilText('main', 'Answered, silent until it is over: New mister is ordered')
    await visit.untilText('header', 'All that is read is as it should be')
    await visit.press('Undo', 'body')
    await visit.untilText('main', 'Moss tank has been under its band')
  })

  it('a UV reading by hand says what to do with the lamp', async () => {
    await visit.go(`/places/${(await placeNamed('Cork pen')).id}`)
    await visit.untilText('main', 'UV index 2.4, Ferguson zone 3. It is right as it hangs')
    await visit.page.type('main input[aria-label^="Reading of Cork pen"]', '1.2')
    await choose('[aria-label="What was read"]', 'UV index')
    await choose('[aria-label="Where in the place"]', 'basking spot')
    await visit.press('Write reading', 'main')
    // a tube of 44 cm with 1.2 where 1.5 to 4 is right: 44 · 1.2 / 2.75 cm
    await visit.untilText('main', 'Lower it to about 19 cm')
    await visit.untilText('main', 'should be at least UV index 1.5')
    await visit.go('/round')
    await visit.press('Read the UV index 1, Glass wall: write')
    await visit.see('[data-stop="Rock pen"] input')
    await visit.page.type('[data-stop="Rock pen"] input', '1.7')
    await visit.press('Write reading', '[data-stop="Rock pen"]')
    await visit.untilText('body', 'Rock pen, basking spot: UV index 1.7')
    await visit.go(`/places/${(await placeNamed('Rock pen')).id}`)
    await visit.untilText('main', 'UV index 1.7, Ferguson zone 3. It is right as it hangs. It fades: too weak about')
  })
})

describe('care that comes round', () => {
  const line = (job: string, areaId: string) => `[data-care-line="care:${job}:${areaId}"]`

  it('a rack is done with one press and one exception, and is undone', async () => {
    const rack = await placeNamed('Rack B')
    await visit.go('/round')
    const water = line('water', rack.id)
    expect(await visit.text(water)).toMatch(/Fresh water\s+6/)
    await visit.press('Fresh water, Rack B: leave some out, or write what was found')
    await visit.see('[data-stop="Tub 13"] [role="checkbox"]')
    await visit.page.evaluate(() =>
      document.querySelector<HTMLElement>('[data-stop="Tub 13"] [role="checkbox"]')!.click(),
    )
    await visit.press('Done at 5, not at 1')
    await visit.untilText('body', 'Fresh water, 5 in Rack B, not 1: done')
    await visit.untilText(water, '1')
    const left = (await season()).care.find(l => l.id === `care:water:${rack.id}`)!
    const tub = await placeNamed('Tub 13')
    expect(left.stops.map(s => s.placeId)).toEqual([tub.id])
    await visit.press('Undo')
    await visit.until(
      'six again',
      (s: string) => document.querySelector<HTMLElement>(s)?.innerText.includes('6'),
      water,
    )
  })

  it('what is found stays in the Round until it is settled', async () => {
    await visit.go('/round')
    await visit.press('Spot clean, Rack A: leave some out, or write what was found')
    await visit.press('Found something in Tub 1')
    await visit.press('mites', '[data-stop="Tub 1"]')
    await visit.press('Done in Tub 1, and this was found')
    await visit.untilText('main', 'Mites, found today')
    await visit.untilText('main', 'a vet names the remedy')
    const found = (await placeNamed('Tub 1')).found
    expect(found).toMatchObject([{ what: ['mites'] }])
    await visit.press('Settled', `[data-task="found:${found![0]!.entryId}"]`)
    await visit.untilGone(`[data-task="found:${found![0]!.entryId}"]`)
  })

  it('by thumb: a rack at one tap, and a rhythm of its own', async () => {
    const phone = await Visit.start(chromium.browser, server.address, { phone: true })
    await phone.go('/round')
    const hatchlings = await placeNamed('Hatchling rack')
    await phone.tap('Light clean 10, Hatchling rack: done')
    await phone.untilGone(line('lightClean', hatchlings.id))
    const tub = await placeNamed('Tub 11')
    await phone.go(`/places/${tub.id}`)
    await phone.untilText('main', 'weekly')
    expect(phone.complaints).toEqual([])
    await phone.close()
  })

  it('own jobs come round from the day that is said', async () => {
    await visit.go('/places')
    await visit.press('List')
    await visit.untilText('main', 'Rebuild the tortoise table')
    await visit.press('Add a job')
    await visit.page.type('[role="dialog"] input[placeholder="Rebuild the big cage"]', 'Sweep the floor')
    await visit.press('Add job', '[role="dialog"]')
    await visit.untilText('body', 'Sweep the floor: added to the Round')
    await visit.go('/round')
    await visit.untilText('[data-room="The whole house"]', 'Sweep the floor')
  })
})

describe('company', () => {
  it('is asked before an animal is moved to one with whom it cannot live', async () => {
    const [mover, host] = ['K-03', 'K-08'].map(tag => ({ tag }))
    const { animals, places } = await house()
    const of = (tag: string) => Object.values(animals).find(a => a.tag === tag)!
    await visit.go(`/animals/${of(mover!.tag).id}`)
    await visit.click('[aria-label="Move to …"]')
    const name = places[of(host!.tag).placeId!]!.name
    await visit.until('the list of places', () => document.querySelector('[role="option"]'))
    await visit.page.evaluate(
      (n: string) =>
        [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(e => e.innerText.endsWith(n))!.click(),
      `Rack A · ${name}`,
    )
    await visit.untilText('[role="dialog"]', 'lives alone')
    await visit.expectRefusal(422)
    await visit.press('No, write nothing', '[role="dialog"]')
    expect(Object.values((await house()).animals).find(a => a.tag === mover!.tag)!.placeId).toBe(of(mover!.tag).placeId)
  })
})

describe('a line of the log', () => {
  it('writes a reading by the name of a place', async () => {
    await visit.go('/places')
    await visit.page.type('input[placeholder^="T-14"]', 'Pond tank water 18.5 C')
    await visit.press('Write')
    // the same words stand before it as what was understood
    await expect
      .poll(async () => (await placeNamed('Pond tank')).measured)
      .toMatchObject([{ zone: 'water', value: 18.5 }])
    await visit.untilText('body', 'Pond tank water read at 18.5 °C')
  })
})

describe('the order of the walk', () => {
  it('is arranged by arrow keys, written once they rest, and undone', async () => {
    await visit.go('/places')
    await visit.press('Arrange')
    const names = () =>
      visit.page.$$eval('ul[aria-label^="Rack B"] button', bs =>
        bs.map(b => b.getAttribute('aria-label')!.split(',')[0]),
      )
    await visit.see('ul[aria-label^="Rack B"] button')
    const before = await names()
    await visit.page.focus('ul[aria-label^="Rack B"] li:nth-child(2) button')
    for (const key of ['ArrowRight', 'ArrowRight', 'ArrowLeft'] as const) await visit.page.keyboard.press(key)
    const wished = [before[0], before[2], before[1], ...before.slice(3)]
    expect(await names()).toEqual(wished)
    // the focus goes with it
    expect(await visit.page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).toMatch(
      `${before[1]}, 3 of`,
    )
    await visit.untilText('body', 'Rack B: put in another order')
    const order = async (name: string) => (await placeNamed(name)).order
    expect(await order(before[2]!)).toBeLessThan(await order(before[1]!))
    await visit.press('Undo', 'body')
    await expect.poll(async () => (await order(before[1]!)) < (await order(before[2]!))).toBe(true)
    await visit.press('Done arranging')
    await visit.see('[data-place="Rock pen"]')
  })
})

describe('room to grow', () => {
  it('tells which homes will be too small and why, and moves an animal to one that is free and large enough', async () => {
    await visit.go('/places')
    expect(await visit.text('header')).toMatch(/Room to grow: \d+ homes too small by/)
    await visit.press('Room to grow')
    await visit.click('[data-alike="fat-tailed-gecko"]')
    const row = '[data-home="Box 21"]'
    expect(await visit.text(row)).toMatch(/GY-01 Box 21\s+26 Dec \(\d+–\d+\)/)
    await visit.click(`${row} .working-link`)
    await visit.untilText('[role="dialog"]', 'Weight of a grown one')
    expect(await visit.text('[role="dialog"]')).toMatch(/Floor it has\s+0\.05 m²/)
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')
    await visit.click(`${row} .do button`)
    await visit.see('[role="option"]')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('body', 'GY-01 moved to')
    await visit.untilGone(row)
    await visit.press('Undo')
    await visit.see(row)
  })

  it('takes the size of a home as it is written, and refuses litres beside the field', async () => {
    await visit.go(`/places/${(await placeNamed('Fern tank')).id}`)
    expect(await visit.text()).toContain('Inside 45 × 30 × 30 cm.')
    await visit.press('Change Fern tank')
    const field = 'xpath///label[contains(., "Size inside")]/following::input[1]'
    await visit.retype(field, '75 L')
    await visit.press('Change place', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'is not width × depth × height')
    await visit.retype(field, '24 x 18 x 18 in')
    await visit.press('Change place', '[role="dialog"]')
    await visit.untilText('main', 'Inside 61 × 46 × 46 cm.')
    expect((await placeNamed('Fern tank')).size).toEqual({ widthCm: 61, depthCm: 45.7, heightCm: 45.7 })
  })
})
