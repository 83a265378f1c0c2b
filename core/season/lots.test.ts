import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { feederOf, feederProblem, shippedAlmanac as almanac, type Almanac, type Feeder } from '../almanac'
import { checkEntry, foldHouse } from '../subjects'
import { fedFirst, keptBetween, lifeOf, packWay, useByDays } from '../supply'
import { dayToIso } from '../units'
import { defaultSettings, lotsAhead, season, surplusOf, type PreyOutlook } from '.'

const today = 20_000
const HALF = { type: 'prey' as const, id: 'cricket.half' }
/** One gecko that eats half-inch crickets. */
const house = () => new HouseBuilder(today).animal('G-1', 'leopard-gecko')
const seasonOf = (b: HouseBuilder) => season(b.records(), almanac, defaultSettings, today).season
const lookOf = (b: HouseBuilder, prey = HALF.id) => seasonOf(b).prey.find(p => p.prey === prey)!
const crickets = packWay(feederOf(almanac, HALF.id))!
const life = lifeOf(crickets, almanac.common, undefined, null)

describe('lots of what is bought', () => {
  it('are told with the day by which they are used; half are usable after the days they keep', () => {
    const b = house()
    const came = b.write('preyReceived', HALF, -4, { count: 100 })
    const { lots, stock } = lookOf(b)
    expect(lots).toHaveLength(1)
    expect(lots[0]).toMatchObject({ entryId: came, day: today - 4, useBy: today - 4 + Math.floor(useByDays(life)) })
    expect(stock).toBeCloseTo(100 * keptBetween(life, 0, 4), 9)
    // ten days: half, whatever the shape
    const old = house()
    old.write('preyReceived', HALF, -crickets.keepDays.value, { count: 100 })
    expect(lookOf(old).stock).toBeCloseTo(50, 9)
  })

  it('a meal comes off the oldest one', () => {
    const b = house()
    b.write('preyReceived', HALF, -5, { count: 100 })
    b.write('preyReceived', HALF, -1, { count: 100 })
    b.write('fed', { type: 'animal', id: 'G-1' }, 0, { prey: HALF.id, offered: 6, taken: 6 })
    const [old, young] = lookOf(b).lots
    expect(old!.pieces).toBeCloseTo(100 * keptBetween(life, 0, 5) - 6, 9)
    expect(young!.pieces).toBeCloseTo(100 * keptBetween(life, 0, 1), 9)
  })

  it('are looked through once past their day, and not again after a count or when the dead are out', () => {
    const past = () => {
      const b = house()
      b.write('preyReceived', HALF, -9, { count: 100 })
      return b
    }
    const task = (b: HouseBuilder) => seasonOf(b).tasks.find(t => t.id === 'lot:cricket.half')
    const gone = Math.round(100 * (1 - keptBetween(life, 0, 9)))
    const shown = task(past())!
    expect(shown.detail).toContain(`about ${gone} of 100`)
    expect(shown.actions.map(a => [a.kind, a.ask?.likely])).toEqual([
      ['preyDiscarded', gone],
      ['preyCounted', 100 - gone],
    ])
    const out = past()
    out.write('preyDiscarded', HALF, 0, { count: gone })
    expect(task(out)).toBeUndefined()
    const counted = past()
    counted.write('preyCounted', HALF, 0, { count: 70 })
    expect(task(counted)).toBeUndefined()
    // and while it is before its day nothing is asked
    const fresh = house()
    fresh.write('preyReceived', HALF, -6, { count: 100 })
    expect(task(fresh)).toBeUndefined()
  })

  it('keep the shorter the warmer they stand, and the Almanac’s days where that is not said', () => {
    const at = (tempC: number | null) => {
      const b = house().place('stand', { name: 'Cricket stand', tempC })
      b.write('preyReceived', HALF, -4, { count: 100 })
      b.write('preyKept', HALF, -4, { placeId: 'stand' })
      return lookOf(b)
    }
    const plain = house()
    plain.write('preyReceived', HALF, -4, { count: 100 })
    expect(at(null).lots).toEqual(at(almanac.common.keepTemp!.value).lots)
    expect(at(null).stock).toBe(lookOf(plain).stock)
    // 10 °C warmer every day counts as so many
    const warm = lifeOf(crickets, almanac.common, undefined, almanac.common.keepTemp!.value + 10)
    expect(warm.halfDays).toBeCloseTo(crickets.keepDays.value / almanac.common.keepPace!.value, 12)
    expect(at(almanac.common.keepTemp!.value + 10).stock).toBeCloseTo(100 * keptBetween(warm, 0, 4), 9)
    expect(at(16).lots[0]!.useBy).toBeGreaterThan(at(22).lots[0]!.useBy)
    expect(at(28).lots[0]!.useBy).toBeLessThan(at(22).lots[0]!.useBy)
    const inputs = at(28).reasons.flatMap(r => r.inputs.map(i => `${i.label}: ${i.value}`))
    expect(inputs).toEqual(expect.arrayContaining(['Kept in: Cricket stand', 'There: 28 °C', 'Its days go: 1.65 ×']))
  })

  it('are said to be kept nowhere again only where a place was said', () => {
    const b = house().place('stand', { name: 'Cricket stand', tempC: 28 })
    b.write('preyReceived', HALF, -4, { count: 100 })
    b.write('preyKept', HALF, -3, { placeId: 'stand' })
    b.write('preyKept', HALF, -2, {})
    expect(lookOf(b).tempC).toBeUndefined()
    expect(foldHouse(b.records()).stocks[HALF.id]).not.toHaveProperty('placeId')
  })

  it('a box of mice keeps to the date that stands on it', () => {
    const b = new HouseBuilder(today).animal('K-1', 'california-kingsnake')
    b.write('preyReceived', { type: 'prey', id: 'mouse.adult' }, -3, { count: 25, useBy: '2024-11-01' })
    expect(lookOf(b, 'mouse.adult').lots[0]!.useBy).toBe(Date.UTC(2024, 10, 1) / 86_400_000)
  })

  it('crickets are fed first: an order counts a day after it comes, and the delivery says so', () => {
    expect(fedFirst(crickets)).toBe(1)
    const b = house()
    b.write('preyOrdered', HALF, 0, { count: 100 })
    const { running, arriving } = lookOf(b)
    const lead = crickets.leadDays.value
    expect(arriving[0]!.comes.start).toBe(today + lead)
    expect(running.findIndex(n => n > 0)).toBe(lead + 1)
    const comes = house()
    comes.write('preyOrdered', HALF, -lead, { count: 100 })
    expect(seasonOf(comes).tasks.find(t => t.id === 'delivery:cricket.half')!.detail).toMatch(/good food first/)
  })

  it('what nobody eats by the day of use is over: the first to end is eaten first', () => {
    const lot = (pieces: number, useBy: number) => ({
      entryId: `${useBy}`,
      day: today,
      pieces,
      gone: 0,
      grown: 0,
      useBy: today + useBy,
    })
    const look: Pick<PreyOutlook, 'lots' | 'mean'> = {
      mean: new Array<number>(30).fill(5),
      lots: [lot(20, 1), lot(20, 5), lot(200, 9), lot(50, 40)],
    }
    // by day 1 ten are eaten of the first; by day 5 thirty in all, twenty of the second; by day 9 fifty
    expect(lotsAhead(look, today).map(l => l.over)).toEqual([10, 0, 180, 0])
    expect(lotsAhead({ mean: [], lots: [] }, today)).toEqual([])
  })

  it('is told with who else could use it, and its working; a few pieces over are not', () => {
    const { many, standIns } = feederOf(almanac, 'cricket.quarter')
    const mean = new Array<number>(30).fill(5)
    const lots = [{ entryId: 'e', day: today - 2, pieces: 80, gone: 0, grown: 0, useBy: today + 5 }]
    const surplus = surplusOf({ prey: standIns![0]!.prey, lots, mean }, almanac, today)!
    // six days of five
    expect(surplus.value).toMatchObject({ pieces: 50, until: today + 5 })
    expect(surplus.value.mayStandFor).toContain(many)
    expect(surplus.reasons[0]!.inputs.map(i => i.value)).toEqual([expect.stringMatching(/^80 usable/), '30'])
    expect(surplusOf({ prey: 'no such prey', lots, mean }, almanac, today)!.value.mayStandFor).toEqual([])
    expect(surplusOf({ prey: HALF.id, lots: [{ ...lots[0]!, pieces: 34 }], mean }, almanac, today)).toBe(null)
    // of a day that is past nothing is expected any more: the lot is to be looked through
    const past = { ...lots[0]!, useBy: today - 1 }
    expect(surplusOf({ prey: HALF.id, lots: [past], mean }, almanac, today)).toBe(null)
    expect(surplusOf({ prey: HALF.id, lots: [past, lots[0]!], mean }, almanac, today)!.value.until).toBe(today + 5)
  })
})

