import { describe, expect, it } from 'vitest'
import { open, serveDemo, snapshot, visit } from './demo'

serveDemo()

const clutch = async (tag: string) => {
  const { house } = await snapshot()
  return Object.values(house.clutches).find(c => c.tag === tag)!
}
/** What the rows of a clutch say, egg by egg. */
const states = async (tag: string) => {
  const { rows } = await clutch(tag)
  return Object.fromEntries(Object.values(rows).map(e => [e.n, e.state]))
}
const tapEgg = (n: number) => visit.page.$eval(`.tub [data-egg="${n}"]`, e => (e as HTMLElement).click())
const hatch = () => visit.text('.answer')

describe('what opens when', () => {
  it('stands by incubators, the one that is wrong first, each box as it lies; a row opens its clutch', async () => {
    await open()
    await visit.go('/eggs')
    expect(await visit.text('header')).toMatch(/C-4 has 2 pipped\. C-4 first/)
    const shelves = await visit.page.$$eval('.shelves section[aria-label] h2 a', as => as.map(a => a.textContent))
    expect(shelves).toEqual(['Incubator 31 °C', 'Incubator 28 °C', 'Cool cupboard'])
    expect(await visit.text('main')).toMatch(/Incubator 31 °C read 32\.\d °C over the last day and is set to 31 °C/)
    const box = await visit.page.$eval('[data-clutch="C-3"] .box svg', e => e.getAttribute('aria-label'))
    expect(box).toBe('Box of C-3: 11 sound, 1 doubtful, 2 slug')
    await visit.click('[data-clutch="C-3"] .open')
    await visit.untilText('main h1', 'C-3: 12 of 14 eggs left')
    expect(await visit.text('main')).toContain('Give 64 g of water')
    expect(await visit.page.title()).toContain('C-3')
  })

  it('eggs that were bought are added with what is known of them, and what cannot be stands beside its field', async () => {
    await open()
    await visit.go('/eggs')
    await visit.press('Add eggs', 'main')
    const form = '[role="dialog"] form'
    await visit.click(`${form} button[aria-haspopup="listbox"]`)
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('Milk')
    await visit.page.keyboard.press('Enter')
    await visit.retype(`${form} input[name="eggs"]`, '20')
    await visit.retype(`${form} input[name="slugs"]`, '21')
    await visit.untilText(form, 'More slugs than eggs')
    await visit.retype(`${form} input[name="slugs"]`, '0')
    await visit.retype(`${form} input[name="tempC"]`, '60')
    await visit.untilText(form, 'Incubation over 45 °C kills')
    await visit.retype(`${form} input[name="tempC"]`, '82.4 °F')
    await visit.press('Add eggs', form)
    await visit.untilText('main h1', 'C-6: 20 of 20 eggs left')
    expect(await clutch('C-6')).toMatchObject({
      speciesId: 'milk-snake',
      pairingId: null,
      groupId: null,
      eggs: 20,
      tempC: 28,
    })
  })

  it('what came of them is held against what was said at laying', async () => {
    await open()
    await visit.go('/eggs')
    await visit.press('What came of them')
    await visit.untilText('main', '4 of 5 hatches fell into the 80 % range')
    expect(await visit.text('main')).toMatch(/E-5[^\n]*63[^\n]*outside/)
  })
})

