import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac, speciesOf, withOverrides } from '../../almanac'
import { mean, summarise } from '../../chance'
import { dayFromIso } from '../../units'
import { coolingWindow, defaultSettings, season, type HouseSettings, type Task } from '..'

const today = 20_782
const animal = (id: string) => ({ type: 'animal' as const, id })
const seasonOf = (b: HouseBuilder, settings: HouseSettings = defaultSettings, almanac = shippedAlmanac) =>
  season(b.records(), almanac, settings, b.today).season
const task = (b: HouseBuilder, id: string, almanac = shippedAlmanac): Task | undefined =>
  seasonOf(b, defaultSettings, almanac).tasks.find(t => t.id === id)
const fed = (b: HouseBuilder, id: string, day: number) =>
  b.write('fed', animal(id), day, { prey: 'mouse.adult', offered: 1, taken: 1 })

function king(id = 'K-1', massG = 500): HouseBuilder {
  const b = new HouseBuilder(today)
    .place('chest', { kind: 'cold', tempC: 12, capacity: 10 })
    .animal(id, 'california-kingsnake', { sex: 'female' })
  b.write('weighed', animal(id), -70, { massG })
  return b
}

describe('into the cold, as dated tasks', () => {
  it('the last meal is told; then it fasts, and eats nothing in the plan until it is warm', () => {
    const b = king()
    b.write('weighed', animal('K-1'), -1, { massG: 500 })
    fed(b, 'K-1', -10)
    b.winter('W', 'california-kingsnake', 14, ['K-1'])
    expect(task(b, 'feed:K-1')).toMatchObject({ detail: 'last meal before the cold' })
    const fasting = king()
    fed(fasting, 'K-1', -10)
    fasting.winter('W', 'california-kingsnake', 6, ['K-1'])
    expect(task(fasting, 'feed:K-1')).toBeUndefined()
    const eats = seasonOf(fasting).prey.flatMap(p => p.mean.flatMap((n, d) => (n > 0 ? [d] : [])))
    // cooled in 6 days, 77 days of cold, 3 of warming, first meal 2 days later
    expect(Math.min(...eats)).toBe(6 + 77 + 3 + 2)
  })

  it('weighs before it, cools on the day into its place, and says who must not be cooled', () => {
    const b = king()
    fed(b, 'K-1', -20)
    b.winter('W', 'california-kingsnake', 0, ['K-1'], { placeId: 'chest' })
    expect(task(b, 'startweight:K-1')).toMatchObject({ what: 'Weigh before the cold' })
    expect(task(b, 'cool:K-1')).toMatchObject({
      what: 'Not to be cooled with W',
      actions: [{ kind: 'winterMemberLeft' }],
    })
    // it is asked for two days before, or as the house says
    const days = (startWeightDue: number) =>
      withOverrides(shippedAlmanac, [{ path: 'common.startWeightDue.value', value: startWeightDue }])
    const ahead = king()
    ahead.winter('W', 'california-kingsnake', 4, ['K-1'], { placeId: 'chest' })
    expect(task(ahead, 'startweight:K-1')).toBeUndefined()
    expect(task(ahead, 'startweight:K-1', days(5))).toMatchObject({ due: today - 1 })
    b.write('weighed', animal('K-1'), 0, { massG: 498 })
    expect(task(b, 'startweight:K-1')).toBeUndefined()
    expect(task(b, 'cool:K-1')).toMatchObject({
      what: 'Cool down with W',
      actions: [{ kind: 'cooledDown', data: { placeId: 'chest' } }],
    })
    b.write('cooledDown', animal('K-1'), 0, { placeId: 'chest' })
    expect(task(b, 'cool:K-1')).toBeUndefined()
    expect(seasonOf(b).winter.places[0]).toMatchObject({ placeId: 'chest', animalIds: ['K-1'] })
  })

  it('bathes tortoises while they fast, with the hygiene beside it', () => {
    const b = new HouseBuilder(today).animal('T-1', 'hermanns-tortoise')
    b.winter('W', 'hermanns-tortoise', 10, ['T-1'])
    expect(task(b, 'bath:T-1')).toMatchObject({ actions: [{ kind: 'watered', data: { bath: true } }] })
    expect(task(b, 'bath:T-1')!.caution).toMatch(/salmonella/)
    b.write('watered', animal('T-1'), 0, { bath: true })
    expect(task(b, 'bath:T-1')).toBeUndefined()
  })
})

