import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf, withOverrides } from '../almanac'
import { foldHouse, type House } from '../subjects'
import { dayFromIso } from '../units'
import {
  assignPlaces,
  bodyCondition,
  hasWinter,
  judgeEligibility,
  lightHoursAt,
  programmeOf,
  setpointAt,
  setpoints,
  shareChecks,
  shellMassG,
  winterReport,
  type Fitness,
  type WarmUp,
} from '.'

const today = 20_000
const context = { almanac: shippedAlmanac, schools: {} as Record<string, string> }
const animal = (id: string) => ({ type: 'animal' as const, id })
const species = (id: string) => {
  const s = speciesOf(shippedAlmanac, id)
  if (!hasWinter(s)) throw new Error(`${id} has no winter`)
  return s
}
const houseOf = (b: HouseBuilder): House => foldHouse(b.records())

describe('who may be cooled', () => {
  const grown = () => new HouseBuilder(today).animal('K-1', 'california-kingsnake', { sex: 'female' })
  const judge = (b: HouseBuilder, { gravid = false, coolDay = today, schools = {} as Record<string, string> } = {}) => {
    const house = houseOf(b)
    const a = house.animals['K-1']!
    return judgeEligibility(speciesOf(shippedAlmanac, a.speciesId), a, gravid, coolDay, today, {
      almanac: shippedAlmanac,
      schools,
    }).value
  }
  const weighed = (b: HouseBuilder, ...list: [number, number][]) => {
    for (const [day, massG] of list) b.write('weighed', animal('K-1'), day, { massG })
    return b
  }
  const fed = (b: HouseBuilder, day: number) => (
    b.write('fed', animal('K-1'), day, { prey: 'mouse.adult', offered: 1, taken: 1 }),
    b
  )

  it('a grown, well, weighed animal with a clear gut', () => {
    expect(judge(fed(weighed(grown(), [-200, 590], [-3, 600]), -14))).toMatchObject({
      fitness: 'cool',
      text: 'May be cooled',
    })
  })

  it('not before the gut is clear: 10–14 days for snakes, 2–4 weeks for tortoises (common practice)', () => {
    expect(judge(fed(weighed(grown(), [-3, 600]), -4))).toMatchObject({ fitness: 'notYet', from: today - 4 + 12 })
    const tortoise = new HouseBuilder(today).animal('K-1', 'hermanns-tortoise')
    expect(judge(fed(weighed(tortoise, [-3, 1200]), -16))).toMatchObject({ fitness: 'notYet', from: today - 16 + 21 })
    expect(judge(fed(weighed(grown(), [-3, 600]), -4), { coolDay: today + 10 })).toMatchObject({
      fitness: 'cool',
      from: today + 8,
    })
  })

  it.each<[string, (b: HouseBuilder) => HouseBuilder, Fitness]>([
    ['thin against its own best', b => weighed(b, [-300, 700], [-3, 560]), 'keepUp'],
    ['lean', b => weighed(b, [-300, 660], [-3, 595]), 'shorten'],
    ['never weighed', b => b, 'notYet'],
    ['weighed long ago', b => weighed(b, [-60, 600]), 'notYet'],
    [
      'with an open sign',
      b => {
        weighed(b, [-3, 600]).write('checked', animal('K-1'), -2, { well: false, signs: ['skin'] })
        return b
      },
      'notYet',
    ],
  ])('%s', (_, make, fitness) => {
    expect(judge(make(grown())).fitness).toBe(fitness)
  })

  it('thinner than when it went into last winter counts too', () => {
    const b = weighed(grown(), [-400, 700], [-3, 600])
    b.write('cooledDown', animal('K-1'), -395)
    b.write('warmedUp', animal('K-1'), -320)
    const judged = bodyCondition(species('california-kingsnake'), houseOf(b).animals['K-1']!, shippedAlmanac.common)!
    expect(judged.value.ofLastWinter).toBeCloseTo(600 / 700, 6)
    expect(judged.value.state).toBe('lean')
    // where a house draws the line is its own number
    const own = withOverrides(shippedAlmanac, [{ path: 'common.thinShare.value', value: 0.9 }])
    expect(bodyCondition(species('california-kingsnake'), houseOf(b).animals['K-1']!, own.common)!.value.state).toBe(
      'thin',
    )
  })

  it('gravid waits; hatchlings by the school; species without a winter stay up', () => {
    expect(judge(weighed(grown(), [-3, 600]), { gravid: true }).fitness).toBe('notYet')
    const young = () =>
      weighed(new HouseBuilder(today).animal('K-1', 'california-kingsnake', { bornDay: today - 100 }), [-3, 25])
    expect(judge(young()).fitness).toBe('keepUp')
    expect(judge(young(), { schools: { hatchlingWinter: 'short' } })).toMatchObject({
      fitness: 'shorten',
      holdDays: 28,
    })
    expect(judge(new HouseBuilder(today).animal('K-1', 'leopard-gecko')).fitness).not.toBe('cool')
  })

  it('a tortoise too light for its shell is kept up, with the ratio told', () => {
    // 18 cm: 0.191 · 18³ = 1113.9 g (constant from memory, law of Jackson 1980)
    const hermann = species('hermanns-tortoise')
    expect(shellMassG(hermann.shellMass!, 180)).toBeCloseTo(1113.9, 0)
    const b = weighed(new HouseBuilder(today).animal('K-1', 'hermanns-tortoise'), [-3, 880])
    b.write('measured', animal('K-1'), -3, { mm: 180 })
    expect(judge(b)).toMatchObject({ fitness: 'keepUp', condition: { shell: { ratio: expect.closeTo(0.79, 2) } } })
  })
})

