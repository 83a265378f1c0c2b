import { v7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { open, serveDemo, server, snapshot, visit } from './demo'

serveDemo()

const animal = async (tag: string) => {
  const { house } = await snapshot()
  return Object.values(house.animals).find(a => a.tag === tag)!
}
/** The name of the column in which a young one stands. */
const columnOf = (tag: string) =>
  visit.page.$eval(`[data-young="${tag}"]`, e =>
    e
      .closest('.column')!
      .querySelector('h3')!
      .innerText.replace(/\s*\d+$/, ''),
  )
const pick = async (name: string, option: string) => {
  await visit.click(`button[aria-label^="${name}:"]`)
  await visit.see('[role="option"]')
  await visit.page.evaluate(o => {
    const found = [...document.querySelectorAll<HTMLElement>('[role="option"]')].find(e => e.innerText.trim() === o)
    if (!found) throw new Error(`No option ${o}`)
    found.click()
  }, option)
  await visit.untilGone('[role="option"]')
}

describe('the boards of the litters', () => {
  it('show who is behind first, what each gets next, and how many will take thawed prey', async () => {
    await open()
    await visit.go('/nursery')
    expect(await visit.text('main header')).toMatch(/3 refusing, 2 behind, 33 may go/)
    const first = await visit.page.$$eval('[data-litter]', list => list.map(e => e.getAttribute('data-litter')))
    expect(first.slice(0, 2)).toEqual(['K-04', 'R-02'])
    expect(await columnOf('KY-11')).toBe('Live prey')
    expect(await visit.text('[data-young="KY-11"]')).toMatch(/try quiet and dark, refused 6[\s\S]*behind/)
    expect(await visit.text('[data-litter="R-02"]')).toMatch(/6 of 8 take thawed prey; by 23 Dec \d–8 will/)
    await visit.press('All in a table')
    await visit.untilText('main tbody', 'KY-07')
    expect(await visit.page.$('[data-litter]')).toBeNull()
  })

  it('a thawed meal moves one on, and the count with it; taken back, it stands where it stood', async () => {
    await open({ phone: true })
    const { id } = await animal('RY-04')
    await visit.go(`/animals/${id}`)
    // fresh-killed is proposed after a thawed one that it refused
    await visit.see('button[aria-label="Prey was: fresh-killed"]')
    await pick('Prey was', 'thawed')
    await visit.tap('Took')
    await visit.untilText('body', 'RY-04: took 1')
    expect((await animal('RY-04')).meals.at(-1)).toMatchObject({ state: 'thawed', manner: 'moved', taken: 1 })
    await visit.move('/nursery')
    expect(await columnOf('RY-04')).toBe('Changing to thawed')
    expect(await visit.text('[data-litter="R-02"]')).toMatch(/7 of 8 take thawed prey/)
    await visit.tap('Undo')
    await visit.untilText('[data-litter="R-02"]', '6 of 8 take thawed prey')
    expect(await columnOf('RY-04')).toBe('Live prey')
  })
})

describe('one that refuses', () => {
  it('shows what was tried and what is next; a try that is written moves the course on', async () => {
    await open()
    const { id } = await animal('KY-07')
    await visit.go(`/animals/${id}#eating`)
    const marks = () =>
      visit.page.$$eval('.tries li', list => list.map(e => [e.getAttribute('data-try'), e.className.trim()]))
    expect((await marks()).slice(0, 5)).toEqual([
      ['quiet', 'done'],
      ['smaller', 'done'],
      ['overnight', 'done'],
      ['warmed', 'next'],
      ['scented', ''],
    ])
    expect(await visit.text('.eating')).toMatch(/Weigh it every week: refused 4 in a row, \d+ days without food/)
    await visit.press('Now')
    await visit.click('form.feed details summary')
    await visit.see('button[aria-label="Offered: warmed up"]')
    await pick('What it did', 'struck and let go')
    await visit.retype('input[aria-label="Minutes"]', '12')
    await visit.press('Refused')
    await visit.untilText('body', 'KY-07: refused 1')
    expect((await animal('KY-07')).meals.at(-1)).toMatchObject({ manner: 'warmed', outcome: 'struck', minutes: 12 })
    await visit.press('Eating and leaving')
    await visit.see('.tries [data-try="scented"].next')
    expect(await visit.text('.tries [data-try="warmed"]')).toMatch(/struck, 12 min/)
  })

  it('what it did that does not go with what it took is told, and nothing is written', async () => {
    await open()
    const { id, meals } = await animal('RY-06')
    await visit.go(`/animals/${id}`)
    await visit.click('form.feed details summary')
    await pick('What it did', 'turned away')
    await visit.press('Took')
    await visit.untilText('body', 'That does not go with how much it took')
    await visit.expectRefusal(422)
    expect((await animal('RY-06')).meals).toHaveLength(meals.length)
  })

  it('is stopped at the door: its sale is asked, and one that may go is reserved and gets its sheet', async () => {
    await open()
    const { id } = await animal('KY-07')
    await visit.go(`/animals/${id}#eating`)
    await visit.untilText('.answer', 'Not yet: meals taken in a row')
    await visit.press('Sold')
    await visit.see('form.ask')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('[role="dialog"]', 'KY-07 should not leave yet')
    await visit.press('No, write nothing')
    await visit.expectRefusal(422)
    expect((await animal('KY-07')).status).toBe('alive')

    const other = await animal('RY-01')
    await visit.go(`/animals/${other.id}#eating`)
    await visit.untilText('.answer', 'Nothing speaks against it')
    await visit.page.type('input[name="for"]', 'J.K.')
    await visit.press('Reserve')
    await visit.untilText('.eating', 'Reserved for J.K')
    await visit.press('Hand-over sheet')
    await visit.untilText('main h2', 'What it eats')
    const sheet = await visit.text()
    expect(sheet).toMatch(/Takes\s+mouse \w+, thawed/)
    expect(sheet).toContain('Eats by itself, holds its weight')
    expect(sheet).toMatch(/Born\s+\d+ \w+ 2026/)
  })
})

describe('the ways of single animals', () => {
  it('a step of the ladder is set, the next meal follows it, and by its age it is as before', async () => {
    await open()
    const { id } = await animal('GY-02')
    await visit.go(`/animals/${id}#eating`)
    await visit.untilText('.ladder', 'Step 2 of 3')
    await visit.click('.ladder summary')
    await visit.click('.ladder button[role="combobox"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('1:')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('.ladder button[role="combobox"]', '1:')
    await visit.press('Set', '.ladder')
    await visit.untilText('.ladder', 'Step 1 of 3')
    expect(await animal('GY-02')).toMatchObject({ ownLadder: { step: 0, everyDays: null } })
    const first = (await visit.text('.ladder')).match(/Step 1 of 3: (.*), every/)![1]!
    await visit.untilText('main header', first)
    await visit.undo('GY-02: step 1')
    await visit.untilText('.ladder', 'Step 2 of 3')
  })

  it('a meal of two sorts is written at once, with what was taken of each; taken back, both are gone', async () => {
    await open({ phone: true })
    const { id, meals } = await animal('GY-02')
    await visit.go(`/animals/${id}`)
    await visit.click('.several summary')
    await visit.tap('Add prey', '.menu')
    const rows = await visit.page.$$eval('[data-menu-row]', list => list.map(e => e.getAttribute('data-menu-row')))
    expect(rows).toEqual(['cricket.half', 'fly.small'])
    await visit.retype('[data-menu-row="fly.small"] input[aria-label$="offered"]', '9')
    await visit.page.keyboard.press('Tab')
    await visit.retype('[data-menu-row="fly.small"] input[aria-label$="taken"]', '4')
    await visit.page.keyboard.press('Tab')
    await visit.tap('Write meal', '.menu')
    await visit.untilText('body', 'GY-02: a meal of 2, of all taken')
    const written = (await animal('GY-02')).meals.slice(-2)
    expect(written).toMatchObject([
      { prey: 'cricket.half', offered: 5, taken: 5 },
      { prey: 'fly.small', offered: 9, taken: 4 },
    ])
    expect(written[0]!.at).toBe(written[1]!.at)
    await visit.undo('GY-02: a meal of 2')
    await expect.poll(async () => (await animal('GY-02')).meals.at(-1)!.entryId).toBe(meals.at(-1)!.entryId)
  })

  it('prey is left in by one tap, and nothing more is due for it today', async () => {
    await open({ phone: true })
    const line = async () => (await visit.page.$$('[data-task^="feed:"]')).length
    await visit.go('/round')
    const { id } = await animal('K-08')
    const before = await line()
    await visit.tap('Left in', `[data-task="feed:${id}"]`)
    await visit.untilGone(`[data-task="feed:${id}"]`)
    expect(await line()).toBe(before - 1)
    expect((await animal('K-08')).leftIn).toMatchObject([{ prey: 'rat.small', offered: 1 }])
  })

  it('what is minded stands at its tasks, and on the card for a helper', async () => {
    await open()
    const { id } = await animal('K-01')
    await visit.go(`/animals/${id}`)
    await visit.click('.ways summary')
    await visit.click('button[aria-label^="Ways:"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('strikes')
    await visit.page.keyboard.press('Enter')
    await visit.page.keyboard.press('Escape')
    await visit.press('Write its ways')
    await visit.untilText('main header', 'strikes: lid and hook at hand')
    await visit.move('/round')
    await visit.untilText(`[data-task="feed:${id}"]`, 'strikes: lid and hook at hand')
    await visit.move('/helper')
    expect(await visit.text('[data-helper="K-01"]')).toMatch(/1 adult mouse: ☐ today[\s\S]*strikes: lid and hook/)
    expect(await visit.text('main')).toMatch(/To have ready:[\s\S]*mouse pinkies[\s\S]*Look every day, touch nothing/)
  })
})

describe('young without tags', () => {
  it('join a group of their kind, no more than there are, and are with their clutch again when it is taken back', async () => {
    await open()
    const { house } = await snapshot()
    const { id, speciesId } = Object.values(house.clutches).find(c => c.tag === 'C-1')!
    const at = '2026-11-25T09:00:00Z'
    const group = v7()
    const entries = [
      {
        id: group,
        kind: 'groupAdded',
        subject: { type: 'group', id: group },
        data: { tag: 'AF', speciesId, unknown: 2, placeId: null },
      },
      { id: v7(), kind: 'hatched', subject: { type: 'clutch', id }, data: { count: 2 } },
    ].map(entry => ({ ...entry, at, source: 'keeper' }))
    const wrote = await fetch(`${server.address}/api/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
    })
    expect(wrote.status).toBe(200)
    const unknown = async () => (await snapshot()).house.groups[group]!.numbers.unknown
    await visit.go('/nursery')
    await visit.press('Put with a group', '[data-clutch="C-1"]')
    await visit.retype('[role="dialog"] input[name="unknown"]', '3')
    await visit.press('Put with the group', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'C-1 has 2 young without tags')
    await visit.expectRefusal(422)
    await visit.retype('[role="dialog"] input[name="unknown"]', '2')
    await visit.press('Put with the group', '[role="dialog"]')
    await visit.untilText('body', '2 of C-1 joined AF')
    expect(await unknown()).toBe(4)
    await visit.undo('2 of C-1 joined AF')
    await expect.poll(unknown).toBe(2)
  })
})
