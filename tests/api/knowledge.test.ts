import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  planSheet,
  readSheet,
  sheetOf,
  shipped,
  shippedAlmanac,
  withOwn,
  type Almanac,
  type Sheet,
  type Shipped,
} from '#core/almanac'
import { ownRows } from '#core/subjects'
import type { ProblemDetails } from '#shared/contracts/problem'
import type { HouseSnapshot, PlansSnapshot, SeasonSnapshot } from '#shared/contracts/house'
import { startServer, type RunningServer } from './server'

const TODAY = '2026-11-25'
let one: RunningServer
let other: RunningServer
beforeAll(async () => {
  ;[one, other] = await Promise.all([startServer(), startServer()])
})
afterAll(async () => {
  await Promise.all([one?.stop(), other?.stop()])
})

async function call<T>(server: RunningServer, path: string, body?: unknown): Promise<{ status: number; body: T }> {
  const response = await fetch(server.address + path, {
    ...(body !== undefined && {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json' },
    }),
  })
  return { status: response.status, body: (await response.json()) as T }
}
const write = async (
  server: RunningServer,
  ...facts: { id: string; subject: object; kind: string; data: object; at?: string }[]
) =>
  call<ProblemDetails>(server, '/api/entries', {
    entries: facts.map(f => ({ at: `${TODAY}T08:00:00Z`, ...f })),
  })
async function almanacOf(server: RunningServer): Promise<Almanac> {
  const { body } = await call<HouseSnapshot>(server, '/api/house')
  return withOwn(shipped, { ...ownRows(body.house, body.settings.cultureWeekday), numbers: body.overrides }).almanac
}

/** A pair of the species that locked and laid, with animals and clutch under the same tags in every house. */
async function kept(server: RunningServer, speciesId: string) {
  for (const [tag, sex] of [
    ['F-1', 'female'],
    ['M-1', 'male'],
  ])
    expect((await call(server, '/api/animals', { tag, speciesId, sex, born: '2022-05-01' })).status).toBe(200)
  const { animals } = (await call<HouseSnapshot>(server, '/api/house')).body.house
  const [dam, sire] = ['F-1', 'M-1'].map(tag => Object.values(animals).find(a => a.tag === tag)!.id)
  const pairing = v7()
  const at = (day: string) => `${day}T08:00:00Z`
  const wrote = await write(
    server,
    {
      id: pairing,
      subject: { type: 'pairing', id: pairing },
      kind: 'paired',
      data: { tag: 'P-1', damId: dam, sireId: sire },
      at: at('2026-09-01'),
    },
    {
      id: v7(),
      subject: { type: 'pairing', id: pairing },
      kind: 'copulation',
      data: { confirmed: true },
      at: at('2026-09-10'),
    },
    {
      id: v7(),
      subject: { type: 'pairing', id: pairing },
      kind: 'laid',
      data: { tag: 'C-1', eggs: 2, slugs: 0 },
      at: at('2026-10-20'),
    },
  )
  expect(wrote.status, JSON.stringify(wrote.body)).toBe(200)
}
/** What is forecast and planned, without ids that differ from house to house. */
async function forecast(server: RunningServer) {
  const { season } = (await call<SeasonSnapshot>(server, '/api/season')).body
  const { plans } = (await call<PlansSnapshot>(server, '/api/plans')).body
  return {
    broken: season.alarms.filter(a => a.broken).map(a => a.text),
    events: season.lanes.map(l => [l.title, l.events.map(e => [e.event, e.dist])]),
    need: season.prey.map(p => [p.prey, p.mean.map(n => Number(n.toFixed(6)))]),
    plans: plans.map(p => [p.prey, p.unit, p.starts]),
  }
}

const gecko = v7()
const subject = { type: 'species', id: gecko }
let sheet: Sheet

