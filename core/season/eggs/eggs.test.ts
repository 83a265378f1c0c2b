import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac, speciesOf } from '../../almanac'
import { quantile, summarise } from '../../chance'
import { daysAt, fitThermalTime } from '../../incubation'
import { defaultSettings, houseOf, seasonOfHouse } from '..'
import { checkEntry } from '../../subjects'
import { chanceOfSex, loadOf } from '../breeding'
import { warmthOfHouse } from '../warmth'
import { doneOf, eggsReport, intervalsOf, outcomeOf, settingChoice, settingFor, sexOutlook } from '.'

const today = 20_000
const settings = defaultSettings
const almanac = shippedAlmanac

/** Readings of so many hours, that end at noon of today. */
const hourly = (hours: number, of: (hour: number) => number): number[] => Array.from({ length: hours }, (_, i) => of(i))

function house(speciesId = 'leopard-gecko', roomC = 19) {
  const b = new HouseBuilder(today)
    .place('room', { kind: 'room', tempC: roomC })
    .place('inc', { kind: 'incubator', tempC: 28, parentId: 'room' })
    .place('warm', { kind: 'incubator', tempC: 31, parentId: 'room' })
    .animal('G-1', speciesId, { sex: 'female' })
    .animal('G-2', speciesId, { sex: 'male' })
  const pair = { type: 'pairing' as const, id: b.pair('G-1', 'G-2', -900) }
  return {
    b,
    pair,
    lay: (tag: string, days: number, data: object = {}) => ({
      type: 'clutch' as const,
      id: b.write('laid', pair, days, { tag, eggs: 2, slugs: 0, placeId: 'inc', ...data }, tag),
    }),
    context: () => ({ house: houseOf(b.records()), almanac, settings, today }),
    season: (own: Partial<typeof settings> = {}) =>
      seasonOfHouse(houseOf(b.records()), almanac, { ...settings, ...own }, today).season,
  }
}
type Made = ReturnType<typeof house>

const hatchOf = ({ season }: Made, tag: string) =>
  season()
    .lanes.find(l => l.title === tag)!
    .events.find(e => e.event === 'hatched')!
const median = (made: Made, tag: string) => quantile(hatchOf(made, tag).dist, 0.5)!

describe('an incubator that drifts', () => {
  /** At 28 °C, but for four days at another. */
  const drift = (from: number, tempC: number) => {
    const made = house()
    made.lay('C-1', -30)
    made.b.readings(
      'inc',
      hourly(30 * 24, h => (h >= from * 24 && h < (from + 4) * 24 ? tempC : 28)),
    )
    return made
  }
  const plain = drift(12, 28)

  it('moves the hatch by what four days so warm are worth, and the need with it', () => {
    const { baseC } = fitThermalTime(speciesOf(almanac, 'leopard-gecko').incubation!.points)
    const gained = 4 * ((32 - baseC) / (28 - baseC) - 1)
    expect(gained).toBeGreaterThan(1)
    expect(median(plain, 'C-1') - median(drift(12, 32), 'C-1')).toBeCloseTo(gained, -0.5)
    expect(median(drift(12, 24), 'C-1')).toBeGreaterThan(median(plain, 'C-1'))
    const first = (made: Made) => {
      const row = made.season().prey.find(p => p.mean.some(n => n > 0))!.mean
      return row.findIndex((_, i) => row.slice(0, i + 1).reduce((a, b) => a + b, 0) > 5)
    }
    expect(first(drift(12, 32))).toBeLessThan(first(plain))
  })

  it('the working shows which days were apart, and what they won or lost', () => {
    const { baseC } = fitThermalTime(speciesOf(almanac, 'leopard-gecko').incubation!.points)
    const told = (made: Made) =>
      hatchOf(made, 'C-1')
        .reasons.flatMap(r => r.inputs)
        .filter(i => /days (won|lost)/.test(String(i.value)))
        .map(i => String(i.value))
    expect(told(plain)).toEqual([])
    const won = 4 * ((32 - baseC) / (28 - baseC) - 1)
    expect(told(drift(12, 32))).toEqual([
      expect.stringMatching(new RegExp(`: ${won.toFixed(1).replace('.', '\\.')} days won$`)),
    ])
    const lost = 4 * (1 - (24 - baseC) / (28 - baseC))
    expect(told(drift(12, 24))[0]).toContain(`${lost.toFixed(1)} days lost`)
  })

  it('moves the sex only while it is set: of 52 days the middle third', () => {
    const female = (made: Made) => sexOutlook(made.context().house.clutches['C-1']!, made.context())!.value.female
    expect(female(drift(1, 32))).toBeCloseTo(female(plain), 6)
    expect(female(drift(20, 32))).toBeLessThan(female(plain) - 0.02)
    expect(sexOutlook(plain.context().house.clutches['C-1']!, plain.context())!.value.over).toBeGreaterThan(0.5)
  })

  it('warmer is never later (any constant temperature within the table)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 26, max: 32, noNaN: true }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (t, more) => {
          const at = (tempC: number) => {
            const made = house()
            made.lay('C-1', -20)
            made.b.readings(
              'inc',
              hourly(20 * 24, () => tempC),
            )
            return median(made, 'C-1')
          }
          expect(at(Math.min(32, t + more))).toBeLessThanOrEqual(at(t))
        },
      ),
      { numRuns: 12 },
    )
  })

  it('a void of the move restores the forecast exactly', () => {
    const made = house()
    const clutch = made.lay('C-1', -20)
    const before = hatchOf(made, 'C-1').dist
    const moved = made.b.write('clutchMoved', clutch, -5, { placeId: 'warm', tempC: null })
    expect(hatchOf(made, 'C-1').dist).not.toEqual(before)
    made.b.write('void', { type: 'entry', id: moved }, 0)
    expect(hatchOf(made, 'C-1').dist).toEqual(before)
  })
})

