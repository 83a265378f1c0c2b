import { speciesOf, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import {
  fitSwitch,
  isYoung,
  learnCurve,
  liveAhead,
  weaningRecord,
  type LearntCurve,
  type Tried,
  type WeaningRecord,
} from '../feeding'
import { animalsOf, livingAnimals, type AnimalState } from '../subjects'
import type { SeasonContext } from './context'
import { remembering } from './remember'

/**
 * The litter of every animal whose birth is known, by its id: of one clutch, or of one dam (where she is not known, of
 * one species) and born within some days.
 */
export function littersBy(animals: readonly AnimalState[], { litterApart }: Almanac['common']): Map<string, string> {
  const keys = new Map<string, string>()
  const last = new Map<string, { day: Day; key: string }>()
  const dated = animals.filter(a => a.bornDay !== null).sort((a, b) => a.bornDay! - b.bornDay!)
  for (const { id, clutchId, damId, bornDay, speciesId } of dated) {
    const of = clutchId ?? damId ?? speciesId
    const before = last.get(of)
    const key = clutchId ?? (before && bornDay! - before.day <= litterApart!.value ? before.key : `${of}:${bornDay}`)
    last.set(of, { day: bornDay!, key })
    keys.set(id, key)
  }
  return keys
}

/** What one of a species did on its way to thawed prey, and which litter it is of. */
interface OfLitter {
  record: WeaningRecord
  key: string
}

const records = remembering<AnimalState, WeaningRecord>()

const recordOf = (animal: AnimalState, context: SeasonContext): WeaningRecord =>
  records(context, animal, [context.almanac.common], () => weaningRecord(animal.meals, context.almanac.common))

/** The way to thawed prey of all that ever ate, by species. O(animals). */
export function weaningRecords(context: SeasonContext, keys: ReadonlyMap<string, string>): Map<string, OfLitter[]> {
  const { house, almanac } = context
  const bySpecies = new Map<string, OfLitter[]>()
  for (const animal of animalsOf(house)) {
    if (!animal.meals.length || !speciesOf(almanac, animal.speciesId).weaning) continue
    const of = { record: recordOf(animal, context), key: keys.get(animal.id) ?? '' }
    const list = bySpecies.get(animal.speciesId)
    if (list) list.push(of)
    else bySpecies.set(animal.speciesId, [of])
  }
  return bySpecies
}

/** What all young of a species that were ever offered thawed prey teach the litter of one of them. */
export function curveOf(key: string, species: Species, of: readonly OfLitter[], almanac: Almanac): LearntCurve {
  const { weanMates, weanOthers } = almanac.common
  // those of whom the same is known speak together
  const alike = new Map<string, Tried>()
  for (const { record, key: litter } of of) {
    const { offers, stage } = record
    if (!offers) continue
    const took = stage === 'thawed' || stage === 'weaned'
    const weight = litter === key ? 1 : weanOthers!.value
    const known = alike.get(`${offers}:${took}`)
    alike.set(`${offers}:${took}`, { offers, took, weight: weight + (known?.weight ?? 0) })
  }
  return learnCurve(fitSwitch(species.weaning!), weanMates!.value, [...alike.values()])
}

/** Meals ahead of which it is told whether they are live: about half a year of weekly ones. */
const MEALS_AHEAD = 26

/** Chance of each of the next meals to be live prey, by animal: of young that do not take thawed prey yet. */
export function liveMealsAhead(context: SeasonContext): Map<string, Float64Array> {
  const { house, almanac, settings, today } = context
  const ahead = new Map<string, Float64Array>()
  const young = livingAnimals(house).filter(
    a => isYoung(a, today, almanac.common) && speciesOf(almanac, a.speciesId).weaning,
  )
  if (!young.length) return ahead
  const keys = littersBy(animalsOf(house), almanac.common)
  const bySpecies = weaningRecords(context, keys)
  const curves = new Map<string, LearntCurve>()
  for (const animal of young) {
    const species = speciesOf(almanac, animal.speciesId)
    const of = bySpecies.get(species.id) ?? []
    const record = recordOf(animal, context)
    const key = keys.get(animal.id)!
    let learnt = curves.get(key)
    if (!learnt) curves.set(key, (learnt = curveOf(key, species, of, almanac)))
    const shares = liveAhead(almanac, settings, species, record, learnt, MEALS_AHEAD)
    if (shares.some(p => p > 0)) ahead.set(animal.id, shares)
  }
  return ahead
}
