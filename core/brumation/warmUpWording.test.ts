import { describe, expect, it } from 'vitest'
import { shippedAlmanac, type Fact } from '../almanac'
import { tellWarmUp } from './warmUpWording'

describe('how animals are warmed up is told', () => {
  // common practice, no source: a cool room of 70 °F first, then 80 °F for two days; or over about a week
  it('by the steps, in the unit that the house reads', () => {
    expect(tellWarmUp('steps', shippedAlmanac, '°C')).toBe(
      'Today the cool room at about 21 °C, tomorrow 27 °C for 2 days, then full warmth. The Round brings each step.',
    )
    // 21 °C is 69.8 °F and 27 °C is 80.6 °F
    expect(tellWarmUp('steps', shippedAlmanac, '°F')).toMatch(/at about 69\.8 °F, tomorrow 80\.6 °F for 2 days/)
    expect(tellWarmUp('atOnce', shippedAlmanac, '°C')).toBe('Straight to full warmth today.')
    expect(tellWarmUp('gradual', shippedAlmanac, '°C')).toMatch(/^A little more each day for 7 days/)
  })

  it('by the numbers that the house has set', () => {
    const { common } = shippedAlmanac
    const set = (fact: Fact, value: number): Fact => ({ ...fact, value })
    const own = { ...common, warmFirstC: set(common.warmFirstC!, 18), warmThenAfter: set(common.warmThenAfter!, 2) }
    expect(tellWarmUp('steps', { ...shippedAlmanac, common: own }, '°C')).toMatch(
      /about 18 °C, after 2 days 27 °C for a day, then full warmth/,
    )
  })
})
