import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac } from '../../almanac'
import { EGG_STATES, checkEntry, eggsLeft, foldHouse, notPlaced, pippedNow, type ClutchState } from '..'

const today = 20_000

function laid(eggs = 6, slugs = 0, more: object = {}) {
  const b = new HouseBuilder(today)
    .place('inc', { kind: 'incubator', tempC: 28 })
    .place('warm', { kind: 'incubator', tempC: 31 })
    .animal('G-1', 'fat-tailed-gecko', { sex: 'female' })
  const pair = b.pair('G-1', null, -100)
  const id = b.write('laid', { type: 'pairing', id: pair }, -40, { tag: 'C-1', eggs, slugs, placeId: 'inc', ...more })
  const clutch = { type: 'clutch' as const, id }
  const state = (): ClutchState => foldHouse(b.records()).clutches[id]!
  /** Writes when the house takes it, and says why not otherwise. */
  const say = (kind: string, data: Record<string, unknown>, day = -10): string | null => {
    const records = b.records()
    const at = new Date((today + day) * 86_400_000 + 43_200_000).toISOString()
    const entry = { id: `try-${kind}`, at, day: today + day, subject: clutch, kind, data, source: 'keeper' as const }
    const house = foldHouse(records)
    const [problem] = checkEntry(entry, { house, records, almanac: shippedAlmanac, today })
    if (problem) return problem.message
    b.write(kind, clutch, day, data)
    return null
  }
  return { b, clutch, state, say }
}

const eggs = (...list: [n: number, state: string, more?: object][]) => ({
  eggs: list.map(([n, state, more]) => ({ n, state, ...more })),
})

