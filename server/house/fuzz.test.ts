import type { Knex } from 'knex'
import { v7 } from 'uuid'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { shippedAlmanac } from '#core/almanac'
import { Entry, PLACE_KINDS, entryKinds, foldHouse, recordsFrom } from '#core/subjects'
import { seasonOfHouse } from '#core/season'
import { SetOverride, SetSettings } from '#shared/contracts/house'
import { Fuzz, numbersOfAlmanac, randomFrom } from '../../tests/fixtures/fuzz'
import { planHere } from '../../tests/fixtures/planHere'
import { setMantelToday } from '../../tests/fixtures/today'
import { openDatabase } from '../db/open'
import { ProblemError } from '../utils/problem'
import { HouseKeeper, type PlanSolver } from './houseKeeper'

const TODAY = 20_782
const WRITES = 260

let db: Knex
let solve: PlanSolver
beforeEach(async () => {
  setMantelToday('2026-11-25')
  db = await openDatabase(':memory:')
  solve = await planHere()
})
afterEach(async () => {
  await db.destroy()
})

async function filled(): Promise<HouseKeeper> {
  const keeper = await HouseKeeper.open(db, solve)
  for (const [i, kind] of PLACE_KINDS.entries())
    await keeper.requests.addPlace({
      name: `P${i}`,
      kind,
      parentId: null,
      order: i,
      tempC: [null, 24, 28, 12][i % 4]!,
      capacity: null,
    })
  const places = Object.keys(keeper.queries.snapshot().house.places)
  const species = Object.keys(shippedAlmanac.species)
  for (const [i, speciesId] of [...species, ...species].entries())
    await keeper.requests.addAnimal({
      tag: `A-${i}`,
      name: null,
      speciesId,
      sex: i < species.length ? 'female' : 'male',
      born: `202${i % 4}-05-01`,
      placeId: places[i % places.length]!,
    })
  return keeper
}

/**
 * One try of anything that can be written; tells whether it was accepted. Anything but a problem for the keeper is
 * thrown on.
 */
async function tryOne(keeper: HouseKeeper, fuzz: Fuzz, known: string[]): Promise<boolean> {
  const { house, settings, settingsVersion } = keeper.queries.snapshot()
  const sort = fuzz.random()
  // as JSON, as it comes over the wire
  const wire = (x: unknown): unknown => JSON.parse(JSON.stringify(x))
  try {
    if (sort < 0.92) {
      const entry = Entry.safeParse(wire(fuzz.entry(house, known)))
      if (!entry.success) return false
      await keeper.writer.write([entry.data])
      known.push(entry.data.id)
      return true
    }
    if (sort < 0.97) {
      const changed = SetSettings.safeParse(
        wire({ ...(fuzz.settings(house, settings) as object), version: settingsVersion }),
      )
      if (changed.success) await keeper.requests.changeSettings(changed.data)
      return changed.success
    }
    const own = SetOverride.safeParse(wire(fuzz.override()))
    if (own.success) await keeper.requests.setOverride(own.data)
    return own.success
  } catch (error) {
    if (error instanceof ProblemError && error.problem.status < 500) return false
    throw error
  }
}

describe('nothing that is accepted breaks the house', () => {
  it.each([1, 2])(
    'entries of every kind, settings and own numbers (seed %s)',
    async seed => {
      const keeper = await filled()
      const fuzz = new Fuzz(randomFrom(seed), TODAY, v7)
      const known: string[] = []
      let accepted = 0
      for (let n = 0; n < WRITES; n++) {
        if (!(await tryOne(keeper, fuzz, known))) continue
        accepted++
        if (accepted % 8) continue
        const { season } = await keeper.queries.season()
        expect(
          season.alarms.filter(a => a.broken),
          `after ${known.at(-1)}`,
        ).toEqual([])
        // what was written one by one is the house of the whole log
        expect(keeper.session.house).toEqual(foldHouse(keeper.session.records))
      }
      expect(accepted).toBeGreaterThan(WRITES / 5)
      // the whole log read anew in another time zone
      const { settings, settingsVersion: version } = keeper.queries.snapshot()
      const zone = settings.timeZone === 'America/Denver' ? 'UTC' : 'America/Denver'
      await keeper.requests.changeSettings({ ...settings, timeZone: zone, version, sure: true })
      expect((await keeper.queries.season()).season.alarms.filter(a => a.broken)).toEqual([])
      expect((await keeper.queries.plans()).alarms).toEqual([])
      // what is remembered from one to the next is what is worked out anew
      const context = keeper.session.context()
      const fresh = seasonOfHouse(context.house, context.almanac, context.settings, context.today).season
      const { season } = await keeper.queries.season()
      for (const part of ['lanes', 'mouths', 'prey', 'winter', 'breeding', 'tasks'] as const)
        expect(season[part], part).toEqual(fresh[part])
      // and the next start finds the same house
      const again = await HouseKeeper.open(db, solve)
      expect(again.queries.snapshot().house).toEqual(keeper.queries.snapshot().house)
      // sums may differ in their last digits, since rows come back in another order
      const told = (x: unknown) =>
        JSON.stringify(x, (_, v: unknown) => (typeof v === 'number' ? Number(v.toPrecision(9)) : v))
      expect(told((await again.queries.season()).season)).toBe(told((await keeper.queries.season()).season))
    },
    120_000,
  )

  it('the fuzz knows every kind, and numbers of every part of the almanac', () => {
    const fuzz = new Fuzz(randomFrom(3), TODAY, v7)
    const house = foldHouse(recordsFrom([]))
    const unseen = new Set(entryKinds.keys())
    for (let n = 0; n < 6000 && unseen.size; n++) unseen.delete(fuzz.entry(house, []).kind)
    expect([...unseen]).toEqual([])
    expect(new Set(numbersOfAlmanac().map(n => n.path.split('.')[0]))).toEqual(
      new Set(['species', 'feeders', 'schools', 'signs', 'common']),
    )
  })
})
