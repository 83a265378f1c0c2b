import { describe, expect, it } from 'vitest'
import { shippedAlmanac, speciesOf } from '../almanac'
import type { AnimalState } from '../subjects'
import type { ColdCause, ColdFinding, ColdInput } from './coldFindings'
import { coldReasons, tellCold } from './coldWording'

const today = 20_000
const species = speciesOf(shippedAlmanac, 'california-kingsnake')
const point = (day: number, massG: number) => ({ day, massG, lost: 1 - massG / 500, entryId: `w${day}` })
const input = {
  species: { ...species, cold: species.cold! },
  animal: { lastWater: { day: today - 2, entryId: 'water' }, unwell: null } as unknown as AnimalState,
  line: {
    start: { ...point(today - 40, 500), late: false },
    points: [point(today - 40, 500), point(today - 10, 480)],
    lost: 0.04,
    trend: { slope: 0.002 },
    atWake: { mid: 0.08, low: -0.01, high: 0.12 },
    outByWake: 0.31,
    metabolic: null,
    metabolicShare: 0.02,
    waterShare: 0.02,
  },
  wakeDay: today + 30,
  rhythmDays: 14,
  common: shippedAlmanac.common,
  today,
} as unknown as ColdInput
const finding = (cause: ColdCause, more: Partial<ColdFinding> = {}): ColdFinding => ({
  action: 'carryOn',
  cause,
  weighInDays: 3,
  weighed: { lost: 0.04, unbelieved: null, usualWater: 0.01 },
  look: null,
  wateredDaysAgo: null,
  ...more,
})

describe('the verdict of one in the cold, in a sentence', () => {
  it.each([
    [{ code: 'overLimit', lost: 0.112 }, /^Lost 11\.2 %; the limit is \d+\.\d %$/],
    [{ code: 'overLimitSoon', lost: 0.09 }, 'Lost 9.0 % and loses 1.4 % a week: over the limit within a week'],
    [{ code: 'overWatch', lost: 0.07 }, /^Lost 7\.0 %, over the watch limit of \d+\.\d %$/],
    [{ code: 'overLimitBeforeWaking', lost: 0.04 }, 'Lost 4.0 %; 31 % that it passes the limit before waking'],
    [{ code: 'moreThanBurnt', lost: 0.04 }, 'Lost 4.0 %, 2.0 % more than it burns: water or worse'],
    [{ code: 'asExpected', lost: 0.04 }, 'Lost 4.0 %, as expected'],
    [{ code: 'asExpected', lost: -0.01 }, 'Lost next to nothing'],
    [{ code: 'notWeighedFor', lost: 0.04, days: 20 }, 'Lost 4.0 % when last weighed 20 days ago'],
    // after a drink: a loss below nothing is none
    [{ code: 'notWeighedFor', lost: -0.02, days: 20 }, 'No lighter than at the start when last weighed 20 days ago'],
    [{ code: 'notWeighedSinceCooled', days: 20 }, 'Not weighed since it was cooled 20 days ago'],
    [{ code: 'tooEarly' }, 'Too early to tell'],
    [{ code: 'noStart' }, 'No starting weight: weigh now'],
    [{ code: 'ill' }, 'Noisy breath or discharge: ill, whatever it weighs'],
    [{ code: 'notWell' }, 'A look found it not well'],
  ] as [ColdCause, string | RegExp][])('%o', (cause, text) => {
    expect(tellCold(finding(cause), input)).toMatch(text)
  })

  it('says a gain that is not believed, and water since; of a look, only what it found', () => {
    const weighed = { lost: 0.04, unbelieved: 0.03, usualWater: 0.01 }
    const more = { weighed, wateredDaysAgo: 2 }
    expect(tellCold(finding({ code: 'asExpected', lost: 0.04 }, more), input)).toBe(
      'Lost 4.0 %, as expected; 3.0 % heavier since without a drink: weigh again; offered water 2 days ago',
    )
    expect(tellCold(finding({ code: 'notWell' }, more), input)).toBe(
      'A look found it not well; offered water 2 days ago',
    )
  })

  it('has its working rule by rule', () => {
    const rules = (f: ColdFinding) => coldReasons(f, input).map(r => r.rule)
    expect(rules(finding({ code: 'asExpected', lost: 0.04 }))).toEqual([
      'Loss against the working limits of the species',
      expect.stringContaining('Theil–Sen'),
      'Expected loss by the month',
    ])
    expect(rules(finding({ code: 'tooEarly' }, { weighed: null }))).toEqual(['One weighing says nothing of the loss'])
    const gained = finding(
      { code: 'overWatch', lost: 0.07 },
      { weighed: { lost: 0.07, unbelieved: 0.02, usualWater: 0.01 }, wateredDaysAgo: 1 },
    )
    expect(rules(gained).slice(3)).toEqual([
      expect.stringMatching(/^In the cold nothing is eaten/),
      expect.stringMatching(/^Water was offered since/),
    ])
  })
})
