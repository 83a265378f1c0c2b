import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, shipped, shippedAlmanac, withOwn, type Almanac } from '../almanac'
import { mean } from '../chance'
import { planJobs, season, tellStart } from '../season'
import { defaultSettings } from '../settings'
import { foldHouse } from '../subjects'
import { planHere } from '../../tests/fixtures/planHere'
import { plannedSupply, timeToProducing } from './yields'
import { cultureWay, packWay, wayPath, withWay } from './ways'

const today = 20_782
const flies = feederOf(shippedAlmanac, 'fly.large')
const roaches = feederOf(shippedAlmanac, 'roach.nymph')

/** The almanac of a house that gets a feeder in its first other way. */
function getting(id: string): Almanac {
  const parts = withWay(feederOf(shippedAlmanac, id), 0)
  const own = { id, added: false, from: null, name: null, one: null, many: null, parts, retired: false }
  return withOwn(shipped, { species: [], feeders: [own], numbers: [] }).almanac
}

describe('ways in which a feeder comes', () => {
  it('one is in force; taking another keeps them all, and taking it back is as before', () => {
    const other = { ...flies, ...withWay(flies, 0) }
    expect(plannedSupply(other)).toMatchObject({ kind: 'batch', boughtProducing: true })
    expect(other.otherWays).toEqual([flies.supply, ...flies.otherWays!.slice(1)])
    expect({ ...other, ...withWay(other, 0) }).toEqual(flies)
    expect(withWay(flies, 7)).toEqual({ supply: flies.supply, otherWays: flies.otherWays })
  })

  it('a culture and an order are each told by a way of their own sort, wherever it stands', () => {
    expect(cultureWay(roaches)!.kind).toBe('colony')
    expect(wayPath(roaches, packWay(roaches)!)).toBe('feeders.roach.nymph.otherWays.0')
    expect(wayPath(roaches, roaches.supply)).toBe('feeders.roach.nymph.supply')
    expect(packWay(feederOf(shippedAlmanac, 'beanBeetle'))).toBeNull()
    expect(cultureWay(feederOf(shippedAlmanac, 'locust.small'))).toBeNull()
  })

  it('a culture yields as it came: own cups as own ones, ordered cups as ordered ones, whichever is in force', () => {
    for (const feeder of [flies, { ...flies, ...withWay(flies, 0) }]) {
      expect(cultureWay(feeder, {})).toEqual(flies.supply)
      expect(cultureWay(feeder, { bought: true })).toMatchObject({ boughtProducing: true })
    }
    // one that was ordered of a feeder that is no longer had so
    expect(cultureWay({ ...flies, otherWays: [] }, { bought: true })).toEqual(flies.supply)
  })

  it('a cup that is bought about to yield comes when it is delivered, however cold the shelf', () => {
    const bought = plannedSupply({ ...flies, ...withWay(flies, 0) })!
    const at = (tempC: number | null) => mean(timeToProducing(bought, tempC))!
    expect(at(16)).toBe(at(null))
    // an own one takes days of warmth
    const own = (tempC: number) => mean(timeToProducing(plannedSupply(flies)!, tempC))!
    expect(own(16)).toBeGreaterThan(2 * own(24))
  })

  it('what runs goes on as it was started when the house gets it otherwise; the plan goes by the way in force', async () => {
    const b = new HouseBuilder(today)
    for (const n of [1, 2, 3]) {
      b.culture(`r${n}`, 'roach.nymph', -200)
      b.write('producing', { type: 'culture', id: `r${n}` }, -20, {})
    }
    for (let n = 0; n < 240; n++) b.animal(`A${n}`, 'whites-tree-frog', { sex: 'female', bornDay: today - 900 })
    const looks = async (almanac: Almanac) => {
      const made = season(b.records(), almanac, defaultSettings, today)
      const look = made.season.prey.find(p => p.prey === 'roach.nymph')!
      const house = foldHouse(b.records())
      const jobs = planJobs(made.season.prey, made.scenarios, house, almanac, defaultSettings, today)
      const solve = await planHere()
      const plans = (await Promise.all(jobs.map(solve))).flat()
      return { look, plan: plans.find(p => p.prey === 'roach.nymph')! }
    }
    const before = await looks(shippedAlmanac)
    const almanac = getting('roach.nymph')
    const after = await looks(almanac)
    expect(before.look.running[0]).toBeGreaterThan(0)
    expect(after.look.running).toEqual(before.look.running)
    expect([before.plan.kind, after.plan.kind, after.plan.verb]).toEqual(['colony', 'bought', 'Order'])
    // 240 frogs take more than three tubs give for good
    expect(tellStart(after.plan, feederOf(almanac, 'roach.nymph'), today)).toMatch(
      /^Order \d+ tubs? of 50 roach nymphs/,
    )
  })
})
