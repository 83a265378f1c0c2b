import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { kindsInTurn, mostOfKind, preyInTurn, whoseTurn } from '.'

const today = 20_000
const gecko = speciesOf(shippedAlmanac, 'fat-tailed-gecko')
const { feeders } = shippedAlmanac
const all = () => true
const inTurn = { schools: { preyVariety: 'inTurn' } }

describe('whose turn it is', () => {
  it('shares out as D’Hondt does: his example of 100, 80, 30 and 20 thousand votes for 8 seats (textbook, from memory)', () => {
    const kinds = [100, 80, 30, 20].map((part, i) => ({ prey: `${i}`, part }))
    const had = new Map<string, number>()
    for (let seat = 0; seat < 8; seat++) {
      const { prey } = whoseTurn(kinds, id => had.get(id) ?? 0, 1)
      had.set(prey, (had.get(prey) ?? 0) + 1)
    }
    expect(kinds.map(k => had.get(k.prey) ?? 0)).toEqual([4, 3, 1, 0])
  })

  it('gives each kind its part in the long run, to a meal', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 }), parts => {
        const whole = parts.reduce((a, b) => a + b, 0)
        const kinds = parts.map((part, i) => ({ prey: `${i}`, part }))
        const had = parts.map(() => 0)
        for (let meal = 0; meal < 20 * whole; meal++) had[Number(whoseTurn(kinds, id => had[Number(id)]!, 1).prey)]!++
        // D'Hondt may be off by a seat for each of the others
        had.forEach((n, i) => expect(Math.abs(n - 20 * parts[i]!)).toBeLessThan(parts.length))
      }),
    )
  })
})

describe('the kinds that are given in turn', () => {
  const crickets = { prey: 'cricket.half', count: 4 }
  const ids = (of: ReturnType<typeof kindsInTurn>) => of.map(k => k.prey)

  it('are the usual prey and what may stand for it, as many as make up a whole, by weight', () => {
    const kinds = kindsInTurn(shippedAlmanac, crickets, { never: [], ladder: [] }, 0.4, all)
    // roach.small and cricket.quarter may stand for all: 40, 40 and 20 %
    expect(ids(kinds)).toEqual(['cricket.half', 'roach.small', 'cricket.quarter'])
    expect(kinds.map(k => Math.round(100 * k.part))).toEqual([40, 40, 20])
    expect(kinds[1]!.pieces).toBeCloseTo(
      feeders['cricket.half']!.massG.likely / feeders['roach.small']!.massG.likely,
      9,
    )
  })

  it('never what a species is not given, nor what is not there, nor more of one than it may stand for', () => {
    const few = kindsInTurn(shippedAlmanac, crickets, { never: ['roach.small', 'locust.small'], ladder: [] }, 0.4, id =>
      ['roach.small', 'locust.small', 'waxworm', 'mealworm'].includes(id),
    )
    expect(ids(few)).toEqual(['cricket.half', 'mealworm', 'waxworm'])
    expect(few.map(k => Math.round(100 * k.part))).toEqual([40, 30, 15])
  })

  it('leave the usual prey so much of itself as the ladder asks for', () => {
    const asking = (least: number) => {
      const ladder = [{ ...gecko.ladder[0]!, meal: [{ ...crickets, least }] }]
      return kindsInTurn(shippedAlmanac, crickets, { never: [], ladder }, 0.4, all).map(k => Math.round(100 * k.part))
    }
    expect(asking(0.3)).toEqual([40, 40, 20])
    expect(asking(0.7)).toEqual([70, 30])
    expect(asking(1)).toEqual([100])
  })

  it('are asked for as many as make up for the meal', () => {
    const asked: Record<string, number> = {}
    kindsInTurn(shippedAlmanac, crickets, { never: [], ladder: [] }, 0.4, (id, count) => (asked[id] = count) > 0)
    const mass = (id: string) => feeders[id]!.massG.likely
    for (const [id, count] of Object.entries(asked))
      expect(Math.abs(count * mass(id) - 4 * mass('cricket.half'))).toBeLessThanOrEqual(mass(id) / 2 + 1e-9)
  })
})

