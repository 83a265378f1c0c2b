// What a browser sees first: the demo house and one of 2,000 animals and 300 clutches, in one run.
// npm run build && npm run bench:look [/path …]
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { startServer, type RunningServer } from '../tests/api/server'
import { launch } from '../tests/browser/browser'
import { fillOld, oldDatabase } from '../tests/fixtures/oldHouse'
import { openDatabase } from '../server/db/open'
import { bigHouse } from './bigHouse'

const entries = 60_000
const paths =
  process.argv.length > 2 ? process.argv.slice(2) : ['/round', '/season', '/animals', '/nursery', '/pairing', '/eggs']
const folder = mkdtempSync(join(tmpdir(), 'mantel-look-'))

/** The database of a big house, written by the program before the one log and moved over. */
async function bigDatabase(): Promise<string> {
  const file = join(folder, 'house.sqlite')
  const { places, animals, log } = bigHouse({ animals: 2000, clutches: 300, cultures: 120, entries }, 20_782)
  const old = await oldDatabase(file, 3)
  await fillOld(old, { places, animals, entries: log, settings: { timeZone: '"Europe/Berlin"' }, numbers: [] })
  await old.destroy()
  await openDatabase(file).then(db => db.destroy())
  return file
}

const kB = (bytes: number) => `${Math.round(bytes / 1000)} kB`

interface Look {
  paintMs: number
  settledMs: number
  scriptBytes: number
  answerBytes: number
  overTheWire: number
  heightPx: number
  nodes: number
  longestFrameMs: number
}

// as text: the runner names functions by a helper that a page does not have
const LARGEST_PAINT = `new Promise(resolve => {
  new PerformanceObserver(list => resolve(list.getEntries().at(-1).startTime))
    .observe({ type: 'largest-contentful-paint', buffered: true })
  setTimeout(() => resolve(NaN), 5000)
})`
const SCROLL = `new Promise(resolve => {
  let longest = 0, last = performance.now(), frames = 0
  const step = () => {
    const now = performance.now()
    longest = Math.max(longest, now - last)
    last = now
    window.scrollBy(0, 400)
    if (++frames < 60) requestAnimationFrame(step)
    else resolve(longest)
  }
  requestAnimationFrame(step)
})`

/** Opens a screen with nothing in the cache; the largest paint is what the browser itself tells. */
async function look(page: Page, address: string, path: string): Promise<Look> {
  const client = await page.createCDPSession()
  await client.send('Network.enable')
  await client.send('Network.clearBrowserCache')
  const kinds = new Map<string, string>()
  const sums = { script: 0, answer: 0, wire: 0 }
  client.on('Network.responseReceived', e => kinds.set(e.requestId, e.response.url))
  client.on('Network.dataReceived', e => {
    const url = kinds.get(e.requestId) ?? ''
    if (url.includes('/api/')) sums.answer += e.dataLength
    else if (url.endsWith('.js')) sums.script += e.dataLength
  })
  client.on('Network.loadingFinished', e => (sums.wire += e.encodedDataLength))
  await page.goto(address + path, { waitUntil: 'load' })
  await page.waitForSelector('.shell main h1', { timeout: 120_000 })
  const scriptBytes = sums.script
  await page.waitForSelector('.shell[data-settled="true"]', { timeout: 120_000 })
  const settledMs = await page.evaluate(() => performance.now())
  // what was laid out last has to reach the glass before it can be told
  await new Promise(resolve => setTimeout(resolve, 500))
  const paintMs = (await page.evaluate(LARGEST_PAINT)) as number
  const longestFrameMs = (await page.evaluate(SCROLL)) as number
  const { heightPx, nodes } = await page.evaluate(() => ({
    heightPx: document.documentElement.scrollHeight,
    nodes: document.querySelectorAll('*').length,
  }))
  await client.detach()
  return {
    paintMs,
    settledMs,
    scriptBytes,
    answerBytes: sums.answer,
    overTheWire: sums.wire,
    heightPx,
    nodes,
    longestFrameMs,
  }
}

const { browser, close } = await launch()

/** One look in a browser that knows nothing yet. */
async function looked(server: RunningServer, path: string): Promise<Look> {
  const page = await (await browser.createBrowserContext()).newPage()
  await page.setViewport({ width: 1280, height: 800 })
  const seen = await look(page, server.address, path)
  await page.browserContext().close()
  return seen
}
const servers: [string, RunningServer][] = [
  ['demo', await startServer({ MANTEL_DEMO: '1' })],
  ['big', await startServer({}, await bigDatabase())],
]
const TIMES = 5
const median = (all: number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!

// once before, so that the server has the season and the browser its own parts
for (const [, server] of servers) {
  await fetch(`${server.address}/api/changes`, { headers: { 'accept-encoding': 'br' } }).then(r => r.text())
  await looked(server, '/settings')
}
for (const path of paths) {
  const looks = new Map(servers.map(([name]) => [name, [] as Look[]]))
  // in turn, so that whatever else the machine does meets both
  for (let n = 0; n < TIMES; n++)
    for (const [name, server] of servers) looks.get(name)!.push(await looked(server, path))
  for (const [name, all] of looks) {
    const of = (read: (l: Look) => number) => Math.round(median(all.map(read)))
    console.log(
      `${path} ${name}, median of ${TIMES}: largest paint ${of(l => l.paintMs)} ms, settled ${of(l => l.settledMs)} ms, scripts ${kB(of(l => l.scriptBytes))}, ` +
        `answers ${kB(of(l => l.answerBytes))}, over the wire ${kB(of(l => l.overTheWire))}, page ${of(l => l.heightPx)} px and ${of(l => l.nodes)} elements, longest frame while scrolling ${of(l => l.longestFrameMs)} ms`,
    )
  }
}
await close()
for (const [, server] of servers) await server.stop()
rmSync(folder, { recursive: true, force: true })
process.exit()