describe('the programme', () => {
  const cool = dayFromIso('2026-12-01')
  const programme = (warmUp: WarmUp, id = 'california-kingsnake') =>
    programmeOf(species(id), { ...context, schools: { warmUp } }, cool)

  it('counts from the last meal to the first small one: fast 10–14 days, about three months of cold (common practice)', () => {
    const p = programme('steps')
    expect([
      p.coolDay - p.lastMealDay,
      p.wakeDay - p.coolDay,
      p.warmDay - p.wakeDay,
      p.firstMealDay - p.warmDay,
    ]).toEqual([12, 77, 3, 2])
    expect(p.holdC).toBeGreaterThanOrEqual(10)
    expect(p.holdC).toBeLessThanOrEqual(15)
    expect(programmeOf(species('hermanns-tortoise'), context, cool).bathDays.length).toBeGreaterThan(4)
  })

  it('warms for as many days as an own number of the school says, and ends as warm', () => {
    const own = withOverrides(shippedAlmanac, [{ path: 'schools.warmUp.choices.1.fact.value', value: 5 }])
    const p = programmeOf(species('california-kingsnake'), { almanac: own, schools: { warmUp: 'steps' } }, cool)
    expect(p.warmDay - p.wakeDay).toBe(5)
    expect(setpointAt(p, p.warmDay * 24 + 1)).toBe(27)
  })

  it.each<[WarmUp, number[]]>([
    // at once; 21 °C, then 27 °C for two days; a degree or two a day for a week (common practice)
    ['atOnce', [27, 27, 27]],
    ['steps', [21, 27, 27]],
    ['gradual', [12.3, 14.5, 18.7]],
  ])('warms %s', (warmUp, temps) => {
    const p = programme(warmUp)
    const at = [2, 26, 74].map(h => setpointAt(p, p.wakeDay * 24 + h))
    at.forEach((t, i) => expect(Math.abs(t - temps[i]!)).toBeLessThan(0.3))
    for (const hour of [p.coolDay * 24 - 100, p.warmDay * 24 + 100]) expect(setpointAt(p, hour)).toBe(27)
    expect(setpointAt(p, p.holdDay * 24 + 5)).toBe(12)
  })

  it('falls and rises without a step outside the schools that have one, and never leaves its corners', () => {
    for (const warmUp of ['atOnce', 'steps', 'gradual'] as const) {
      const corners = setpoints(programme(warmUp)).map(c => c.tempC)
      for (let hour = (cool - 20) * 24; hour < (cool + 120) * 24; hour += 7) {
        const t = setpointAt(programme(warmUp), hour)
        expect(t).toBeGreaterThanOrEqual(Math.min(...corners))
        expect(t).toBeLessThanOrEqual(Math.max(...corners))
      }
    }
  })

  it('own ways of a group stand over the species, and say so', () => {
    const p = programmeOf(
      species('california-kingsnake'),
      context,
      cool,
      { holdC: 13, holdDays: 60, warmUp: 'gradual', gutClearDays: 14 },
      'W-9',
    )
    expect([p.holdC, p.wakeDay - cool, p.warmDay - p.wakeDay, cool - p.lastMealDay]).toEqual([13, 60, 7, 14])
    expect(p.reasons[0]!.inputs.some(i => i.from.kind === 'setting' && i.from.name === 'W-9')).toBe(true)
  })

  it('is dark in the hold, by the sun outside before and after', () => {
    const p = programme('steps')
    expect(lightHoursAt(p, p.holdDay + 10, 52)).toBe(0)
    expect(lightHoursAt(p, p.coolDay - 5, 52)).toBeCloseTo(8.1, 0)
    expect(lightHoursAt(p, p.coolDay - 5, null)).toBe(12)
    const down = Array.from({ length: p.holdDay - p.coolDay }, (_, i) => lightHoursAt(p, p.coolDay + i, 52))
    expect([...down].sort((a, b) => b - a)).toEqual(down)
  })

  it('a rest knows day and night, and the male goes in a week before its end (common practice)', () => {
    const p = programmeOf(species('fat-tailed-gecko'), context, cool)
    expect(p.kind).toBe('dormancy')
    expect(p.wakeDay - p.maleDay!).toBe(7)
    expect(setpointAt(p, (p.holdDay + 3) * 24)).toBeLessThan(setpointAt(p, (p.holdDay + 3) * 24 + 12))
  })
})