describe('the box from above', () => {
  it('of twenty is candled by thumb in a few taps, written at once, and taken back', async () => {
    await open({ phone: true })
    await visit.go(`/eggs/${(await clutch('C-6')).id}`)
    const wide = await visit.page.$$eval('.tub button', bs => bs.map(b => b.getBoundingClientRect().height))
    expect(wide).toHaveLength(20)
    expect(Math.min(...wide)).toBeGreaterThanOrEqual(44)
    await visit.tap('All 20 sound', 'main')
    await visit.tap('doubtful', '.marks')
    await tapEgg(4)
    await visit.tap('slug', '.marks')
    await tapEgg(7)
    await tapEgg(8)
    // tapped by mistake, and once more
    await tapEgg(8)
    await visit.tap('sound', '.marks')
    await tapEgg(8)
    await visit.tap('Record 20 eggs', 'main')
    await visit.untilText('main h1', '19 of 20 eggs left, 1 slug, 18 good')
    expect(await states('C-6')).toMatchObject({ 1: 'sound', 4: 'doubtful', 7: 'slug', 8: 'sound' })
    await visit.tap('Undo')
    await visit.untilText('main h1', 'C-6: 20 of 20 eggs left')
  })

  it('what an egg cannot become is told, and nothing is written', async () => {
    await open()
    await visit.go(`/eggs/${(await clutch('C-3')).id}`)
    await visit.press('pipped', '.marks')
    await tapEgg(8)
    await visit.press('Record 1 egg', 'main')
    await visit.untilText('main [role="alert"]', 'Egg 8 is written as a slug')
    await visit.expectRefusal(422)
    expect((await states('C-3'))[8]).toBe('slug')
    await visit.press('Leave it', 'main')
    await visit.untilGone('main [role="alert"]')
  })

  it('a dead egg that was opened says how far it had come', async () => {
    await open()
    await visit.go(`/eggs/${(await clutch('C-3')).id}`)
    await visit.press('dead', '.marks')
    await visit.click('[aria-label^="How far they had come"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('half')
    await visit.page.keyboard.press('Enter')
    await tapEgg(5)
    await visit.press('Record 1 egg', 'main')
    await visit.untilText('main h1', '1 dead')
    expect((await clutch('C-3')).rows[5]).toMatchObject({ state: 'dead', end: 'half grown' })
    await visit.press('Undo')
    await visit.untilText('main h1', '12 of 14 eggs left')
  })

  it('a box that weighs less than what is in it is refused beside its field, and so is what is no weight', async () => {
    await open()
    await visit.go(`/eggs/${(await clutch('C-1')).id}`)
    await visit.press('Set up box', 'main')
    const field = (label: string) => `xpath///form//label[contains(., "${label}")]/following::input[1]`
    await visit.retype(field('Dry medium'), '200 g')
    await visit.retype(field('Closed box'), '28 °C')
    await visit.press('Write box', 'form.set')
    await visit.untilText('form.set', 'does not measure mass')
    await visit.retype(field('Closed box'), '150')
    await visit.press('Write box', 'form.set')
    await visit.untilText('form.set', 'The box cannot weigh less than what is in it: 200 g')
    await visit.expectRefusal(422)
    expect((await clutch('C-1')).box).toBeNull()
    await visit.retype(field('Closed box'), '18 oz')
    await visit.press('Write box', 'form.set')
    await visit.untilGone('form.set')
    expect((await clutch('C-1')).box).toMatchObject({ mediumG: 200, totalG: 510.3 })
  })

  it('is arranged by a real drag', async () => {
    await open()
    await visit.go(`/eggs/${(await clutch('C-2')).id}`)
    await visit.press('Arrange', 'main')
    const egg = (await visit.page.waitForSelector('.tub [data-egg="2"]'))!
    await egg.scrollIntoView()
    await visit.still()
    const from = (await egg.boundingBox())!
    const tub = (await (await visit.page.$('.tub'))!.boundingBox())!
    await visit.page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
    await visit.page.mouse.down()
    await visit.page.mouse.move(tub.x + tub.width * 0.4, tub.y + tub.height * 0.8, { steps: 8 })
    await visit.page.mouse.up()
    await visit.press('Record where 1 lies', 'main')
    await expect.poll(async () => (await clutch('C-2')).rows[2]?.lies?.x).toBeCloseTo(0.4, 1)
    expect((await clutch('C-2')).rows[2]!.lies!.y).toBeCloseTo(0.8, 1)
  })

  it('is arranged by the arrow keys, and keeps where they lie', async () => {
    await open()
    const { id, lastCheck } = await clutch('C-1')
    await visit.go(`/eggs/${id}`)
    await visit.press('Arrange', 'main')
    await visit.page.focus('.tub [data-egg="1"]')
    for (let i = 0; i < 3; i++) await visit.page.keyboard.press('ArrowRight')
    await visit.press('Record where 1 lies', 'main')
    await visit.untilText('body', 'C-1: egg 1 written')
    await expect.poll(async () => (await clutch('C-1')).rows[1]?.lies?.x).toBeCloseTo(0.34, 2)
    // where they lie says nothing of how they are
    expect((await clutch('C-1')).lastCheck).toEqual(lastCheck)
  })
})

describe('eggs into another box', () => {
  it('are chosen by thumb, keep their numbers, and are forecast by where they lie; taken back, they are where they were', async () => {
    await open({ phone: true })
    const before = await clutch('C-6')
    await visit.go(`/eggs/${before.id}`)
    const hatches = await hatch()
    await visit.tap('Some into another box', 'main')
    const form = '[role="dialog"] form'
    const last = before.eggs
    await visit.click(`${form} [aria-label^="Egg 1,"]`)
    await visit.click(`${form} [aria-label^="Egg ${last},"]`)
    await visit.untilText(form, `${before.eggs - 2} stay in C-6`)
    await visit.retype(`${form} input[name="tag"]`, 'C-1')
    await visit.tap('Move 2 eggs into C-1', form)
    await visit.untilText(form, 'The tag C-1 is already in use')
    await visit.expectRefusal(422)
    await visit.retype(`${form} input[name="tag"]`, 'C-6b')
    await visit.untilNoText(form, 'already in use')
    await visit.click(`${form} button[aria-haspopup="listbox"]`)
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('31')
    await visit.page.keyboard.press('Enter')
    await visit.tap('Move 2 eggs into C-6b', form)
    await visit.untilGone(form)
    await visit.untilText('main', '2 of its eggs are C-6b')
    expect(await hatch()).toBe(hatches)
    const part = await clutch('C-6b')
    expect(part).toMatchObject({ partOf: before.id, numbers: [1, last], eggs: 2 })
    await visit.move(`/eggs/${part.id}`)
    await visit.untilText('main h1', 'C-6b: 2 of 2 eggs left')
    const drawn = await visit.page.$$eval('.tub [data-egg]', es => es.map(e => (e as HTMLElement).dataset.egg))
    expect(drawn).toEqual(['1', String(last)])
    expect(await hatch()).not.toBe(hatches)
    await visit.undo('2 eggs are now C-6b')
    await expect.poll(async () => (await clutch('C-6b')) ?? null).toBeNull()
    expect(await clutch('C-6')).toEqual(before)
  })
})

describe('warmth moves the day', () => {
  it('a clutch that goes to the warmer incubator hatches sooner, and says so; undone, as before', async () => {
    await open()
    await visit.go(`/eggs/${(await clutch('C-2')).id}`)
    const before = await hatch()
    expect(before).toMatch(/hatch \d+ (?:Dec|Jan)/)
    await visit.click('[aria-label^="Move to"]')
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('31')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('main', 'Back shop · Incubators · Incubator 31 °C')
    await visit.until(
      'another day',
      (was: string) => document.querySelector('.answer')!.textContent!.trim() !== was,
      before,
    )
    await visit.press('Undo')
    await expect.poll(hatch).toBe(before)
  })

  it('a programme of one’s own puts the hatch off by its phase, until the Round is told that it is over', async () => {
    await open()
    const { id } = await clutch('C-6')
    await visit.go(`/eggs/${id}`)
    const before = await hatch()
    await visit.press('Programme', 'main')
    const form = '[role="dialog"] form'
    await visit.retype(`${form} input[name="phases.0.highC"]`, '39')
    await visit.retype(`${form} input[name="name"]`, 'Cool first')
    await visit.press('Set programme', form)
    await visit.untilText(form, 'Eggs of this species die above')
    await visit.expectRefusal(422)
    await visit.retype(`${form} input[name="phases.0.highC"]`, '21')
    await visit.untilNoText(form, 'Eggs of this species die above')
    await visit.press('Set programme', form)
    await visit.untilGone(form)
    await visit.untilText('main header', 'In the programme “Cool first”')
    await visit.untilText('.answer', 'Cool spell; hatch')
    expect(await hatch()).not.toBe(before)
    await visit.press('Cool spell is over', 'main')
    await expect.poll(async () => (await clutch('C-6')).phases).toMatchObject([{ index: 1 }])
    await visit.untilText('.answer', '% developed')
  })

  it('a wished day gives a temperature, or what could be', async () => {
    await open()
    await visit.go(`/eggs/${(await clutch('C-2')).id}`)
    const segment = (part: string) => `.ready [data-segment="${part}"]`
    await visit.click(segment('day'))
    await visit.page.keyboard.type('27122026')
    await visit.untilText('.ready', 'About 28')
    await visit.click(segment('year'))
    await visit.page.keyboard.type('2027')
    await visit.untilText('.ready', 'No safe temperature does that')
  })
})
