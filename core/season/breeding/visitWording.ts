import type { Almanac, Mating, Species } from '../../almanac'
import type { Day } from '../../chance'
import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import type { PairingState } from '../../subjects'
import { formatDay } from '../../units'
import type { Hindrance, Pairable, WhyVisit } from './visitFindings'

interface Of {
  pairing: PairingState
  species: Species & { mating: Mating }
  almanac: Pick<Almanac, 'common'>
  today: Day
}

/** What visits go by, of every pair. */
function visitRule({ pairing, species, almanac: { common }, today }: Of): Reason {
  const path = `species.${species.id}.mating`
  const { visitDays, restDays, locksWanted } = species.mating
  const lock = pairing.locks.at(-1)
  return {
    rule: 'Short visits with rest days between, off the days of meals, until the locks that are wanted were seen; who must not meet by the bench does not meet',
    inputs: [
      factInput('A visit', `${path}.visitDays.value`, visitDays),
      factInput('Rest between', `${path}.restDays.value`, restDays),
      factInput('Wanted', `${path}.locksWanted.value`, locksWanted),
      ...(species.group === 'snake' ? [factInput('After a meal', 'common.mealRest.value', common.mealRest!)] : []),
      lock ? entryInput('Last lock', formatDay(lock.day, today), lock) : computedInput('Locks', 'none seen yet'),
    ],
    change: 'A lock, a rejection, a meal or a shed written down plans it anew',
  }
}

const tellHindrance = ({ is, told }: Hindrance): string => (is === 'rests' ? `she rests: ${told}` : told)

function tellPairable(from: Pairable, locks: number, today: Day): string {
  switch (from.is) {
    case 'restEnds':
      return `rest ends ${formatDay(from.restEnds, today)}`
    case 'readySince':
      return `${from.tag} ready since ${formatDay(from.day, today)}`
    case 'readyAbout':
      return `${from.tag} ready about ${formatDay(from.day, today)}`
    case 'any':
      return locks ? `${locks} lock${locks > 1 ? 's' : ''} seen` : 'no lock yet'
  }
}

function pairableReasons(from: Pairable, { species, today }: Of): Reason[] {
  if (from.is === 'any') return []
  if (from.is !== 'restEnds') return from.reasons
  return [
    {
      rule: 'The male goes to the female some days before the end of the rest',
      inputs: [
        computedInput('Rest ends', formatDay(from.restEnds, today)),
        factInput(
          'Before its end',
          `species.${species.id}.cold.rest.maleBeforeEndDays.value`,
          species.cold!.rest!.maleBeforeEndDays,
        ),
      ],
    },
  ]
}

const laidReason = (on: { day: Day; entryId: string }, { almanac: { common }, today }: Of): Reason => ({
  rule: 'The male goes in again after every clutch, fertile or not; late when he was not free, at most to half the time to her next',
  inputs: [
    entryInput('Laid', formatDay(on.day, today), on),
    factInput('From', 'common.maleAfterFrom.value', common.maleAfterFrom!),
    factInput('Until', 'common.maleAfterUntil.value', common.maleAfterUntil!),
  ],
})

/** Why a pair is visited or not, in words, with its working. */
export function tellVisit(why: WhyVisit, of: Of): { why: string; reasons: Reason[] } {
  const rule = visitRule(of)
  switch (why.is) {
    case 'carries':
      return { why: 'she carries: take him out', reasons: [rule] }
    case 'over':
      return { why: 'to be taken apart', reasons: [rule] }
    case 'hindered': {
      const told = tellHindrance(why.by)
      return why.together
        ? { why: `${told}: take him out`, reasons: [rule, ...why.by.reasons] }
        : { why: told, reasons: [...why.by.reasons, rule] }
    }
    case 'laid':
      return { why: `laid ${formatDay(why.on.day, of.today)}: male in again`, reasons: [rule, laidReason(why.on, of)] }
    case 'notReady':
      return { why: `${why.tag} is not ready in sight`, reasons: [rule] }
    case 'together':
      return { why: 'together', reasons: [rule] }
    case 'both':
      return {
        why: tellPairable(why.later, why.locks, of.today),
        reasons: [rule, ...pairableReasons(why.later, of)],
      }
  }
}