describe('company and places', () => {
  const b = () =>
    new HouseBuilder(today)
      .place('chest', { kind: 'cold', tempC: 12, capacity: 2 })
      .place('fridge', { kind: 'cold', tempC: 5, capacity: 1 })
  const add = (h: HouseBuilder, id: string, speciesId: string, sex: 'male' | 'female' | 'unknown', massG: number) => {
    h.animal(id, speciesId, { sex }).write('weighed', animal(id), -2, { massG })
    return h
  }
  const failing = (h: HouseBuilder, x: string, y: string) => {
    const house = houseOf(h)
    const side = (id: string) => ({
      animal: house.animals[id]!,
      species: speciesOf(shippedAlmanac, house.animals[id]!.speciesId),
    })
    return shareChecks(side(x), side(y))
      .filter(c => !c.ok)
      .map(c => c.rule)
  }

  it('same sex, same species, alike in size, never those that eat snakes (common practice)', () => {
    let h = b()
    h = add(h, 'a', 'corn-snake', 'female', 500)
    h = add(h, 'b', 'corn-snake', 'female', 600)
    h = add(h, 'c', 'corn-snake', 'male', 500)
    h = add(h, 'd', 'corn-snake', 'female', 900)
    h = add(h, 'k', 'california-kingsnake', 'female', 500)
    h = add(h, 'l', 'california-kingsnake', 'female', 510)
    expect(failing(h, 'a', 'b')).toEqual([])
    expect(failing(h, 'a', 'c')).toHaveLength(1)
    expect(failing(h, 'a', 'd')[0]).toMatch(/1\.8 ×/)
    expect(failing(h, 'k', 'l')).toEqual(['Neither eats snakes'])
    expect(failing(h, 'a', 'k').length).toBeGreaterThan(1)
  })

  it('puts each into a place of its temperature, and says who does not fit and why', () => {
    let h = b()
    for (const id of ['a', 'b', 'c']) h = add(h, id, 'california-kingsnake', 'female', 500)
    h = add(h, 't', 'hermanns-tortoise', 'female', 1200)
    h = add(h, 'u', 'hermanns-tortoise', 'female', 1200)
    const { placed, unplaced } = assignPlaces(houseOf(h), ['a', 'b', 'c', 't', 'u'], context)
    expect(placed.filter(p => p.placeId === 'chest')).toHaveLength(2)
    expect(placed.filter(p => p.placeId === 'fridge')).toHaveLength(1)
    expect(unplaced).toHaveLength(2)
    expect(unplaced.every(x => /No room/.test(x.why))).toBe(true)
    const nowhere = assignPlaces(
      houseOf(add(new HouseBuilder(today), 'a', 'corn-snake', 'female', 500)),
      ['a'],
      context,
    )
    expect(nowhere.unplaced[0]!.why).toMatch(/No cold place of 10–15 °C/)
  })

  it('pairs them up where the school allows, so that twice as many fit', () => {
    let h = b()
    for (const [i, id] of ['a', 'b', 'c', 'd'].entries()) h = add(h, id, 'corn-snake', 'female', 500 + i * 10)
    expect(assignPlaces(houseOf(h), ['a', 'b', 'c', 'd'], context).unplaced).toHaveLength(2)
    expect(
      assignPlaces(houseOf(h), ['a', 'b', 'c', 'd'], { ...context, schools: { coldCompany: 'pairs' } }),
    ).toMatchObject({ unplaced: [], placed: [{ animalIds: ['a', 'b'] }, { animalIds: ['c', 'd'] }] })
  })

  it('places as many animals as any way of placing them does (brute force over random rooms and tubs)', () => {
    const kinds = ['corn-snake', 'hermanns-tortoise', 'rosy-boa', 'fire-bellied-toad'] as const
    const arb = fc.record({
      rooms: fc.array(fc.record({ tempC: fc.integer({ min: 3, max: 16 }), capacity: fc.integer({ min: 0, max: 2 }) }), {
        minLength: 1,
        maxLength: 3,
      }),
      animals: fc.array(fc.record({ kind: fc.constantFrom(...kinds), massG: fc.constantFrom(400, 500) }), {
        minLength: 1,
        maxLength: 7,
      }),
    })
    let short = 0
    fc.assert(
      fc.property(arb, ({ rooms, animals }) => {
        const h = new HouseBuilder(today)
        rooms.forEach((r, i) => h.place(`room ${i}`, { kind: 'cold', ...r }))
        animals.forEach(({ kind, massG }, i) => add(h, `a${i}`, kind, 'female', massG))
        const ids = animals.map((_, i) => `a${i}`)
        const pairs = { ...context, schools: { coldCompany: 'pairs' } }
        const house = houseOf(h)
        const { placed } = assignPlaces(house, ids, pairs)
        // the tubs that are made of them when there is room for all, and the band of each
        const inRooms = (temps: number[], capacity: number | null, of: string[]) => {
          const b = new HouseBuilder(today)
          temps.forEach(t => b.place(`${t}`, { kind: 'cold', tempC: t, capacity }))
          for (const id of of)
            add(b, id, animals[Number(id.slice(1))]!.kind, 'female', animals[Number(id.slice(1))]!.massG)
          return assignPlaces(houseOf(b), of, pairs).placed
        }
        const wide = inRooms(
          Array.from({ length: 20 }, (_, t) => t + 1),
          null,
          ids,
        )
        const fits = wide.map(tub =>
          rooms.flatMap((r, i) =>
            inRooms([r.tempC], 1, tub.animalIds).some(p => p.animalIds.length === tub.animalIds.length) ? [i] : [],
          ),
        )
        const best = (t: number, left: number[]): number => {
          if (t === wide.length) return 0
          return Math.max(
            best(t + 1, left),
            ...fits[t]!.filter(i => left[i]! > 0).map(
              i =>
                wide[t]!.animalIds.length +
                best(
                  t + 1,
                  left.map((n, k) => (k === i ? n - 1 : n)),
                ),
            ),
          )
        }
        const most = best(
          0,
          rooms.map(r => r.capacity),
        )
        const had = placed.reduce((n, p) => n + p.animalIds.length, 0)
        if (had < animals.length) short++
        expect(had).toBe(most)
        rooms.forEach((r, i) =>
          expect(placed.filter(p => p.placeId === `room ${i}`).length).toBeLessThanOrEqual(r.capacity),
        )
      }),
      { numRuns: 150 },
    )
    expect(short).toBeGreaterThan(10)
  }, 60_000)

  it('counts those that lie there already', () => {
    let h = b()
    h = add(h, 'in', 'corn-snake', 'female', 500)
    h.write('cooledDown', animal('in'), -5, { placeId: 'chest' })
    for (const id of ['a', 'b']) h = add(h, id, 'corn-snake', 'female', 500)
    expect(assignPlaces(houseOf(h), ['a', 'b'], context).unplaced).toHaveLength(1)
  })
})

