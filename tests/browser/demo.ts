/* eslint-disable import/no-mutable-exports -- they follow the running test */
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest'
import type { HouseSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from '../api/server'
import { Visit, launch } from './browser'

/** The demo house as it is served to the tests of one file, and the page that the running test looks at. */
export let server: RunningServer
export let chromium: Awaited<ReturnType<typeof launch>>
export let visit: Visit

type Looks = Parameters<typeof Visit.start>[2]

/** Opens a fresh page, on which the test goes on. */
export async function open(looks?: Looks): Promise<void> {
  visit = await Visit.start(chromium.browser, server.address, looks)
}

/** What the house says now. */
export const snapshot = () => fetch(`${server.address}/api/house`).then(r => r.json() as Promise<HouseSnapshot>)

/**
 * Serves the demo house for the tests of a file; a page that complained fails its test.
 * @param each a page is opened before each test; without it, by the test
 */
export function serveDemo({ each = false } = {}): void {
  beforeAll(async () => {
    ;[server, chromium] = await Promise.all([startServer({ MANTEL_DEMO: '1' }), launch()])
  })
  afterAll(async () => {
    await chromium?.close()
    await server?.stop()
  })
  if (each) beforeEach(() => open())
  afterEach(async () => {
    const { complaints } = visit
    await visit.close()
    expect(complaints).toEqual([])
  })
}
