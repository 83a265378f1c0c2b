import type { Day } from '../chance'

/** No animal kept here breeds younger. [memory: small geckos at half a year, mantellas likewise] */
const LEAST_BREEDING_DAYS = 120

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
 * Young may hatch so long after their dam died: the longest incubation here. [common practice: 6–9 months in some
 * chameleons]
 */
const AFTER_DAM_DAYS = 300
/** Females of many reptiles keep sperm for years. [memory: up to about five years is reported] */
const AFTER_SIRE_DAYS = 5 * 365

/**
 * Why `parent` cannot be the dam or sire of `young`, as a sentence; null when it can.
 * @param fromDays least age of a parent at the birth of its young, days: no animal breeds younger
 */
export function impossibleParent(
  young: Relative,
  parent: Relative,
  role: 'dam' | 'sire',
  fromDays = LEAST_BREEDING_DAYS,
): string | null {
  if (parent.id === young.id) return `${young.tag} cannot be its own parent`
  if (parent.speciesId !== young.speciesId) return `${parent.tag} and ${young.tag} are of different species`
  if (role === 'dam' && parent.sex === 'male') return `${parent.tag} is a male and cannot be the dam`
  if (role === 'sire' && parent.sex === 'female') return `${parent.tag} is a female and cannot be the sire`
  if (young.bornDay === null) return null
  if (parent.bornDay !== null) {
    const age = young.bornDay - parent.bornDay
    if (age <= 0) return `${parent.tag} is not older than ${young.tag}`
    if (age < fromDays) return `${parent.tag} was ${age} days old when ${young.tag} was born: too young to breed`
  }
  if (parent.diedDay !== null) {
    const after = young.bornDay - parent.diedDay
    if (after > (role === 'dam' ? AFTER_DAM_DAYS : AFTER_SIRE_DAYS))
      return `${parent.tag} was dead for ${after} days when ${young.tag} was born`
  }
  return null
}