describe('a delivery that cannot well be', () => {
  const problem = (data: object, source: 'keeper' | 'import' = 'keeper') => {
    const records = house().records()
    const entry = {
      ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, subject: HALF, source },
      kind: 'preyReceived',
      data: { count: 1, ...data },
    }
    return checkEntry(entry, { records, house: foldHouse(records), almanac, today })[0]
  }
  it('of two thousand tubs is asked about, and believed when one is sure or it comes from elsewhere', () => {
    expect(problem({ count: 500_000 })?.message).toBe(
      '500000 half-inch crickets are 2000 times a tub of 250. Write it all the same?',
    )
    expect(problem({ count: 500_000, sure: true })).toBeUndefined()
    expect(problem({ count: 500_000 }, 'import')).toBeUndefined()
    expect(problem({ count: 2_000 })).toBeUndefined()
    expect(problem({ count: 2_000_000 })?.message).toMatch(/over a million/)
  })

  it('that was over before it came is refused', () => {
    expect(problem({ useBy: dayToIso(today - 1) })).toEqual({
      path: 'data.useBy',
      message: 'It was over before it came',
    })
    expect(problem({ useBy: dayToIso(today) })).toBeUndefined()
  })

  it('of none is no lot', () => {
    const b = house()
    b.write('preyReceived', HALF, 0, { count: 0 })
    b.write('preyReceived', HALF, 0, { count: 30 })
    expect(lookOf(b).lots.map(l => l.pieces)).toEqual([30])
  })
})

