import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { mean } from '#core/chance'
import { ProblemDetails } from '#shared/contracts/problem'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot, TimelineEntry } from '#shared/contracts/house'
import { startServer, type RunningServer } from './server'

const TODAY = '2026-11-25'
let server: RunningServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(async () => {
  await server?.stop()
})

async function call<T>(
  path: string,
  method = 'GET',
  body?: unknown,
): Promise<{ status: number; body: T; type: string }> {
  const response = await fetch(server.address + path, {
    method,
    ...(body !== undefined && {
      body: typeof body === 'string' ? body : JSON.stringify(body),
      headers: { 'content-type': 'application/json' },
    }),
  })
  return {
    status: response.status,
    body: (await response.json()) as T,
    type: response.headers.get('content-type') ?? '',
  }
}
const house = async () => (await call<HouseSnapshot>('/api/house')).body
const season = async () => ({
  ...(await call<SeasonSnapshot>('/api/season')).body,
  plans: (await call<PlansSnapshot>('/api/plans')).body.plans,
})
const entry = (
  kind: string,
  subject: { type: string; id: string },
  data: object = {},
  at = `${TODAY}T08:00:00Z`,
  id = v7(),
) => ({ id, at, subject, kind, data })
const write = (...entries: object[]) =>
  call<{ written: string[]; known: string[] }>('/api/entries', 'POST', { entries })
const founded = (kind: string, type: string, data: object, at?: string) => {
  const id = v7()
  return entry(kind, { type, id }, data, at, id)
}
const add = (tag: string, speciesId: string, sex: string, born = '2022-05-01') =>
  call<{ id: string }>('/api/animals', 'POST', { tag, speciesId, sex, born })

describe('an empty house', () => {
  it('serves an empty season, and is healthy', async () => {
    expect((await call('/api/health')).body).toMatchObject({ ok: true })
    expect((await season()).season).toMatchObject({ lanes: [], tasks: [], prey: [] })
    expect((await house()).settings.houseName).toBe('My house')
  })

  it('answers problems for addresses that are not there', async () => {
    const { status, type, body } = await call<unknown>('/api/nothing')
    expect([status, type]).toEqual([404, 'application/problem+json'])
    expect(ProblemDetails.parse(body).title).toMatch(/nothing at this address/)
  })
})