describe('a species that is not shipped, from nothing to forecasts, and on to another house', () => {
  it('borrowed from a relative it is kept, paired, laid, with a hatch forecast and a plan of feeders', async () => {
    const added = await write(one, {
      id: gecko,
      subject,
      kind: 'speciesAdded',
      data: { name: 'Cave leaf-tail', latin: 'Uroplatus ebenaui', from: 'leaf-tailed-gecko' },
    })
    expect(added.status, JSON.stringify(added.body)).toBe(200)
    await kept(one, gecko)
    const { broken, events, plans } = await forecast(one)
    expect(broken).toEqual([])
    const hatch = events.flatMap(([, list]) => list as [string, { p: number[] }][]).find(([e]) => e === 'hatched')
    expect(hatch![1].p.length).toBeGreaterThan(10)
    expect(plans.map(([prey]) => prey)).toContain('cricket.pinhead')
  })

  it('says of its hatch whose table it stands on, until the table is its own', async () => {
    const hatchRules = async () => {
      const { season } = (await call<SeasonSnapshot>(one, '/api/season')).body
      return season.lanes
        .flatMap(l => l.events.filter(e => e.event === 'hatched').flatMap(e => e.reasons.map(r => r.rule)))
        .join()
    }
    expect(await hatchRules()).toMatch(/table of Leaf-tailed gecko, borrowed/)
    const fact = (value: number, unit: string) => ({ value, unit, mark: 'own' })
    const incubation = {
      points: [
        { tempC: 20, days: 140, mark: 'own' },
        { tempC: 24, days: 100, mark: 'own' },
      ],
      usualTempC: fact(22, '°C'),
      lethalAboveC: fact(28, '°C'),
      spreadShare: fact(0.1, 'of the likely time'),
    }
    const before = await forecast(one)
    expect(
      (await write(one, { id: v7(), subject, kind: 'speciesChanged', data: { parts: { incubation } } })).status,
    ).toBe(200)
    expect(await hatchRules()).not.toMatch(/borrowed/)
    expect((await forecast(one)).events).not.toEqual(before.events)
  })

  it('its sheet, taken over in another house, gives equal forecasts', async () => {
    sheet = readSheet(JSON.stringify(sheetOf(await almanacOf(one), [gecko]))) as Sheet
    const plan = planSheet(sheet, await almanacOf(other), v7)
    expect([plan.problems, plan.added.map(a => a.name)]).toEqual([[], ['Cave leaf-tail']])
    const taken = await write(other, ...plan.facts)
    expect(taken.status, JSON.stringify(taken.body)).toBe(200)
    await kept(other, gecko)
    expect(await forecast(other)).toEqual(await forecast(one))
    expect(planSheet(sheet, await almanacOf(other), v7)).toMatchObject({ added: [], changed: [], problems: [] })
  })

  it('cannot be taken back while it is kept; the rest of a list stands or falls with it', async () => {
    const undo = await write(one, { id: v7(), subject: { type: 'entry', id: gecko }, kind: 'void', data: {} })
    expect([undo.status, undo.body.errors?.[0]?.message]).toEqual([
      422,
      expect.stringMatching(/F-1, M-1 name what this brought/),
    ])
    const animal = v7()
    const both = v7()
    const later = await write(
      one,
      {
        id: both,
        subject: { type: 'species', id: both },
        kind: 'speciesAdded',
        data: { name: 'Fell gecko', from: gecko },
      },
      {
        id: animal,
        subject: { type: 'animal', id: animal },
        kind: 'animalAdded',
        data: {
          tag: 'G-1',
          name: null,
          speciesId: both,
          sex: 'unknown',
          born: null,
          placeId: null,
          damId: null,
          sireId: null,
          clutchId: null,
          taggedBy: null,
        },
      },
    )
    expect(later.status, JSON.stringify(later.body)).toBe(200)
  })

  it('what contradicts itself is refused with the field, and nothing of it is written', async () => {
    const bad = await write(one, { id: v7(), subject, kind: 'speciesChanged', data: { parts: { ladder: [] } } })
    expect([bad.status, bad.body.errors?.[0]?.path]).toEqual([422, 'data.parts.ladder'])
    const hole = v7()
    const twice = await write(one, {
      id: hole,
      subject: { type: 'species', id: hole },
      kind: 'speciesAdded',
      data: { name: 'CAVE leaf-tail', from: 'corn-snake' },
    })
    expect([twice.status, twice.body.errors?.[0]]).toMatchObject([422, { path: 'data.name' }])
    expect((await forecast(one)).broken).toEqual([])
  })
})

describe('the shipped almanac', () => {
  it('is told once: a browser that has it hears only that it is the same', async () => {
    const first = await fetch(`${one.address}/api/almanac`)
    // a tab makes of it what the program itself makes of it
    const told = (await first.json()) as Shipped
    expect(withOwn(told, { species: [], feeders: [], numbers: [] }).almanac).toEqual(shippedAlmanac)
    const again = await fetch(`${one.address}/api/almanac`, {
      headers: { 'if-none-match': first.headers.get('etag')! },
    })
    expect(again.status).toBe(304)
  })
})
