import { speciesOf, type Almanac } from '../almanac'
import type { Day } from '../chance'
import { computedInput, factInput, type Reason } from '../judgement'
import { WEEKDAYS, formatDay } from '../units'
import type { JobState } from '../subjects'
import type { RhythmProposal } from './learned'
import type { CareLine } from './lines'

/** Why another rhythm is proposed. */
export const tellProposal = ({ why, times, everyDays }: RhythmProposal): string =>
  why === 'nothingFound'
    ? `Nothing was found ${times} times in a row: ${tellRhythm(everyDays)} may do.`
    : `Something was found ${times} times in a row: ${tellRhythm(everyDays)} again, as its species want it.`

/** How a proposal comes about. */
export const proposalReasons = (
  { why, times }: RhythmProposal,
  { calmTimes, calmLonger }: Almanac['common'],
): Reason[] => [
  {
    rule:
      why === 'nothingFound'
        ? 'Where nothing is found so often in a row it may be looked for less often, at most as late as the job bears'
        : 'A longer rhythm that finds something twice in a row goes back to that of the species',
    inputs: [
      computedInput(why === 'nothingFound' ? 'Nothing found, in a row' : 'Something found, in a row', `${times}`),
      factInput('Proposed after', 'common.calmTimes.value', calmTimes!),
      factInput('Longer by', 'common.calmLonger.value', calmLonger!),
    ],
    change: 'What is found next time; nothing changes until you set it',
  },
]

/** A rhythm as it is said: `twice a day`, `daily`, `every 14 days`. */
export function tellRhythm(everyDays: number): string {
  if (everyDays < 1) {
    const times = Math.round(1 / everyDays)
    return times === 2 ? 'twice a day' : `${times} times a day`
  }
  return everyDays === 1 ? 'daily' : everyDays === 7 ? 'weekly' : `every ${everyDays} days`
}

/** How a line of care comes about. */
export function careReasons(line: CareLine, almanac: Almanac, today: Day): Reason[] {
  const { fact, speciesId, job, stops } = line
  const oldest = stops.flatMap(s => (s.lastDay === null ? [] : [s.lastDay])).sort((a, b) => a - b)[0]
  const never = stops.filter(s => s.lastDay === null).length
  const path = speciesId ? `species.${speciesId}.rounds.${job}.everyDays.value` : 'common.houseTestEvery.value'
  const whose = speciesId ? speciesOf(almanac, speciesId).name : 'The house'
  return [
    {
      rule: speciesId
        ? 'The shortest rhythm of the species that live there, counted from the day on which it was last written'
        : 'The rhythm that the house has set, counted from the day on which it was last written',
      inputs: [
        fact ? factInput(whose, path, fact) : computedInput('Own rhythm', tellRhythm(line.everyDays)),
        ...(oldest === undefined ? [] : [computedInput('Longest ago', formatDay(oldest, today))]),
        ...(never ? [computedInput('Never written', `${never} ${never === 1 ? 'place' : 'places'}`)] : []),
      ],
      change: 'An own rhythm of the place, another number in the Almanac, or other animals in it',
    },
  ]
}

const MONTH_NAMES = 'January February March April May June July August September October November December'.split(' ')

/** When a job of the house's own comes round: `Monday and Thursday, April to September`. */
export function tellOwnRhythm({
  everyDays,
  weekdays,
  months,
}: Pick<JobState, 'everyDays' | 'weekdays' | 'months'>): string {
  const days = [...(weekdays ?? [])].sort((a, b) => ((a + 6) % 7) - ((b + 6) % 7)).map(d => WEEKDAYS[d]!)
  const when = days.length
    ? [days.slice(0, -1).join(', '), days.at(-1)].filter(Boolean).join(' and ')
    : tellRhythm(everyDays)
  return months ? `${when}, ${MONTH_NAMES[months.from - 1]} to ${MONTH_NAMES[months.to - 1]}` : when
}
