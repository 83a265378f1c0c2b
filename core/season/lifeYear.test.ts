import { describe, expect, it } from 'vitest'
import { shippedAlmanac as almanac, speciesOf } from '../almanac'
import { lifeYear } from './lifeYear'

describe('the year of a species by its clocks', () => {
  it('a corn snake: warm-up to lock, laying, hatch and first meal, each from the one before', () => {
    const year = lifeYear(speciesOf(almanac, 'corn-snake'))
    expect(year.map(e => e.event)).toEqual([
      'warmUp',
      'ready',
      'copulation',
      'preLayShed',
      'laid',
      'hatched',
      'firstMeal',
    ])
    const at = (event: string) => year.find(e => e.event === event)!
    // 22 + 9 days to the lock, 38 + 10 to the laying by the shed (common practice, no source: 35–65 days from lock to
    // laying)
    expect(at('laid').likely).toBe(22 + 9 + 38 + 10)
    // 60 days at 28 °C (common practice, no source)
    expect(at('hatched').likely - at('laid').likely).toBeCloseTo(60, 0)
  })

  it('begins with company where there is no winter, and ends where nothing is known', () => {
    expect(lifeYear(speciesOf(almanac, 'panther-chameleon'))[0]!.event).toBe('introduced')
    const bare = { ...speciesOf(almanac, 'corn-snake'), incubation: undefined }
    expect(lifeYear(bare).at(-1)!.event).toBe('laid')
    expect(lifeYear({ ...bare, clocks: {} })).toEqual([])
  })

  it.each(Object.keys(almanac.species))('%s: in order, and on to the first meal', id => {
    const year = lifeYear(speciesOf(almanac, id))
    expect(year.at(-1)!.event).toBe('firstMeal')
    for (const e of year) expect(e.earliest <= e.likely && e.likely <= e.latest).toBe(true)
  })
})
