import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac } from '../almanac'
import { mean, seededRandom, summarise } from '../chance'
import { NO_SIGN, type CultureState } from '../subjects'
import { growing, timeToProducing, type PlannedSupply } from './yields'

const today = 20_000
const fly = shippedAlmanac.feeders['fly.small']!.supply as Extract<PlannedSupply, { kind: 'batch' }>
const signs = fly.signs!

const culture = (age: number, looks: readonly [age: number, furthest: string][] = []): CultureState => ({
  id: 'F-1',
  tag: 'F-1',
  feederId: 'fly.small',
  startDay: today - age,
  placeId: null,
  producing: null,
  failed: null,
  finished: null,
  harvested: 0,
  lastHarvest: null,
  lastLook: looks.length ? { day: today - age + looks.at(-1)![0], entryId: 'look' } : null,
  signs: looks.map(([at, furthest]) => ({ day: today - age + at, furthest })),
  troubles: [],
  takes: [],
  looks: [],
})
const of = (age: number, ...looks: [age: number, furthest: string][]) => growing(culture(age, looks), fly, null, today)
const wait = (age: number, ...looks: [age: number, furthest: string][]) => mean(of(age, ...looks).from)! - (today - age)

describe('what is seen in a culture before it yields', () => {
  it('brings the day near where it is far on, and puts it off where nothing is there yet', () => {
    expect(wait(8, [8, 'pupae'])).toBeLessThan(wait(8, [8, 'larvae']))
    expect(wait(8, [8, NO_SIGN])).toBeGreaterThan(wait(8, [8, 'larvae']))
    const width = (g: ReturnType<typeof growing>) => summarise(g.from)!.high - summarise(g.from)!.low
    expect(width(of(8, [8, 'pupae']))).toBeLessThanOrEqual(width(of(8)))
    // dark pupae are within a day or two of the first flies
    expect(wait(12, [12, 'dark pupae'])).toBeLessThan(15)
  })

  it('says that it lives, and nothing seen for long that it does not', () => {
    expect(of(8, [8, 'pupae']).alive).toBeGreaterThan(of(8).alive)
    expect(of(9, [9, NO_SIGN]).alive).toBeLessThan(of(9).alive)
    expect(of(14, [14, NO_SIGN]).alive).toBeLessThan(0.1)
  })

  it('by Bayes, against two hundred thousand drawn cultures', () => {
    const random = seededRandom(11)
    const dist = timeToProducing(fly, null)
    const draw = () => {
      let u = random()
      for (let i = 0; i < dist.p.length; i++) if ((u -= dist.p[i]!) < 0) return dist.start + i
      return dist.start + dist.p.length
    }
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    const stageAt = (age: number, days: number, factor: number) =>
      signs.seen.findLast(s => age >= s.share.value * days * factor)?.name ?? NO_SIGN
    const [age, earlier] = [9, 6]
    const waits: number[] = []
    let [alive, failed] = [0, 0]
    for (let i = 0; i < 200_000; i++) {
      const [days, factor] = [draw(), 1 + signs.spread.value * normal()]
      const fails = random() < fly.failure.value
      const shows = !fails || random() < signs.shownByFailing.value
      const seen = (at: number) => (shows ? stageAt(at, days, factor) : NO_SIGN)
      if (seen(earlier) !== 'larvae' || seen(age) !== 'pupae') continue
      if (fails) failed++
      else if (days > age) {
        alive++
        waits.push(days)
      }
    }
    const told = of(age, [earlier, 'larvae'], [age, 'pupae'])
    expect(waits.length).toBeGreaterThan(5_000)
    expect(mean(told.from)! - (today - age)).toBeCloseTo(waits.reduce((a, b) => a + b, 0) / waits.length, 0.5)
    expect(told.alive).toBeCloseTo(alive / (alive + failed), 2)
  })

  it('no look, and a sign that the almanac has no more, say what was said before', () => {
    expect(of(8)).toEqual(growing(culture(8), { ...fly, signs: undefined }, null, today))
    const look = { ...culture(8, [[8, 'wings']]), lastLook: null }
    const before = growing(culture(8), fly, null, today)
    expect(growing(look, fly, null, today)).toEqual(before)
  })

  it('whatever is seen, in whatever order, leaves a chance and a day (any looks)', () => {
    const look = fc.tuple(fc.integer({ min: 0, max: 30 }), fc.constantFrom(NO_SIGN, ...signs.seen.map(s => s.name)))
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 30 }), fc.array(look, { maxLength: 5 }), (age, looks) => {
        const { from, alive } = of(age, ...looks.filter(([at]) => at <= age).sort(([a], [b]) => a - b))
        expect(alive).toBeGreaterThanOrEqual(0)
        expect(alive).toBeLessThanOrEqual(1)
        const mass = from.p.reduce((a, b) => a + b, 0) + from.never
        expect(mass).toBeCloseTo(1, 9)
        if (from.p.length) expect(from.start).toBeGreaterThanOrEqual(today - age)
      }),
      { numRuns: 300 },
    )
  })
})
