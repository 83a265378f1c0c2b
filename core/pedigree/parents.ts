import type { Fact } from '../almanac'
import type { Day } from '../chance'

/** What is looked at to tell whether one animal can be the parent of another. */
export interface Relative {
  id: string
  tag: string
  /** Its species, whatever its type. */
  speciesId: string
  sex: 'male' | 'female' | 'unknown'
  bornDay: Day | null
  /** Day of death, when it died. */
  diedDay: Day | null
}

/**
 * Why `parent` cannot be the dam or sire of `young`, as a sentence; null when it can.
 * @param common least age of a parent at the birth of its young, and how long after its death young may come, days:
 *   `breedsFrom`, `afterDam`, `afterSire`
 */
export function impossibleParent(
  young: Relative,
  parent: Relative,
  role: 'dam' | 'sire',
  { breedsFrom, afterDam, afterSire }: Readonly<Record<string, Fact>>,
): string | null {
  if (parent.id === young.id) return `${young.tag} cannot be its own parent`
  if (parent.speciesId !== young.speciesId) return `${parent.tag} and ${young.tag} are of different species`
  if (role === 'dam' && parent.sex === 'male') return `${parent.tag} is a male and cannot be the dam`
  if (role === 'sire' && parent.sex === 'female') return `${parent.tag} is a female and cannot be the sire`
  if (young.bornDay === null) return null
  if (parent.bornDay !== null) {
    const age = young.bornDay - parent.bornDay
    if (age <= 0) return `${parent.tag} is not older than ${young.tag}`
    if (age < breedsFrom!.value)
      return `${parent.tag} was ${age} days old when ${young.tag} was born: too young to breed`
  }
  if (parent.diedDay !== null) {
    const after = young.bornDay - parent.diedDay
    if (after > (role === 'dam' ? afterDam! : afterSire!).value)
      return `${parent.tag} was dead for ${after} days when ${young.tag} was born`
  }
  return null
}
