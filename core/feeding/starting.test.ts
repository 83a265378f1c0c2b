import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HouseBuilder } from '../../tests/fixtures/records'
import { shippedAlmanac, speciesOf } from '../almanac'
import { houseOf } from '../season'
import type { AnimalState } from '../subjects'
import { REFUSAL_LEVELS, nextOffer, refusalCourse, triesOf, weaningRecord } from '.'

const today = 20_000
const { common } = shippedAlmanac
const milk = speciesOf(shippedAlmanac, 'milk-snake')

interface Offer {
  ago: number
  taken?: number
  state?: string
  manner?: string
  outcome?: string
  prey?: string
}
/** A young snake of so many days, by what was written of it. */
function young(offers: readonly Offer[], weights: readonly [ago: number, massG: number][] = [], bornAgo = 120) {
  const b = new HouseBuilder(today).animal('M-1', 'milk-snake', { bornDay: today - bornAgo })
  const subject = { type: 'animal' as const, id: 'M-1' }
  for (const [ago, massG] of weights) b.write('weighed', subject, -ago, { massG })
  for (const { ago, taken = 0, prey = 'mouse.pinky', ...said } of offers)
    b.write('fed', subject, -ago, { prey, offered: 1, taken, ...said })
  return houseOf(b.records()).animals['M-1']!
}
const next = (animal: AnimalState, falling = false, schools = {}) =>
  nextOffer(shippedAlmanac, { schools }, milk, animal, today, falling)?.value ?? null
const live = (ago: number, taken = 1): Offer => ({ ago, taken, state: 'live' })
const thawed = (ago: number, taken = 0, more: Partial<Offer> = {}): Offer => ({ ago, taken, state: 'thawed', ...more })