describe('eggs one by one', () => {
  it('keep the counts with them: a slug, a dead one and one that came out', () => {
    const { say, state } = laid()
    expect(
      say(
        'eggsSeen',
        eggs([1, 'sound', { signs: ['vessels'] }], [2, 'slug'], [3, 'dead', { end: 'early' }], [4, 'out']),
      ),
    ).toBeNull()
    const c = state()
    expect(c).toMatchObject({ slugs: 1, eggsLost: 1, hatched: [{ count: 1 }] })
    expect(eggsLeft(c)).toBe(3)
    expect(c.rows[3]).toMatchObject({ state: 'dead', end: 'early' })
  })

  it('say which they were that were counted before, and count them once', () => {
    const { say, state } = laid(6, 1)
    say('eggsLost', { count: 1 }, -20)
    say('hatched', { count: 2 }, -15)
    expect(notPlaced(state())).toEqual({ slug: 1, dead: 1, out: 2, pipped: 0 })
    expect(say('eggsSeen', eggs([1, 'slug'], [2, 'dead'], [3, 'out'], [4, 'yolkIn']))).toBeNull()
    expect(eggsLeft(state())).toBe(2)
    expect(notPlaced(state())).toEqual({ slug: 0, dead: 0, out: 0, pipped: 0 })
    expect(say('eggsSeen', eggs([5, 'dead']), -8)).toBeNull()
    expect(eggsLeft(state())).toBe(1)
  })

  it('all looked at is candled: doubtful ones and those apart are not good', () => {
    const { say, state } = laid(4)
    say('eggsSeen', eggs([1, 'sound'], [2, 'doubtful']))
    expect(state()).toMatchObject({ good: null, lastCandled: null, lastCheck: { day: today - 10 } })
    say('eggsSeen', eggs([3, 'isolated'], [4, 'sound']), -9)
    expect(state()).toMatchObject({ good: 2, lastCandled: { day: today - 9 } })
  })

  it('only moved in the box, they were not looked at', () => {
    const { say, state } = laid(2)
    expect(say('eggsSeen', { eggs: [{ n: 1, lies: { x: 0.2, y: 0.7 } }] })).toBeNull()
    expect(state()).toMatchObject({ lastCheck: null, rows: { 1: { lies: { x: 0.2, y: 0.7 } } } })
  })

  it('refuses what cannot be, beside the egg', () => {
    const { say } = laid(3)
    expect(say('eggsSeen', eggs([9, 'sound']))).toBe('C-1 has eggs 1 to 3, and no egg 9')
    expect(say('eggsSeen', eggs([1, 'sound'], [1, 'dead']))).toBe('Egg 1 stands twice')
    say('eggsSeen', eggs([1, 'dead']))
    expect(say('eggsSeen', eggs([1, 'sound']), -9)).toMatch(/written as dead\. Take that entry back/)
    say('eggsSeen', eggs([2, 'pipped']), -9)
    expect(say('eggsSeen', eggs([2, 'doubtful']), -8)).toMatch(/is pipped/)
    expect(say('eggsLost', { count: 2 }, -8)).toBeNull()
    // both that were left are lost; of these one was egg 2
    expect(say('eggsSeen', eggs([2, 'dead'], [3, 'out']), -7)).toMatch(/C-1 has 0 eggs left/)
  })

  it('open shells wait until they are out or dead, the first first', () => {
    const { say, state } = laid(6)
    expect(pippedNow(state())).toBeNull()
    say('pipped', { count: 2 }, -5)
    say('eggsSeen', eggs([4, 'pipped']), -3)
    // egg 4 is one of the two that were counted
    expect(pippedNow(state())).toEqual({ count: 2, since: today - 5 })
    say('pipped', { count: 1 }, -2)
    say('hatched', { count: 1 }, -2)
    expect(pippedNow(state())).toMatchObject({ count: 2 })
    expect(say('pipped', { count: 9 }, -1)).toMatch(/9 cannot be pipped: C-1 has 3 eggs that are whole/)
  })

  it('never more than were laid, never fewer than none, and what is over stays over (any entries)', () => {
    const egg = fc.record({ n: fc.integer({ min: 1, max: 7 }), state: fc.constantFrom(...EGG_STATES) })
    const entry = fc.oneof(
      fc.record({
        kind: fc.constant('eggsSeen'),
        data: fc.record({ eggs: fc.array(egg, { minLength: 1, maxLength: 5 }) }),
      }),
      fc.record({
        kind: fc.constantFrom('eggsLost', 'hatched', 'pipped'),
        data: fc.record({ count: fc.integer({ min: 1, max: 3 }) }),
      }),
      fc.record({ kind: fc.constant('candled'), data: fc.record({ good: fc.integer({ min: 0, max: 6 }) }) }),
    )
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 14 }), entries => {
        const { say, state } = laid(6, 1)
        let before = eggsLeft(state())
        entries.forEach(({ kind, data }, i) => {
          const over = new Map(Object.values(state().rows).map(e => [e.n, e.state]))
          say(kind, data, -39 + i)
          const c = state()
          const out = c.hatched.reduce((n, h) => n + h.count, 0)
          expect(c.slugs + c.eggsLost + out).toBeLessThanOrEqual(c.eggs)
          expect(eggsLeft(c)).toBeLessThanOrEqual(before)
          expect(pippedNow(c)?.count ?? 0).toBeLessThanOrEqual(eggsLeft(c))
          for (const [n, was] of over)
            if (was === 'dead' || was === 'slug' || was === 'yolkIn') expect(c.rows[n]!.state).toBe(was)
          before = eggsLeft(c)
        })
      }),
      { numRuns: 120 },
    )
  })
})

