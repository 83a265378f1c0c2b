import { shipped, shippedAlmanac, withCheckedOwn, type Almanac, type OwnKnowledge, type OwnSpecies } from '../almanac'
import { recordOf } from '../record'
import type { House } from '../log'
import type {} from './feeder/state'
import { ownNumbers } from './ownNumbers'
import { cultureWeekdayOf } from './cultureWeekday'
import { ownRows } from './ownRows'
import type {} from './species/state'

/** What a house says otherwise than what is shipped: its own species and feeders, its own numbers. */
export const ownKnowledge = (
  house: Parameters<typeof ownRows>[0] & Pick<House, 'numbers' | 'settings'>,
): OwnKnowledge => ({
  ...ownRows(house, cultureWeekdayOf(house)),
  numbers: ownNumbers(house),
})

/**
 * The almanac of a house: what is shipped, its own species and feeders, its own numbers.
 * @throws AlmanacError when a number cannot be taken
 */
export const almanacOf = (house: House): Almanac => withCheckedOwn(shipped, ownKnowledge(house)).almanac

/** How a species bears its young, by what the house says of it or what is shipped; null for one that is not known. */
export function modeIn(house: Partial<Pick<House, 'species'>>, id: string): 'egg' | 'live' | 'larval' | null {
  const seen = new Set<string>()
  for (let at: string | null = id; at !== null && !seen.has(at);) {
    seen.add(at)
    const own: OwnSpecies | undefined =
      house.species && Object.hasOwn(house.species, at) ? house.species[at] : undefined
    if (own?.parts.mode) return own.parts.mode
    if (!own?.added) return Object.hasOwn(shippedAlmanac.species, at) ? shippedAlmanac.species[at]!.mode : null
    at = own.from
  }
  return null
}

/** The species that each type is of, by its id. */
export function typesIn(house: Pick<House, 'species'>): Record<string, string> {
  const shipped = Object.values(shippedAlmanac.species).flatMap(s => (s.typeOf ? [[s.id, s.typeOf] as const] : []))
  const types = recordOf(shipped)
  // a type of a type is of the same species; those that are named first may stand last
  const own = Object.values(house.species).filter(s => s.added && s.type && s.from !== null)
  for (const { id, from } of own) types[id] = from!
  for (const id of Object.keys(types))
    for (let n = 0; n < own.length && types[types[id]!]; n++) types[id] = types[types[id]!]!
  return types
}
