import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../../tests/fixtures/records'
import { shippedAlmanac } from '../../almanac'
import { FoldMemory } from '../../log'
import {
  EGG_STATES,
  checkEntry,
  eggNumbers,
  eggsLeft,
  foldHouse,
  partTag,
  registry,
  type ClutchState,
  type House,
} from '..'
import { checkTakeBack } from '../../log/takeBack'

const today = 20_000

function laid(eggs = 6, data: object = {}) {
  const b = new HouseBuilder(today)
    .place('inc', { kind: 'incubator', tempC: 28 })
    .place('warm', { kind: 'incubator', tempC: 31 })
    .animal('G-1', 'fat-tailed-gecko', { sex: 'female' })
  const pair = b.pair('G-1', null, -100)
  const id = b.write('laid', { type: 'pairing', id: pair }, -40, {
    tag: 'C-1',
    eggs,
    slugs: 0,
    placeId: 'inc',
    tempC: null,
    ...data,
  })
  const house = (): House => foldHouse(b.records())
  const called = (tag: string): ClutchState | undefined => Object.values(house().clutches).find(c => c.tag === tag)
  let written = 0
  /** Writes of the clutch of a tag when the house takes it, and says why not otherwise. */
  const say = (tag: string, kind: string, data: Record<string, unknown>, day = -10): string | null => {
    const records = b.records()
    const at = new Date((today + day) * 86_400_000 + 43_200_000).toISOString()
    const subject = { type: 'clutch' as const, id: called(tag)!.id }
    const entry = { id: `try-${kind}`, at, day: today + day, subject, kind, data, source: 'keeper' as const }
    const [problem] = checkEntry(entry, { house: house(), records, almanac: shippedAlmanac, today })
    if (problem) return problem.message
    const complete = kind === 'eggsApart' ? { placeId: null, tempC: null, ...data } : data
    b.write(kind, subject, day, complete, `${kind}-${written++}`)
    return null
  }
  return { b, id, house, called, say }
}
const seen = (...list: [n: number, state: string][]) => ({ eggs: list.map(([n, state]) => ({ n, state })) })