describe('eggs that are moved, weighed, watered', () => {
  it('keep every stay, with what was said of its warmth', () => {
    const { say, state } = laid(4, 0, { tempC: 27 })
    expect(say('clutchMoved', { placeId: 'warm', tempC: null }, -20)).toBeNull()
    expect(state()).toMatchObject({ placeId: 'warm', tempC: null })
    expect(state().stays.map(s => [s.placeId, s.tempC])).toEqual([
      ['inc', 27],
      ['warm', null],
    ])
    expect(say('clutchMoved', { placeId: 'warm', tempC: null }, -19)).toBe('C-1 is there already')
    expect(say('clutchMoved', { placeId: 'gone', tempC: null }, -19)).toMatch(/not in the house|There is no/i)
  })

  it('a box is not lighter than what is in it', () => {
    const { say, state } = laid()
    expect(say('boxWeighed', { totalG: 400 })).toMatch(/^Write first how the box/)
    expect(say('boxSet', { medium: 'perlite', mediumG: 200, waterG: 200, totalG: 300 })).toMatch(/cannot weigh less/)
    expect(say('boxSet', { medium: 'perlite', mediumG: 200, waterG: 200, totalG: 520 }, -9)).toBeNull()
    expect(say('boxWeighed', { totalG: 150 }, -8)).toBe('The box cannot weigh less than its medium, 200 g')
    expect(say('boxWeighed', { totalG: 500 }, -8)).toBeNull()
    expect(state().boxWeights).toHaveLength(2)
  })

  it('phases are of species that have them', () => {
    expect(laid().say('phaseBegan', { index: 1 })).toMatch(/pass no phases/)
  })

  it('a programme is refused that kills, that stands on its head, or that ends before what has begun', () => {
    const cool = { name: 'Cool', earliest: 20, likely: 30, latest: 40, lowC: 12, highC: 18 }
    const { say, state } = laid()
    const set = (...phases: object[]) => say('programmeSet', { programme: { name: 'Own', phases } })
    expect(set({ ...cool, highC: 39 })).toMatch(/^Eggs of this species die above \d+ °C$/)
    expect(set({ ...cool, likely: 50 })).toMatch(/fewest days come first/)
    expect(set({ ...cool, lowC: 20 })).toMatch(/warmer end is above/)
    expect(set(cool, cool)).toBeNull()
    expect(say('phaseBegan', { index: 2 })).toBeNull()
    expect(set(cool)).toMatch(/^Phase 3 has begun/)
    expect(say('programmeSet', { programme: null })).toMatch(/^Phase 3 has begun/)
    expect(state().programme!.phases).toHaveLength(2)
    say('hatched', { count: 1 }, -5)
    expect(say('programmeSet', { programme: null }, -4)).toMatch(/some are out already/)
  })
})

describe('eggs that are counted again', () => {
  it('are as many as were counted, and never fewer than were named, lost or out', () => {
    const { say, state } = laid(6)
    say('eggsSeen', eggs([5, 'sound']))
    expect(say('clutchCounted', { eggs: 4 }, -9)).toBe('Egg 5 of C-1 has been looked at: there are 5 at least')
    expect(say('clutchCounted', { eggs: 8 }, -9)).toBeNull()
    expect(eggsLeft(state())).toBe(8)
    expect(say('hatched', { count: 7 }, -8)).toBeNull()
    expect(say('clutchCounted', { eggs: 6 }, -7)).toMatch(/^7 of C-1 are slugs, lost or out/)
  })
})

describe('eggs that were brought', () => {
  const brought = (data: object) => {
    const b = new HouseBuilder(today)
    const id = 'brought'
    b.write(
      'eggsBrought',
      { type: 'clutch', id },
      -3,
      { tag: 'C-9', speciesId: 'radiated-tortoise', eggs: 4, ...data },
      id,
    )
    return foldHouse(b.records()).clutches[id]
  }

  it('are a clutch of no pair, laid on their own day', () => {
    expect(
      brought({ laid: '2024-09-20', give: 4, from: 'a friend', slugs: 0, tempC: null, placeId: null }),
    ).toMatchObject({
      kind: 'eggs',
      pairingId: null,
      groupId: null,
      startDay: 19_986,
      startGive: 4,
      origin: 'a friend',
    })
  })

  it('are refused of live-bearers, of the future, and of years ago', () => {
    const records = new HouseBuilder(today).records()
    const check = (data: object) => {
      const at = new Date(today * 86_400_000).toISOString()
      const entry = {
        id: 'x',
        at,
        day: today,
        subject: { type: 'clutch' as const, id: 'x' },
        kind: 'eggsBrought',
        source: 'keeper' as const,
      }
      const whole = { tag: 'C-9', speciesId: 'corn-snake', eggs: 4, laid: '2024-09-20', ...data }
      return checkEntry(
        { ...entry, data: whole },
        { house: foldHouse(records), records, almanac: shippedAlmanac, today },
      )[0]
    }
    expect(check({})).toBeUndefined()
    expect(check({ speciesId: 'rosy-boa' })).toMatchObject({
      path: 'data.speciesId',
      message: 'Rosy boa bears live young',
    })
    expect(check({ laid: '2024-12-01' })).toMatchObject({ path: 'data.laid' })
    expect(check({ laid: '2020-12-01' })!.message).toMatch(/check the year/)
    expect(check({ speciesId: 'nobody' })).toMatchObject({ path: 'data.speciesId' })
  })
})
