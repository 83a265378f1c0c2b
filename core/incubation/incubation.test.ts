import { linearRegression } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { quantile } from '../chance'
import { daysAt, fitThermalTime, incubationTime } from '.'

describe('thermal time', () => {
  it('finds the line back from points made with base 15 °C and 780 degree-days', () => {
    const points = [26, 28, 31].map(tempC => ({ tempC, days: 780 / (tempC - 15) }))
    const fit = fitThermalTime(points)
    expect(fit.baseC).toBeCloseTo(15, 9)
    expect(fit.degreeDays).toBeCloseTo(780, 6)
    expect(daysAt(fit, 30)).toBeCloseTo(52, 9)
    expect(daysAt(fit, 14)).toBe(Number.POSITIVE_INFINITY)
  })

  it('agrees with an independent regression (simple-statistics) on the Hermann’s table', () => {
    const { points } = speciesOf(shippedAlmanac, 'hermanns-tortoise').incubation!
    const { m, b } = linearRegression(points.map(p => [p.tempC, 1 / p.days]))
    const fit = fitThermalTime(points)
    expect(fit.degreeDays).toBeCloseTo(1 / m, 6)
    expect(fit.baseC).toBeCloseTo(-b / m, 6)
  })

  it('refuses a table in which warmth slows', () => {
    expect(() =>
      fitThermalTime([
        { tempC: 25, days: 50 },
        { tempC: 30, days: 60 },
      ]),
    ).toThrow(/does not rise/)
  })
})

describe('incubation time', () => {
  const time = (id: string, tempC: number) =>
    incubationTime(id, speciesOf(shippedAlmanac, id).incubation!, tempC, shippedAlmanac)

  it.each([
    // common practice, no source: 27–29 °C 55–65 days; fat-tailed and leopard type 26 about 60, 29 about 50, 32 about
    // 40
    ['california-kingsnake', 28, 60],
    ['california-kingsnake', 29, 55],
    ['leopard-gecko', 29, 50],
    ['fat-tailed-gecko', 26, 60],
    ['fat-tailed-gecko', 32, 40],
    // from memory: Testudo hermanni 31 °C about 58
    ['hermanns-tortoise', 31, 58],
  ])('%s at %d °C hatches after about %d days', (id, tempC, days) => {
    expect(Math.abs(quantile(time(id, tempC).dist, 0.5)! - days)).toBeLessThanOrEqual(3)
  })

  it('is never slower when warmer', () => {
    for (const id of Object.keys(shippedAlmanac.species).filter(i => speciesOf(shippedAlmanac, i).incubation)) {
      const days = [24, 25, 26, 27, 28, 29, 30, 31].map(t => time(id, t).likelyDays)
      for (let i = 1; i < days.length; i++) expect(days[i]).toBeLessThanOrEqual(days[i - 1]!)
    }
  })

  it('says so when heat kills and when the table does not reach', () => {
    expect(time('california-kingsnake', 34).caution).toMatch(/eggs die/)
    expect(time('california-kingsnake', 24).caution).toMatch(/outside the table/)
    expect(time('california-kingsnake', 28).caution).toBeNull()
  })

  it('how far beside its table it is said to be outside, and how slow eggs get, are numbers of the house', () => {
    const { incubation } = speciesOf(shippedAlmanac, 'california-kingsnake')
    const own = (id: string, value: number) => ({
      common: { ...shippedAlmanac.common, [id]: { ...shippedAlmanac.common[id]!, value } },
    })
    const at = (tempC: number, almanac: Parameters<typeof incubationTime>[3]) =>
      incubationTime('california-kingsnake', incubation!, tempC, almanac)
    expect(at(24, own('eggsBeyond', 9)).caution).toBeNull()
    expect(at(18, shippedAlmanac).likelyDays).toBe(at(17, shippedAlmanac).likelyDays)
    expect(at(18, own('eggsSlowest', 1)).likelyDays).toBeLessThan(at(18, shippedAlmanac).likelyDays)
    expect(at(18, shippedAlmanac).reason.inputs.at(-2)!.from).toMatchObject({ path: 'common.eggsSlowest.value' })
  })

  it('is told in °F to a house that reads °F, differences too', () => {
    const { incubation } = speciesOf(shippedAlmanac, 'california-kingsnake')
    const told = (tempC: number) =>
      incubationTime('california-kingsnake', incubation!, tempC, shippedAlmanac, { tempUnit: '°F' })
    // by the definition of the scale: 34 °C is 93.2 °F, 24 °C is 75.2 °F, and a step of 1 °C is one of 1.8 °F
    expect(told(34).caution).toMatch(/^93.2 °F is above [\d.]+ °F, where eggs die/)
    expect(told(24).caution).toMatch(/^75.2 °F lies outside the table \([\d.]+–[\d.]+ °F\)/)
    const { rule, change, inputs } = told(28).reason
    // as a number, which is told in the unit of the house where it is read
    expect(inputs[0]).toMatchObject({ label: 'Incubation temperature', tempC: 28 })
    expect(change).toMatch(/^1.8 °F warmer brings it forward by about \d+ days?$/)
    expect([rule, ...inputs.filter(i => i.tempC === undefined).map(i => `${i.label} ${i.value}`)].join()).not.toContain(
      '°C',
    )
    expect(told(28).dist).toEqual(time('california-kingsnake', 28).dist)
  })

  it('shows each number of the table with its mark', () => {
    const { reason } = time('hermanns-tortoise', 31)
    expect(reason.inputs.filter(i => i.from.kind === 'almanac')).toHaveLength(5)
  })
})