describe('eggs that are moved', () => {
  it('keep the development of where they were: half at 28 and half at 31 °C, by what is set, without a probe', () => {
    const { baseC, degreeDays } = fitThermalTime(speciesOf(almanac, 'leopard-gecko').incubation!.points)
    const made = house()
    const clutch = made.lay('C-1', -20)
    made.b.write('clutchMoved', clutch, -10, { placeId: 'warm', tempC: null })
    const done = (10 * (28 - baseC) + 10 * (31 - baseC)) / degreeDays
    const state = made.context().house.clutches['C-1']!
    expect(doneOf(state, made.context())).toBeCloseTo(done, 1)
    const days = 20 + (degreeDays * (1 - done)) / (31 - baseC)
    expect(Math.abs(median(made, 'C-1') - (today - 20 + days))).toBeLessThanOrEqual(1.5)
  })

  it('a window that is told what it comes to says the same', () => {
    const made = house()
    const clutch = made.lay('C-1', -20)
    made.b.write('clutchMoved', clutch, -10, { placeId: 'warm', tempC: null })
    made.b.readings(
      'warm',
      hourly(12 * 24, h => 30 + Math.sin(h / 4)),
    )
    const whole = made.context()
    const told = { ...whole, house: { ...whole.house, climate: {}, warmth: warmthOfHouse(whole) } }
    const state = whole.house.clutches['C-1']!
    expect(settingChoice(state, told)).toEqual(settingChoice(state, whole))
    expect(sexOutlook(state, told)).toEqual(sexOutlook(state, whole))
  })
})

describe('eggs of one clutch in two boxes', () => {
  const divided = (placeId: string, eggs = 6) => {
    const made = house()
    const clutch = made.lay('C-1', -20, { eggs })
    const data = { tag: 'C-1b', eggs: [2, 4], placeId, tempC: null }
    made.b.write('eggsApart', clutch, -10, data, 'C-1b')
    return made
  }
  const young = (made: Made, tag: string) => made.season().lanes.find(l => l.title === tag)!.young.value

  it('at the same warmth hatch when they would have, and as many', () => {
    const whole = house()
    whole.lay('C-1', -20, { eggs: 6 })
    const two = divided('inc')
    expect(hatchOf(two, 'C-1').dist).toEqual(hatchOf(whole, 'C-1').dist)
    expect(hatchOf(two, 'C-1b').dist).toEqual(hatchOf(whole, 'C-1').dist)
    expect(young(two, 'C-1') + young(two, 'C-1b')).toBeCloseTo(young(whole, 'C-1'), 9)
    const need = (made: Made) => made.season().prey.map(p => [p.prey, p.mean.reduce((a, b) => a + b, 0).toFixed(6)])
    expect(need(two)).toEqual(need(whole))
  })

  it('in the warm one open as a clutch that was moved there, and those that stay as if nothing had been', () => {
    const moved = house()
    moved.b.write('clutchMoved', moved.lay('C-1', -20), -10, { placeId: 'warm', tempC: null })
    const two = divided('warm')
    expect(hatchOf(two, 'C-1b').dist).toEqual(hatchOf(moved, 'C-1').dist)
    expect(median(two, 'C-1b')).toBeLessThan(median(two, 'C-1'))
    expect(hatchOf(two, 'C-1').dist).toEqual(hatchOf(divided('inc'), 'C-1').dist)
  })

  it('were laid once: in the size of her clutches, the days between them, and her load', () => {
    const made = divided('warm', 2 + 2)
    const end = (tag: string) => {
      const clutch = { type: 'clutch' as const, id: tag }
      made.b.write('hatched', clutch, -3, { count: 2 })
      made.b.write('clutchEnded', clutch, -1)
    }
    end('C-1b')
    // half a clutch that is over says nothing of her clutches
    expect(outcomeOf('G-1', made.context())).toEqual({ clutches: 0, eggs: 0, fertile: 0, hatched: 0 })
    end('C-1')
    expect(outcomeOf('G-1', made.context())).toEqual({ clutches: 1, eggs: 4, fertile: 4, hatched: 4 })
    made.lay('C-2', 0)
    expect(intervalsOf('G-1', speciesOf(almanac, 'leopard-gecko'), made.context())).toEqual([20])
    const load = loadOf(made.context().house.animals['G-1']!, null, made.context())
    expect(load!.value.clutches).toBe(2)
  })
})

