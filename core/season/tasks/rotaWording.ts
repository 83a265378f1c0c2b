import type { Species } from '../../almanac'
import type { Visit } from '../../pairing'
import { formatDay } from '../../units'
import type { Told } from './told'

export const LABELS = {
  lock: 'Lock',
  layTogether: 'Lay together',
  rejected: 'Rejected',
  introduced: 'Introduced',
  separated: 'Separated',
} as const

export interface ToldVisit {
  visit: Visit
  /** Tags. */
  dam: string
  sire: string
  species: Species
}

function cautionOf({ mating, sexing }: Species): string {
  if (mating?.eatsMates) return 'Eats snakes: stay beside them; apart again if either hunts.'
  if (sexing?.venomous) return 'Venomous: trained, licensed keepers only, never alone.'
  return 'Male to her place; both fed apart, not within two days.'
}

export const tellIntroduce = ({ visit, dam, sire, species }: ToldVisit, today: number): Told => ({
  what: `Put ${sire} with ${dam}`,
  detail: `until ${formatDay(visit.to, today)}; ${visit.why}`,
  caution: cautionOf(species),
  reasons: visit.reasons,
})

/** @param visit `over`: it is to end today */
export const tellVisit = ({ visit, dam, sire, species, over }: ToldVisit & { over: boolean }, today: number): Told => ({
  what: over ? `Take ${sire} out, away from ${dam}` : `Look in on ${dam} and ${sire}`,
  detail: `together since ${formatDay(visit.from, today)}${over ? `; ${visit.why}` : `, until ${formatDay(visit.to, today)}`}`,
  caution: species.mating?.eatsMates
    ? 'Eats snakes: never left unattended.'
    : 'Bites or chasing: apart at once; an injury is written on the pair’s sheet.',
  reasons: visit.reasons,
})