describe('the main job over the API', () => {
  let dam = ''
  let sire = ''
  let pairing = ''
  let clutch = ''

  it('adds animals and a place, and sets a pair', async () => {
    const room = await call<{ id: string }>('/api/places', 'POST', { name: 'Incubator', kind: 'incubator', tempC: 28 })
    expect(room.status).toBe(200)
    dam = (await add('O-1', 'ocellated-lizard', 'female')).body.id
    sire = (await add('O-2', 'ocellated-lizard', 'male')).body.id
    const pair = founded('paired', 'pairing', { tag: 'P-1', damId: dam, sireId: sire }, '2026-10-01T08:00:00Z')
    pairing = pair.id
    expect((await write(pair)).body.written).toEqual([pairing])
    expect((await season()).season.lanes.map(l => l.title)).toEqual(['O-1 × O-2'])
  })

  it('each step moves the forecast, the mouths and the plan', async () => {
    const hatchMean = (s: SeasonSnapshot) =>
      mean(s.season.lanes.flatMap(l => l.events).find(e => e.event === 'hatched' && !e.observed)!.dist)
    const before = await season()
    await write(entry('copulation', { type: 'animal', id: dam }, { confirmed: true }))
    const locked = await season()
    expect(hatchMean(locked)).not.toBeCloseTo(hatchMean(before)!, 1)
    const laid = entry('laid', { type: 'animal', id: dam }, { tag: 'C-1', eggs: 12, tempC: 28 })
    clutch = laid.id
    await write(laid)
    expect((await house()).house.clutches[clutch]).toMatchObject({ eggs: 12, slugs: 0 })
    const flies = (await season()).plans.find(p => p.prey === 'fly.large')!
    expect(flies.units).toBeGreaterThan(0)
    await write(entry('hatched', { type: 'clutch', id: clutch }, { count: 9 }))
    const after = await season()
    // no flies are there when the young first eat
    const { earliest, latest } = shippedAlmanac.species['ocellated-lizard']!.clocks['hatched>firstMeal']!.days
    const [gap] = after.plans.find(p => p.prey === 'fly.large')!.gaps
    expect(gap!.from).toBeGreaterThanOrEqual(after.season.today + earliest)
    expect(gap!.from).toBeLessThanOrEqual(after.season.today + latest)
    expect(after.season.lanes.find(l => l.title === 'C-1')!.young.value).toBeGreaterThanOrEqual(9)
  })

  it('writing the same entry twice writes it once; the same id with another kind is refused', async () => {
    const weighing = entry('weighed', { type: 'animal', id: dam }, { massG: 180 })
    expect((await write(weighing)).body).toEqual({ written: [weighing.id], known: [] })
    expect((await write(weighing)).body).toEqual({ written: [], known: [weighing.id] })
    expect((await write({ ...weighing, kind: 'shed', data: {} })).status).toBe(409)
    expect((await house()).house.animals[dam]!.weights).toHaveLength(1)
  })

  it('who opens the house is told the same pressed as unpressed, and of what was written since', async () => {
    const told = async (encoding: string) => {
      const answer = await fetch(`${server.address}/api/changes`, { headers: { 'accept-encoding': encoding } })
      return {
        encoding: answer.headers.get('content-encoding'),
        vary: answer.headers.get('vary'),
        body: (await answer.json()) as { token: string; whole: object },
      }
    }
    const plain = await told('identity')
    expect(plain.encoding).toBe(null)
    for (let n = 0; n < 2; n++) {
      const pressed = await told('br')
      expect(pressed.encoding).toBe('br')
      expect(pressed.vary?.toLowerCase()).toContain('accept-encoding')
      expect(pressed.body).toEqual(plain.body)
    }
    expect((await told('br;q=0, identity')).encoding).toBe(null)
    await call('/api/places', 'POST', {
      name: 'Pressed',
      kind: 'room',
      parentId: null,
      order: 9,
      tempC: null,
      capacity: null,
    })
    const after = await told('br')
    expect(after.body.token).not.toBe(plain.body.token)
    expect(JSON.stringify(after.body.whole)).toContain('Pressed')
  })

  it('a void takes back and the timeline says so', async () => {
    const slip = entry('weighed', { type: 'animal', id: dam }, { massG: 18, sure: true })
    expect((await write({ ...slip, data: { massG: 18 } })).status).toBe(422)
    await write(slip)
    await write(entry('void', { type: 'entry', id: slip.id }))
    expect((await house()).house.animals[dam]!.weights.map(w => w.massG)).toEqual([180])
    const line = (await call<TimelineEntry[]>(`/api/entries?subjectType=animal&subjectId=${dam}`)).body
    expect(line.find(e => e.id === slip.id)!.voided).toBe(true)
    expect((await call<TimelineEntry[]>(`/api/entries?day=${TODAY}`)).body.length).toBeGreaterThan(4)
  })

  it('young get tags as animals of their own, and lose them when that is taken back', async () => {
    const tagged = await call<{ id: string; tag: string; foundedBy: string; damId: string }[]>(
      `/api/clutches/${clutch}/tag`,
      'POST',
      { count: 3, prefix: 'OY' },
    )
    expect(tagged.body.map(a => a.tag)).toEqual(['OY-01', 'OY-02', 'OY-03'])
    expect(tagged.body[0]!.damId).toBe(dam)
    const fed = entry('fed', { type: 'animal', id: tagged.body[0]!.id }, { prey: 'fly.large', offered: 14, taken: 14 })
    await write(fed)
    expect((await write(entry('void', { type: 'entry', id: tagged.body[0]!.foundedBy }))).status).toBe(422)
    await write(entry('void', { type: 'entry', id: fed.id }))
    expect((await write(entry('void', { type: 'entry', id: tagged.body[0]!.foundedBy }))).status).toBe(200)
    expect(Object.values((await house()).house.animals).map(a => a.tag)).toEqual(['O-1', 'O-2'])
    expect((await call(`/api/clutches/${clutch}/tag`, 'POST', { count: 99, prefix: 'OY' })).status).toBe(422)
  })

  it('an own number of the almanac steers the forecast and can be put back', async () => {
    const path = 'feeders.fly.large.supply.yieldTotal.value'
    // a poorer culture is made up for by more of them, or by cups bought in yield; how many of which hangs on the dates
    // that the ids of the clutch draw
    const cups = async () => {
      const { units, orders } = (await season()).plans.find(p => p.prey === 'fly.large')!
      return units + orders.reduce((n, o) => n + o.count, 0)
    }
    const before = await cups()
    expect((await call('/api/almanac/overrides', 'PUT', { path, value: 250 })).status).toBe(200)
    expect(await cups()).toBeGreaterThan(before)
    expect((await call(`/api/almanac/overrides?path=${path}`, 'DELETE')).body).toEqual([])
    expect(await cups()).toBe(before)
    expect((await call('/api/almanac/overrides', 'PUT', { path: 'species.corn-snake.name', value: 1 })).status).toBe(
      422,
    )
    expect(
      (
        await call('/api/almanac/overrides', 'PUT', {
          path: 'species.ocellated-lizard.incubation.points.0.days',
          value: 1,
        })
      ).status,
    ).toBe(422)
    expect((await call('/api/season')).status).toBe(200)
  })

  it('settings are checked and kept; another time zone is asked about once something is written', async () => {
    const { settings, settingsVersion: version } = await house()
    expect((await call('/api/settings', 'PUT', { ...settings, cultureWeekday: 3, version })).status).toBe(200)
    expect((await house()).settings.cultureWeekday).toBe(3)
    expect((await call('/api/settings', 'PUT', { ...settings, coverQuantile: 1.4, version: version + 1 })).status).toBe(
      422,
    )
    const moved = await call('/api/settings', 'PUT', { ...settings, timeZone: 'Europe/Berlin', version: version + 1 })
    expect(moved).toMatchObject({ status: 422, body: { errors: [{ path: 'sure' }] } })
    expect((await house()).settings.timeZone).toBe(settings.timeZone)
  })

  it('a group without tags: laid, joined by its young, tagged out of, and undone in order', async () => {
    const added = founded('groupAdded', 'group', { tag: 'TG', speciesId: 'fat-tailed-gecko', male: 1, female: 4 })
    const about = { type: 'group', id: added.id }
    expect((await write(added)).status).toBe(200)
    const laid = entry('groupLaid', about, { tag: 'C-80', eggs: 4, tempC: 29 }, '2026-09-20T08:00:00Z')
    // it came into the house before it laid
    expect((await write(laid)).status).toBe(200)
    const clutch = { type: 'clutch', id: laid.id }
    expect((await write(entry('hatched', clutch, { count: 3 }))).status).toBe(200)
    const joined = entry('groupJoined', about, { unknown: 2, clutchId: laid.id })
    expect((await write(joined)).status).toBe(200)
    const over = await write(entry('groupJoined', about, { unknown: 2, clutchId: laid.id }))
    expect(over.status).toBe(422)
    expect(ProblemDetails.parse(over.body).errors![0]).toMatchObject({ path: 'data.unknown' })
    const tag = (body: object) =>
      call<{ id: string; tag: string; sex: string; foundedBy: string }[]>(`/api/groups/${added.id}/tag`, 'POST', body)
    expect((await tag({ count: 2, prefix: 'TG', sex: 'male' })).status).toBe(422)
    const { body: cards } = await tag({ count: 2, prefix: 'TG', sex: 'female' })
    expect(cards.map(c => [c.tag, c.sex])).toEqual([
      ['TG-01', 'female'],
      ['TG-02', 'female'],
    ])
    const now = async () => (await house()).house.groups[added.id]
    expect((await now())!.numbers).toEqual({ male: 1, female: 2, unknown: 2 })
    expect((await call(`/api/groups/nobody/tag`, 'POST', { count: 1, prefix: 'X' })).status).toBe(404)
    // what others stand on is taken back last
    expect((await write(entry('void', { type: 'entry', id: added.id }))).status).toBe(422)
    for (const id of [cards[0]!.foundedBy, joined.id])
      expect((await write(entry('void', { type: 'entry', id }))).status).toBe(200)
    expect((await now())!.numbers).toEqual({ male: 1, female: 4, unknown: 0 })
    expect(Object.values((await house()).house.animals).some(a => a.tag === 'TG-01')).toBe(false)
  })

  describe('bad input gets a clear message, status 4xx, and writes nothing', () => {
    const cases: [string, () => Promise<{ status: number; body: unknown }>, number, RegExp][] = [
      [
        'a weighing in the future',
        () => write(entry('weighed', { type: 'animal', id: dam }, { massG: 4 }, '2026-11-26T09:00:00Z')),
        422,
        /future/,
      ],
      ['negative grams', () => write(entry('weighed', { type: 'animal', id: dam }, { massG: -4 })), 422, /above 0 g/],
      [
        'an unknown animal',
        () => write(entry('weighed', { type: 'animal', id: 'nobody' }, { massG: 4 })),
        422,
        /not among the animals/,
      ],
      [
        'more hatched than laid',
        () => write(entry('hatched', { type: 'clutch', id: clutch }, { count: 50 })),
        422,
        /cannot hatch/,
      ],
      [
        'a laying by a male',
        () => write(entry('laid', { type: 'animal', id: sire }, { tag: 'C-9', eggs: 3 })),
        422,
        /O-2 is a male/,
      ],
      [
        'a date before birth',
        () => write(entry('weighed', { type: 'animal', id: dam }, { massG: 4 }, '2020-01-01T09:00:00Z')),
        422,
        /not born/,
      ],
      [
        'one bad entry among good ones',
        () =>
          write(
            entry('shed', { type: 'animal', id: dam }),
            entry('weighed', { type: 'animal', id: dam }, { massG: 0 }),
          ),
        422,
        /above 0 g/,
      ],
      [
        'a wrong type',
        () => write(entry('weighed', { type: 'animal', id: dam }, { massG: 'much' })),
        422,
        /number of grams/,
      ],
      ['an id that is no UUID', () => write({ ...entry('shed', { type: 'animal', id: dam }), id: '1' }), 422, /UUID/],
      [
        'an instant that is none',
        () => write(entry('shed', { type: 'animal', id: dam }, {}, 'yesterday')),
        422,
        /instant/,
      ],
      ['broken JSON', () => call('/api/entries', 'POST', '{"entries": ['), 400, /valid JSON/],
      ['10 MB', () => call('/api/entries', 'POST', { entries: ['x'.repeat(10_000_000)] }), 413, /larger than 4 MB/],
      ['no entries', () => write(), 422, /Nothing to write/],
      ['a tag in use', () => add('o-1', 'ocellated-lizard', 'male'), 422, /already in use/],
      ['an unknown species', () => add('X-1', 'unicorn', 'male'), 422, /no such species/],
      ['born in the future', () => add('X-1', 'corn-snake', 'male', '2027-01-01'), 422, /born in the future/],
      ['a day that no calendar has', () => add('X-1', 'corn-snake', 'male', '2026-02-30'), 422, /2026-06-12/],
      [
        'a place in itself',
        async () => {
          const id = Object.keys((await house()).house.places)[0]!
          return call(`/api/places/${id}`, 'PUT', { name: 'Loop', kind: 'room', parentId: id })
        },
        422,
        /inside itself/,
      ],
    ]

    it.each(cases)('%s', async (_, send, status, message) => {
      const before = await house()
      const answer = await send()
      expect(answer.status).toBe(status)
      const problem = ProblemDetails.parse(answer.body)
      expect([problem.title, problem.detail].join(' ')).toMatch(message)
      if (status === 422) expect(problem.errors![0]!.message).toMatch(/^\S.*\w/)
      const after = await house()
      expect(after.version).toBe(before.version)
      expect(after.house).toEqual(before.house)
    })

    it('plain text is not taken for JSON', async () => {
      const response = await fetch(`${server.address}/api/entries`, {
        method: 'POST',
        body: '{}',
        headers: { 'content-type': 'text/plain' },
      })
      expect(response.status).toBe(415)
    })

    it('names the field in a batch by its place', async () => {
      const { body } = await write(
        entry('shed', { type: 'animal', id: dam }),
        entry('weighed', { type: 'animal', id: dam }, { massG: 0 }),
      )
      expect(ProblemDetails.parse(body).errors![0]!.path).toBe('entries.1.data.massG')
    })
  })

  it('an event for a sold animal is refused, an earlier one is not', async () => {
    // nobody wrote that it eats: its sale is asked first
    const asked = await write(entry('sold', { type: 'animal', id: sire }))
    expect(ProblemDetails.parse(asked.body).errors).toMatchObject([
      {
        path: 'data.sure',
        message: expect.stringMatching(/should not leave yet: meals taken in a row 0/) as string,
      },
    ])
    expect((await write(entry('sold', { type: 'animal', id: sire }, { sure: true }))).status).toBe(200)
    expect(
      (await write(entry('fed', { type: 'animal', id: sire }, { prey: 'roach.nymph', offered: 1, taken: 1 }))).status,
    ).toBe(422)
    expect(
      (
        await write(
          entry(
            'fed',
            { type: 'animal', id: sire },
            { prey: 'roach.nymph', offered: 1, taken: 1 },
            '2026-11-20T09:00:00Z',
          ),
        )
      ).status,
    ).toBe(200)
  })

  it('many writes at once are all kept, each once', async () => {
    const weighings = Array.from({ length: 30 }, (_, i) =>
      entry('weighed', { type: 'animal', id: dam }, { massG: 181 + i }),
    )
    await Promise.all([...weighings, ...weighings].map(w => write(w)))
    expect((await house()).house.animals[dam]!.weights.filter(w => w.massG > 180)).toHaveLength(30)
  })
})

describe('stopping and starting again', () => {
  it('stops gracefully, and the next start finds everything', async () => {
    const before = await house()
    const first = server
    const copy = await startServer({}, `${first.database}.none`)
    expect(
      (await fetch(`${copy.address}/api/house`).then(r => r.json() as Promise<HouseSnapshot>)).house.animals,
    ).toEqual({})
    expect(await copy.stop()).toBe(0)
    expect(await first.stop(true)).toBe(0)
    const again = await startServer({}, first.database)
    const found = await fetch(`${again.address}/api/house`).then(r => r.json() as Promise<HouseSnapshot>)
    expect(found.house).toEqual(before.house)
    expect(await again.stop()).toBe(0)
  })
})
