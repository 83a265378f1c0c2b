import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ElementHandle, HTTPRequest } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { HouseSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from '../api/server'
import { Visit } from './browser'
import { chromium, serveDemo, server, visit } from './demo'

let empty: RunningServer

serveDemo({ each: true })
beforeAll(async () => {
  empty = await startServer()
})
afterAll(() => empty?.stop())

const house = () => fetch(`${server.address}/api/house`).then(r => r.json() as Promise<HouseSnapshot>)
const season = () => fetch(`${server.address}/api/season`).then(r => r.json() as Promise<SeasonSnapshot>)
const animal = async (tag: string) => Object.values((await house()).house.animals).find(a => a.tag === tag)!
const row = (tag: string) => `[data-cold="${tag}"]`

describe('the shelf', () => {
  it('says at once which two are in trouble and why, worst first', async () => {
    await visit.go('/brumation')
    await visit.see(row('M-09'))
    expect(await visit.text('header .answer')).toMatch(/^Take out M-09 now\. Offer water to K-02\./)
    const rows = await visit.page.$$eval('[aria-label="Cold chest"] [data-cold]', es =>
      es.map(e => (e as HTMLElement).dataset.cold),
    )
    expect(rows.slice(0, 2)).toEqual(['M-09', 'K-02'])
    expect(await visit.text(row('M-09'))).toMatch(/9\.0 %[\s\S]*over the limit within a week/)
    await visit.click(`${row('K-02')} .working-link`)
    await visit.untilText('[role="dialog"]', 'Andrews & Pough')
  })

  it('opens the sheet of one animal, and a look that finds noisy breath takes it out', async () => {
    await visit.go('/brumation')
    await visit.see(row('M-11'))
    await visit.press('M-11: open its sheet', row('M-11'))
    await visit.untilText('[role="dialog"]', 'Of it burnt')
    await visit.press('Noisy breath', '[role="dialog"]')
    await visit.untilText('[role="dialog"] .verdict', 'Take out now')
    await visit.press('Looked at, well', '[role="dialog"]')
    await visit.untilText('[role="dialog"] .verdict', 'Carry on')
  })

  it('records water and taking out by one tap, with undo', async () => {
    await visit.go('/brumation')
    await visit.see(row('K-02'))
    await visit.press('Water offered', row('K-02'))
    await visit.untilText(row('K-02'), 'Weigh in 7 days')
    await visit.press('Undo')
    await visit.untilText(row('K-02'), 'Offer water')
  })
})

describe('a shelf of weights with the scale', () => {
  it('takes one animal after another by one press each, in an order that does not jump', async () => {
    await visit.go('/brumation')
    await visit.see(row('M-01'))
    const before = (await animal('K-05')).weights.length
    await visit.press('Weigh this shelf', '[aria-label="Cold chest"]')
    for (let i = 0; i < 4; i++) {
      await visit.until('a weight at rest', () =>
        [...document.querySelectorAll<HTMLElement>('[role="dialog"] [data-record]')].some(
          b => /, .* g$/.test(b.innerText.trim()) && !(b as HTMLButtonElement).disabled,
        ),
      )
      await visit.page.$eval('[role="dialog"] [data-record]', b => (b as HTMLElement).click())
      await visit.until(
        `${i + 1} recorded`,
        (n: number) => document.querySelectorAll('[role="dialog"] .done li').length === n,
        i + 1,
      )
    }
    expect(
      await visit.page.$$eval('[role="dialog"] .done .tag', es => es.map(e => (e as HTMLElement).innerText)),
    ).toEqual(['K-06', 'K-05', 'K-04', 'K-02'])
    await visit.untilText('[role="dialog"] .big', 'K-09')
    // by keyboard: a number and Enter go before what the scale shows
    await visit.page.focus('[role="dialog"] form.weigh input')
    await visit.page.keyboard.type('430')
    await visit.page.keyboard.press('Enter')
    await visit.untilText('[role="dialog"] .done', '430 g')
    expect((await animal('K-05')).weights).toHaveLength(before + 1)
  })

  it('never shows the weight of the animal before, when the scale answers late', async () => {
    await visit.go('/brumation')
    await visit.see(row('M-01'))
    const late: HTTPRequest[] = []
    let hold = false
    visit.spoil()
    await visit.page.setRequestInterception(true)
    visit.page.on('request', request => {
      if (hold && request.url().endsWith('/weight')) late.push(request)
      else void request.continue()
    })
    await visit.press('Weigh this shelf', '[aria-label="Cold chest"]')
    await visit.until('a weight at rest', () => document.querySelector('[role="dialog"] .reading.stable') !== null)
    const first = await visit.text('[role="dialog"] .big')
    hold = true
    await expect.poll(() => late.map(r => r.method())).toContain('GET')
    await visit.press('Skip', '[role="dialog"]')
    await visit.until(
      'the next animal',
      (was: string) => document.querySelector<HTMLElement>('[role="dialog"] .big')!.innerText !== was,
      first,
    )
    const answers = { contentType: 'application/json' }
    await late.shift()!.respond({ ...answers, body: '{"massG":999,"stable":true}' })
    await new Promise(resolve => setTimeout(resolve, 200))
    expect(await visit.text('[role="dialog"] .reading')).toContain('put it on the scale')
    // what was asked for of this one is shown
    const before = late.length
    await expect.poll(() => late.length).toBeGreaterThan(before)
    await late.pop()!.respond({ ...answers, body: '{"massG":431,"stable":true}' })
    await visit.untilText('[role="dialog"] .reading', '431')
    hold = false
    for (const request of late) await request.continue()
  })

  it('asks before it writes what cannot be, and writes nothing when it was a slip', async () => {
    await visit.go('/brumation')
    await visit.see(row('M-04'))
    await visit.press('M-04: open its sheet', row('M-04'))
    const before = (await animal('M-04')).weights.length
    await visit.press('Weight', '[role="dialog"]')
    await visit.answerWrongly('655')
    await visit.untilText('[role="dialog"]', 'Was the tub weighed with it?')
    await visit.press('No, write nothing', '[role="dialog"]')
    await visit.expectRefusal(422)
    // the number is still there, to be mended
    expect(await visit.page.$eval('form.ask input', field => (field as HTMLInputElement).value)).toBe('655')
    expect((await animal('M-04')).weights).toHaveLength(before)
  })
})

describe('the plan', () => {
  it('changes a programme; the day of waking follows on the screen', async () => {
    await visit.go('/brumation')
    await visit.press('Plan', '[aria-label="View"]')
    await visit.press('Change W-2')
    await visit.see('[role="dialog"] form.plan details')
    await visit.click('[role="dialog"] form.plan summary')
    await visit.retype('xpath///label[contains(., "Length, days")]/following::input[1]', '84')
    await visit.page.keyboard.press('Tab')
    await visit.press('Change programme', '[role="dialog"]')
    await visit.untilGone('[role="dialog"]')
    await visit.untilText('[data-winter="W-2"]', 'warm up Thu 31 Dec')
  })

  it('plans backwards from the first young wanted, and tells who may go', async () => {
    await visit.go('/brumation')
    await visit.press('Plan a winter')
    await visit.see('[role="dialog"] form.plan')
    await visit.untilText('[role="dialog"]', 'Who goes')
    await visit.still()
    const days = await visit.page.$$('[role="dialog"] form.plan [data-segment="day"]')
    await days[1]!.click()
    await visit.page.keyboard.type('20072027')
    await visit.untilText('[role="dialog"] .window', 'to be sure')
    expect(
      await visit.page.$$eval('[role="dialog"] fieldset label', ls =>
        ls.every(l => /fit|shortly|not yet|keep up|already/.test((l as HTMLElement).innerText)),
      ),
    ).toBe(true)
    await visit.page.keyboard.press('Escape')
    await visit.untilGone('[role="dialog"]')
  })

  it('wakes a group, and its readiness stands in Season and under Back', async () => {
    await visit.go('/brumation')
    await visit.press('Plan', '[aria-label="View"]')
    await visit.press('Wake W-1')
    await visit.untilText('[role="dialog"]', 'cool room')
    await visit.press('Wake 5', '[role="dialog"]')
    await visit.untilGone('[role="dialog"]')
    await visit.press('Back', '[aria-label="View"]')
    await visit.untilText('[data-recovering="K-02"]', 'waits for')
    const ready = (await season()).season.lanes
      .find(l => l.title.startsWith('K-02'))!
      .events.find(e => e.event === 'ready')
    expect(ready!.observed).toBeNull()
    await visit.go('/season')
    await visit.untilText('[data-lane^="K-02"]', 'ready to pair')
  })
})

describe('devices', () => {
  it('a dead battery is told beside the animals it leaves unwatched', async () => {
    await visit.go('/devices')
    await visit.press('Battery is dead', '[data-device="Fridge probe"]')
    await visit.untilText('body', 'battery is dead')
    await visit.press('6 hours')
    await visit.untilText('body', '6 hours passed')
    await visit.untilText('main', 'is silent')
    await visit.go('/brumation')
    await visit.untilText('main', 'Fridge sends no reading since')
    await visit.go('/devices')
    await visit.press('Battery is dead', '[data-device="Fridge probe"]')
    await visit.untilText('body', 'mended')
    await visit.press('1 hour')
    await visit.untilText('main', 'probes are heard')
  })

  it('gives a token once, with an example of a call', async () => {
    await visit.go('/devices')
    await visit.press('Add a device')
    const name = await visit.page.waitForSelector('[role="dialog"] input')
    await name!.type('Rack probe')
    await visit.press('Add device', '[role="dialog"]')
    await visit.untilText('[role="dialog"]', 'A probe reads one place')
    await visit.expectRefusal(422)
  })
})

describe('a probe that is off', () => {
  it('is held against ice water, told how far it is off, and corrected; a slip of unit is refused beside the field', async () => {
    await visit.go('/devices')
    const device = '[data-device="Chest probe"]'
    await visit.press('Check it: Chest probe', device)
    await visit.click(`${device} form button[role="combobox"]`)
    await visit.see('[role="option"]')
    await visit.page.keyboard.type('Ice')
    await visit.page.keyboard.press('Enter')
    await visit.untilText(device, 'Crushed ice')
    const shown = `${device} form input[placeholder="°C"]`
    await visit.retype(shown, '33')
    await visit.press('Write check', device)
    await visit.untilText(device, 'such an instrument is replaced')
    await visit.retype(shown, '32.9 °F')
    await visit.press('Write check', device)
    await visit.untilText('body', 'Chest probe reads 0.5 °C too high: corrected from now on')
    await visit.untilText(device, 'temperature checked 25 Nov, −0.5 °C')
  })
})

describe('the file of a logger', () => {
  it('is shown before it is taken; one line that cannot be read holds back all', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'mantel-file-'))
    const write = (name: string, lines: string[]) => {
      const path = join(folder, name)
      writeFileSync(path, ['Zeit;Temperatur °C', ...lines].join('\n'))
      return path
    }
    await visit.go('/devices')
    const device = '[data-device="Fridge probe"]'
    await visit.press('Read a file into Fridge probe', device)
    const field = (await visit.page.waitForSelector(`${device} input[type="file"]`)) as ElementHandle<HTMLInputElement>
    await field.uploadFile(write('bad.csv', ['03.10.2026 08:00;5,1', '03.10.2026 08:10;41 F']))
    await visit.untilText(device, 'Line 3: “41 F” is not a number')
    expect(await visit.page.$eval(`${device} form button[type="submit"]`, b => (b as HTMLButtonElement).disabled)).toBe(
      true,
    )
    await field.uploadFile(write('good.csv', ['03.10.2026 08:00;5,1', '03.10.2026 08:10;5,3']))
    await visit.untilText(device, 'First 3 Oct 2026, 08:00: 5.1 °C. Last 3 Oct 2026, 08:10: 5.3 °C.')
    await visit.press('Take 2 readings', device)
    await visit.untilText('body', 'Fridge probe: 2 readings taken')
    rmSync(folder, { recursive: true })
  })
})

describe('an empty house, and a phone', () => {
  it('says how to begin', async () => {
    const other = await Visit.start(chromium.browser, empty.address)
    await other.go('/brumation')
    expect(await other.text('header .answer')).toMatch(/no winter is planned/)
    expect(other.complaints).toEqual([])
    await other.close()
  })

  it('weighs and looks by thumb', async () => {
    const phone = await Visit.start(chromium.browser, server.address, { phone: true })
    await phone.go('/brumation')
    await phone.see(row('M-06'))
    const small = await phone.page.$$eval('main button', bs =>
      bs
        .filter(
          b =>
            (b as HTMLElement).offsetParent &&
            !b.classList.contains('working-link') &&
            b.getBoundingClientRect().height < 39.5,
        )
        .map(b => (b as HTMLElement).innerText),
    )
    expect(small).toEqual([])
    await phone.tap('M-06: open its sheet', row('M-06'))
    await phone.untilText('[role="dialog"]', 'Of it burnt')
    await phone.tap('Looked at, well', '[role="dialog"]')
    await phone.untilText('body', 'M-06: looked at, well')
    expect(phone.complaints).toEqual([])
    await phone.close()
  })
})