describe('out of it', () => {
  const asleep = (cooled: number, ways: Record<string, unknown> = {}) => {
    const b = king()
    b.write('cooledDown', animal('K-1'), cooled, { placeId: 'chest' })
    b.write('weighed', animal('K-1'), -1, { massG: 494 })
    b.winter('W', 'california-kingsnake', cooled, ['K-1'], { ways })
    return b
  }

  it('wakes on the planned day, and is separated from those in its tub', () => {
    expect(task(asleep(-60), 'wake:K-1')).toBeUndefined()
    const b = asleep(-60, { holdDays: 60 })
    expect(task(b, 'wake:K-1')).toMatchObject({ what: 'Warm up', due: today })
    const shared = new HouseBuilder(today).place('tub', { kind: 'tub' })
    for (const id of ['C-1', 'C-2']) {
      shared
        .animal(id, 'corn-snake', { sex: 'female', placeId: 'tub' })
        .write('weighed', animal(id), -60, { massG: 500 })
      shared.write('cooledDown', animal(id), -58)
      shared.write('weighed', animal(id), -2, { massG: 495 })
    }
    shared.winter('W', 'corn-snake', -58, ['C-1', 'C-2'], { ways: { holdDays: 58 } })
    expect(task(shared, 'wake:C-1')).toMatchObject({ detail: 'separate from C-2 today' })
  })

  it('warms in steps, then offers a smaller first meal, half of the normal one', () => {
    const b = asleep(-64, { holdDays: 60 })
    b.write('warmedUp', animal('K-1'), -1)
    expect(task(b, 'warm:K-1')!.what).toMatch(/27 °C/)
    expect(task(b, 'feed:K-1')).toBeUndefined()
    // by the house's own numbers of it
    const own = withOverrides(shippedAlmanac, [
      { path: 'schools.warmUp.choices.1.fact.value', value: 5 },
      { path: 'common.warmThenC.value', value: 25 },
    ])
    const slow = asleep(-70, { holdDays: 60 })
    slow.write('warmedUp', animal('K-1'), -4)
    expect(task(slow, 'warm:K-1', own)!.what).toBe('Move to about 25 °C')
    expect(task(slow, 'warm:K-1')!.what).toBe('Move to full warmth, with its basking place')
    const warm = asleep(-70, { holdDays: 60 })
    warm.write('warmedUp', animal('K-1'), -6)
    const first = task(warm, 'feed:K-1')!
    expect(first.detail).toMatch(/first meal after the cold/)
    expect(first.due).toBe(today - 6 + 3 + 2)
    // a tenth of 494 g is a small rat; half of that is an adult mouse (about 25 g)
    expect(first.what).toBe('Feed 1 adult mouse')
    fed(warm, 'K-1', 0)
    expect(seasonOf(warm).winter.recovering[0]!.recovery.mealsTaken).toBe(1)
  })

  it('is ready by what it lost: one meal, or regained and shed; an own school stands over it', () => {
    const readiness = (lostG: number, ways: Record<string, unknown> = {}) => {
      const b = king()
      b.write('cooledDown', animal('K-1'), -68)
      b.write('weighed', animal('K-1'), -9, { massG: 500 - lostG })
      b.winter('W', 'california-kingsnake', -68, ['K-1'], { ways: { holdDays: 60, ...ways } })
      b.write('warmedUp', animal('K-1'), -8)
      fed(b, 'K-1', -3)
      return seasonOf(b).winter.recovering[0]!.readiness
    }
    expect(readiness(5)).toMatchObject({ since: today - 1, waitsFor: [] })
    // a weight of the week after waking still ends the winter, as in its report
    const late = king()
    late.write('cooledDown', animal('K-1'), -68)
    late.winter('W', 'california-kingsnake', -68, ['K-1'], { ways: { holdDays: 60 } })
    late.write('warmedUp', animal('K-1'), -8)
    late.write('weighed', animal('K-1'), -3, { massG: 496 })
    fed(late, 'K-1', -3)
    expect(seasonOf(late).winter.recovering[0]!.readiness!.waitsFor).toEqual([])
    expect(readiness(30).waitsFor).toEqual(['97 % of the starting weight', 'first shed'])
    expect(summarise(readiness(30).dist)!.median).toBeGreaterThan(today + 2)
    expect(readiness(30, { pairAfterCold: 'atOnce' })).toMatchObject({ since: today - 8 + 3 })
  })

  it('the season reads it: a pair whose dam lost more locks and lays later, and the sire counts too', () => {
    const laid = (damG: number, sireG: number) => {
      const b = king()
      b.animal('K-2', 'california-kingsnake', { sex: 'male' }).write('weighed', animal('K-2'), -70, { massG: 500 })
      for (const [id, g] of [
        ['K-1', damG],
        ['K-2', sireG],
      ] as const) {
        b.write('cooledDown', animal(id), -68)
        b.write('weighed', animal(id), -3, { massG: g })
      }
      b.winter('W', 'california-kingsnake', -68, ['K-1', 'K-2'], { ways: { holdDays: 70 } })
      b.pair('K-1', 'K-2', -60)
      const lane = seasonOf(b).lanes[0]!
      expect(lane.events.map(e => e.event).slice(0, 3)).toEqual(['warmUp', 'ready', 'copulation'])
      return mean(lane.events.find(e => e.event === 'laid')!.dist)!
    }
    const early = laid(497, 497)
    expect(laid(470, 497)).toBeGreaterThan(early + 5)
    expect(laid(497, 470)).toBeGreaterThan(early + 5)
  })
})