describe('meals in turn', () => {
  /** Meals of a gecko by the school, one every second day. */
  const fed = (meals: number, isThere: (id: string) => boolean, meal = [{ prey: 'cricket.half', count: 4 }]) => {
    const eaten: { day: number; prey: string; taken: number }[] = []
    for (let i = 0; i < meals; i++) {
      const day = today + 2 * i
      const given = preyInTurn(shippedAlmanac, inTurn, gecko, eaten, meal, day, isThere)!.value
      for (const { prey, count } of given) eaten.push({ day, prey, taken: count })
    }
    return eaten
  }
  const sharesOf = (eaten: readonly { prey: string; taken: number }[]) => {
    const grams = new Map<string, number>()
    for (const { prey, taken } of eaten) grams.set(prey, (grams.get(prey) ?? 0) + taken * feeders[prey]!.massG.likely)
    const whole = [...grams.values()].reduce((a, b) => a + b, 0)
    return new Map([...grams].map(([prey, g]) => [prey, g / whole]))
  }

  it('are of three kinds at least, and none much more than two fifths', () => {
    const shares = sharesOf(fed(60, all))
    expect(shares.size).toBeGreaterThanOrEqual(3)
    for (const share of shares.values()) expect(share).toBeLessThan(0.45)
  })

  it('begin with the usual prey, and stay with it where nothing else is there, which is said', () => {
    expect(fed(1, all)[0]!.prey).toBe('cricket.half')
    const none = () => false
    expect(new Set(fed(20, none).map(m => m.prey))).toEqual(new Set(['cricket.half']))
    const [reason] = preyInTurn(
      shippedAlmanac,
      inTurn,
      gecko,
      [],
      [{ prey: 'cricket.half', count: 4 }],
      today,
      none,
    )!.reasons
    expect(reason!.rule).toContain('nothing else that may stand for it is there')
  })

  it('of two kinds at once may stay as they are where neither is more than its share', () => {
    const half = feeders['cricket.half']!.massG.likely
    const roaches = { prey: 'roach.small', count: Math.round((4 * half) / feeders['roach.small']!.massG.likely) }
    const own = { ...shippedAlmanac.schools.preyVariety!, usual: 'inTurn' }
    own.choices = own.choices.map(c => (c.id === 'inTurn' ? { ...c, fact: { ...c.fact!, value: 0.6 } } : c))
    const almanac = { ...shippedAlmanac, schools: { ...shippedAlmanac.schools, preyVariety: own } }
    const meal = [{ prey: 'cricket.half', count: 4 }, roaches]
    const before = [{ day: today - 2, prey: 'cricket.half', taken: 40 }]
    expect(preyInTurn(almanac, { schools: {} }, gecko, before, meal, today, all)!.value).toEqual(meal)
  })

  it('of two kinds at once know of each other: a third is not given for both where once is its part', () => {
    const [adult, nymph] = [feeders['cricket.adult']!.massG.likely, feeders['roach.nymph']!.massG.likely]
    const count = Math.round((20 * adult) / nymph)
    const meal = [
      { prey: 'cricket.adult', count: 20 },
      { prey: 'roach.nymph', count },
    ]
    // of each half a meal is wanted, so four fifths of it; of nymphs there were five such halves: six over 0.8 stand
    // between one and two over 0.2
    const before = [
      { day: today - 2, prey: 'cricket.adult', taken: 400 },
      { day: today - 2, prey: 'roach.nymph', taken: 5 * count },
    ]
    const given = preyInTurn(shippedAlmanac, inTurn, gecko, before, meal, today, id => id === 'cricket.half')!.value
    expect(given.map(p => p.prey)).toEqual(['cricket.half', 'roach.nymph'])
  })

  it('count by what was eaten, not by what was offered, and no longer ago than is looked back', () => {
    const meal = [{ prey: 'cricket.half', count: 4 }]
    const next = (meals: Parameters<typeof preyInTurn>[3]) =>
      preyInTurn(shippedAlmanac, inTurn, gecko, meals, meal, today, all)!.value[0]!.prey
    const crickets = (day: number, taken: number) => ({ day, prey: 'cricket.half', taken })
    expect(next([crickets(today - 2, 4)])).toBe('roach.small')
    expect(next([crickets(today - 2, 0)])).toBe('cricket.half')
    expect(next([crickets(today - shippedAlmanac.common.turnDays!.value, 4)])).toBe('cricket.half')
    // of a prey that the almanac does not know any more nothing is counted
    expect(next([{ day: today - 2, prey: 'gone.by', taken: 9 }])).toBe('cricket.half')
  })

  it('are for who lives on insects, by the school of the species or the house', () => {
    const snake = speciesOf(shippedAlmanac, 'corn-snake')
    const { schools } = inTurn
    expect(mostOfKind(shippedAlmanac, schools, snake)).toBe(1)
    expect(mostOfKind(shippedAlmanac, schools, gecko)).toBe(0.4)
    expect(mostOfKind(shippedAlmanac, {}, gecko)).toBe(1)
    expect(mostOfKind(shippedAlmanac, { 'preyVariety@fat-tailed-gecko': 'inTurn' }, gecko)).toBe(0.4)
    expect(preyInTurn(shippedAlmanac, { schools: {} }, gecko, [], [], today, all)).toBeNull()
  })
})
