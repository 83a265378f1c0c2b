import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer, { type Browser, type ElementHandle, type Page } from 'puppeteer-core'
import { chromium } from '../../scripts/steps.mjs'

const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** Headless Chromium of the system, with a fresh profile. */
export async function launch(more: string[] = []): Promise<{ browser: Browser; close: () => Promise<void> }> {
  const profile = mkdtempSync(join(tmpdir(), 'mantel-profile-'))
  const browser = await puppeteer.launch({
    executablePath: chromium() ?? undefined,
    headless: true,
    args: [...FLAGS, ...more],
    userDataDir: profile,
  })
  return {
    browser,
    close: async () => {
      await browser.close()
      rmSync(profile, { recursive: true, force: true })
    },
  }
}

/** A screen with nothing of its own, on which a page that is used again waits. */
const BLANK = '/labels'

/** A page that remembers everything it complained about. */
export class Visit {
  readonly complaints: string[] = []
  private loaded = false
  private renewed = false
  private spoilt = false

  private constructor(
    readonly page: Page,
    private readonly address: string,
    private readonly apart: boolean,
  ) {
    page.on('console', message => {
      if (message.type() === 'error' || message.type() === 'warn') this.complaints.push(message.text())
    })
    page.on('pageerror', error => this.complaints.push(String(error)))
    page.on('requestfailed', request => {
      // what is listened to ends with its page
      if (!request.url().endsWith('/api/events'))
        this.complaints.push(`${request.url()} failed: ${request.failure()?.errorText}`)
    })
  }

