import { describe, expect, it } from 'vitest'
import { hostNames, isLoopback, refusalOf } from './gate'

const names = hostNames('127.0.0.1', undefined)
const ask = (part: Partial<Parameters<typeof refusalOf>[0]>) =>
  refusalOf({ method: 'POST', host: '127.0.0.1:4170', origin: undefined, site: undefined, ...part }, names)?.status ??
  null

describe('who may write', () => {
  it('the house’s own pages, and programs that are no browser', () => {
    expect(ask({})).toBeNull()
    expect(ask({ origin: 'http://127.0.0.1:4170', site: 'same-origin' })).toBeNull()
    expect(ask({ host: 'LOCALHOST:4170', origin: 'http://localhost:4170' })).toBeNull()
    expect(ask({ host: 'localhost', origin: 'http://localhost' })).toBeNull()
  })

  it.each([
    ['a page of another site', { origin: 'https://example.org', site: 'cross-site' }],
    ['another port of this machine', { origin: 'http://127.0.0.1:8080', site: 'same-site' }],
    ['a page without an origin', { origin: 'null' }],
    ['an old browser that tells the origin only', { origin: 'http://example.org' }],
    ['one that tells the site only', { site: 'cross-site' }],
    ['an address typed by hand', { site: 'none' }],
    ['an origin that is none', { origin: 'http://' }],
    ['a name that only begins alike', { origin: 'http://127.0.0.1:4170.example.org' }],
  ])('not %s', (_, part) => {
    for (const method of ['POST', 'PUT', 'DELETE', 'PATCH']) expect(ask({ method, ...part })).toBe(403)
  })

  it('reading from elsewhere is left to the browser, which keeps the answer from the page', () => {
    expect(ask({ method: 'GET', origin: 'https://example.org', site: 'cross-site' })).toBeNull()
  })
})

describe('by which name the server is called', () => {
  it.each([
    'evil.example',
    'evil.example:4170',
    '127.0.0.1.evil.example',
    'localhost.evil.example:4170',
    '169.254.1.1',
    '',
  ])('not by “%s”, not even to read', host => {
    for (const method of ['GET', 'POST']) expect(ask({ method, host: host || undefined })).toBe(421)
  })

  it.each(['localhost:4170', '127.0.0.1', '[::1]:4170'])('by %s', host =>
    expect(ask({ method: 'GET', host })).toBeNull(),
  )

  it('by the address it listens on, and by names that were given to it', () => {
    const lan = hostNames('192.168.1.20', 'snakes.local, House.Lan')
    for (const host of ['192.168.1.20:4170', 'snakes.local', 'house.lan:80'])
      expect(refusalOf({ method: 'GET', host, origin: undefined, site: undefined }, lan)).toBeNull()
    expect(refusalOf({ method: 'GET', host: '192.168.1.21', origin: undefined, site: undefined }, lan)!.status).toBe(
      421,
    )
    expect(hostNames('0.0.0.0', undefined).has('127.0.0.1')).toBe(true)
    expect(hostNames('::1', undefined).has('[::1]')).toBe(true)
  })

  it('loopback is this machine alone', () => {
    expect(
      ['127.0.0.1', '127.3.2.1', '::1', 'localhost', '0.0.0.0', '::', '192.168.1.20', '127.0.0.1.example.org'].map(
        isLoopback,
      ),
    ).toEqual([true, true, true, true, false, false, false, false])
  })
})
