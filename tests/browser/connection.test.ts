import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Browser, HTTPRequest } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { HouseSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

let server: RunningServer
let browser: Browser
let close: () => Promise<void>
/** A page of someone else, on this machine but of another origin. */
let foreign: Server
let foreignPage = ''
beforeAll(async () => {
  server = await startServer({ MANTEL_DEMO: '1' })
  ;({ browser, close } = await launch(['--host-resolver-rules=MAP rebound.test 127.0.0.1']))
  foreign = createServer((_, answer) => answer.setHeader('content-type', 'text/html').end('<h1>Free snakes</h1>'))
  await new Promise<void>(resolve => foreign.listen(0, '127.0.0.1', resolve))
  foreignPage = `http://127.0.0.1:${(foreign.address() as AddressInfo).port}/`
})
afterAll(async () => {
  await close?.()
  foreign?.close()
  await server?.stop()
})

const house = async () =>
  (await fetch(`${server.address}/api/house`).then(r => r.json() as Promise<HouseSnapshot>)).house
const animal = async (tag: string) => Object.values((await house()).animals).find(a => a.tag === tag)!
const isWrite = (request: HTTPRequest) => request.method() === 'POST' && request.url().endsWith('/api/entries')

/** Lets some of the writes of a page go wrong. */
async function spoil(v: Visit, how: (request: HTTPRequest) => Promise<boolean>): Promise<void> {
  await v.page.setRequestInterception(true)
  v.page.on('request', request => {
    void (async () => {
      if (isWrite(request) && (await how(request))) await request.abort('connectionreset')
      else await request.continue()
    })()
  })
}

describe('an answer that is lost', () => {
  it('is told where data are saved too, with nothing told before it', async () => {
    const v = await Visit.start(browser, server.address)
    await v.go('/round')
    await v.page.waitForNetworkIdle({ idleTime: 500, concurrency: 1 })
    await v.page.setOfflineMode(true)
    await v.press('Took', '[data-task^="feed:"]')
    await v.untilText('body', 'Not known whether this was written')
    await v.page.setOfflineMode(false)
    await v.close()
  })

  it('is asked for again under the same id: written once, and said so', async () => {
    const v = await Visit.start(browser, server.address, { ahead: true })
    await v.go(`/animals/${(await animal('G-01')).id}`)
    const before = (await animal('G-01')).weights.length
    const ids: string[] = []
    await spoil(v, async request => {
      const body = request.postData()!
      ids.push((JSON.parse(body) as { entries: { id: string }[] }).entries[0]!.id)
      if (ids.length > 1) return false
      // it reaches the house, and its answer does not come back
      await fetch(`${server.address}/api/entries`, {
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json' },
      })
      return true
    })
    await v.press('Weight')
    await v.answer('57')
    await v.untilText('[data-slot="title"]', 'G-01: 57 g')
    expect(new Set(ids).size).toBe(1)
    expect(ids.length).toBe(2)
    expect((await animal('G-01')).weights.length).toBe(before + 1)
    await v.close()
  })

  it('that never comes is said to be unknown, the number stays in its field, and sending again writes once', async () => {
    const v = await Visit.start(browser, server.address, { ahead: true })
    const id = (await animal('G-02')).id
    await v.go(`/animals/${id}`)
    let lost = true
    await spoil(v, async request => {
      // the last of the tries arrives all the same
      if (lost)
        await fetch(`${server.address}/api/entries`, {
          method: 'POST',
          body: request.postData()!,
          headers: { 'content-type': 'application/json' },
        })
      return lost
    })
    const before = (await animal('G-02')).weights.length
    await v.press('Weight')
    const field = await v.page.waitForSelector('form.ask input', { visible: true })
    await field!.type('70')
    await v.page.keyboard.press('Enter')
    await v.untilText('[data-slot="title"]', 'Not known whether this was written')
    expect(await v.page.$$eval('[data-slot="title"]', es => es.map(e => e.textContent))).not.toContain('G-02: 70 g')
    expect(await v.page.$eval('form.ask input', e => (e as HTMLInputElement).value)).toBe('70')
    lost = false
    await v.press('Record', 'form.ask')
    await v.untilText('[data-slot="title"]', 'G-02: 70 g')
    await v.untilGone('form.ask')
    expect((await animal('G-02')).weights.slice(before).map(w => w.massG)).toEqual([70])
    await v.close()
  })
})

describe('a lost connection', () => {
  it('takes no page and no typed text away, and says since when; found again, it goes on by itself', async () => {
    const v = await Visit.start(browser, server.address, { ahead: true })
    await v.go('/animals')
    await v.press('Add an animal')
    const tag = await v.page.waitForSelector('[role="dialog"] input[placeholder="K-10"]', { visible: true })
    await tag!.type('T-77')
    await v.page.setOfflineMode(true)
    await v.page.evaluate(() => window.dispatchEvent(new Event('focus')))
    await v.untilText('.stale', 'has not answered since')
    expect(await tag!.evaluate(e => (e as HTMLInputElement).value)).toBe('T-77')
    expect(await v.text('main h1')).toBe('Who lives here?')
    await v.page.setOfflineMode(false)
    await v.untilGone('.stale')
    expect(await tag!.evaluate(e => (e as HTMLInputElement).value)).toBe('T-77')
    await v.close()
  })

  it('a write that went through is not denied because the house could not be read again', async () => {
    const v = await Visit.start(browser, server.address, { ahead: true })
    await v.go(`/animals/${(await animal('G-03')).id}`)
    await v.ahead()
    let reads = true
    await v.page.setRequestInterception(true)
    v.page.on('request', request => {
      void (reads || isWrite(request) ? request.continue() : request.abort('connectionreset'))
    })
    reads = false
    await v.press('Weight')
    await v.answer('66')
    await v.untilText('[data-slot="title"]', 'G-03: 66 g')
    await v.untilText('.stale', 'has not answered since')
    expect(await v.page.evaluate(() => document.body.innerText)).not.toMatch(/nothing was written/i)
    reads = true
    await v.untilGone('.stale')
    await v.close()
  })
})

describe('two windows', () => {
  it('the same meal is asked about before it is written a second time', async () => {
    const [a, b] = [
      await Visit.start(browser, server.address, { apart: true, ahead: true }),
      await Visit.start(browser, server.address, { apart: true, ahead: true }),
    ]
    // the second hears nothing of what the first writes
    await b.page.setRequestInterception(true)
    b.page.on('request', request => {
      void (request.url().endsWith('/api/events') ? request.abort() : request.continue())
    })
    for (const v of [a, b]) await v.go('/round')
    const task = await a.page.evaluate(
      () =>
        [...document.querySelectorAll<HTMLElement>('[data-task^="feed:"]')].find(e => /^Took$/m.test(e.innerText))!
          .dataset.task!,
    )
    const meals = async () => (await house()).animals[task.slice(5)]!.meals.length
    const before = await meals()
    await a.press('Took', `[data-task="${task}"]`)
    await a.untilGone(`[data-task="${task}"]`)
    await b.press('Took', `[data-task="${task}"]`)
    await b.untilText('[role="dialog"]', 'Write it a second time?')
    await b.press('No, write nothing')
    await b.untilGone('[role="dialog"]')
    expect(await meals()).toBe(before + 1)
    await a.close()
    await b.close()
  })
})

describe('what is written elsewhere', () => {
  it('is shown by another window within a second, and moves little', async () => {
    const [a, b] = [
      await Visit.start(browser, server.address, { apart: true, ahead: true }),
      await Visit.start(browser, server.address, { apart: true, ahead: true }),
    ]
    const id = (await animal('G-11')).id
    // screens that are fetched ahead are no part of what a tap moves
    for (const v of [a, b]) {
      await v.go(`/animals/${id}`)
      await v.ahead()
    }
    const moved: number[] = []
    const network = await a.page.createCDPSession()
    await network.send('Network.enable')
    network.on('Network.loadingFinished', ({ encodedDataLength }) => moved.push(encodedDataLength))
    await a.press('Weight')
    await a.answer('61')
    await a.untilText('[data-slot="title"]', 'G-11: 61 g')
    const since = Date.now()
    await b.untilText('main', '61 g')
    expect(Date.now() - since).toBeLessThan(1000)
    await a.settle()
    const bytes = moved.reduce((x, y) => x + y, 0)
    // the entry was answered at least
    expect(bytes).toBeGreaterThan(100)
    expect(bytes).toBeLessThan(40_000)
    for (const v of [a, b]) await v.close()
  })

  it('and what was sent before a reload, and not answered, is sent again under its ids', async () => {
    const v = await Visit.start(browser, server.address, { ahead: true })
    const id = (await animal('G-14')).id
    await v.go(`/animals/${id}`)
    const before = (await animal('G-14')).weights.length
    let lost = true
    await spoil(v, async () => lost)
    await v.press('Weight')
    const field = await v.page.waitForSelector('form.ask input', { visible: true })
    await field!.type('65')
    await v.page.keyboard.press('Enter')
    await v.untilText('[data-slot="title"]', 'Not known whether this was written')
    expect((await animal('G-14')).weights.length).toBe(before)
    lost = false
    await v.go('/round')
    await v.untilText('[data-slot="title"]', 'Written after all: G-14: 65 g')
    expect((await animal('G-14')).weights.slice(before).map(w => w.massG)).toEqual([65])
    await v.go('/season')
    expect((await animal('G-14')).weights.length).toBe(before + 1)
    await v.close()
  })
})

describe('a card that was written down wrongly', () => {
  it('is corrected on the page of the animal; what is refused is said beside its field, and it can be taken back', async () => {
    const v = await Visit.start(browser, server.address, { ahead: true })
    const { id } = await animal('G-15')
    await v.go(`/animals/${id}`)
    await v.press('Correct the card of G-15')
    const type = (text: string) => v.retype('[role="dialog"] input', text)
    await type('G-16')
    await v.press('Correct card', '[role="dialog"]')
    await v.untilText('[role="dialog"]', 'The tag G-16 is already in use')
    await type('G-115')
    // what was said of the other tag goes, and the button moves up
    await v.until('no error', () => !document.querySelector('[role="dialog"]')!.textContent!.includes('already in use'))
    await v.press('Correct card', '[role="dialog"]')
    await v.untilText('main h1', 'G-115')
    await v.untilGone('[role="dialog"]')
    await v.untilText('main', 'Corrected: tag G-115')
    await v.press('Undo')
    await v.untilText('main h1', 'G-15')
    expect((await animal('G-15')).id).toBe(id)
    await v.close()
  })
})

describe('a foreign page', () => {
  it('writes nothing here, neither by script nor by form', async () => {
    const page = await browser.newPage()
    await page.goto(foreignPage)
    const target = await animal('G-14')
    const body = JSON.stringify({
      entries: [
        {
          id: '018f0000-0000-7000-8000-0000000f0e1d',
          at: '2026-11-25T08:00:00Z',
          subject: { type: 'animal', id: target.id },
          kind: 'died',
          data: {},
        },
      ],
    })
    await page.evaluate(
      async (address, text) => {
        for (const type of ['text/plain; application/json', 'text/plain'])
          await fetch(`${address}/api/entries`, {
            method: 'POST',
            mode: 'no-cors',
            body: text,
            headers: { 'content-type': type },
          }).catch(() => undefined)
        await fetch(`${address}/api/entries`, {
          method: 'POST',
          body: text,
          headers: { 'content-type': 'application/json' },
        }).catch(() => undefined)
        navigator.sendBeacon(`${address}/api/entries`, text)
      },
      server.address,
      body,
    )
    await Promise.all([
      page.waitForNavigation(),
      page.evaluate(
        (address, text) => {
          // a form whose text reads as JSON: name and value are joined by the sign between them
          const form = Object.assign(document.createElement('form'), {
            method: 'post',
            enctype: 'text/plain',
            action: `${address}/api/entries`,
          })
          const at = text.indexOf(':') + 1
          form.append(
            Object.assign(document.createElement('input'), {
              name: `${text.slice(0, at)}"x`,
              value: `",${text.slice(at)}`,
            }),
          )
          document.body.append(form)
          form.submit()
        },
        server.address,
        body,
      ),
    ])
    expect(await page.evaluate(() => document.body.innerText)).toContain('Another page may not write here')
    expect((await animal('G-14')).status).toBe('alive')
    await page.close()
  })

  it('reads nothing by a name that was made to point here, and frames nothing', async () => {
    const page = await browser.newPage()
    const { port } = new URL(server.address)
    const answer = await page.goto(`http://rebound.test:${port}/api/house`)
    expect([answer!.status(), await answer!.text()]).toEqual([421, expect.not.stringContaining('G-05')])
    await page.goto(foreignPage)
    const framed = await page.evaluate(async address => {
      const frame = Object.assign(document.createElement('iframe'), { src: `${address}/round` })
      document.body.append(frame)
      await new Promise(resolve => frame.addEventListener('load', resolve))
      return fetch(`${address}/api/house`).then(
        r => r.text(),
        () => 'kept from the page',
      )
    }, server.address)
    expect(framed).toBe('kept from the page')
    // a refused frame shows the browser's own page
    expect(
      page
        .frames()
        .map(f => f.url())
        .find(u => u.startsWith(server.address)),
    ).toBeUndefined()
    await page.close()
  })
})