describe('eggs that go into another box', () => {
  it('keep their numbers, what was seen of them, their day of laying and where they have lain', () => {
    const { say, called } = laid(6)
    say('C-1', 'eggsSeen', seen([2, 'doubtful'], [5, 'sound']), -20)
    expect(say('C-1', 'eggsApart', { tag: 'C-1b', eggs: [5, 2], placeId: 'warm', tempC: 30 })).toBeNull()
    const [from, part] = [called('C-1')!, called('C-1b')!]
    expect(eggNumbers(from)).toEqual([1, 3, 4, 6])
    expect(from).toMatchObject({ eggs: 4, rows: {}, placeId: 'inc' })
    expect(eggNumbers(part)).toEqual([2, 5])
    expect(part).toMatchObject({
      partOf: from.id,
      pairingId: from.pairingId,
      startDay: today - 40,
      placeId: 'warm',
      rows: { 2: { state: 'doubtful', since: { day: today - 20 } }, 5: { state: 'sound' } },
    })
    expect(part.stays.map(s => [s.placeId, s.tempC])).toEqual([
      ['inc', null],
      ['warm', 30],
    ])
  })

  it('are written of by their numbers, each in the box that it lies in', () => {
    const { say, called } = laid(6)
    say('C-1', 'eggsApart', { tag: 'C-1b', eggs: [2, 5] })
    expect(say('C-1', 'eggsSeen', seen([2, 'dead']), -5)).toBe('C-1 has egg 1, 3, 4, 6, and no egg 2')
    expect(say('C-1b', 'eggsSeen', seen([2, 'dead'], [5, 'out']), -5)).toBeNull()
    expect(called('C-1b')).toMatchObject({ eggsLost: 1, hatched: [{ count: 1 }] })
    expect(called('C-1')).toMatchObject({ eggsLost: 0, hatched: [] })
    // one more than was thought gets the next number
    say('C-1', 'clutchCounted', { eggs: 5 }, -4)
    expect(eggNumbers(called('C-1')!)).toEqual([1, 3, 4, 6, 7])
    expect(say('C-1', 'clutchCounted', { eggs: 3 }, -3)).toBeNull()
    expect(eggNumbers(called('C-1')!)).toEqual([1, 3, 4])
  })

  it('take their share of the good ones with them: named ones as they are, the others as many as of all', () => {
    const { say, called } = laid(10)
    say('C-1', 'candled', { good: 6 }, -20)
    say('C-1', 'eggsApart', { tag: 'C-1b', eggs: [1, 2, 3, 4, 5] })
    expect([called('C-1')!.good, called('C-1b')!.good]).toEqual([3, 3])
    const named = laid(4)
    named.say('C-1', 'eggsSeen', seen([1, 'doubtful'], [2, 'sound'], [3, 'sound'], [4, 'doubtful']), -20)
    named.say('C-1', 'eggsApart', { tag: 'C-1b', eggs: [1, 2] })
    expect([named.called('C-1')!.good, named.called('C-1b')!.good]).toEqual([1, 1])
  })

  it('may be divided again, and what is taken back lies in its first box as before', () => {
    const { b, say, called, house } = laid(6)
    const whole = house()
    say('C-1', 'eggsApart', { tag: 'C-1b', eggs: [2, 4, 5] }, -20)
    say('C-1b', 'eggsApart', { tag: 'C-1c', eggs: [5], placeId: 'warm' }, -10)
    expect(called('C-1c')).toMatchObject({ partOf: called('C-1b')!.id, numbers: [5] })
    expect(called('C-1c')!.stays.map(s => s.placeId)).toEqual(['inc', null, 'warm'])
    const takeBack = (id: string) =>
      checkTakeBack(registry, b.records(), {
        ...{ id: 'void', at: '', day: today, kind: 'void', data: {}, source: 'keeper' as const },
        subject: { type: 'entry', id },
      })
    // the second division stands on the first
    expect(takeBack('eggsApart-0')[0]!.message).toMatch(/1 later entry stands on this one/)
    expect(takeBack('eggsApart-1')).toEqual([])
    b.write('void', { type: 'entry', id: 'eggsApart-1' }, 0)
    expect(takeBack('eggsApart-0')).toEqual([])
    b.write('void', { type: 'entry', id: 'eggsApart-0' }, 0)
    expect(house()).toEqual(whole)
  })

  it('a box that was divided is weighed anew: what left it is no water', () => {
    const { say, called } = laid(6)
    say('C-1', 'boxSet', { medium: 'perlite', mediumG: 200, waterG: 200, totalG: 520 }, -30)
    say('C-1', 'boxWeighed', { totalG: 500 }, -20)
    say('C-1', 'eggsApart', { tag: 'C-1b', eggs: [1, 2] })
    expect(called('C-1')).toMatchObject({ box: { waterG: 200, totalG: null }, boxWeights: [] })
    expect(called('C-1b')).toMatchObject({ box: null, boxWeights: [] })
  })

  it('are refused when they are not there, pipped, not alive, all, or of another sort', () => {
    const { say } = laid(4)
    const apart = (eggs: number[], tag = 'C-1b', day = -10) => say('C-1', 'eggsApart', { tag, eggs }, day)
    expect(apart([5])).toBe('C-1 has no egg 5')
    expect(apart([1, 1])).toBe('Egg 1 stands twice')
    expect(apart([1, 2, 3, 4])).toMatch(/all that are left of C-1: move the clutch instead/)
    expect(apart([1], 'C-1')).toMatch(/already in use/)
    say('C-1', 'eggsSeen', seen([1, 'pipped'], [2, 'slug']), -12)
    expect(apart([1])).toBe('Egg 1 is pipped: leave it where it is until it is out')
    expect(apart([2])).toMatch(/Egg 2 does not live/)
    expect(apart([1], 'C-1b', -20)).toBe('Egg 1 was looked at in C-1 after that day')
    expect(apart([3])).toBeNull()
    say('C-1', 'clutchEnded', {}, -5)
    expect(apart([4], 'C-1c', -4)).toMatch(/closed|does not live|all that are left/)
  })

  it('are called as their clutch, with the next letter that is free', () => {
    const clutches = (...tags: string[]) =>
      ({ clutches: Object.fromEntries(tags.map(tag => [tag, { tag }])) }) as unknown as House
    expect(partTag('C-4', clutches('C-4'))).toBe('C-4b')
    expect(partTag('C-4b', clutches('C-4', 'c-4B'))).toBe('C-4c')
    expect(partTag('Lab', clutches('Lab'))).toBe('Labb')
  })

  it('none is won or lost, and a remembered house is a fresh one (any entries)', () => {
    const n = fc.integer({ min: 1, max: 8 })
    const numbers = fc.uniqueArray(n, { minLength: 1, maxLength: 4 })
    const state = fc.constantFrom(...EGG_STATES)
    const entry = fc.oneof(
      { weight: 3, arbitrary: fc.record({ kind: fc.constant('eggsApart'), eggs: numbers }) },
      { weight: 3, arbitrary: fc.record({ kind: fc.constant('eggsSeen'), n, state }) },
      fc.record({
        kind: fc.constantFrom('eggsLost', 'hatched', 'candled', 'pipped'),
        count: fc.integer({ min: 1, max: 3 }),
      }),
    )
    const steps = fc.array(fc.tuple(fc.nat(), entry), { maxLength: 14 })
    fc.assert(
      fc.property(steps, list => {
        const { b, say, house } = laid(8)
        const memory = new FoldMemory()
        list.forEach(([at, e], i) => {
          const all = Object.values(house().clutches)
          const { tag } = all[at % all.length]!
          if ('eggs' in e) say(tag, e.kind, { tag: `P-${i}`, eggs: e.eggs, placeId: 'warm' }, -30 + i)
          else if ('n' in e) say(tag, e.kind, { eggs: [{ n: e.n, state: e.state }] }, -30 + i)
          else say(tag, e.kind, { [e.kind === 'candled' ? 'good' : 'count']: e.count }, -30 + i)
          const parts = Object.values(house().clutches)
          expect(foldHouse(b.records(), memory)).toEqual(house())
          expect(parts.flatMap(c => eggNumbers(c)).sort()).toEqual([1, 2, 3, 4, 5, 6, 7, 8])
          for (const c of parts) {
            expect(c.eggs).toBe(eggNumbers(c).length)
            expect(eggsLeft(c)).toBe(c.eggs - c.slugs - c.eggsLost - c.hatched.reduce((sum, h) => sum + h.count, 0))
            expect(c.good ?? 0).toBeLessThanOrEqual(eggsLeft(c))
            for (const row of Object.keys(c.rows)) expect(eggNumbers(c)).toContain(Number(row))
          }
        })
      }),
      { numRuns: 100 },
    )
  })
})