describe('a stock of which nothing is written', () => {
  it('stays what its lots keep, day by day: what is said today of a later day is what is said then', () => {
    const b = house()
    b.write('preyReceived', HALF, 0, { count: 200 })
    const log = b.records()
    for (const after of [1, 4, 8, 12]) {
      const then = season(log, almanac, defaultSettings, today + after).season.prey.find(p => p.prey === HALF.id)!
      expect(then.stock).toBeCloseTo(200 * keptBetween(life, 0, after), 6)
      expect(then.lots[0]!.pieces + then.lots[0]!.gone).toBeCloseTo(200, 6)
    }
  })
})

describe('what grows into the next size', () => {
  const QUARTER = { type: 'prey' as const, id: 'cricket.quarter' }
  // kept well by this house, so that they live to grow
  const kept = {
    ...almanac,
    feeders: {
      ...almanac.feeders,
      [QUARTER.id]: withKeep(feederOf(almanac, QUARTER.id), 40),
    },
  }
  function withKeep(feeder: Feeder, days: number): Feeder {
    const supply = packWay(feeder)!
    return { ...feeder, supply: { ...supply, keepDays: { ...supply.keepDays, value: days } } }
  }
  const days = kept.feeders[QUARTER.id]!.grows!.days.value
  const at = (b: HouseBuilder, later = 0) => season(b.records(), kept, defaultSettings, today + later).season
  const task = (b: HouseBuilder, later = 0) => at(b, later).tasks.find(t => t.id === `grown:${QUARTER.id}`)
  const came = () => {
    const b = house()
    b.write('preyReceived', QUARTER, 0, { count: 100 })
    return b
  }

  it('is of its size until the Almanac says, and stands in the Round on that day, not before', () => {
    const stock = (later: number) => at(came(), later).prey.find(p => p.prey === QUARTER.id)!.stock
    expect(stock(days - 1)).toBeGreaterThan(90)
    expect(task(came(), days - 1)).toBeUndefined()
    expect(stock(days)).toBe(0)
    const told = task(came(), days)!
    expect(told).toMatchObject({ due: today + days, subject: QUARTER })
    expect(told.what).toMatch(/half-inch crickets by now/)
    // much later most are dead: they are looked at once, and what is dead is thrown out by the same line
    const late = at(came(), 45).tasks.filter(t => t.subject.id === QUARTER.id)
    expect(late.map(t => t.id)).toEqual([`grown:${QUARTER.id}`])
    expect(late[0]!.actions.map(a => a.label)).toEqual(['Count as half-inch crickets', 'Thrown out', 'Count'])
    const { likely } = late[0]!.actions[1]!.ask!
    expect(likely! + late[0]!.actions[0]!.ask!.likely!).toBe(100)
  })

  it('is counted as the larger by one press: off the one, on the other, and nothing is left to be asked', () => {
    const b = new HouseBuilder(today + days).animal('G-1', 'leopard-gecko')
    b.write('preyReceived', QUARTER, -days, { count: 100 })
    const [as] = task(b, days)!.actions
    const number = { [as!.ask!.field]: 80 }
    b.write(as!.kind, QUARTER, 0, { ...as!.data, ...number })
    for (const { kind, subject, data } of as!.with!) b.write(kind, subject, 0, { ...data, ...number })
    const { prey, tasks } = at(b, days)
    expect(prey.find(p => p.prey === HALF.id)!.lots.map(l => [l.day, Math.round(l.pieces)])).toEqual([
      [today + days, 80],
    ])
    // of 100 some twenty: what is not counted is asked about still, as long as it is to be expected alive
    const rest = tasks.find(t => t.id === `grown:${QUARTER.id}`)?.actions[0]!.ask!.likely ?? 0
    expect(rest).toBeLessThanOrEqual(20)
    b.write('preyCounted', QUARTER, 0, { count: 0 })
    expect(task(b, days)).toBeUndefined()
  })

  it('takes no order away, and only what grows into it is taken', () => {
    const b = came()
    b.write('preyOrdered', HALF, 0, { count: 250 })
    b.write('preyGrown', HALF, 0, { count: 5, from: QUARTER.id })
    const records = b.records()
    const standing = foldHouse(records)
    expect(standing.stocks[HALF.id]!.onOrder).toHaveLength(1)
    const problem = (from: string) =>
      checkEntry(
        {
          ...{ id: 'n', at: new Date(today * 86_400_000).toISOString(), day: today, subject: HALF },
          ...{ source: 'keeper' as const, kind: 'preyGrown', data: { count: 1, from } },
        },
        { records, house: standing, almanac, today },
      )[0]
    expect(problem(QUARTER.id)).toBeUndefined()
    expect(problem('cricket.adult')).toEqual({
      path: 'data.from',
      message: 'By the Almanac, adult crickets do not grow into half-inch crickets',
    })
    expect(problem('no such feeder')).toBeDefined()
  })

  it('the plan orders for those who eat it when what lies there will have grown', () => {
    const plain = {
      ...kept,
      feeders: { ...kept.feeders, [QUARTER.id]: { ...kept.feeders[QUARTER.id]!, grows: undefined } },
    }
    const look = (of: Almanac) => {
      const { season: s } = season(came().records(), of, defaultSettings, today)
      return s.prey.find(p => p.prey === QUARTER.id)!.lots[0]!.useBy
    }
    expect(look(kept)).toBe(today + days - 1)
    expect(look(plain)).toBeGreaterThan(today + days)
  })
})