describe('eggs of one clutch that are laid on two dates', () => {
  const withMore = (first: { eggs: number; slugs?: number }, more: object, days = 9) => {
    const made = house()
    const clutch = made.lay('C-1', -40, first)
    const before = first.slugs ? null : hatchOf(made, 'C-1').dist
    made.b.write('eggsAdded', clutch, -40 + days, { slugs: 0, ...more })
    return { made, before, after: hatchOf(made, 'C-1').dist }
  }

  it('a slug first and the good egg nine days later hatches nine days later', () => {
    const { made, after } = withMore({ eggs: 1, slugs: 1 }, { eggs: 1 })
    const plain = house()
    plain.lay('C-1', -31, { eggs: 1 })
    expect(after).toEqual(hatchOf(plain, 'C-1').dist)
    const [clutch] = Object.values(houseOf(made.b.records()).clutches)
    expect(clutch).toMatchObject({ eggs: 2, slugs: 1, startGive: 0 })
  })

  it('good eggs on both days widen it by both, and put it between', () => {
    const { before, after } = withMore({ eggs: 1 }, { eggs: 1 }, 8)
    expect(Math.abs(quantile(after, 0.5)! - quantile(before!, 0.5)! - 4)).toBeLessThanOrEqual(1)
    const wide = (d: typeof after) => quantile(d, 0.9)! - quantile(d, 0.1)!
    expect(wide(after)).toBeGreaterThan(wide(before!))
  })

  it('eggs after three weeks, of a spawn, or when some are out, are a laying of their own', () => {
    const made = house()
    const clutch = made.lay('C-1', -40, { eggs: 2 })
    const why = (days: number) => {
      const records = made.b.records()
      const day = today + days
      const entry = {
        id: 'x',
        at: new Date(day * 86_400_000).toISOString(),
        day,
        subject: clutch,
        kind: 'eggsAdded',
        data: { eggs: 1 },
        source: 'keeper' as const,
      }
      return checkEntry(entry, { records, house: houseOf(records), almanac, today })[0]?.message ?? null
    }
    const most = almanac.common.sameClutch!.value
    expect(why(-40 + most)).toBeNull()
    expect(why(-40 + most + 1)).toMatch(/write a new laying of the pair/)
    made.b.write('hatched', clutch, -20, { count: 1 })
    expect(why(-19)).toMatch(/some are out/)
  })

  it('a slug later moves nothing', () => {
    const { before, after } = withMore({ eggs: 1 }, { eggs: 1, slugs: 1 })
    expect(after).toEqual(before)
  })
})

describe('which temperature', () => {
  const made = house()
  made.lay('C-1', -20)
  const state = made.context().house.clutches['C-1']!

  it('each is later the cooler it is, and the one it is at says what the forecast says', () => {
    const { settings: rows, safe } = settingChoice(state, made.context())!
    expect(safe).toEqual({ lowC: 26, highC: 32 })
    expect(rows.map(r => r.hatch.median)).toEqual(rows.map(r => r.hatch.median).sort((a, b) => b - a))
    expect(Math.abs(rows.find(r => r.tempC === 28)!.hatch.median - median(made, 'C-1'))).toBeLessThanOrEqual(1)
    expect(rows.filter(r => r.risk).every(r => r.tempC > safe.highC || r.tempC < safe.lowC)).toBe(true)
  })

  it('for a wished day is the one that hatches it then, against a plain search', () => {
    const thermal = fitThermalTime(speciesOf(almanac, 'leopard-gecko').incubation!.points)
    const done = doneOf(state, made.context())!
    for (const days of [26, 30, 34]) {
      const found = settingFor(state, today + days, made.context())!
      let best = 0
      for (let t = 26; t <= 32; t += 0.1)
        if (Math.abs(daysAt(thermal, t) * (1 - done) - days) < Math.abs(daysAt(thermal, best) * (1 - done) - days))
          best = t
      expect(found.tempC).toBeCloseTo(best, 0)
    }
  })

  it('no safe one does what is too soon or too late, and it says what could be', () => {
    const soon = settingFor(state, today + 3, made.context())!
    expect(soon.tempC).toBeNull()
    expect(soon.earliest).toBeGreaterThan(today + 3)
    expect(settingFor(state, today + 300, made.context())!.tempC).toBeNull()
    expect(settingFor(state, today - 1, made.context())!.tempC).toBeNull()
  })
})

