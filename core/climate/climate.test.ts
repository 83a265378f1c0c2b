import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { implausible, type Channel, type HourlyLog, type Zone } from '../channels'
import type { House, Place } from '../subjects'
import {
  climateAt,
  conflicts,
  eggLogAt,
  limitsOf,
  nearestLog,
  roomCeiling,
  seriesTroubles,
  strictest,
  warmthAlong,
  zoneBand,
  type Development,
  type Limits,
} from '.'

const { common } = shippedAlmanac
const species = (id: string) => speciesOf(shippedAlmanac, id)
const logOf = (values: (number | null)[], from = 0): HourlyLog => {
  const mean = values.map(v => v ?? Number.NaN)
  return { from, mean, min: mean.map(v => v - 0.1), max: mean.map(v => v + 0.1) }
}
/** What lies in one place under one log. */
const warmthOver = (log: HourlyLog, fromHour: number, setC: number, development: Development) =>
  warmthAlong([{ log, fromHour, setC }], log.from + log.mean.length, development)
const many = (n: number, v: number | null) => new Array<number | null>(n).fill(v)

describe('what is believable', () => {
  it('85 as °C is a temperature in °F, a humidity ends at 100 %, nothing is NaN', () => {
    expect(implausible('temperature', 85)).toMatch(/another unit/)
    expect(implausible('temperature', 41)).toBeNull()
    expect(implausible('humidity', 101)).toMatch(/not believable/)
    expect(implausible('uvIndex', Number.NaN)).toMatch(/not a number/)
  })
})

describe('bands by species and zone', () => {
  const band = (id: string, channel: Channel, zone: Zone, light = true) => {
    const b = zoneBand(species(id), channel, zone, light)
    return b && [b.low?.fact.value, b.high?.fact.value]
  }

  it('a leopard gecko: warm floor 31–32 °C, cool end 23–26 °C, 45–55 % (common practice, no source)', () => {
    expect(band('leopard-gecko', 'temperature', 'warm')).toEqual([31, 32])
    expect(band('leopard-gecko', 'temperature', 'cool')).toEqual([23, 26])
    expect(band('leopard-gecko', 'humidity', 'air')).toEqual([45, 55])
    // its air lies between its two ends
    expect(band('leopard-gecko', 'temperature', 'air')).toEqual([23, 32])
  })

  it('a collared lizard: spot 40–46 °C, air 24–29 °C (common practice); by night nothing need be warm', () => {
    expect(band('collared-lizard', 'temperature', 'spot')).toEqual([40, 46])
    expect(band('collared-lizard', 'temperature', 'air')).toEqual([24, 29])
    const night = species('collared-lizard').climate!.night!.low.value
    expect(band('collared-lizard', 'temperature', 'spot', false)).toEqual([night, 46])
    expect(band('collared-lizard', 'uvIndex', 'spot', false)).toBeNull()
  })

  it('eggs are watched as eggs, and what is not known has no band', () => {
    expect(band('collared-lizard', 'temperature', 'box')).toBeNull()
    expect(band('western-hognose', 'uvIndex', 'spot')).toBeNull()
    expect(zoneBand({ ...species('leopard-gecko'), climate: undefined }, 'temperature', 'air', true)).toBeNull()
  })

  it('the strictest of all holds, by whom is told, and what cannot suit both is found', () => {
    const of = (id: string) => ({ speciesId: id, band: zoneBand(species(id), 'temperature', 'air', true)! })
    const both = strictest([of('collared-lizard'), of('ocellated-lizard')])!
    expect(limitsOf(both)).toEqual({ low: 24, high: 28 })
    expect([both.low!.speciesId, both.high!.speciesId]).toEqual(['collared-lizard', 'ocellated-lizard'])
    expect(conflicts(both)).toBe(false)
    expect(conflicts(strictest([of('collared-lizard'), of('fire-salamander')])!)).toBe(true)
    expect(strictest([])).toBeNull()
  })

  it('every species with bands has one in some zone, and a room may be no warmer than its cool end', () => {
    for (const s of Object.values(shippedAlmanac.species)) {
      if (!s.climate) continue
      const zones = (['spot', 'warm', 'cool', 'air', 'water'] as const).filter(z => zoneBand(s, 'temperature', z, true))
      expect(zones.length, s.id).toBeGreaterThan(0)
      const ceiling = roomCeiling(s, true)
      const cool = s.climate.cool ?? s.climate.air ?? s.climate.water
      if (cool) expect(ceiling!.fact.value, s.id).toBe((s.climate.water ?? s.climate.air ?? s.climate.cool)!.high.value)
    }
  })
})

