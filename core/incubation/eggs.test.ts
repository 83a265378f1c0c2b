import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { practiceSpread } from '../almanac/data/marks'
import { cumulative, mean, summarise } from '../chance'
import { boxRecipe, followers, hoursUntil, phaseStanding, timeConstant, waterOfBox } from '.'

describe('a box that cools', () => {
  /** Newton's law of cooling, in closed form. */
  const at = (hour: number, tau: number, start = 30, room = 18) => room + (start - room) * Math.exp(-hour / tau)

  it('tells its time constant by its own readings', () => {
    for (const tau of [3, 8, 24])
      expect(
        timeConstant(
          Array.from({ length: 9 }, (_, h) => at(h, tau)),
          18,
        ),
      ).toBeCloseTo(tau, 6)
    expect(timeConstant([30, 30], 18)).toBeNull()
    expect(timeConstant([30, 31, 32], 18)).toBeNull()
    expect(timeConstant([17, 16, 15], 18)).toBeNull()
  })

  it('reaches a temperature when the closed form says, at once when it is there, and never under its room', () => {
    expect(at(hoursUntil(28, 18, 8, 22), 8, 28)).toBeCloseTo(22, 9)
    expect(hoursUntil(20, 18, 8, 22)).toBe(0)
    expect(hoursUntil(28, 18, 8, 18)).toBe(Number.POSITIVE_INFINITY)
  })
})

describe('the water of a box', () => {
  it('is what the box lost with what was given, and what the eggs took up', () => {
    // 566 g at set-up; 12 g were given; 520 g now, with eggs that are 9 g heavier: 58 g went, 9 of them into the eggs
    const weighed = { startG: 566, givenG: 12, nowG: 520, eggsGainedG: 9, waterG: 210 }
    expect(waterOfBox(weighed)).toEqual({ goneG: 67, share: 67 / 210 })
    expect(waterOfBox({ ...weighed, waterG: null }).share).toBeNull()
  })

  it('water that is given back brings the balance to nothing (any weights)', () => {
    const grams = fc.double({ min: 0, max: 500, noNaN: true })
    fc.assert(
      fc.property(grams, grams, grams, (startG, lost, gained) => {
        const weighed = { startG: startG + 600, nowG: startG + 600 - lost, givenG: 0, eggsGainedG: gained, waterG: 100 }
        const { goneG } = waterOfBox(weighed)
        const after = { ...weighed, nowG: weighed.nowG + goneG, givenG: goneG }
        expect(waterOfBox(after).goneG).toBeCloseTo(goneG, 6)
        expect(goneG).toBeCloseTo(lost + gained, 6)
      }),
    )
  })

  it('a recipe is one to one by weight for soft shells (common practice, no source)', () => {
    expect(boxRecipe(12, 3, 5, 1)).toEqual({ mediumG: 180, waterG: 180 })
    expect(() => boxRecipe(0, 3, 5, 1)).toThrow(RangeError)
    expect(() => boxRecipe(3, 0, 5, 1)).toThrow(RangeError)
  })
})

describe('eggs that follow their mates', () => {
  const following = { mostly: 1, nearlyAll: 14, late: 0.04 }

  it('are ever less likely while nothing comes, and never likelier than before', () => {
    let before = 0.9
    for (let day = 0; day < 40; day++) {
      const { each, dist } = followers(100, following, 0.9, 100 + day, 100 + day)
      expect(each).toBeLessThanOrEqual(before + 1e-12)
      expect(summarise(dist)!.low).toBeGreaterThanOrEqual(100 + day)
      before = each
    }
    expect(before).toBeLessThan(0.05)
  })

  it('agree with Bayes by simulation: of eggs that are whole on day 5, as many live as are forecast', () => {
    const { dist } = followers(0, following, 0.999999, -1, -1)
    const later = 1 - cumulative(dist, 5)
    const alive = 0.8 * later
    expect(followers(0, following, 0.8, 5, 5).each).toBeCloseTo(alive / (alive + 0.2), 4)
  })
})

describe('phases before development', () => {
  // about 30 days cool (common practice for radiated-type tortoises, no source)
  const fact = (value: number) => ({ value, unit: '°C', mark: 'practice' as const })
  const phases = [{ name: 'Pause', days: practiceSpread(25, 30, 40), lowC: fact(15), highC: fact(21), how: 'cool' }]

  it('end when it is written, or on days that are yet to come', () => {
    const waiting = phaseStanding({ phases }, 1000, [], 1010)
    expect(waiting).toMatchObject({ index: 0, since: 1000 })
    expect(mean(waiting.develops)).toBeCloseTo(1000 + (25 + 4 * 30 + 40) / 6, 0)
    const over = phaseStanding({ phases }, 1000, [{ index: 1, day: 1028 }], 1040)
    expect(over).toMatchObject({ index: 1, phase: null, since: 1028, ends: null })
    expect(over.develops).toMatchObject({ start: 1028, p: [1] })
  })

  it('that nobody ends run on: never over before today', () => {
    for (const today of [1030, 1045, 1100])
      expect(phaseStanding({ phases }, 1000, [], today).develops.start).toBeGreaterThanOrEqual(today)
  })

  it('are none where the species has none', () => {
    expect(phaseStanding({}, 1000, [], 1010)).toMatchObject({ phase: null, since: 1000 })
  })
})
