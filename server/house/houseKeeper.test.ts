import type { Knex } from 'knex'
import { v7 } from 'uuid'
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { Entry } from '#core/subjects'
import { planHere } from '../../tests/fixtures/planHere'
import { allEntries } from '../db/repositories/entries'
import { openDatabase } from '../db/open'
import { ProblemError } from '../utils/problem'
import { HouseKeeper, type PlanSolver } from './houseKeeper'

let solve: PlanSolver
let db: Knex
let keeper: HouseKeeper
const held = process.env.MANTEL_TODAY
beforeAll(async () => {
  solve = await planHere()
})
beforeEach(async () => {
  process.env.MANTEL_TODAY = '2026-11-25'
  db = await openDatabase(':memory:')
  keeper = await HouseKeeper.open(db, solve)
})
afterEach(async () => {
  await keeper.close()
  if (held === undefined) delete process.env.MANTEL_TODAY
  else process.env.MANTEL_TODAY = held
})

const entry = (
  kind: string,
  subject: Entry['subject'] | null,
  data: Record<string, unknown> = {},
  at = '2026-11-25T08:00:00Z',
): Entry => {
  const id = v7()
  return { id, at, subject: subject ?? { type: 'pairing', id }, kind, data, source: 'keeper' }
}
const add = (tag: string, sex: 'male' | 'female' = 'female') =>
  keeper.requests.addAnimal({ tag, name: null, speciesId: 'corn-snake', sex, born: '2022-01-01', placeId: null })
const problem = async (work: Promise<unknown>) => {
  const error = await work.then(
    () => null,
    (e: unknown) => e,
  )
  expect(error).toBeInstanceOf(ProblemError)
  return (error as ProblemError).problem
}

