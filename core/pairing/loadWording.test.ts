import { expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { LoadFinding, LoadSeen } from './loadFindings'
import { loadReason, tellLoad } from './loadWording'

it.each([
  [{ code: 'noClutch' }, 'No clutch in this season yet'],
  [{ code: 'unwell' }, 'not well'],
  [{ code: 'spent', share: 0.704 }, '70 % of her weight before the season'],
  [{ code: 'refuses', times: 3 }, 'refuses since laying, 3 ×'],
  [{ code: 'oneASeason' }, 'one a season'],
  [{ code: 'most', clutches: 4 }, '4 clutches, the most for a season'],
  [{ code: 'notWeighed', since: true }, 'her weight before the season is not known'],
  [{ code: 'notWeighed', since: false }, 'weigh her after laying'],
  [{ code: 'thin', share: 0.85 }, '85 % of her weight before: feed her up first'],
  [{ code: 'usual', clutches: 2 }, '2 clutches, as many as usual'],
  [{ code: 'strong', share: 0.97 }, '97 % of her weight before'],
] as [LoadFinding, string][])('what decides the load of a female, in words: %o', (finding, text) => {
  const [told, rule] = tellLoad(finding)
  expect(told).toBe(text)
  expect(rule).toMatch(/^[A-Z]/)
})

it('says what was weighed and what was not, and leads to the entries', () => {
  const species = speciesOf(shippedAlmanac, 'california-kingsnake')
  const today = 20_000
  const weighing = (day: number, massG: number) =>
    ({ day, massG, entryId: `w${day}`, sure: false }) as LoadSeen['before']
  const seen: LoadSeen = {
    clutches: 1,
    last: today - 12,
    before: weighing(today - 40, 400),
    after: null,
    now: weighing(today - 2, 300),
    ofBefore: 0.75,
    mealsSince: 1,
    refusedSince: 2,
  }
  const of = { ...species, mating: species.mating! }
  const { inputs } = loadReason('', seen, of, shippedAlmanac.common, today)
  expect(Object.fromEntries(inputs.map(i => [i.label, i.value]))).toMatchObject({
    'After laying': 'not weighed',
    'Of the weight before': '75 %',
    'Since laying': '1 meal taken, 2 refused',
  })
  expect(inputs.filter(i => i.from.kind === 'entry').map(i => i.label)).toEqual(['Before the season', 'Now'])
  // a weight that is the one after laying stands once
  const { inputs: once } = loadReason('', { ...seen, after: seen.now }, of, shippedAlmanac.common, today)
  expect(once.some(i => i.label === 'Now')).toBe(false)
})