describe('the way to thawed prey', () => {
  it('begins with so many live meals, and thawed is offered then, moved', () => {
    expect(next(young([]))).toEqual({ state: 'live' })
    expect(next(young([live(30), live(23)]))).toEqual({ state: 'live' })
    expect(next(young([live(30), live(23), live(16)]))).toEqual({ state: 'thawed', manner: 'moved' })
  })

  it('of the other school begins with thawed, and shows live prey only when that was refused', () => {
    const school = { firstPrey: 'thawed' }
    expect(next(young([]), false, school)).toEqual({ state: 'thawed', manner: 'moved' })
    expect(next(young([live(9)]), false, school)).toEqual({ state: 'thawed', manner: 'moved' })
  })

  it('goes by fresh-killed after one refusal, and by a live meal after two: never starved into it', () => {
    const start = [live(60), live(53), live(46)]
    expect(next(young([...start, thawed(39)]))).toEqual({ state: 'freshKilled', manner: 'moved' })
    expect(next(young([...start, thawed(39), thawed(32)]))).toEqual({ state: 'live' })
    expect(next(young([...start, thawed(39), thawed(32), live(25)]))).toEqual({ state: 'thawed', manner: 'moved' })
  })

  it('ends after three thawed meals in a row, which are then left in', () => {
    const start = [live(60), live(53), live(46)]
    const two = young([...start, thawed(39, 1), thawed(32, 1)])
    expect(weaningRecord(two.meals, common)).toMatchObject({ stage: 'thawed', inRow: 2, offers: 1 })
    expect(next(two)).toEqual({ state: 'thawed', manner: 'moved' })
    const three = young([...start, thawed(39, 1), thawed(32, 1), thawed(25, 1)])
    expect(weaningRecord(three.meals, common).stage).toBe('weaned')
    expect(next(three)).toEqual({ state: 'thawed', manner: 'left' })
  })

  it('a strike counts as half, and what was put into its mouth not at all', () => {
    const struck = young([live(60), thawed(53, 0, { outcome: 'struck' }), thawed(46), thawed(39, 1)])
    expect(weaningRecord(struck.meals, common)).toMatchObject({ offers: 2.5, stage: 'thawed' })
    const helped = young([thawed(20, 1, { manner: 'assisted' }), thawed(13, 1, { manner: 'teased' })])
    expect(weaningRecord(helped.meals, common)).toMatchObject({ stage: 'notStarted', inRow: 0 })
  })

  it('says nothing of one that eats and of which nobody said what, nor of who eats no rodents', () => {
    expect(next(young([{ ago: 9, taken: 1 }]))).toBeNull()
    const gecko = speciesOf(shippedAlmanac, 'fat-tailed-gecko')
    expect(nextOffer(shippedAlmanac, { schools: {} }, gecko, young([live(9)]), today, false)).toBeNull()
  })

  it('a falling weight never asks for a harder prey (any course of meals)', () => {
    const hardness = { live: 0, freshKilled: 1, thawed: 2 }
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            state: fc.constantFrom('live', 'freshKilled', 'thawed'),
            taken: fc.integer({ min: 0, max: 1 }),
          }),
          { maxLength: 14 },
        ),
        offers => {
          const animal = young(offers.map((o, i) => ({ ...o, ago: 110 - i * 7 })))
          const [steady, falling] = [next(animal), next(animal, true)]
          if (!steady || !falling) expect(steady).toEqual(falling)
          else expect(hardness[falling.state]).toBeLessThanOrEqual(hardness[steady.state])
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('one that refuses', () => {
  const tries = triesOf(milk)
  const refused = (n: number, tried = 0) =>
    Array.from({ length: n }, (_, i): Offer => {
      const of = i < tried ? tries[i] : undefined
      return { ago: (n - i) * 7, ...(of && { manner: of.manner, ...(of.state && { state: of.state }) }) }
    })
  const course = (animal: AnimalState, normal: string | null = null, on = today) =>
    refusalCourse(shippedAlmanac, milk, animal, on, normal)?.value ?? null

  it('is nothing while it eats, and cleared by a meal', () => {
    expect(course(young([live(3)]))).toBeNull()
    expect(course(young([...refused(3), live(1)]))).toBeNull()
  })

  it('is tried in order, a week apart, each once', () => {
    const order = triesOf(milk).map(t => t.manner)
    expect(course(young(refused(1)))!.next).toMatchObject({ of: { manner: order[0] }, day: today })
    const two = course(young(refused(2, 2)))!
    expect(two.done.map(d => d.of.manner)).toEqual(order.slice(0, 2))
    expect(two.next).toMatchObject({ of: { manner: order[2] }, day: today })
    const yesterday = course(young([{ ago: 1, manner: order[0] }]))!
    expect(yesterday.next).toMatchObject({ of: { manner: order[1] }, day: today - 1 + common.tryEvery!.value })
  })

  it('hands are put to it from an age, and only when it loses weight; never to one whose bite can kill', () => {
    const before = refused(tries.length - 1, tries.length - 1)
    const steady = course(young(before, [[40, 8]], 200))!
    expect(steady.next!.of.manner).not.toBe('assisted')
    const weights: [number, number][] = [
      [80, 8],
      [1, 7.4],
    ]
    expect(course(young(before, weights, 200))!.next!.of).toMatchObject({ manner: 'assisted', trained: true })
    // common practice: from about two months; at 40 days only what is done without hands is tried again
    const small = course(young(refused(4, 4), weights, 40))!
    expect(['teased', 'assisted']).not.toContain(small.next!.of.manner)
    const viper = triesOf(speciesOf(shippedAlmanac, 'eyelash-viper')).map(t => t.manner)
    expect(viper).not.toContain('assisted')
    expect(viper).not.toContain('teased')
  })

  it('one that eats only what is put into its mouth is no eater, and for the vet after one to two months', () => {
    const assisted = (weeks: number) =>
      young(
        Array.from({ length: weeks }, (_, i): Offer => ({ ago: (weeks - i) * 7, taken: 1, manner: 'assisted' })),
        [[1, 8]],
        150,
      )
    expect(course(assisted(3))).toMatchObject({ level: 'watch', helpedSince: today - 21 })
    expect(course(assisted(7))!.level).toBe('vet')
    expect(course(young([{ ago: 14, taken: 1, manner: 'assisted' }, live(7)]))).toBeNull()
  })

  it('what is usual now is no worry while the weight holds, and does not hide that it falls', () => {
    const held: [number, number][] = [
      [30, 8],
      [2, 8],
    ]
    const lost: [number, number][] = [
      [30, 8],
      [2, 7],
    ]
    expect(course(young(refused(4), held, 38), 'a winter comes')!.level).toBe('normal')
    expect(course(young(refused(4), held, 38))!.level).toBe('watch')
    expect(course(young(refused(4), lost, 38), 'a winter comes')!.level).toBe('vet')
  })

  it('more lost and longer without food are never milder; days that pass without an entry neither', () => {
    const rank = (animal: AnimalState, on = today, normal: string | null = null) =>
      REFUSAL_LEVELS.indexOf(course(animal, normal, on)!.level)
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.double({ min: 0, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.constantFrom(null, 'a winter comes'),
        (n, loss, more, normal) => {
          const of = (share: number) =>
            young(refused(n), [
              [90, 10],
              [1, 10 * (1 - share)],
            ])
          const now = rank(of(loss), today, normal)
          expect(rank(of(loss + more), today, normal)).toBeGreaterThanOrEqual(now)
          let before = now
          for (let day = 1; day < 120; day += 7) {
            const later = rank(of(loss), today + day, normal)
            expect(later).toBeGreaterThanOrEqual(before)
            before = later
          }
        },
      ),
      { numRuns: 60 },
    )
  })
})
