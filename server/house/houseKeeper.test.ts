import highsLoader from 'highs'
import type { Knex } from 'knex'
import { v7 } from 'uuid'
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { SolveLp } from '#core/cultures'
import type { Entry } from '#core/logbook'
import { solverFrom } from '#shared/solver'
import { openDatabase } from '../db/open'
import { ProblemError } from '../utils/problem'
import { HouseKeeper } from './houseKeeper'

let solve: SolveLp
let db: Knex
let keeper: HouseKeeper
const held = process.env.MANTEL_TODAY
beforeAll(async () => {
  solve = solverFrom(await highsLoader())
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

const entry = (kind: string, subject: Entry['subject'] | null, data: Record<string, unknown> = {}, at = '2026-11-25T08:00:00Z'): Entry => {
  const id = v7()
  return { id, at, subject: subject ?? { type: 'pairing', id }, kind, data, source: 'keeper' }
}
const add = (tag: string, sex: 'male' | 'female' = 'female') => keeper.addAnimal({ tag, name: null, speciesId: 'corn-snake', sex, born: '2022-01-01', placeId: null })
const problem = async (work: Promise<unknown>) => {
  const error = await work.then(() => null, (e: unknown) => e)
  expect(error).toBeInstanceOf(ProblemError)
  return (error as ProblemError).problem
}

describe('the house in memory beside its database', () => {
  it('finds the same house when it is opened again', async () => {
    const dam = await add('C-1')
    await keeper.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 500 })])
    const again = await HouseKeeper.open(db, solve)
    expect(again.snapshot().house).toEqual(keeper.snapshot().house)
  })

  it('lets a pair, its laying and its hatching be written in one go, each seeing those before', async () => {
    const [dam, sire] = [await add('C-1'), await add('C-2', 'male')]
    const pair = entry('paired', null, { tag: 'P-1', damId: dam.id, sireId: sire.id }, '2026-08-01T08:00:00Z')
    const laid = entry('laid', { type: 'animal', id: dam.id }, { tag: 'E-1', eggs: 10 }, '2026-09-20T08:00:00Z')
    const hatched = entry('hatched', { type: 'clutch', id: laid.id }, { count: 8 })
    expect(await keeper.write([pair, laid, hatched])).toEqual({ written: [pair.id, laid.id, hatched.id], known: [] })
    expect(keeper.snapshot().house.clutches[laid.id]).toMatchObject({ eggs: 10, slugs: 0, hatched: [{ count: 8 }] })
  })

  it('writes all or none: memory and database stay as they were', async () => {
    const dam = await add('C-1')
    const before = keeper.snapshot()
    const refused = await problem(keeper.write([entry('shed', { type: 'animal', id: dam.id }), entry('weighed', { type: 'animal', id: dam.id }, { massG: -1 })]))
    expect(refused).toMatchObject({ status: 422, errors: [{ path: 'entries.1.data.massG' }] })
    expect(keeper.snapshot().house).toEqual(before.house)
    expect(await db('entries')).toEqual([])
  })

  it('goes on after a refused write', async () => {
    const dam = await add('C-1')
    const results = await Promise.allSettled([
      keeper.write([entry('weighed', { type: 'animal', id: 'nobody' }, { massG: 1 })]), keeper.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 })]),
    ])
    expect(results.map(r => r.status)).toEqual(['rejected', 'fulfilled'])
    expect(keeper.snapshot().house.animals[dam.id]!.weights).toHaveLength(1)
  })

  it('an id sent twice in one batch is written once', async () => {
    const dam = await add('C-1')
    const shed = entry('shed', { type: 'animal', id: dam.id })
    expect(await keeper.write([shed, shed])).toEqual({ written: [shed.id], known: [shed.id] })
  })

  it('computes the season once per version', async () => {
    const dam = await add('C-1')
    const first = keeper.season()
    expect(keeper.season()).toBe(first)
    expect(keeper.plans()).toBe(keeper.plans())
    await keeper.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 })])
    expect(keeper.season()).not.toBe(first)
    expect(keeper.season().version).toBeGreaterThan(first.version)
  })

  it('the calendar day follows the time zone of the house', async () => {
    await keeper.changeSettings({ ...keeper.snapshot().settings, timeZone: 'Pacific/Auckland' })
    const dam = await add('C-1')
    // 12:30 UTC on the 24th is already the 25th in Auckland
    const weighed = entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 }, '2026-11-24T12:30:00Z')
    await keeper.write([weighed])
    const { house, today } = keeper.snapshot()
    expect(house.animals[dam.id]!.weights[0]!.day).toBe(today)
    expect((await problem(keeper.write([entry('weighed', { type: 'animal', id: dam.id }, { massG: 400 }, '2026-11-25T12:30:00Z')]))).errors![0]!.message).toMatch(/future/)
  })

  it('refuses a number of the almanac that the season cannot be computed with, and keeps the old one', async () => {
    const refused = await problem(keeper.setOverride({ path: 'feeders.fly.large.supply.keepDays.value', value: 0 }))
    expect(refused).toMatchObject({ status: 422, errors: [{ path: 'value' }] })
    expect(keeper.snapshot().overrides).toEqual([])
  })

  it('places cannot be lost in a circle, and unknown ones are 404', async () => {
    const room = await keeper.addPlace({ name: 'Room', kind: 'room', parentId: null, order: 1, tempC: null, capacity: null })
    const rack = await keeper.addPlace({ name: 'Rack', kind: 'rack', parentId: room.id, order: 1, tempC: null, capacity: null })
    expect((await problem(keeper.changePlace(room.id, { name: 'Room', kind: 'room', parentId: rack.id, order: 1, tempC: null, capacity: null }))).status).toBe(422)
    expect((await problem(keeper.changePlace('nowhere', { name: 'X', kind: 'room', parentId: null, order: 1, tempC: null, capacity: null }))).status).toBe(404)
    expect((await problem(keeper.tagYoung('nothing', { count: 1, prefix: 'X', placeId: null }))).status).toBe(404)
  })
})
