import { schoolChoice, speciesOf, type Species } from '../almanac'
import { formatTempRange } from '../channels'
import type { TempUnit } from '../units'
import { livingAnimals, type AnimalState, type House, type Place } from '../subjects'
import { climateAt, coldPlaceOf, latelyOf } from '../climate'
import { hasWinter, type WinterContext } from './programme'

export interface Check {
  rule: string
  ok: boolean
}

/** Whether two animals may share a tub in the cold, with every rule said. All must hold. */
export function shareChecks(
  a: { animal: AnimalState; species: Species },
  b: { animal: AnimalState; species: Species },
): Check[] {
  const mass = (x: AnimalState) => x.weights.at(-1)?.massG ?? null
  const [light, heavy] = [mass(a.animal), mass(b.animal)].sort((x, y) => (x ?? 0) - (y ?? 0))
  const limit = a.species.cold?.sizeRatio.value ?? 1
  const ratio = light && heavy ? heavy / light : null
  return [
    { rule: 'Of one species', ok: (a.species.typeOf ?? a.species.id) === (b.species.typeOf ?? b.species.id) },
    { rule: 'Neither eats snakes', ok: a.species.cold?.company !== 'never' && b.species.cold?.company !== 'never' },
    { rule: 'Of one sex, and it is known', ok: a.animal.sex !== 'unknown' && a.animal.sex === b.animal.sex },
    {
      rule:
        ratio === null ? 'Alike in size: weigh both first' : `Alike in size: ${ratio.toFixed(1)} ×, at most ${limit} ×`,
      ok: ratio !== null && ratio <= limit,
    },
    { rule: 'Both well', ok: !a.animal.unwell && !b.animal.unwell },
  ]
}

interface Unit {
  animals: AnimalState[]
  lowC: number
  highC: number
}

export interface Placing {
  placed: { placeId: string; animalIds: string[] }[]
  unplaced: { animalId: string; why: string }[]
}

/** Temperature a cold place can be counted on to hold: what it is set to, else what its readings of the last days come to. */
function temperatureOf(house: House, place: Place, { almanac }: Pick<WinterContext, 'almanac'>): number | null {
  if (place.tempC !== null) return place.tempC
  const near = climateAt(house, place.id)
  return near && latelyOf(near.log, almanac.common.warmthLately!.value)
}

/** Tubs already in each cold place: animals in it that are in the cold and not among those to be placed. */
function takenIn(house: House, placeId: string, but: ReadonlySet<string>): number {
  return livingAnimals(house).filter(
    a => a.cooled && !a.warmed && !but.has(a.id) && coldPlaceOf(house, a.placeId) === placeId,
  ).length
}

/** Pairs them up where the school and every check allow it, alike in weight first; the others lie alone. */
function unitsOf(animals: readonly AnimalState[], { almanac, schools }: WinterContext): Unit[] {
  const units: Unit[] = []
  const waiting = new Map<string, AnimalState>()
  const alone = (animal: AnimalState, ...with_: AnimalState[]): void => {
    const { cold } = speciesOf(almanac, animal.speciesId)
    units.push({ animals: [animal, ...with_], lowC: cold!.lowC.value, highC: cold!.highC.value })
  }
  for (const animal of [...animals].sort((a, b) => (a.weights.at(-1)?.massG ?? 0) - (b.weights.at(-1)?.massG ?? 0))) {
    const species = speciesOf(almanac, animal.speciesId)
    if (schoolChoice(almanac, schools, 'coldCompany', species.id).id !== 'pairs') {
      alone(animal)
      continue
    }
    const key = `${species.id}:${animal.sex}`
    const other = waiting.get(key)
    if (other && shareChecks({ animal: other, species }, { animal, species }).every(c => c.ok)) {
      alone(other, animal)
      waiting.delete(key)
    } else {
      if (other) alone(other)
      waiting.set(key, animal)
    }
  }
  for (const animal of waiting.values()) alone(animal)
  return units
}

interface ColdRoom {
  place: Place
  tempC: number
  room: number
}

/**
 * Puts tubs into rooms, cold to warm; of those who may lie there the ones with the lowest upper limit go first, so that
 * as many tubs as can be are placed (Glover 1967, Naval Research Logistics 14:313–316, for such intervals).
 */
function fill(rooms: readonly ColdRoom[], units: readonly Unit[]): Map<Unit, ColdRoom> {
  const placed = new Map<Unit, ColdRoom>()
  let left = [...units].sort((a, b) => a.highC - b.highC)
  for (const cold of rooms) {
    let { room } = cold
    left = left.filter(unit => {
      if (room < 1 || unit.lowC > cold.tempC || cold.tempC > unit.highC) return true
      room--
      placed.set(unit, cold)
      return false
    })
  }
  return placed
}

/**
 * Puts animals into cold places: each tub into one whose temperature lies in its species' band, no place over its
 * capacity. As many animals as can be placed are: tubs of two come before tubs of one, and a tub is taken on wherever
 * all taken before it still find room (greedy by weight, which is best on such matchings: Edmonds 1971, Math.
 * Programming 1:127–136).
 * @param animalIds those to be placed, not yet in the cold
 * @param tempUnit in which it is told why one finds none
 */
export function assignPlaces(
  house: House,
  animalIds: readonly string[],
  context: WinterContext,
  tempUnit: TempUnit = '°C',
): Placing {
  const wanted = new Set(animalIds)
  const unplaced: Placing['unplaced'] = []
  const animals = animalIds
    .map(id => house.animals[id])
    .filter(a => a !== undefined)
    .filter(a => {
      if (hasWinter(speciesOf(context.almanac, a.speciesId))) return true
      unplaced.push({ animalId: a.id, why: 'Its species knows no winter' })
      return false
    })
  const units = unitsOf(animals, context)
  const cold = Object.values(house.places)
    .filter(p => p.kind === 'cold')
    .map(p => ({ place: p, tempC: temperatureOf(house, p, context) }))
  const rooms = cold
    .filter(c => c.tempC !== null)
    .sort((a, b) => a.tempC! - b.tempC! || a.place.order - b.place.order)
    .map(({ place, tempC }): ColdRoom => ({
      place,
      tempC: tempC!,
      room: place.capacity === null ? Number.POSITIVE_INFINITY : place.capacity - takenIn(house, place.id, wanted),
    }))
  let chosen = fill(rooms, units)
  if (chosen.size < units.length) {
    const taken: Unit[] = []
    for (const unit of [...units].sort((a, b) => b.animals.length - a.animals.length))
      if (fill(rooms, [...taken, unit]).size > taken.length) taken.push(unit)
    chosen = fill(rooms, taken)
  }
  const placed: Placing['placed'] = [...chosen].map(([unit, { place }]) => ({
    placeId: place.id,
    animalIds: unit.animals.map(a => a.id),
  }))
  const left = units.filter(u => !chosen.has(u))
  for (const unit of left) {
    const fitting = cold.filter(c => c.tempC !== null && unit.lowC <= c.tempC && c.tempC <= unit.highC)
    const why = fitting.length
      ? `No room: ${fitting.map(c => c.place.name).join(', ')} ${fitting.length === 1 ? 'is' : 'are'} full`
      : `No cold place of ${formatTempRange(unit.lowC, unit.highC, tempUnit)}`
    for (const animal of unit.animals) unplaced.push({ animalId: animal.id, why })
  }
  return { placed, unplaced }
}
