// Takes the pictures of docs/screenshots from the demo house on a held day.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer from 'puppeteer-core'
import { build, chromium, freePort, install, root, serve } from './steps.mjs'

install()
await build()
const folder = mkdtempSync(join(tmpdir(), 'mantel-shots-'))
const { child, address } = await serve({
  port: await freePort(4250),
  database: join(folder, 'demo.sqlite'),
  env: { MANTEL_DEMO: '1', MANTEL_TODAY: process.env.MANTEL_TODAY ?? '2026-11-25' },
})
const browser = await puppeteer.launch({
  executablePath: chromium(),
  headless: true,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})
const { house } = await fetch(`${address}/api/house`).then(r => r.json())
const idOf = tag => Object.values(house.animals).find(a => a.tag === tag).id
const animal = idOf('K-01')
const pause = ms => new Promise(resolve => setTimeout(resolve, ms))

async function shot(name, path, { theme = 'light', phone = false, act } = {}) {
  const context = await browser.createBrowserContext()
  const page = await context.newPage()
  await page.setViewport(
    phone ? { width: 390, height: 844, isMobile: true, hasTouch: true } : { width: 1280, height: 800 },
  )
  await page.evaluateOnNewDocument(t => localStorage.setItem('nuxt-color-mode', t), theme)
  await page.goto(address + path, { waitUntil: 'load' })
  await page.waitForSelector('.shell[data-settled="true"] main h1')
  await act?.(page)
  await pause(500)
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) })
  await context.close()
  console.log(name)
}

try {
  await shot('round', '/round')
  await shot('season', '/season', { act: page => page.hover('[data-lane="C-3"] svg') })
  await shot('working', '/season', { act: page => page.click('[data-lane="C-2"] .working-link') })
  await shot('what-if', '/season', {
    act: async page => {
      await page.keyboard.press('w')
      await page.waitForSelector('[data-testid="appetite"] [role="slider"]')
      await page.focus('[data-testid="appetite"] [role="slider"]')
      for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowRight')
      await page.waitForSelector('[data-testid="what-if-outcome"] table')
      await page.$eval('[data-testid="what-if-outcome"]', e => e.scrollIntoView())
    },
  })
  const view = name => page =>
    page.evaluate(
      n => [...document.querySelectorAll('[aria-label="View"] button')].find(b => b.textContent.trim() === n).click(),
      name,
    )
  await shot('brumation', '/brumation')
  await shot('brumation-plan', '/brumation', { act: view('Plan') })
  await shot('pairing', '/pairing', {
    theme: 'light',
    act: async page => {
      await view('Bench')(page)
      await page.waitForSelector('[data-cell="1,1"]')
    },
  })
  await shot('genes', `/genes?dam=${idOf('K-01')}&sire=${idOf('K-07')}`)
  await shot('sexing', `/animals/${idOf('KY-01')}#sex`)
  await shot('pedigree', `/pedigree/${idOf('KY-05')}`)
  await shot('places', '/places', {
    act: page => page.$eval('[data-room="Glass room"]', e => e.scrollIntoView()),
  })
  await shot('animals', '/animals')
  await shot('animal', `/animals/${animal}`)
  await shot('eggs', '/eggs')
  await shot('nursery', '/nursery')
  await shot('feeders', '/feeders', {
    act: page => page.$eval('[data-cup="FL-2"]', e => e.dispatchEvent(new MouseEvent('click', { bubbles: true }))),
  })
  await shot('almanac', '/almanac')
  await shot('culture-day', '/culture-day', { theme: 'night' })
  await shot('round-phone', '/round', { phone: true })
} finally {
  await browser.close()
  child.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
}