describe('a size that a feeder grows into', () => {
  const sizeProblem = (id: string, into: string) => {
    const feeder = { ...feederOf(almanac, id), grows: { into, days: { value: 3, unit: 'days', mark: 'own' as const } } }
    return feederProblem(feeder, almanac)
  }
  it('is there, and is none that it was before', () => {
    expect(sizeProblem('cricket.half', 'cricket.adult')).toBe(null)
    expect(sizeProblem('cricket.half', 'no such feeder')).toEqual({
      path: 'grows.into',
      message: 'The almanac has no feeder “no such feeder”',
    })
    expect(sizeProblem('cricket.half', 'cricket.half')).toMatchObject({ path: 'grows.into' })
    expect(sizeProblem('cricket.adult', 'cricket.pinhead')).toMatchObject({
      message: 'A feeder does not grow into what it was',
    })
  })

  it('of every shipped feeder is heavier, and of those that are bought', () => {
    const growing = Object.values(almanac.feeders).filter(f => f.grows)
    expect(growing.length).toBeGreaterThanOrEqual(10)
    for (const f of growing) {
      expect(feederProblem(f, almanac), f.id).toBe(null)
      expect(feederOf(almanac, f.grows!.into).massG.likely, f.id).toBeGreaterThan(f.massG.likely)
      expect(f.supply.kind, f.id).toBe('bought')
    }
  })
})
