import type { Almanac, Company } from '../almanac'
import type { House } from '../log'
import type { AnimalState } from './animal/state'
import { livingAnimals } from './animal/living'
import { inCold } from './animal/winter'
import { hereOf } from './group/numbers'
import { membersOf } from './members'
import { isOneSpecies } from './oneSpecies'

/** Why animals should not sit together. */
export type CompanyProblem =
  | { why: 'alone'; speciesId: string }
  | { why: 'otherSpecies'; speciesIds: [string, string] }
  | { why: 'twoMales'; speciesId: string }
  | { why: 'size'; speciesId: string; ratio: number; most: number }
  | { why: 'tooMany' | 'tooFew'; speciesId: string; count: number; limit: number }

/** Animals that have been put together to mate, and were not parted: that is meant. */
function isPaired(house: House, a: AnimalState, b: AnimalState): boolean {
  return Object.values(house.pairings).some(
    p => !p.ended && p.together && ((p.damId === a.id && p.sireId === b.id) || (p.damId === b.id && p.sireId === a.id)),
  )
}

const knows = (almanac: Pick<Almanac, 'species'>, speciesId: string): Company | undefined =>
  almanac.species[speciesId]?.company

/** How much heavier the heaviest is than the lightest of those that were weighed. */
function sizeRatio(animals: readonly AnimalState[]): number {
  const weights = animals.flatMap(a => a.weights.at(-1)?.massG ?? [])
  return weights.length > 1 ? Math.max(...weights) / Math.min(...weights) : 1
}

/**
 * What speaks against animals that live in one place, gravest first. Of a species whose company is not known nothing is
 * said. O(animals · pairings).
 * @param animals all that live in one tub, awake
 */
export function companyProblems(
  house: House,
  almanac: Pick<Almanac, 'species'>,
  animals: readonly AnimalState[],
): CompanyProblem[] {
  const [first, ...others] = animals
  if (!first) return []
  const company = knows(almanac, first.speciesId)
  const { speciesId } = first
  if (!others.length)
    return company?.least && company.least.value > 1
      ? [{ why: 'tooFew', speciesId, count: 1, limit: company.least.value }]
      : []
  const problems: CompanyProblem[] = []
  const solitary = animals.find(a => knows(almanac, a.speciesId)?.lives === 'alone')
  const meant = animals.length === 2 && isPaired(house, first, others[0]!)
  if (solitary && !meant) problems.push({ why: 'alone', speciesId: solitary.speciesId })
  const stranger = others.find(a => !isOneSpecies(house, a.speciesId, speciesId))
  if (stranger) problems.push({ why: 'otherSpecies', speciesIds: [speciesId, stranger.speciesId] })
  if (!company || solitary || stranger) return problems
  const { oneMale, least, most, sizeRatio: ratio } = company
  if (oneMale && animals.filter(a => a.sex === 'male').length > 1) problems.push({ why: 'twoMales', speciesId })
  const times = sizeRatio(animals)
  if (ratio && times > ratio.value) problems.push({ why: 'size', speciesId, ratio: times, most: ratio.value })
  const count = animals.length
  if (most && count > most.value) problems.push({ why: 'tooMany', speciesId, count, limit: most.value })
  if (least && count < least.value) problems.push({ why: 'tooFew', speciesId, count, limit: least.value })
  return problems
}

/** A problem of company as a sentence without its end. */
export function tellCompany(problem: CompanyProblem, almanac: Pick<Almanac, 'species'>): string {
  const name = (id: string) => almanac.species[id]?.name ?? id
  switch (problem.why) {
    case 'alone':
      return `${name(problem.speciesId)} lives alone`
    case 'otherSpecies':
      return `${problem.speciesIds.map(name).join(' and ')} do not live together: one may eat or poison the other`
    case 'twoMales':
      return `two males of ${name(problem.speciesId)} fight`
    case 'size':
      return `one is ${problem.ratio.toFixed(1)} times as heavy as another, at most ${problem.most} times is well`
    case 'tooMany':
      return `${problem.count} are too many of ${name(problem.speciesId)}: at most ${problem.limit}`
    case 'tooFew':
      return `${problem.count} is too few of ${name(problem.speciesId)}: at least ${problem.limit}`
  }
}

/** Animals that are here and awake, by the place they live in. */
export function awakeByPlace(
  house: Pick<House, 'animals'>,
  living: readonly AnimalState[] = livingAnimals(house),
): Map<string, AnimalState[]> {
  const byPlace = new Map<string, AnimalState[]>()
  for (const animal of living) {
    if (!animal.placeId || inCold(animal)) continue
    const list = byPlace.get(animal.placeId)
    if (list) list.push(animal)
    else byPlace.set(animal.placeId, [animal])
  }
  return byPlace
}

/** The same with those of groups, each as many times as it is there. */
export function livingByPlace(house: House, living?: readonly AnimalState[]): Map<string, AnimalState[]> {
  const byPlace = awakeByPlace(house, living)
  for (const group of Object.values(house.groups)) {
    if (!group.placeId || !hereOf(group)) continue
    byPlace.set(group.placeId, [...(byPlace.get(group.placeId) ?? []), ...membersOf(group)])
  }
  return byPlace
}

/**
 * What is asked before somebody is moved among others; null where nothing speaks against it, or the place is no home.
 * @param comers who is moved, one of them for each
 * @param tag of what is moved
 */
export function companyQuestion(
  house: House,
  almanac: Pick<Almanac, 'species'>,
  placeId: string,
  comers: readonly AnimalState[],
  tag: string,
): string | null {
  const place = house.places[placeId]
  if (place?.kind !== 'tub') return null
  // as they stand now: while many entries are written, the list that is remembered is of those before
  const living = Object.values(house.animals).filter(a => a.status === 'alive')
  const there = (livingByPlace(house, living).get(placeId) ?? []).filter(a => a.id !== comers[0]?.id)
  const [problem] = there.length ? companyProblems(house, almanac, [...there, ...comers]) : []
  return problem ? `${place.name}: ${tellCompany(problem, almanac)}. Move ${tag} there all the same?` : null
}