describe('phases before development', () => {
  const brought = () => {
    const b = new HouseBuilder(today)
      .place('cool', { kind: 'shelf', tempC: 18 })
      .place('inc', { kind: 'incubator', tempC: 29 })
    b.write(
      'eggsBrought',
      { type: 'clutch', id: 'C-1' },
      -31,
      {
        tag: 'C-1',
        speciesId: 'radiated-tortoise',
        eggs: 4,
        slugs: 0,
        laid: '2024-09-03',
        give: 0,
        tempC: null,
        placeId: 'cool',
      },
      'C-1',
    )
    return b
  }
  const seen = (b: HouseBuilder) => seasonOfHouse(houseOf(b.records()), almanac, settings, today).season
  const when = (b: HouseBuilder) => summarise(seen(b).lanes[0]!.events.find(e => e.event === 'hatched')!.dist)!

  it('the pause counts by itself, and the table from its end: about 30 and then about 94 days', () => {
    expect(Math.abs(when(brought()).median - (today - 31 + 31 + 94))).toBeLessThanOrEqual(3)
    const moved = brought()
    moved.write('phaseBegan', { type: 'clutch', id: 'C-1' }, -1, { index: 1 })
    moved.write('clutchMoved', { type: 'clutch', id: 'C-1' }, -1, { placeId: 'inc', tempC: null })
    expect(Math.abs(when(moved).median - (today - 1 + 94))).toBeLessThanOrEqual(2)
    expect(when(moved).high - when(moved).low).toBeLessThanOrEqual(when(brought()).high - when(brought()).low)
  })

  it('the Round says to move them on the likely day, and says it no more when it is written', () => {
    const task = (b: HouseBuilder) => seen(b).tasks.find(t => t.id === 'phase:C-1')
    expect(task(brought())).toMatchObject({
      what: 'Move to 29 °C, to develop: pause in the cool is over',
      actions: [{ kind: 'phaseBegan', data: { index: 1 } }],
    })
    const { season: inF } = seasonOfHouse(houseOf(brought().records()), almanac, { ...settings, tempUnit: '°F' }, today)
    // 29 °C is 84.2 °F
    expect(inF.tasks.find(t => t.id === 'phase:C-1')!.what).toBe(
      'Move to 84.2 °F, to develop: pause in the cool is over',
    )
    const moved = brought()
    moved.write('phaseBegan', { type: 'clutch', id: 'C-1' }, 0, { index: 1 })
    expect(task(moved)).toBeUndefined()
  })

  it('a pause that is too warm is told, one in its range is not', () => {
    const at = (tempC: number) => {
      const b = brought()
      b.readings(
        'cool',
        hourly(72, () => tempC),
      )
      return seen(b).alarms.filter(a => a.id === 'eggPhase:C-1')
    }
    expect(at(18)).toEqual([])
    expect(at(24)[0]!.text).toBe('C-1 is in its pause in the cool and lay at 24 °C over the last day, over 15–21 °C')
  })

  it('a programme of one’s own rules over the species, also of one that has none, and is dropped again', () => {
    const cool = { name: 'Cool', earliest: 50, likely: 60, latest: 70, lowC: 12, highC: 18 }
    const set = (b: HouseBuilder, programme: object | null) =>
      b.write('programmeSet', { type: 'clutch', id: 'C-1' }, -5, { programme })
    const longer = brought()
    set(longer, { name: 'Long pause', phases: [cool] })
    // 60 days of pause in place of about 31: and the table from its end
    expect(Math.abs(when(longer).median - (today - 31 + 60 + 94))).toBeLessThanOrEqual(3)
    const none = brought()
    set(none, { name: 'At once', phases: [] })
    none.write('clutchMoved', { type: 'clutch', id: 'C-1' }, -31, { placeId: 'inc', tempC: null })
    expect(Math.abs(when(none).median - (today - 31 + 94))).toBeLessThanOrEqual(3)
    set(longer, null)
    expect(when(longer)).toEqual(when(brought()))
    const snake = (programme: object | null) => {
      const b = new HouseBuilder(today).place('inc', { kind: 'incubator', tempC: 28 })
      const data = { tag: 'C-1', speciesId: 'corn-snake', eggs: 9, slugs: 0, laid: '2024-10-01', give: 0 }
      b.write('eggsBrought', { type: 'clutch', id: 'C-1' }, -3, { ...data, tempC: null, placeId: 'inc' }, 'C-1')
      set(b, programme)
      return b
    }
    const paused = snake({ name: 'Rest', phases: [{ ...cool, earliest: 20, likely: 20, latest: 20 }] })
    expect(when(paused).median - when(snake(null)).median).toBe(20)
    expect(seen(paused).tasks.find(t => t.id === 'phase:C-1')?.what).toBeUndefined()
    paused.readings(
      'inc',
      hourly(48, () => 28),
    )
    expect(seen(paused).alarms.find(a => a.id === 'eggPhase:C-1')!.text).toMatch(/in its cool .* over 12–18 °C/)
  })

  it('a day of laying that is not known widens the forecast, and moves it not', () => {
    const give = (days: number) => {
      const b = new HouseBuilder(today).place('inc', { kind: 'incubator', tempC: 29 })
      const data = {
        tag: 'C-1',
        speciesId: 'corn-snake',
        eggs: 9,
        slugs: 0,
        laid: '2024-09-20',
        give: days,
        tempC: null,
        placeId: 'inc',
      }
      b.write('eggsBrought', { type: 'clutch', id: 'C-1' }, -3, data, 'C-1')
      return when(b)
    }
    expect(Math.abs(give(6).median - give(0).median)).toBeLessThanOrEqual(1)
    expect(give(6).high - give(6).low).toBeGreaterThan(give(0).high - give(0).low + 4)
  })
})