  static async start(
    browser: Browser,
    address: string,
    options: { phone?: boolean; theme?: string; apart?: boolean; ahead?: boolean } = {},
  ): Promise<Visit> {
    // of two windows of one browser only the one in front is drawn
    const page = await (options.apart ? await browser.createBrowserContext() : browser).newPage()
    // what an earlier visit left is gone; the program it loaded may stay in the cache
    const client = await page.createCDPSession()
    await client.send('Storage.clearDataForOrigin', {
      origin: address,
      storageTypes: 'cookies,local_storage,indexeddb,cache_storage',
    })
    await client.detach()
    await page.setViewport(
      options.phone ? { width: 390, height: 844, isMobile: true, hasTouch: true } : { width: 1280, height: 800 },
    )
    // a panel that slides is clicked beside
    await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }])
    // fetching all screens ahead takes as long as a load: most tests look at few of them
    if (!options.ahead)
      await page.evaluateOnNewDocument(() =>
        Object.defineProperty(navigator, 'connection', { value: { saveData: true } }),
      )
    await page.evaluateOnNewDocument(theme => localStorage.setItem('nuxt-color-mode', theme), options.theme ?? 'light')
    return new Visit(page, address, options.apart ?? false)
  }

  /** Loads a screen; on a page that was renewed goes to it, which is all that a keeper would see of it. */
  async go(path: string): Promise<void> {
    if (this.renewed) {
      this.renewed = false
      return this.move(path)
    }
    await this.page.goto(this.address + path, { waitUntil: 'load' })
    this.loaded = true
    await this.settle()
  }

  /**
   * Makes the page as one that was just opened: no panel, no toast, nothing remembered, no screen of before.
   * @returns whether it could be; where not, it is to be closed
   */
  async renew(): Promise<boolean> {
    if (!this.loaded || this.spoilt) return false
    await this.page.bringToFront()
    for (let tries = 0; tries < 6; tries++) {
      const open = await this.page.$('[role="dialog"], [role="listbox"], [role="menu"], form.ask')
      if (!open) break
      await this.page.keyboard.press('Escape')
      await new Promise(resolve => setTimeout(resolve, 50))
    }
    this.complaints.length = 0
    this.renewed = await this.page.evaluate(async blank => {
      if (document.querySelector('[role="dialog"], [role="listbox"], [role="menu"], form.ask')) return false
      const app = document.querySelector('#__nuxt') as unknown as {
        __vue_app__?: {
          config: {
            globalProperties: {
              $router: { replace: (path: string) => Promise<unknown> }
              $nuxt: { payload: { state: Record<string, unknown> } }
            }
          }
        }
      }
      const global = app.__vue_app__?.config.globalProperties
      if (!global) return false
      global.$nuxt.payload.state.$stoasts = []
      const theme = localStorage.getItem('nuxt-color-mode')!
      localStorage.clear()
      localStorage.setItem('nuxt-color-mode', theme)
      // what is remembered follows, as it does when another window forgets
      window.dispatchEvent(new StorageEvent('storage', { storageArea: localStorage }))
      await global.$router.replace(blank)
      scrollTo(0, 0)
      return true
    }, BLANK)
    return this.renewed
  }

  /** Something was done to the page that lasts: no test after this one goes on with it. */
  spoil(): void {
    this.spoilt = true
  }

  /** Goes to another screen inside the application, as a link does, without loading it anew. */
  async move(path: string): Promise<void> {
    await this.page.evaluate(async to => {
      const app = document.querySelector('#__nuxt') as unknown as {
        __vue_app__: { config: { globalProperties: { $router: { push: (path: string) => Promise<unknown> } } } }
      }
      await app.__vue_app__.config.globalProperties.$router.push(to)
    }, path)
    await this.until(`the screen ${path}`, (to: string) => location.pathname + location.hash === to, path)
    await this.settle()
  }

  /** Waits until what is shown follows from all that is written, plans included. */
  async settle(): Promise<void> {
    await this.see('.shell[data-settled="true"] main h1')
  }

  /** Waits until something is there. What a page is asked for and not let go of stays in its memory, all around it too. */
  async see(selector: string, options: { visible?: boolean; timeout?: number } = {}): Promise<void> {
    const found = await this.page.waitForSelector(selector, options)
    await found?.dispose()
  }

  /** Waits until all screens are there, so that none is asked for any more; of a page that fetches them. */
  async ahead(): Promise<void> {
    await this.see('html[data-ahead="fetched"]')
  }

  text(selector = 'main'): Promise<string> {
    return this.page.$eval(selector, e => (e as HTMLElement).innerText)
  }

  /** Waits until a condition in the page holds. */
  async until(what: string, check: (...args: never[]) => unknown, ...args: unknown[]): Promise<void> {
    const found = await this.page
      .waitForFunction(check as (...args: unknown[]) => unknown, { timeout: 30_000, polling: 60 }, ...args)
      .catch(() => {
        throw new Error(`Waited in vain: ${what}. Complaints: ${this.complaints.join('; ') || 'none'}`)
      })
    await found.dispose()
  }

  untilText(selector: string, text: string): Promise<void> {
    return this.until(
      `“${text}” in ${selector}`,
      (s: string, t: string, word: string) =>
        [...document.querySelectorAll<HTMLElement>(s)].some(
          // what is drawn is only asked for where the text may stand: it makes the page lay itself out
          e => e.textContent!.toLowerCase().includes(word) && e.innerText.includes(t),
        ),
      selector,
      text,
      text
        .split(/\s+/)
        .reduce((a, b) => (b.length > a.length ? b : a))
        .toLowerCase(),
    )
  }

  /** Waits until a text has left: what stood under it moves up, and is clicked beside. */
  untilNoText(selector: string, text: string): Promise<void> {
    return this.until(
      `no “${text}” in ${selector}`,
      (s: string, t: string) => ![...document.querySelectorAll<HTMLElement>(s)].some(e => e.innerText.includes(t)),
      selector,
      text,
    )
  }

  untilGone(selector: string): Promise<void> {
    return this.until(`${selector} gone`, (s: string) => !document.querySelector(s), selector)
  }

  /** The first visible button or link with exactly this name, inside a part of the page. */
  async button(name: string, within = 'body'): Promise<ElementHandle<HTMLElement>> {
    const find = (n: string, w: string) =>
      [...document.querySelectorAll(w)]
        .flatMap(part => [...part.querySelectorAll<HTMLElement>('button, a, [role="button"]')])
        // what is drawn has no text of that sort
        .filter(e => e.getAttribute('aria-label') === n || e.textContent!.includes(n))
        .find(e => e.offsetParent && (e.innerText.trim() === n || e.getAttribute('aria-label') === n)) ?? null
    await this.until(`button “${name}” in ${within}`, find as never, name, within)
    return (await this.page.evaluateHandle(find, name, within)) as ElementHandle<HTMLElement>
  }

  async press(name: string, within = 'body'): Promise<void> {
    await this.reach(
      () => this.button(name, within),
      element => element.click(),
    )
  }

  /** Waits until something can be scrolled into the window whole, as what saves a form must, however low the window. */
  async untilInReach(selector: string): Promise<void> {
    await this.until(
      `${selector} in reach`,
      (s: string) => {
        const element = document.querySelector(s)
        element?.scrollIntoView({ block: 'nearest' })
        const { top, bottom } = element?.getBoundingClientRect() ?? { top: -1, bottom: 0 }
        return top >= 0 && bottom <= window.innerHeight
      },
      selector,
    )
  }

  /**
   * Waits until no panel moves any more, since a click on a sliding one hits beside the button, and until no menu is about
   * to close: it then takes the focus back to its button, from a field into which something is being typed.
   */
  async still(): Promise<void> {
    await this.until(
      'panels and menus to be still',
      () =>
        !document.querySelector('[data-reka-popper-content-wrapper] > [data-state="closed"]') &&
        document
          .getAnimations()
          .every(
            a =>
              a.playState !== 'running' ||
              a.effect?.getTiming().iterations === Infinity ||
              !(a.effect as KeyframeEffect | null)?.target?.closest('[role="dialog"]'),
          ),
    )
  }

  /** Waits until an element stands where it stood a moment ago: a toast that rises is clicked beside. */
  private async atRest(element: ElementHandle<HTMLElement>): Promise<void> {
    let before = await element.boundingBox()
    for (let tries = 0; tries < 60; tries++) {
      await new Promise(resolve => setTimeout(resolve, 50))
      const now = await element.boundingBox()
      if (before && now && before.x === now.x && before.y === now.y) return
      before = now
    }
  }

  /** Waits until nothing lies over the middle of an element: what tells of the entry before is clicked in its place. */
  private async uncovered(element: ElementHandle<HTMLElement>): Promise<void> {
    await this.until(
      'what lies over it to leave',
      (e: HTMLElement) => {
        const { x, y, width, height } = e.getBoundingClientRect()
        const hit = document.elementFromPoint(x + width / 2, y + height / 2)
        return !e.isConnected || !hit || e.contains(hit) || hit.contains(e)
      },
      element,
    )
  }

  /** Panels slide in: what is not in reach yet is tried again for a moment. */
  private async reach(
    find: () => Promise<ElementHandle<HTMLElement> | null>,
    act: (element: ElementHandle<HTMLElement>) => Promise<void>,
  ): Promise<void> {
    for (let tries = 0; ; tries++) {
      const element = await find()
      try {
        if (!element) throw new Error('What was to be pressed is gone')
        await element.evaluate(e => e.scrollIntoView({ block: 'center' }))
        await this.still()
        await this.atRest(element)
        await this.uncovered(element)
        return await act(element)
      } catch (error) {
        if (tries > 20) throw error
        await new Promise(resolve => setTimeout(resolve, 50))
      } finally {
        await element?.dispose()
      }
    }
  }

  /** Clicks what a selector finds, once it is in reach and stands still. */
  async click(selector: string): Promise<void> {
    await this.see(selector, { visible: true })
    await this.reach(
      async () => (await this.page.$(selector)) as ElementHandle<HTMLElement> | null,
      element => element.click(),
    )
  }

  /** Writes into a field in place of what stands there. */
  async retype(selector: string, text: string): Promise<void> {
    await this.see(selector, { visible: true })
    // a menu that closes late takes the focus back while something is being typed, which a hand would type again
    for (let tries = 0; tries < 3; tries++) {
      await this.reach(
        async () => (await this.page.$(selector)) as ElementHandle<HTMLElement> | null,
        element => element.click({ count: 3 }),
      )
      await this.page.keyboard.type(text)
      if ((await this.page.$eval(selector, e => (e as HTMLInputElement).value)) === text) return
    }
  }

  /** Takes back what a toast tells; an older one may still stand beside it. */
  async undo(told: string): Promise<void> {
    const find = (t: string) =>
      [...document.querySelectorAll<HTMLElement>('li')]
        .filter(toast => toast.textContent!.includes(t))
        .flatMap(toast => [...toast.querySelectorAll('button')])
        .find(button => button.innerText.trim() === 'Undo') ?? null
    await this.until(`Undo of “${told}”`, find as never, told)
    await this.reach(
      async () => (await this.page.evaluateHandle(find, told)) as ElementHandle<HTMLElement>,
      element => element.click(),
    )
  }

  async tap(name: string, within = 'body'): Promise<void> {
    await this.reach(
      () => this.button(name, within),
      element => element.tap(),
    )
  }

  /** Writes into the fields of the popover that is open, in their order: those beside its number come a moment later. */
  async fill(...texts: string[]): Promise<void> {
    await this.until(
      `${texts.length} fields`,
      (n: number) => document.querySelectorAll('form.ask input').length >= n,
      texts.length,
    )
    const fields = await this.page.$$('form.ask input')
    for (const [i, text] of texts.entries()) await fields[i]!.type(text)
  }

  /** Writes into the number popover that is open and sends it by Enter; it closes when the number was written. */
  async answer(value: string): Promise<void> {
    await this.answerWrongly(value)
    await this.untilGone('form.ask')
  }

  /** The same with a number that is refused: the field stays, with what was typed. */
  async answerWrongly(value: string): Promise<void> {
    const field = await this.page.waitForSelector('[data-slot="content"] form.ask input, form.ask input', {
      visible: true,
    })
    await field!.type(value)
    await this.page.keyboard.press('Enter')
  }

  /** Chromium itself reports an answer of 4xx; one that was meant to come is no complaint. */
  async expectRefusal(status: number): Promise<void> {
    const at = this.complaints.findIndex(c => c.includes(`status of ${status}`))
    if (at < 0) throw new Error(`No answer with status ${status} came`)
    this.complaints.splice(at, 1)
  }

  async close(): Promise<void> {
    if (this.apart) await this.page.browserContext().close()
    else await this.page.close()
  }
}