describe('the report of winters', () => {
  it('tells loss, days and incidents per animal and species, year against year', () => {
    const b = new HouseBuilder(dayFromIso('2026-11-25')).animal('K-1', 'corn-snake')
    const winter = (cooled: number, warmed: number, from: number, to: number) => {
      b.write('weighed', animal('K-1'), cooled - 2, { massG: from })
      b.write('cooledDown', animal('K-1'), cooled)
      b.write('weighed', animal('K-1'), warmed, { massG: to })
      b.write('warmedUp', animal('K-1'), warmed)
    }
    winter(-700, -620, 500, 480)
    winter(-340, -250, 520, 509.6)
    b.write('checked', animal('K-1'), -700 + 20, { well: false, signs: ['skin'] })
    const { records, bySpecies } = winterReport(houseOf(b), shippedAlmanac, b.today)
    expect(records.map(r => [r.year, r.days, r.incidents])).toEqual([
      [2025, 90, 0],
      [2024, 80, 1],
    ])
    expect(records.map(r => r.lost)).toEqual([expect.closeTo(0.02, 6), expect.closeTo(0.04, 6)])
    expect(bySpecies[0]).toMatchObject({ year: 2025, animals: 1, meanDays: 90, worstLost: { tag: 'K-1' } })
  })

  it('a southern winter is one winter, cooled in May or in July', () => {
    const b = new HouseBuilder(dayFromIso('2026-11-25'))
    for (const [id, cooled] of [
      ['A', '2026-05-20'],
      ['B', '2026-07-03'],
    ] as const) {
      b.animal(id, 'corn-snake')
      b.write('cooledDown', animal(id), dayFromIso(cooled) - b.today)
      b.write('warmedUp', animal(id), dayFromIso('2026-09-10') - b.today)
    }
    const years = (south: boolean) =>
      winterReport(houseOf(b), shippedAlmanac, b.today, south).bySpecies.map(s => [s.year, s.animals])
    expect(years(true)).toEqual([[2026, 2]])
    // read as a northern house they would be two
    expect(years(false)).toEqual([
      [2026, 1],
      [2025, 1],
    ])
  })
})