describe('what came of her clutches before', () => {
  /** Three clutches of two, of which one egg was good and hatched. */
  const poor = () => {
    const made = house('fat-tailed-gecko')
    for (const [i, days] of [-700, -600, -500].entries()) {
      const clutch = made.lay(`E-${i}`, days, { slugs: 1 })
      made.b.write('hatched', clutch, days + 55, { count: 1 })
      made.b.write('youngSold', clutch, days + 90, { count: 1 })
      made.b.write('clutchEnded', clutch, days + 95)
    }
    return made
  }
  const expected = (made: Made) => {
    made.lay('C-1', -3)
    return made.season().lanes.find(l => l.title === 'C-1')!.young
  }

  it('draws the forecast toward it, by as many eggs as the usual weighs', () => {
    const { fertility, hatchRate } = speciesOf(almanac, 'fat-tailed-gecko')
    const usual = expected(house('fat-tailed-gecko')).value
    expect(usual).toBeCloseTo(2 * fertility.value * hatchRate.value, 6)
    // beta posterior by hand: (12 · usual + 3 good) / (12 + 6 eggs); (10 · usual + 3 out) / (10 + 3 good)
    const good = (12 * fertility.value + 3) / 18
    const out = (10 * hatchRate.value + 3) / 13
    const { value, reasons } = expected(poor())
    expect(value).toBeCloseTo(2 * good * out, 6)
    expect(reasons.flatMap(r => r.inputs).map(i => `${i.label}: ${i.value}`)).toContain(
      'Of 3 clutches before: 3 of 6 good, 3 out',
    )
  })

  it('a pair that has not laid yet is counted by the size of her own clutches too', () => {
    // six eggs in three clutches of a species that lays 1–2: (2 · usual + 6) / (2 + 3)
    const { clutchSize, fertility, hatchRate } = speciesOf(almanac, 'fat-tailed-gecko')
    const made = poor()
    const size = (2 * clutchSize.likely + 6) / 5
    const moved = size - clutchSize.likely
    const mean = (Math.max(1, clutchSize.earliest + moved) + 4 * size + Math.max(size, clutchSize.latest + moved)) / 6
    const each = ((12 * fertility.value + 3) / 18) * ((10 * hatchRate.value + 3) / 13)
    const pair = made.season().lanes.find(l => l.kind === 'pair')!
    expect(pair.young.value).toBeCloseTo(mean * each, 6)
    expect(pair.young.reasons.flatMap(r => r.inputs).map(i => `${i.label}: ${i.value}`)).toContain('Her own: 2.0 in 3')
  })

  it('says nothing of a clutch by its own eggs, and nothing of other females', () => {
    const made = house('fat-tailed-gecko')
    made.lay('C-1', -3)
    const before = made.season().lanes.find(l => l.title === 'C-1')!.young.value
    made.b.animal('G-3', 'fat-tailed-gecko', { sex: 'female' })
    const other = { type: 'pairing' as const, id: made.b.pair('G-3', null, -800) }
    const id = made.b.write('laid', other, -700, { tag: 'E-9', eggs: 2, slugs: 2, placeId: 'inc' })
    made.b.write('clutchEnded', { type: 'clutch', id }, -600)
    expect(made.season().lanes.find(l => l.title === 'C-1')!.young.value).toBeCloseTo(before, 9)
  })

  it('draws the usual hatch toward what came of others in the same incubator, weakly', () => {
    const { hatchRate, fertility } = speciesOf(almanac, 'fat-tailed-gecko')
    const made = house('fat-tailed-gecko')
    made.b.animal('G-3', 'fat-tailed-gecko', { sex: 'female' })
    const other = { type: 'pairing' as const, id: made.b.pair('G-3', null, -800) }
    const lost = (tag: string, placeId: string) => {
      made.b.write('laid', other, -400, { tag, eggs: 8, slugs: 0, placeId, tempC: null }, tag)
      made.b.write('eggsLost', { type: 'clutch', id: tag }, -300, { count: 8 })
      made.b.write('clutchEnded', { type: 'clutch', id: tag }, -299)
    }
    made.lay('C-1', -3)
    const young = () => made.season().lanes.find(l => l.title === 'C-1')!.young
    // in another incubator it says nothing of this one
    lost('E-1', 'warm')
    expect(young().value).toBeCloseTo(2 * fertility.value * hatchRate.value, 9)
    // by hand: (40 · usual + 0 out) / (40 + 8 good)
    lost('E-2', 'inc')
    expect(young().value).toBeCloseTo((2 * fertility.value * (40 * hatchRate.value)) / 48, 9)
    expect(
      young()
        .reasons.flatMap(r => r.inputs)
        .map(i => `${i.label}: ${i.value}`),
    ).toContain('In this incubator, of others: 0 of 8 good eggs out')
  })

  it('tells of each species where its eggs were lost', () => {
    const made = poor()
    const clutch = made.lay('C-1', -30, { eggs: 4 })
    const eggs = [
      { n: 1, state: 'dead', end: 'early' },
      { n: 2, state: 'dead' },
    ]
    made.b.write('eggsSeen', clutch, -5, { eggs })
    expect(eggsReport(made.context()).losses).toEqual([
      { speciesId: 'fat-tailed-gecko', eggs: 10, slugs: 3, dead: 2, opened: [{ end: 'early', count: 1 }] },
    ])
  })

  it('the report holds each hatch against what was said at laying', () => {
    const made = poor()
    made.lay('C-1', -3)
    const { clutches, right, times } = eggsReport(made.context())
    expect(clutches.map(c => c.tag)).toEqual(['C-1', 'E-2', 'E-1', 'E-0'])
    expect(clutches[0]).toMatchObject({ days: null, inside: null, left: 2 })
    expect(clutches[1]).toMatchObject({ days: 55, hatched: 1, slugs: 1, left: 0 })
    expect(right.of).toBe(3)
    expect(right.inside).toBe(clutches.filter(c => c.inside).length)
    expect(times).toMatchObject([{ eggs: 5, hatched: 3, survival: { median: 55 } }])
  })
})

