import { expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import { certain } from '../chance'
import type { Weighing } from '../subjects'
import type { ReadinessFinding, SchoolFinding } from './readinessFindings'
import { conditionsReason, schoolReason, tellCondition } from './readinessWording'

const { common } = shippedAlmanac
const today = 20_000
const king = speciesOf(shippedAlmanac, 'california-kingsnake')
const species = { ...king, cold: king.cold! }
const at = { day: today - 5, entryId: 'e' }

it.each([
  [{ code: 'warmth', warmed: null }, 'full warmth', ['computed']],
  [{ code: 'warmth', warmed: at }, 'full warmth', ['entry']],
  [{ code: 'meal', taken: null }, 'one meal, and two days after it', ['almanac', 'almanac']],
  [{ code: 'meal', taken: at }, 'one meal, and two days after it', ['entry', 'almanac']],
  [{ code: 'shed', shed: null }, 'first shed', ['almanac']],
  [{ code: 'shed', shed: at }, 'first shed', ['entry']],
  [{ code: 'weight', back: null, missing: 0.04 }, '97 % of the starting weight', ['almanac', 'computed', 'almanac']],
  [{ code: 'weight', back: { ...at, massG: 400 } as Weighing }, '97 % of the starting weight', ['entry']],
] as [ReadinessFinding, string, string[]][])('what it waits for, and by what: %o', (finding, text, from) => {
  expect(tellCondition(finding, common)).toBe(text)
  const { rule, inputs } = conditionsReason([{ finding, dist: certain(today), seen: null }], species, common, today)
  expect(rule).toBe(`Ready when the last of these is there: ${text}`)
  expect(inputs.map(i => i.from.kind)).toEqual(from)
})

it('days after a meal are those of the almanac', () => {
  const own = { ...common, mealRest: { ...common.mealRest!, value: 4 } }
  expect(tellCondition({ code: 'meal' }, own)).toBe('one meal, and 4 days after it')
})

const limit = { ...common.regained!, value: 0.05 }
it.each([
  [{ code: 'school', name: 'At once', reason: 'it is quick' }, 'School: at once'],
  [{ code: 'byLoss', lostShare: null, limit, means: 'm' }, /^Its loss is not known/],
  [{ code: 'byLoss', lostShare: 0.05, limit, means: 'm' }, /^It lost next to nothing/],
  [{ code: 'byLoss', lostShare: 0.0501, limit, means: 'm' }, /^It lost some/],
] as [SchoolFinding, string | RegExp][])('why just these: %o', (found, rule) => {
  const told = schoolReason(found)
  if (typeof rule === 'string') expect(told.rule).toBe(rule)
  else expect(told.rule).toMatch(rule)
  expect(told.change).toMatch(/^Another school/)
})