describe('awkward winters', () => {
  const two = () => {
    const b = new HouseBuilder(today).place('room', { kind: 'room' }).place('tub', { kind: 'tub', parentId: 'room' })
    for (const id of ['K-1', 'K-2']) {
      b.animal(id, 'california-kingsnake', { placeId: 'tub' }).write('weighed', animal(id), -40, { massG: 500 })
      b.write('cooledDown', animal(id), -38)
    }
    b.winter('W', 'california-kingsnake', -38, ['K-1', 'K-2'])
    return b
  }

  it('one that is sold in the cold leaves the shelf and is told as gone in its group', () => {
    const b = two()
    b.write('sold', animal('K-1'), -1)
    const { cold, groups } = seasonOf(b).winter
    expect(cold.map(c => c.tag)).toEqual(['K-2'])
    expect(groups[0]!.members.map(m => m.state)).toEqual(['gone', 'cold'])
  })

  it('without a cold place they stand under their room, and a house-wide waking holds for shelf and plan alike', () => {
    const { cold, groups } = seasonOf(two(), { ...defaultSettings, warmUpDay: today + 9 }).winter
    expect(cold.map(c => [c.coldPlaceId, c.wakeDay])).toEqual([
      ['room', today + 9],
      ['room', today + 9],
    ])
    expect(groups[0]!.programme.wakeDay).toBe(today + 9)
  })

  it('a cooling that is taken back leaves no trace', () => {
    const b = two()
    const id = b.write('cooledDown', animal('K-3'), -5)
    b.animal('K-3', 'california-kingsnake')
    expect(seasonOf(b).winter.cold).toHaveLength(3)
    b.write('void', { type: 'entry', id }, 0)
    expect(seasonOf(b).winter.cold).toHaveLength(2)
  })

  it('one animal may be woken earlier than its group', () => {
    const b = two()
    b.write('winterMember', { type: 'winter', id: 'W' }, -5, { animalId: 'K-1', ways: { holdDays: 38 } })
    expect(task(b, 'wake:K-1')).toMatchObject({ due: today })
    expect(task(b, 'wake:K-2')).toBeUndefined()
  })

  it('warms by the school of the species when it is in no group', () => {
    const b = new HouseBuilder(today).animal('K-1', 'california-kingsnake')
    b.write('cooledDown', animal('K-1'), -60)
    b.write('warmedUp', animal('K-1'), -1)
    expect(task(b, 'warm:K-1')).toBeDefined()
    const atOnce = { ...defaultSettings, schools: { 'warmUp@california-kingsnake': 'atOnce' } }
    expect(seasonOf(b, atOnce).tasks.find(t => t.id === 'warm:K-1')).toBeUndefined()
  })
})