describe('the sex of young is that of the warmth of their egg', () => {
  it('by the readings of its time, long after the clutch is closed', () => {
    const made = house()
    const clutch = made.lay('C-1', -120)
    made.b.readings(
      'inc',
      hourly(120 * 24, h => (h < 70 * 24 ? 32.5 : 22)),
    )
    made.b.write('hatched', clutch, -80, { count: 1 })
    made.b.write('clutchEnded', clutch, -70, { sure: true })
    made.b.animal('L-1', 'leopard-gecko', { clutchId: clutch.id, bornDay: today - 80 })
    const context = made.context()
    // Viets et al. 1993: about three quarters males at 32.5 °C
    expect(chanceOfSex(context.house.animals['L-1']!, 'male', context)).toBeCloseTo(0.75, 1)
  })
})

describe('what is told of the places of eggs', () => {
  const alarms = (made: Made) => made.season().alarms.filter(a => /^egg/.test(a.id))
  /** Without heat for so many hours: from 28 °C toward its room, with a time constant of 6 hours. */
  const cut = (hours: number, roomC: number) => {
    const made = house('leopard-gecko', roomC)
    made.lay('C-1', -30)
    const last = 30 * 24 - hours - 1
    made.b.readings(
      'inc',
      hourly(30 * 24, h => (h <= last ? 28 : roomC + (28 - roomC) * Math.exp(-(h - last) / 6))),
    )
    return made
  }

  it('a power cut names the clutches, what they lost, and the hours until development stands still', () => {
    const { baseC } = fitThermalTime(speciesOf(almanac, 'leopard-gecko').incubation!.points)
    const [alarm] = alarms(cut(4, 10))
    const now = 10 + 18 * Math.exp(-4 / 6)
    const left = 6 * Math.log((now - 10) / (baseC - 10))
    expect(left).toBeGreaterThan(2)
    expect(alarm).toMatchObject({ id: 'eggCold:inc', level: 'harm' })
    expect(alarm!.text).toContain(`at ${now.toFixed(1)} °C and set to 28 °C`)
    expect(alarm!.text).toContain(`in about ${Math.round(left)} hours`)
    // of four hours, what each lacked of a whole one at 28 °C
    const lost = [1, 2, 3, 4].reduce((sum, h) => sum + (18 - 18 * Math.exp(-h / 6)) / (28 - baseC) / 24, 0)
    expect(alarm!.text).toContain(`C-1 ${lost.toFixed(1)}`)
  })

  it('a room so cold that eggs die in it is told with the hours until then', () => {
    const { value: kills } = almanac.common.eggsColdKills!
    const now = 4 + 24 * Math.exp(-5 / 6)
    const [alarm] = alarms(cut(5, 4))
    expect(alarm!.text).toContain(
      `they die from ${kills} °C, in about ${Math.round(6 * Math.log((now - 4) / (kills - 4)))} hours`,
    )
    expect(alarms(cut(20, 4))[0]!.text).toContain(`under ${kills} °C eggs die`)
  })

  it('hours just under what kills are told, and in the last third from a lower warmth', () => {
    const { value: kills } = speciesOf(almanac, 'leopard-gecko').incubation!.lethalAboveC
    const { eggsNearHot, eggsNearHotLate, eggsNearHotFor } = almanac.common
    const of = (laidAgo: number, hours: number, tempC: number) => {
      const made = house()
      made.lay('C-1', -laidAgo)
      made.b.readings(
        'inc',
        hourly(laidAgo * 24, h => (h >= laidAgo * 24 - hours ? tempC : 28)),
      )
      return alarms(made).filter(a => a.id === 'eggNearHeat:inc')
    }
    const early = kills - eggsNearHot!.value + 0.4
    const late = kills - eggsNearHotLate!.value + 0.4
    const lasts = eggsNearHotFor!.value
    expect(of(10, lasts, early)).toMatchObject([{ level: 'watch' }])
    expect(of(10, lasts - 1, early)).toEqual([])
    expect(of(10, lasts, late)).toEqual([])
    const [told] = of(48, lasts, late)
    expect(told!.text).toContain('C-1 is in the last third')
  })

  it('a house that reads in °F is told in °F: heat, cold, drift and swing', () => {
    const texts = (read: (h: number) => number) => {
      const made = house()
      made.lay('C-1', -30)
      made.b.readings('inc', hourly(30 * 24, read))
      const told = made.season({ tempUnit: '°F' }).alarms.filter(a => /^egg/.test(a.id))
      return told.map(a => `${a.id}: ${a.text}`)
    }
    const late = (tempC: number) => (h: number) => (h >= 30 * 24 - 30 ? tempC : 28)
    // 28 °C is 82.4 °F, 38 °C 100.4 °F (NIST: t/°F = 1.8 t/°C + 32)
    expect(texts(late(38)).join()).toMatch(/eggHeat:inc: .*up to 100\.4 °F/)
    expect(texts(late(30)).join()).toMatch(/eggOff:inc: .*read 86 °F .*set to 82\.4 °F/)
    expect(texts(late(15)).join()).toMatch(/eggCold:inc: .*is at 59 °F and set to 82\.4 °F/)
    expect(texts(h => (h % 24 < 12 ? 25 : 31)).join()).toMatch(/eggSwing:inc: .*from 77 °F to 87\.8 °F/)
    for (const text of [late(38), late(30), late(15)].flatMap(texts)) expect(text).not.toContain('°C')
  })

  it('in a room that is warm enough it never stands still, and is only watched', () => {
    const [alarm] = alarms(cut(4, 19))
    expect(alarm).toMatchObject({ id: 'eggCold:inc', level: 'watch' })
    expect(alarm!.text).not.toContain('stands still')
  })

  it('is silent while all is well, and of what is one hour only', () => {
    const made = house()
    made.lay('C-1', -30)
    made.b.readings(
      'inc',
      hourly(30 * 24, h => 28 + 0.2 * Math.sin(h)),
    )
    expect(alarms(made)).toEqual([])
    expect(alarms(cut(1, 10)).map(a => a.id)).not.toContain('eggCold:inc')
  })

  it('a thermostat that drifts is told with what a day of it is worth, one that hunts with its swing', () => {
    const of = (temp: (h: number) => number) => {
      const made = house()
      made.lay('C-1', -30)
      made.b.readings('inc', hourly(30 * 24, temp))
      return alarms(made).map(a => a.id)
    }
    expect(of(() => 29.4)).toEqual(['eggOff:inc'])
    expect(of(h => 28 + 2 * Math.sin(h))).toEqual(['eggSwing:inc'])
    expect(of(() => 37)).toEqual(['eggHeat:inc'])
  })
})

