import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { HouseSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

let server: RunningServer
let chromium: Awaited<ReturnType<typeof launch>>
let visit: Visit
const dialog = '[role="dialog"]'
beforeAll(async () => {
  ;[server, chromium] = await Promise.all([startServer(), launch()])
  visit = await Visit.start(chromium.browser, server.address)
}, 60_000)
afterAll(async () => {
  await chromium?.close()
  await server?.stop()
})
const snapshot = async () => (await fetch(`${server.address}/api/house`).then(r => r.json())) as HouseSnapshot
const zoneNow = async () => (await snapshot()).settings.timeZone
const house = async () => (await snapshot()).house

describe('the first day of a keeper, with a species that is not shipped', () => {
  it('begins from the empty Round, with what the device knows already filled in', async () => {
    await visit.go('/round')
    await visit.press('Begin with this house')
    await visit.untilText('main h1', 'How does this house begin?')
    await visit.see('input[name="houseName"]')
    expect(await visit.text('.part')).toContain(Intl.DateTimeFormat().resolvedOptions().timeZone)
    await visit.page.type('input[name="houseName"]', 'Fern Loft')
    await visit.press('Set up the house')
    await visit.untilText('.steps li:nth-child(1)', 'Fern Loft')
  })

  it('a room with a rack of tubs and an incubator come in one go', async () => {
    await visit.press('Add these places')
    await visit.untilText('.steps li:nth-child(2)', '13 places')
    const places = Object.values((await house()).places)
    expect(places.filter(p => p.kind === 'tub').map(p => p.name)).toContain('Tub 10')
    // 82 °F or 28 °C, by the units of the device
    expect(places.find(p => p.kind === 'incubator')!.tempC).toBeCloseTo(27.9, 0)
  })

  it('what a step has written is taken back where it stands, and written anew', async () => {
    await visit.press('Take back: Where they live')
    await visit.untilText('body', 'Taken back')
    expect(Object.keys((await house()).places)).toEqual([])
    await visit.press('Leave this out for now')
    await visit.click('.steps li:nth-child(2) .line')
    await visit.press('Add these places')
    await visit.untilText('.steps li:nth-child(2) .line', '13 places')
  })

  it('pasted lines are read, what is not understood is told, and a missing species is added on the way', async () => {
    await visit.press('Paste a list')
    await visit.page.type(
      'textarea[aria-label="Lines to paste"]',
      'tag species sex born\nK-1 cliff snake f 2021\nK-2 cliff snake m 2020-06-01',
    )
    await visit.press('Read these lines')
    await visit.untilText('.part', 'Not understood: cliff snake')
    await visit.press('Add 2 animals')
    await visit.untilText('.part', 'Choose its species')
    expect(Object.keys((await house()).animals)).toEqual([])
    await visit.press('A species that is missing here')
    await visit.see(`${dialog} input[name="name"]`)
    await visit.still()
    await visit.page.type(`${dialog} input[name="name"]`, 'Cliff snake')
    await visit.page.keyboard.press('Enter')
    await visit.untilGone(dialog)
    await visit.press('Add 2 animals')
    await visit.untilText('.steps li:nth-child(3) .line', '2 animals')
    const animals = Object.values((await house()).animals)
    expect(animals.map(a => [a.tag, a.sex, a.placeId !== null])).toEqual([
      ['K-1', 'female', true],
      ['K-2', 'male', true],
    ])
  })

  it('eggs that lie now give the first forecast, by borrowed numbers', async () => {
    await visit.see('.part [role="radio"][id$=":laid"]')
    await visit.page.focus('.part [role="radio"][id$=":laid"]')
    await visit.page.keyboard.press('Space')
    await visit.press('Write the clutch')
    await visit.untilText('[data-forecast]', 'C-1')
    // laid today, at about 28 °C by the corn snake's table: about 60 days (common practice, no source)
    expect(await visit.text('[data-forecast]')).toMatch(/hatch \d+ Jan/)
  })

  it('a step can be left out, and is found again', async () => {
    await visit.press('Leave this out for now')
    await visit.untilGone('.part')
    expect(await visit.text('.steps li:nth-child(5)')).not.toMatch(/culture[^s]/)
    await visit.press('See the season')
    await visit.untilText('main', 'C-1')
    await visit.move('/settings')
    await visit.press('here')
    await visit.untilText('main h1', 'How does this house begin?')
    expect(visit.complaints).toEqual([])
  })
})

describe('the time zone, found wrong later', () => {
  it('is changed when the keeper says so, and what was written for a day stays on it', async () => {
    const before = await house()
    const days = Object.values(before.clutches).map(c => c.startDay)
    await visit.go('/settings')
    const zone = 'button[aria-label^="Time zone:"]'
    const choose = async () => {
      await visit.click(zone)
      await visit.see('[role="option"]')
      await visit.page.keyboard.type('Kiritimati')
      await visit.untilText('[role="option"]', 'Pacific/Kiritimati')
      await visit.page.keyboard.press('Enter')
      await visit.press('Keep settings')
      await visit.untilText(dialog, 'Change the time zone?')
    }
    await choose()
    await visit.press('No, write nothing', dialog)
    await visit.untilGone(dialog)
    expect(await zoneNow()).not.toBe('Pacific/Kiritimati')
    await choose()
    await visit.press('Yes, write it', dialog)
    await visit.untilText('body', 'Settings kept')
    expect(await zoneNow()).toBe('Pacific/Kiritimati')
    expect(Object.values((await house()).clutches).map(c => c.startDay)).toEqual(days)
    for (let n = 0; n < 2; n++) await visit.expectRefusal(422)
    expect(visit.complaints).toEqual([])
  })
})

describe('settings that another window changes meanwhile', () => {
  const field = async (label: string) => {
    const id = await visit.page.$$eval(
      'label',
      (list, t) => list.find(l => l.innerText.trim() === t)!.getAttribute('for'),
      label,
    )
    return `[id="${id}"]`
  }

  it('are followed where nobody typed; what was typed is told, kept over the other, and taken back', async () => {
    await visit.go('/settings')
    const [appetite, waste] = [
      await field('Appetite, % of the ladder'),
      await field('Never eaten, % of what is offered'),
    ]
    await visit.retype(appetite, '80')
    const { settings, settingsVersion: version } = await snapshot()
    const other = await fetch(`${server.address}/api/settings`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...settings, version, appetite: 1.2, waste: 0.05 }),
    })
    expect(other.status).toBe(200)
    await visit.untilText('.crossed', 'Changed elsewhere meanwhile: Appetite, % of the ladder.')
    const shown = () => Promise.all([appetite, waste].map(f => visit.page.$eval(f, e => (e as HTMLInputElement).value)))
    expect(await shown()).toEqual(['80', '5'])
    await visit.press('Keep settings')
    await visit.untilGone('.crossed')
    expect((await snapshot()).settings).toMatchObject({ appetite: 0.8, waste: 0.05 })
    await visit.undo('Settings kept')
    await visit.until(
      'the other’s appetite',
      (f: string) => document.querySelector<HTMLInputElement>(f)!.value === '120',
      appetite,
    )
    expect((await snapshot()).settings).toMatchObject({ appetite: 1.2, waste: 0.05 })
    expect(visit.complaints).toEqual([])
  })
})