describe('the nearest log', () => {
  const place = (id: string, kind: Place['kind'], parentId: string | null): Place => ({
    id,
    name: id,
    kind,
    parentId,
    order: 0,
    tempC: null,
    capacity: null,
  })
  const air = { 'temperature:air': logOf([20]) }
  const house = {
    places: Object.fromEntries(
      [
        place('room', 'room', null),
        place('rack', 'rack', 'room'),
        place('tub', 'tub', 'rack'),
        place('incubator', 'incubator', 'room'),
        place('eggs', 'tub', 'incubator'),
        place('chest', 'cold', 'room'),
        place('loop', 'tub', 'loop'),
      ].map(p => [p.id, p]),
    ),
    climate: { room: air, incubator: {} },
  } as unknown as House

  it('a tub shares the probe of its room; an incubator and a chest do not', () => {
    expect(climateAt(house, 'tub')?.placeId).toBe('room')
    expect(climateAt(house, 'eggs')).toBeNull()
    expect(climateAt(house, 'chest')).toBeNull()
    expect(climateAt(house, 'loop')).toBeNull()
    expect(climateAt(house, null)).toBeNull()
  })

  it('eggs lie under the probe of their own box before that of the air around it', () => {
    const two = { ...house, climate: { incubator: { ...air, 'temperature:box': logOf([28]) } } }
    expect(eggLogAt(two, 'eggs')).toMatchObject({ placeId: 'incubator', zone: 'box' })
    expect(nearestLog(two, 'eggs', 'humidity')).toBeNull()
  })
})

describe('what is wrong with a row of readings', () => {
  const limits: Limits = { low: 20, high: 28 }
  const troubles = (values: (number | null)[], channel: Channel = 'temperature', zone: Zone = 'air') =>
    seriesTroubles(logOf(values), channel, zone, () => limits, common)
  const faults = (values: (number | null)[], channel?: Channel, zone?: Zone) =>
    troubles(values, channel, zone).map(t => `${t.fault}:${t.level}`)
  // a probe never reads exactly the same
  const around = (n: number, v: number) => Array.from({ length: n }, (_, i) => v + 0.2 * Math.sin(i))

  it('lets a short trip pass, tells a long one, and heat far over the band at once', () => {
    expect(faults([...around(48, 24), ...around(3, 29)])).toEqual([])
    expect(troubles([...around(48, 24), ...around(5, 29)])[0]).toMatchObject({
      fault: 'high',
      level: 'watch',
      since: 48,
      hours: 5,
      limit: 28,
    })
    expect(faults([...around(48, 27), 34])).toEqual(['high:harm'])
    expect(faults([...around(48, 21), 11.5])).toEqual(['low:harm'])
    // over again: nothing is wrong now
    expect(faults([...around(48, 24), ...around(9, 29), ...around(2, 26)])).toEqual([])
  })

  it('damp is told after three days, dryness after two; damp alone harms nobody at once', () => {
    expect(faults([...around(24, 24), ...around(60, 40)], 'humidity')).toEqual([])
    expect(faults([...around(24, 24), ...around(73, 40)], 'humidity')).toEqual(['high:watch'])
    expect(faults([...around(24, 24), ...around(49, 12)], 'humidity')).toEqual(['low:watch'])
  })

  it('a gap does not end a trouble, and a silent probe says nothing of the air', () => {
    expect(troubles([...around(40, 24), ...around(3, 29), null, null, ...around(3, 29)])[0]).toMatchObject({
      fault: 'high',
      since: 40,
      hours: 6,
    })
    expect(faults([...around(40, 24), ...around(9, 29), ...many(6, null)])).toEqual(['silent:watch'])
  })

  it('silence and a stuck probe are told however long the house lets them last', () => {
    const house = {
      ...common,
      coldSilent: { ...common.coldSilent!, value: 50 },
      stuckFor: { ...common.stuckFor!, value: 40 },
    }
    const found = (values: (number | null)[]) =>
      seriesTroubles(logOf(values), 'temperature', 'air', () => limits, house).map(t => [t.fault, t.hours])
    const swinging = (n: number) => Array.from({ length: n }, (_, i) => 24 + (i % 2))
    expect(found([...swinging(60), ...many(49, null)])).toEqual([])
    expect(found([...swinging(60), ...many(50, null)])).toEqual([['silent', 50]])
    // the readings of a log differ within the hour; one that is stuck reads the same all along
    const stuck = (n: number) => {
      const mean = Float64Array.from([...swinging(60), ...many(n, 24)] as number[])
      return seriesTroubles({ from: 0, mean, min: mean, max: mean }, 'temperature', 'air', () => limits, house)
    }
    expect(stuck(39)).toEqual([])
    expect(stuck(40).map(t => [t.fault, t.hours])).toEqual([['stuck', 40]])
  })

  it('a stuck probe, a jump, and two that differ', () => {
    const same = logOf(many(48, 24))
    expect(
      seriesTroubles({ ...same, min: same.mean, max: same.mean }, 'temperature', 'air', () => limits, common).map(
        t => t.fault,
      ),
    ).toEqual(['stuck'])
    expect(faults([...around(40, 12), ...around(4, 24)])).toEqual(['jump:watch'])
    // under a lamp that goes on it is no fault
    expect(faults([...around(40, 21), ...around(2, 40)], 'temperature', 'spot').includes('jump:watch')).toBe(false)
    const [one, other] = [around(48, 24), around(48, 26)]
    const apart = { ...logOf(around(48, 25)), apart: { 1: one, 2: other } }
    expect(seriesTroubles(apart, 'temperature', 'air', () => limits, common)[0]).toMatchObject({
      fault: 'apart',
      value: expect.closeTo(2, 6) as number,
    })
    // hours that only one of them read compare nothing
    const alone = { ...apart, apart: { 1: one, 2: other.map(() => Number.NaN) } }
    expect(seriesTroubles(alone, 'temperature', 'air', () => limits, common)).toEqual([])
  })

  it('without limits only the device is judged', () => {
    expect(seriesTroubles(logOf(around(48, 70)), 'temperature', 'air', () => null, common)).toEqual([])
    expect(seriesTroubles(logOf([]), 'temperature', 'air', () => limits, common).map(t => t.fault)).toEqual(['silent'])
  })
})