describe('eggs of which nothing is said', () => {
  it('are asked after for a week, one tap an incubator, and not when it is said', () => {
    const asked = (days: number, data: object) => {
      const made = house()
      made.lay('C-1', days, { placeId: null, tempC: null, ...data })
      return made.season().tasks.find(t => t.id === 'where:C-1')
    }
    expect(asked(-2, {})!.actions.map(a => [a.label, a.data])).toEqual([
      ['inc', { placeId: 'inc' }],
      ['warm', { placeId: 'warm' }],
    ])
    expect(asked(-2, { tempC: 28 })).toBeUndefined()
    expect(asked(-2, { placeId: 'inc' })).toBeUndefined()
    expect(asked(-9, {})).toBeUndefined()
  })
})

describe('what is seen rules over the clock', () => {
  const tortoise = (laidDays: number, ...pips: [days: number, count: number][]) => {
    const made = house('hermanns-tortoise')
    const clutch = made.lay('C-1', laidDays, { eggs: 5 })
    made.b.write('candled', clutch, laidDays + 10, { good: 4 })
    for (const [days, count] of pips) made.b.write('pipped', clutch, days, { count })
    return made
  }

  it('a pip brings the hatch to within its days, however early or late by the table', () => {
    const { latest } = speciesOf(almanac, 'hermanns-tortoise').incubation!.pipToOut!
    for (const laidDays of [-45, -66, -95]) {
      const when = summarise(hatchOf(tortoise(laidDays, [0, 1]), 'C-1').dist)!
      expect(when.low).toBeGreaterThanOrEqual(today)
      expect(when.high).toBeLessThanOrEqual(today + latest + 1)
      expect(hatchOf(tortoise(laidDays, [0, 1]), 'C-1').dist.never).toBeLessThan(0.05)
    }
  })

  it('a pipped egg is counted for more than a whole one, and the day moves on while nothing is written', () => {
    const young = (made: Made) => made.season().lanes.find(l => l.title === 'C-1')!.young.value
    expect(young(tortoise(-66, [0, 3]))).toBeGreaterThan(young(tortoise(-66)))
    expect(young(tortoise(-66, [0, 3]))).toBeLessThanOrEqual(4)
    for (const ago of [1, 5, 12, 40])
      expect(median(tortoise(-66 - ago, [-ago, 1]), 'C-1')).toBeGreaterThanOrEqual(today)
  })
})

