import type { Knex } from 'knex'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { defaultSettings } from '#core/season'
import { planHere } from '../../tests/fixtures/planHere'
import { setMantelToday } from '../../tests/fixtures/today'
import { openDatabase } from '../db/open'
import { insertAnimals } from '../db/repositories/cards'
import { insertEntries } from '../db/repositories/entries'
import { writeOverride, writeSettings } from '../db/repositories/ways'
import { HouseKeeper } from './houseKeeper'
import { readHouse } from './readHouse'

let db: Knex
beforeEach(async () => {
  setMantelToday('2026-11-25')
  db = await openDatabase(':memory:')
})
afterEach(async () => {
  await db.destroy()
})

const card = (id: string, speciesId = 'corn-snake') => ({
  id,
  tag: id,
  name: null,
  speciesId,
  sex: 'unknown' as const,
  bornDay: 20_000,
  placeId: null,
  damId: null,
  sireId: null,
  clutchId: null,
  foundedBy: null,
})

describe('rows that cannot be read are set aside and told; the rest stands', () => {
  it('settings one by one: a broken row leaves name and time zone as they are', async () => {
    await writeSettings(db, { ...defaultSettings, houseName: 'North shed', timeZone: 'Europe/Berlin' }, 3)
    await db('settings').where({ key: 'schools' }).update({ value: '{"warmUp": ' })
    await db('settings')
      .where({ key: 'warmUpDay' })
      .update({ value: String(Math.round(Date.UTC(2926, 2, 1) / 86_400_000)) })
    const { settings, settingsVersion, notices } = await readHouse(db)
    expect(settings).toEqual({ ...defaultSettings, houseName: 'North shed', timeZone: 'Europe/Berlin' })
    expect([settingsVersion, notices.map(n => n.id).sort()]).toEqual([3, ['setting:schools', 'setting:warmUpDay']])
  })

  it('own numbers one by one', async () => {
    await writeOverride(db, { path: 'species.corn-snake.fertility.value', value: 0.5 })
    await writeOverride(db, { path: 'species.gone.fertility.value', value: 0.5 })
    await writeOverride(db, { path: 'species.corn-snake.clutchSize.earliest', value: 900 })
    const { overrides, almanac, notices } = await readHouse(db)
    expect(overrides.map(o => o.path)).toEqual(['species.corn-snake.fertility.value'])
    expect(almanac.species['corn-snake']!.fertility.value).toBe(0.5)
    expect(notices.map(n => n.text).join()).toMatch(
      /“species.corn-snake.clutchSize.earliest” is set aside: Earliest, likely.*“species.gone.fertility.value” is set aside/,
    )
  })

  it('entries and cards', async () => {
    await insertAnimals(db, [card('K-1'), card('X-1', 'unicorn')])
    const entry = (id: string, massG: number) => ({
      id,
      at: '2026-11-20T08:00:00.000Z',
      day: 20_777,
      subject: { type: 'animal' as const, id: 'K-1' },
      kind: 'weighed',
      data: { massG },
      source: 'keeper' as const,
    })
    await insertEntries(db, [entry('1', 400), entry('2', 401), entry('3', 402)])
    await db('entries').where({ id: '2' }).update({ data: '{"massG": 4' })
    await db('entries').where({ id: '3' }).update({ at: 'a Friday' })
    const { records, notices } = await readHouse(db)
    expect(notices[0]!.ids).toEqual(['2', '3'])
    expect([...records.entries.values()].flat().map(e => e.id)).toEqual(['1'])
    expect(records.animals.map(a => a.id)).toEqual(['K-1'])
    expect(notices.map(n => n.text)).toEqual([
      expect.stringMatching(/^2 entries of the logbook cannot be read and are left out$/),
      expect.stringMatching(/^X-1 is of a species that this almanac does not have/),
    ])
    // and the keeper is told beside the alarms, while the house works
    const keeper = await HouseKeeper.open(db, await planHere())
    const { season } = await keeper.season()
    expect(season.alarms.filter(a => a.broken).map(a => a.id)).toEqual(['notice:entries', 'notice:animal:X-1'])
    expect(season.tasks.map(t => t.tag)).toContain('K-1')
    expect((await keeper.plans()).alarms).toEqual([])
  })
})
