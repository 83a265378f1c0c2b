import type { Almanac, Species } from '../almanac'
import { computedInput, entryInput, factInput, type Input, type Reason } from '../judgement'
import { MANNER_WORDS, type AnimalState } from '../subjects'
import { formatDay } from '../units'
import type { RefusalFinding, TryDone } from './refusalFindings'

interface Of {
  almanac: Almanac
  species: Species
  animal: AnimalState
  today: number
}

const weighedInputs = (weighed: RefusalFinding['weighed']): Input[] =>
  weighed
    ? [
        entryInput('Now', `${weighed.now.massG} g`, weighed.now),
        entryInput('Best since it ate', `${weighed.best.massG} g`, weighed.best),
        computedInput('Lost', `${(100 * weighed.loss).toFixed(1)} %`),
      ]
    : [computedInput('Weight', 'not known')]

function standsReason(found: RefusalFinding, { almanac: { common }, animal, today }: Of): Reason {
  const { normal, small, weighed, limits, helpedSince, daysWithout } = found
  const limit = (label: string, key: string) => factInput(label, `common.${key}.value`, common[key]!)
  return {
    rule: normal
      ? `Not eating is usual now: ${normal}. What it weighs decides`
      : 'What it weighs and how long it goes without decide, not how often it refused',
    inputs: [
      computedInput('Refused in a row', `${animal.refusals}`),
      ...weighedInputs(weighed),
      ...(helpedSince === null
        ? []
        : [
            computedInput('Fed by hand since', formatDay(helpedSince, today)),
            limit('For the vet after so long by hand', 'assistFor'),
          ]),
      computedInput('Without food', daysWithout === null ? 'not known' : `${daysWithout} days`),
      limit(small ? 'Watched from, while small' : 'Watched from', limits.watch),
      limit('For the vet from', limits.vet),
      limit('Or without food for', limits.days),
    ],
    change: 'A meal taken clears it; a weight moves it',
  }
}

function cameOf({ day, struck, minutes }: TryDone, today: number): string {
  return `${formatDay(day, today)}${struck ? ', struck and let go' : ''}${minutes ? `, ${minutes} minutes` : ''}`
}

const doneReason = (done: readonly TryDone[], today: number): Reason => ({
  rule: 'Tried since it last ate',
  inputs: done.map(d => computedInput(MANNER_WORDS[d.of.manner], cameOf(d, today))),
})

const nextReason = (
  { of, day }: NonNullable<RefusalFinding['next']>,
  { almanac: { common }, species, today }: Of,
): Reason => ({
  rule: `Next: ${of.how}`,
  inputs: [
    computedInput('Not before', formatDay(day, today)),
    ...(species.eats === 'rodents'
      ? [factInput('Left alone between tries', 'common.tryEvery.value', common.tryEvery!)]
      : []),
    ...(of.from ? [factInput('From birth, before it', `common.${of.from}.value`, common[of.from]!)] : []),
  ],
  change: 'What comes of it',
})

/** The working of the course: where it stands, what was tried, what is tried next. */
export const refusalReasons = (found: RefusalFinding, of: Of): Reason[] => [
  standsReason(found, of),
  ...(found.done.length ? [doneReason(found.done, of.today)] : []),
  ...(found.next ? [nextReason(found.next, of)] : []),
]