describe('spawn', () => {
  const spawn = (hatchedAgo: number | null, counted?: object) => {
    const made = house('fire-bellied-toad')
    const clutch = made.lay('S-1', -20, { eggs: 100, placeId: null })
    if (counted) made.b.write('clutchCounted', clutch, -19, counted as Record<string, unknown>)
    if (hatchedAgo !== null) made.b.write('hatched', clutch, -hatchedAgo, { count: 60 })
    return seasonOfHouse(houseOf(made.b.records()), almanac, settings, today).season.mouths.find(m =>
      m.id.endsWith(':eggs'),
    )
  }

  it('that is left two weeks after the first tadpoles is no longer counted', () => {
    expect(spawn(10)!.count).toMatchObject({ kind: 'eggs', eggs: { likely: 40 } })
    expect(spawn(14)).toBeUndefined()
  })

  it('counted by squares keeps the range of its count in the mouths', () => {
    expect(spawn(null, { eggs: 900, low: 810, high: 990 })!.count).toMatchObject({
      eggs: { earliest: 810, likely: 900, latest: 990 },
    })
  })
})

describe('a group that lays', () => {
  const group = (laid: number | null, ...looks: number[]) => {
    const b = new HouseBuilder(today)
    b.group('M', 'mourning-gecko', -300, { female: 5 })
    const subject = { type: 'group' as const, id: 'M' }
    if (laid !== null)
      b.write('groupLaid', subject, laid, { tag: 'C-1', eggs: 2, slugs: 0, tempC: null, placeId: null })
    for (const days of looks) b.write('nestLooked', subject, days, { found: 'nothing' })
    return seasonOfHouse(houseOf(b.records()), almanac, settings, today).season.tasks.find(t => t.id === 'nest:M')
  }

  it('has its nests looked through weekly while another clutch may follow, three taps', () => {
    expect(group(-8)!.actions.map(a => a.label)).toEqual(['Nothing', 'A slug', 'Eggs'])
    expect(group(-5)).toBeUndefined()
    expect(group(-20, -3)).toBeUndefined()
    expect(group(-20, -9)).toBeDefined()
    expect(group(null)).toBeUndefined()
    expect(group(-290)).toBeUndefined()
  })
})

describe('the way out of the egg', () => {
  const tortoise = (...said: [kind: string, days: number, data: object][]) => {
    const made = house('hermanns-tortoise')
    const clutch = made.lay('C-1', -66, { eggs: 5 })
    for (const [kind, days, data] of said) made.b.write(kind, clutch, days, data as Record<string, unknown>)
    return made.season().tasks.filter(t => t.id.endsWith(':C-1'))
  }

  it('a pip is left, then looked at, then someone trained is asked; nobody is told to cut', () => {
    const what = (days: number) => tortoise(['pipped', -days, { count: 2 }])[0]!
    expect(what(2).what).toBe('2 pipped 2 days ago: leave')
    expect(what(7).what).toBe('2 pipped 7 days ago: look, do not pull')
    expect(what(12).what).toBe('2 pipped 12 days ago: ask the vet, or someone trained')
    for (const d of [2, 7, 12])
      expect(
        `${what(d).caution} ${what(d)
          .actions.map(a => a.label)
          .join()}`,
      ).not.toMatch(/\bcut the|open the/i)
  })

  it('an egg behind its mates is told, and late eggs are not cut off two weeks after the first', () => {
    const late = tortoise(['hatched', -16, { count: 4 }], ['eggsChecked', -15, {}])
    expect(late[0]!.what).toMatch(/^1 egg is behind the mates by 16 days|^Candle a last time/)
    const early = tortoise(['hatched', -4, { count: 4 }])
    expect(early[0]).toMatchObject({ what: '1 egg is behind the mates by 4 days: look, do not pull' })
  })
})
