/* eslint-disable import/no-mutable-exports -- they follow the running test */
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest'
import type { HouseSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

/** The house that is served to the tests of one file, and the page that the running test looks at. */
export let server: RunningServer
export let chromium: Awaited<ReturnType<typeof launch>>
export let visit: Visit

type Looks = Parameters<typeof Visit.start>[2]

/** The page of the test before, on which the next one that looks alike may go on: loading it is most of a test. */
let kept: { visit: Visit; looks: string } | null = null

/**
 * Opens a page on which the test goes on: the one of the test before, as a new keeper would find it, where that looked
 * alike and nothing went wrong on it; or else a fresh one.
 */
export async function open(looks: Looks & { fresh?: boolean } = {}): Promise<void> {
  const { fresh, ...like } = looks
  const again = kept
  kept = null
  if (again && again.looks === JSON.stringify(like) && !fresh && (await again.visit.renew())) visit = again.visit
  else {
    await again?.visit.close()
    visit = await Visit.start(chromium.browser, server.address, like)
  }
  looksNow = JSON.stringify(like)
}
let looksNow = ''

/** What the house says now. */
export const snapshot = () => fetch(`${server.address}/api/house`).then(r => r.json() as Promise<HouseSnapshot>)

/**
 * Serves the demo house for the tests of a file; a page that complained fails its test.
 * @param each a page is opened before each test; without it, by the test
 */
export const serveDemo = ({ each = false } = {}): void => serve({ MANTEL_DEMO: '1' }, each)

/** Serves a house in which nothing is, for the tests of a file; else the same. */
export const serveEmpty = (): void => serve({}, true)

function serve(env: Record<string, string>, each: boolean): void {
  beforeAll(async () => {
    kept = null
    ;[server, chromium] = await Promise.all([startServer(env), launch()])
  })
  afterAll(async () => {
    await chromium?.close()
    await server?.stop()
  })
  if (each) beforeEach(() => open())
  afterEach(async ({ task }) => {
    const complaints = [...visit.complaints]
    if (task.result?.state === 'fail' || complaints.length) await visit.close()
    else kept = { visit, looks: looksNow }
    expect(complaints).toEqual([])
  })
}