describe('the house in memory beside its database', () => {
  it('finds the same house when it is opened again', async () => {
    const dam = await add('C-1')
    await keeper.writer.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 500 })])
    const again = await HouseKeeper.open(db, solve)
    expect(again.queries.snapshot().house).toEqual(keeper.queries.snapshot().house)
  })

  it('lets a pair, its laying and its hatching be written in one go, each seeing those before', async () => {
    const [dam, sire] = [await add('C-1'), await add('C-2', 'male')]
    const pair = entry('paired', null, { tag: 'P-1', damId: dam.id, sireId: sire.id }, '2026-08-01T08:00:00Z')
    const laid = entry('laid', { type: 'animal', id: dam.id }, { tag: 'E-1', eggs: 10 }, '2026-09-20T08:00:00Z')
    const hatched = entry('hatched', { type: 'clutch', id: laid.id }, { count: 8 })
    expect(await keeper.writer.write([pair, laid, hatched])).toEqual({
      written: [pair.id, laid.id, hatched.id],
      known: [],
    })
    expect(keeper.queries.snapshot().house.clutches[laid.id]).toMatchObject({
      eggs: 10,
      slugs: 0,
      hatched: [{ count: 8 }],
    })
  })

  it('writes all or none: memory and database stay as they were', async () => {
    const dam = await add('C-1')
    const before = keeper.queries.snapshot()
    const refused = await problem(
      keeper.writer.write([
        entry('shed', { type: 'animal', id: dam.id }),
        entry('weighed', { type: 'animal', id: dam.id }, { massG: -1 }),
      ]),
    )
    expect(refused).toMatchObject({ status: 422, errors: [{ path: 'entries.1.data.massG' }] })
    expect(keeper.queries.snapshot().house).toEqual(before.house)
    expect(await db('entries').select('id')).toEqual([{ id: dam.id }])
  })

  it('goes on after a refused write', async () => {
    const dam = await add('C-1')
    const results = await Promise.allSettled([
      keeper.writer.write([entry('weighed', { type: 'animal', id: 'nobody' }, { massG: 1 })]),
      keeper.writer.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 })]),
    ])
    expect(results.map(r => r.status)).toEqual(['rejected', 'fulfilled'])
    expect(keeper.queries.snapshot().house.animals[dam.id]!.weights).toHaveLength(1)
  })

  it('the same id with other content is refused and writes nothing, in the log or in the same batch', async () => {
    const dam = await add('C-1')
    const weighed = entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 })
    await keeper.writer.write([weighed])
    for (const other of [
      { ...weighed, data: { massG: 410 } },
      { ...weighed, at: '2026-11-25T08:00:01Z' },
      { ...weighed, note: 'calm' },
      { ...weighed, kind: 'shed', data: {} },
    ]) {
      expect(await problem(keeper.writer.write([entry('shed', weighed.subject), other]))).toMatchObject({
        status: 409,
        errors: [{ path: 'entries.1.id' }],
      })
    }
    const fresh = entry('weighed', { type: 'animal', id: dam.id }, { massG: 402 })
    expect((await problem(keeper.writer.write([fresh, { ...fresh, data: { massG: 403 } }]))).status).toBe(409)
    expect((await db('entries')).map(r => (r as { id: string }).id)).toEqual([dam.id, weighed.id])
    expect(keeper.queries.snapshot().house.animals[dam.id]!.weights.map(w => w.massG)).toEqual([400])
  })

  it('the same content is known, whatever offset, defaults or pairing it was filled up with', async () => {
    const [dam, sire] = [await add('C-1'), await add('C-2', 'male')]
    const pair = entry('paired', null, { tag: 'P-1', damId: dam.id, sireId: sire.id }, '2026-08-01T08:00:00Z')
    const laid = entry('laid', { type: 'animal', id: dam.id }, { tag: 'E-1', eggs: 10 }, '2026-09-20T10:00:00+02:00')
    await keeper.writer.write([pair, laid])
    expect(await keeper.writer.write([pair, { ...laid, at: '2026-09-20T08:00:00.000Z' }])).toEqual({
      written: [],
      known: [pair.id, laid.id],
    })
    expect((await problem(keeper.writer.write([{ ...laid, subject: { type: 'animal', id: sire.id } }]))).status).toBe(
      409,
    )
  })

  it('an animal, a place and tags sent again under their id are made once', async () => {
    const id = v7()
    const first = await keeper.requests.addAnimal({
      id,
      tag: 'C-1',
      name: null,
      speciesId: 'corn-snake',
      sex: 'female',
      born: '2022-01-01',
      placeId: null,
    })
    expect(
      await keeper.requests.addAnimal({
        id,
        tag: 'C-1',
        name: null,
        speciesId: 'corn-snake',
        sex: 'female',
        born: '2022-01-01',
        placeId: null,
      }),
    ).toEqual(first)
    expect(
      (
        await problem(
          keeper.requests.addAnimal({
            id,
            tag: 'C-9',
            name: null,
            speciesId: 'corn-snake',
            sex: 'female',
            born: '2022-01-01',
            placeId: null,
          }),
        )
      ).status,
    ).toBe(409)
    const room = {
      id: v7(),
      name: 'Room',
      kind: 'room' as const,
      parentId: null,
      order: 1,
      tempC: null,
      capacity: null,
    }
    expect(await keeper.requests.addPlace(room)).toEqual(await keeper.requests.addPlace(room))
    const sire = await add('C-2', 'male')
    const pair = entry('paired', null, { tag: 'P-1', damId: first.id, sireId: sire.id }, '2026-05-01T08:00:00Z')
    const laid = entry('laid', { type: 'animal', id: first.id }, { tag: 'E-1', eggs: 10 }, '2026-06-20T08:00:00Z')
    await keeper.writer.write([
      pair,
      laid,
      entry('hatched', { type: 'clutch', id: laid.id }, { count: 8 }, '2026-08-20T08:00:00Z'),
    ])
    const tags = { id: v7(), count: 3, prefix: 'Y', placeId: null }
    expect(await keeper.requests.tag({ type: 'clutch', id: laid.id }, tags)).toEqual(
      await keeper.requests.tag({ type: 'clutch', id: laid.id }, tags),
    )
    expect(Object.values(keeper.queries.snapshot().house.animals).filter(a => a.tag.startsWith('Y-'))).toHaveLength(3)
    expect(
      await problem(
        keeper.requests.tag({ type: 'clutch', id: laid.id }, { count: 1, prefix: 'Z', placeId: 'nowhere' }),
      ),
    ).toMatchObject({
      status: 422,
      errors: [{ path: 'placeId' }],
    })
  })

  it('settings changed elsewhere meanwhile are not written over', async () => {
    const { settings, settingsVersion: version } = keeper.queries.snapshot()
    expect(await keeper.requests.changeSettings({ ...settings, houseName: 'One', version })).toMatchObject({
      version: version + 1,
    })
    expect(await problem(keeper.requests.changeSettings({ ...settings, cultureWeekday: 3, version }))).toMatchObject({
      status: 409,
      errors: [{ path: 'version' }],
    })
    expect(keeper.queries.snapshot()).toMatchObject({
      settingsVersion: version + 1,
      settings: { houseName: 'One', cultureWeekday: settings.cultureWeekday },
    })
    const again = await HouseKeeper.open(db, solve)
    expect(again.queries.snapshot().settingsVersion).toBe(version + 1)
  })

  it('settings name schools that there are, and a warm-up within a year', async () => {
    const { settings, settingsVersion: version } = keeper.queries.snapshot()
    for (const schools of [
      { nonsense: 'x' },
      { warmUp: 'nonsense' },
      { 'warmUp@unicorn': 'steps' },
      { constructor: 'x' },
      { 'warmUp@corn-snake@x': 'steps' },
    ] as Record<string, string>[]) {
      expect(
        (await problem(keeper.requests.changeSettings({ ...settings, schools, version }))).status,
        JSON.stringify(schools),
      ).toBe(422)
    }
    expect(
      (
        await problem(
          keeper.requests.changeSettings({ ...settings, warmUpDay: keeper.queries.snapshot().today + 401, version }),
        )
      ).errors![0]!.path,
    ).toBe('warmUpDay')
    expect(
      (
        await keeper.requests.changeSettings({
          ...settings,
          schools: { 'warmUp': 'steps', 'warmUp@corn-snake': 'steps' },
          warmUpDay: keeper.queries.snapshot().today + 100,
          version,
        })
      ).version,
    ).toBe(version + 1)
  })

  it('a plan that cannot be worked out is told, and the others stand', async () => {
    await add('C-1')
    await keeper.writer.write([entry('weighed', { type: 'animal', id: (await add('C-2')).id }, { massG: 300 })])
    const failing = await HouseKeeper.open(db, async () => {
      throw new Error('out of breath')
    })
    const { plans, alarms } = await failing.queries.plans()
    expect(plans).toEqual([])
    expect(alarms[0]).toMatchObject({
      broken: true,
      text: expect.stringMatching(/its plan cannot be computed/) as string,
    })
    expect((await failing.queries.season()).season.prey.map(p => p.prey)).toContain('mouse.adult')
  })

  it('others are answered while a long batch is checked', async () => {
    const dam = await add('C-1')
    const batch = Array.from({ length: 300 }, (_, i) =>
      entry('watered', { type: 'animal', id: dam.id }, {}, `2026-11-2${i % 5}T08:00:00Z`),
    )
    const order: string[] = []
    const write = keeper.writer.write(batch).then(() => order.push('batch'))
    const other = (async () => {
      // what a request does: it waits for its turn of the event loop
      await new Promise(resolve => setImmediate(resolve))
      order.push('other')
    })()
    await Promise.all([write, other])
    expect(order).toEqual(['other', 'batch'])
  })

  it('an id sent twice in one batch is written once', async () => {
    const dam = await add('C-1')
    const shed = entry('shed', { type: 'animal', id: dam.id })
    expect(await keeper.writer.write([shed, shed])).toEqual({ written: [shed.id], known: [shed.id] })
  })

  it('computes the season once per version', async () => {
    const dam = await add('C-1')
    const first = await keeper.queries.season()
    expect((await keeper.queries.season()).season).toBe(first.season)
    expect(await keeper.queries.plans()).toBe(await keeper.queries.plans())
    await keeper.writer.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 })])
    expect((await keeper.queries.season()).season).not.toBe(first.season)
    expect((await keeper.queries.season()).version).toBeGreaterThan(first.version)
  })

  it('the calendar day follows the time zone of the house', async () => {
    await keeper.requests.changeSettings({
      ...keeper.queries.snapshot().settings,
      timeZone: 'Pacific/Auckland',
      version: 0,
    })
    const dam = await add('C-1')
    // 12:30 UTC on the 24th is already the 25th in Auckland
    const weighed = entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 }, '2026-11-24T12:30:00Z')
    await keeper.writer.write([weighed])
    const { house, today } = keeper.queries.snapshot()
    expect(house.animals[dam.id]!.weights[0]!.day).toBe(today)
    expect(
      (
        await problem(
          keeper.writer.write([
            entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 }, '2026-11-25T12:30:00Z'),
          ]),
        )
      ).errors![0]!.message,
    ).toMatch(/future/)
  })

  it('another time zone reads the log anew, is taken back, and is the same when the house is opened again', async () => {
    const dam = await add('C-1')
    const subject = { type: 'animal' as const, id: dam.id }
    const days = () => keeper.queries.snapshot().house.animals[dam.id]!.weights.map(w => w.day)
    const at = (iso: string) => entry('weighed', subject, { massG: 400 }, iso)
    // 23:30 UTC on the 20th is the 21st in Berlin; noon stands for the day; 12:30 UTC is the 23rd in Auckland
    await keeper.writer.write([at('2026-11-20T23:30:00Z'), at('2026-11-21T12:00:00Z'), at('2026-11-22T12:30:00Z')])
    const written = days()
    const move = (timeZone: string, sure?: true) => {
      const { settings, settingsVersion: version } = keeper.queries.snapshot()
      return keeper.requests.changeSettings({ ...settings, timeZone, version, ...(sure && { sure }) })
    }
    expect((await problem(move('Europe/Berlin'))).errors).toMatchObject([
      { path: 'sure', message: expect.stringMatching(/^1 of \d+ entries/) as string },
    ])
    expect(days()).toEqual(written)
    expect(await move('Europe/Berlin', true)).toMatchObject({ redated: 1 })
    expect(days()).toEqual([written[0]! + 1, written[1], written[2]])
    expect(await move('Pacific/Auckland', true)).toMatchObject({ redated: 1 })
    expect(days()).toEqual([written[0]! + 1, written[1], written[2]! + 1])
    const again = await HouseKeeper.open(db, solve)
    expect(again.queries.snapshot().house).toEqual(keeper.queries.snapshot().house)
    expect(await again.queries.season()).toMatchObject({ season: (await keeper.queries.season()).season })
    // taken back, one after the other
    const changed = (await allEntries(db)).filter(e => e.kind === 'settingsChanged').reverse()
    for (const { id } of changed) await keeper.writer.write([entry('void', { type: 'entry', id }, {})])
    expect(days()).toEqual(written)
    expect((await allEntries(db)).filter(e => e.kind === 'weighed').map(e => e.at)).toContain(
      '2026-11-21T12:00:00.000Z',
    )
  })

  it('a season worked out to try an own number is the season that stands with it', async () => {
    const [dam, sire] = [await add('K-1'), await add('K-2', 'male')]
    await keeper.writer.write([entry('paired', null, { tag: 'P-1', damId: dam.id, sireId: sire.id })])
    const before = await keeper.queries.season()
    await keeper.requests.setOverride({ path: 'species.corn-snake.clutchSize.likely', value: 20 })
    const after = await keeper.queries.season()
    expect(after.version).toBe(before.version + 1)
    const again = await (await HouseKeeper.open(db, solve)).queries.season()
    expect(after.season).toEqual(again.season)
    expect(after.season.lanes[0]!.young.value).toBeGreaterThan(before.season.lanes[0]!.young.value)
  })

  it('refuses a number of the almanac that the season cannot be computed with, and keeps the old one', async () => {
    const refused = await problem(
      keeper.requests.setOverride({ path: 'feeders.fly.large.supply.keepDays.value', value: 0 }),
    )
    expect(refused).toMatchObject({ status: 422, errors: [{ path: 'value' }] })
    expect(keeper.queries.snapshot().overrides).toEqual([])
  })

  it('places cannot be lost in a circle, and unknown ones are 404', async () => {
    const room = await keeper.requests.addPlace({
      name: 'Room',
      kind: 'room',
      parentId: null,
      order: 1,
      tempC: null,
      capacity: null,
    })
    const rack = await keeper.requests.addPlace({
      name: 'Rack',
      kind: 'rack',
      parentId: room.id,
      order: 1,
      tempC: null,
      capacity: null,
    })
    expect(
      (
        await problem(
          keeper.requests.changePlace(room.id, {
            name: 'Room',
            kind: 'room',
            parentId: rack.id,
            order: 1,
            tempC: null,
            capacity: null,
          }),
        )
      ).status,
    ).toBe(422)
    expect(
      (
        await problem(
          keeper.requests.changePlace('nowhere', {
            name: 'X',
            kind: 'room',
            parentId: null,
            order: 1,
            tempC: null,
            capacity: null,
          }),
        )
      ).status,
    ).toBe(404)
    expect(
      (await problem(keeper.requests.tag({ type: 'clutch', id: 'nothing' }, { count: 1, prefix: 'X', placeId: null })))
        .status,
    ).toBe(404)
  })
})
