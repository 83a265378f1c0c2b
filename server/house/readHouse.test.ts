import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { animalAdded, foldHouse, recordsFrom } from '#core/subjects'
import { planHere } from '../../tests/fixtures/planHere'
import { setMantelToday } from '../../tests/fixtures/today'
import { openDatabase } from '../db/open'
import { insertEntries } from '../db/repositories/entries'
import { HouseKeeper } from './houseKeeper'
import { readHouse, soundAlmanac } from './readHouse'

let db: Knex
beforeEach(async () => {
  setMantelToday('2026-11-25')
  db = await openDatabase(':memory:')
})
afterEach(async () => {
  await db.destroy()
})

const arrival = { at: '2026-01-01T08:00:00.000Z', day: 20_454, source: 'keeper' as const }
const added = (id: string, speciesId = 'corn-snake') =>
  animalAdded(
    {
      id,
      tag: id,
      name: null,
      speciesId,
      sex: 'unknown',
      bornDay: 20_000,
      placeId: null,
      damId: null,
      sireId: null,
      clutchId: null,
      foundedBy: null,
    },
    arrival,
  )

describe('rows that cannot be read are set aside and told; the rest stands', () => {
  it('own numbers one by one', () => {
    const own = [
      { path: 'species.corn-snake.fertility.value', value: 0.5 },
      { path: 'species.corn-snake.clutchSize.earliest', value: 900 },
      { path: 'species.gone.fertility.value', value: 0.5 },
    ]
    const numbers = Object.fromEntries(own.map(o => [o.path, o]))
    const { overrides, almanac, refused } = soundAlmanac({ ...foldHouse(recordsFrom([])), numbers })
    expect(overrides.map(o => o.path)).toEqual(['species.corn-snake.fertility.value'])
    expect(almanac.species['corn-snake']!.fertility.value).toBe(0.5)
    expect(refused.map(n => n.text).join()).toMatch(
      /“species.corn-snake.clutchSize.earliest” is set aside: Corn snake: Earliest, likely.*“species.gone.fertility.value” is set aside/,
    )
  })

  it('entries, and animals of a species that the almanac does not have', async () => {
    const entry = (id: string, massG: number) => ({
      id,
      at: '2026-11-20T08:00:00.000Z',
      day: 20_777,
      subject: { type: 'animal' as const, id: 'K-1' },
      kind: 'weighed',
      data: { massG },
      source: 'keeper' as const,
    })
    await insertEntries(db, [added('K-1'), added('X-1', 'unicorn'), entry('1', 400), entry('2', 401), entry('3', 402)])
    await db('entries').where({ id: '2' }).update({ data: '{"massG": 4' })
    await db('entries').where({ id: '3' }).update({ at: 'a Friday' })
    const { records, notices } = await readHouse(db)
    expect(notices.map(n => [n.ids, n.text])).toEqual([
      [['2', '3'], expect.stringMatching(/^2 entries of the logbook cannot be read and are left out$/)],
    ])
    expect([...records.entries.values()].flat().map(e => e.id)).toEqual(['K-1', '1', 'X-1'])
    // and the keeper is told beside the alarms, while the house works
    const keeper = await HouseKeeper.open(db, await planHere())
    expect(Object.keys(keeper.house.animals)).toEqual(['K-1'])
    const { season } = await keeper.queries.season()
    expect(season.alarms.filter(a => a.broken).map(a => a.text)).toEqual([
      '2 entries of the logbook cannot be read and are left out',
      'X-1 is of a species that this almanac does not have (“unicorn”), and is left out',
    ])
    expect(season.tasks.map(t => t.tag)).toContain('K-1')
    expect((await keeper.queries.plans()).alarms).toEqual([])
  })

  it('what a newer program wrote is kept, told once, and stops nothing', async () => {
    const of = (id: string, kind: string, more: object) => ({ ...added(id), id, kind, ...more })
    await insertEntries(db, [
      added('K-1'),
      of('n1', 'dreamed', { subject: { type: 'animal', id: 'K-1' } }),
      of('n2', 'weighed', { subject: { type: 'animal', id: 'K-1' }, v: 9, data: { mass: '1 kg' } }),
      of('n3', 'candled', { subject: { type: 'egg', id: 'n3' } }),
    ])
    const keeper = await HouseKeeper.open(db, await planHere())
    const { season } = await keeper.queries.season()
    expect(season.alarms.map(a => a.text)).toContain(
      '3 entries were written by a newer Mantel; kept, and left out here',
    )
    expect(season.alarms.filter(a => a.broken)).toEqual([])
    expect(keeper.house.animals['K-1']!.weights).toEqual([])
    expect(await db('entries').count({ n: '*' })).toEqual([{ n: 4 }])
    await keeper.writer.write([
      {
        id: '018f0000-0000-7000-8000-00000000cccc',
        at: '2026-11-25T08:00:00Z',
        subject: { type: 'animal', id: 'K-1' },
        kind: 'weighed',
        data: { massG: 300 },
        source: 'keeper',
      },
    ])
    expect(keeper.house.animals['K-1']!.weights.map(w => w.massG)).toEqual([300])
  })
})