describe('a rest', () => {
  it('eats less often, not nothing; the male goes in a week before its end', () => {
    const b = new HouseBuilder(today)
      .animal('G-1', 'fat-tailed-gecko', { sex: 'female' })
      .animal('G-2', 'fat-tailed-gecko', { sex: 'male' })
    b.write('weighed', animal('G-1'), -45, { massG: 60 })
    b.write('cooledDown', animal('G-1'), -40)
    b.write('fed', animal('G-1'), -20, { prey: 'cricket.half', offered: 8, taken: 8 })
    b.winter('W', 'fat-tailed-gecko', -40, ['G-1'], { ways: { holdDays: 45 } })
    b.pair('G-1', 'G-2', -30)
    expect(task(b, 'feed:G-1')!.reasons[0]!.rule).toMatch(/in the rest/)
    expect(seasonOf(b).tasks.find(t => t.id.startsWith('introduce:'))).toMatchObject({
      what: 'Put G-2 with G-1',
      due: today,
    })
  })
})

describe('the cold place itself', () => {
  const chest = (hourly: (number | null)[]) => {
    const b = king()
    b.write('cooledDown', animal('K-1'), -20, { placeId: 'chest' })
    b.write('weighed', animal('K-1'), -1, { massG: 497 })
    return seasonOf(b.readings('chest', hourly)).alarms.filter(a => a.id.startsWith('climate:'))
  }
  const hours = (n: number, t: number | null) => new Array<number | null>(n).fill(t)

  it('frost, warmth and silence are told with whom they endanger, and a quiet chest is not', () => {
    expect(chest(hours(400, 12))).toEqual([])
    // the band is that of the almanac, row by row
    expect(
      chest([...hours(400, 12), 5])[0]!.reasons[0]!.inputs.map(i => i.from.kind === 'almanac' && i.from.path),
    ).toContain('species.california-kingsnake.cold.floorC.value')
    expect(chest([...hours(400, 12), 5])[0]).toMatchObject({
      level: 'harm',
      text: expect.stringMatching(/fell to 5 °C; in it K-1/),
    })
    expect(chest([...hours(400, 12), ...hours(5, 22)])[0]).toMatchObject({
      level: 'harm',
      text: expect.stringMatching(/too warm/),
    })
    expect(chest([...hours(400, 12), ...hours(6, null)])[0]).toMatchObject({
      level: 'watch',
      text: expect.stringMatching(/no reading since 6 hours/),
    })
  })
})

describe('counting back from the first young', () => {
  const wished = dayFromIso('2027-06-01')
  const window_ = (id: string, schools = {}) =>
    coolingWindow(speciesOf(shippedAlmanac, id), wished, { almanac: shippedAlmanac, schools })

  it('kingsnakes hatching about 1 June are cooled in autumn, with the spread of the clocks', () => {
    const w = window_('california-kingsnake')!
    expect(w.early).toBeLessThan(w.likely)
    expect(w.likely).toBeLessThan(w.late)
    expect(summarise(w.hatch)!.median).toBe(wished)
    // 77 days of cold, about a month to the lock, 48 to laying, about 58 to hatching (common practice): some seven
    // months
    expect(wished - w.likely).toBeGreaterThan(190)
    expect(wished - w.likely).toBeLessThan(240)
  })

  it('a slower warming asks for an earlier start, and species without a winter have no window', () => {
    expect(window_('california-kingsnake', { warmUp: 'gradual' })!.likely).toBe(
      window_('california-kingsnake', { warmUp: 'steps' })!.likely - 4,
    )
    expect(window_('dyeing-dart-frog')).toBeNull()
    expect(window_('rosy-boa')).not.toBeNull()
  })
})