describe('the same by thumb, on a phone', () => {
  let own: RunningServer
  beforeAll(async () => {
    own = await startServer()
  })
  afterAll(() => own.stop())

  it('leads to a first forecast', async () => {
    const phone = await Visit.start(chromium.browser, own.address, { phone: true, theme: 'dark' })
    await phone.go('/begin')
    await phone.tap('Set up the house')
    await phone.tap('Add these places')
    await phone.see('input[aria-label="Tag 1"]')
    await phone.page.type('input[aria-label="Tag 1"]', 'G-1')
    const species = 'button[aria-label^="Species 1:"]'
    await phone.click(species)
    await phone.see('[role="listbox"] input, [role="option"]')
    await phone.page.keyboard.type('leopard')
    await phone.untilText('[role="option"]', 'Leopard gecko')
    await phone.page.keyboard.press('Enter')
    await phone.tap('Add animal')
    await phone.see('.part [role="radio"][id$=":laid"]')
    await (await phone.page.$('.part [role="radio"][id$=":laid"]'))!.tap()
    await phone.tap('Write the clutch')
    await phone.untilText('[data-forecast]', 'C-1')
    const wide = await phone.page.evaluate(() => document.documentElement.scrollWidth)
    expect(wide).toBeLessThanOrEqual(390)
    expect(phone.complaints).toEqual([])
    await phone.page.close()
  })
})