describe('warmth over a log', () => {
  const development = { baseC: 14, bestC: 33, degreeDays: 900, latelyHours: 72 }
  const above = (t: number) => Math.max(0, Math.min(t, development.bestC) - development.baseC)

  it('is the temperature itself where that holds', () => {
    expect(warmthOver(logOf(many(400, 28)), 0, 25, development)).toMatchObject({ goesOnAtC: 28, hours: 400, read: 400 })
    expect(warmthOver(logOf(many(400, 28)), 0, 25, development).tempC).toBeCloseTo(28, 9)
    // nothing read: what it is set to
    expect(warmthOver(logOf(many(400, null)), 0, 25, development).tempC).toBeCloseTo(25, 9)
  })

  it('gives the day on which development, added up hour by hour, is done', () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.double({ min: 5, max: 45, noNaN: true }), { freq: 5 }), { minLength: 1, maxLength: 900 }),
        fc.integer({ min: 0, max: 300 }),
        fc.double({ min: 20, max: 31, noNaN: true }),
        (temps, later, setC) => {
          const log = logOf(temps)
          const warmth = warmthOver(log, later, setC, development)
          if (warmth.goesOnAtC <= development.baseC + 0.5) return
          // an independent walk, an hour at a time
          let [done, hour] = [0, later]
          while (done < development.degreeDays * 24 && hour < 60_000) {
            const t = hour < temps.length ? (temps[hour] ?? setC) : warmth.goesOnAtC
            done += above(t)
            hour++
          }
          const walked = hour - later
          const counted = (development.degreeDays * 24) / (warmth.tempC - development.baseC)
          // done before now, it was as quick as it was on the whole
          if (later + walked > temps.length) expect(Math.abs(counted - walked)).toBeLessThanOrEqual(1)
          else expect(counted).toBeLessThanOrEqual(temps.length - later)
        },
      ),
      { numRuns: 400 },
    )
  })

  it('stands still under its base, and is no quicker over its best', () => {
    expect(warmthOver(logOf(many(200, 10)), 0, 28, development).tempC).toBeCloseTo(development.baseC, 9)
    expect(warmthOver(logOf(many(200, 44)), 0, 28, development).tempC).toBeCloseTo(development.bestC, 9)
  })
})
