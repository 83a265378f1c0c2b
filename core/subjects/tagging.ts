import type { House } from '../log'
import type { AnimalCard } from './animal/state'
import type { Sex } from './sexes'
import { waysUp } from './ways'

/** What bears no tags yet, and of which some are made animals of their own. */
export interface Untagged {
  type: 'clutch' | 'group'
  id: string
}

/** How many get a tag, what it begins with, and what else is said of all of them. */
export interface TagWish {
  count: number
  prefix: string
  placeId?: string | null
  /** Of some of a group. */
  sex?: Sex
}

type Common = Pick<AnimalCard, 'speciesId' | 'bornDay' | 'placeId' | 'damId' | 'sireId' | 'clutchId' | 'groupId'>

/** Whether a place is an incubator, or stands in one. */
const isIncubator = ({ places }: Pick<House, 'places'>, placeId: string | null): boolean =>
  [...waysUp(places, placeId)].some(p => p.kind === 'incubator')

/** What the cards of all that are tagged out of it say alike; null where there is no such clutch or group. */
function alike(house: House, { type, id }: Untagged): Common | null {
  if (type === 'group') {
    const group = house.groups[id]
    if (!group) return null
    const { speciesId, bornDay, placeId } = group
    return { speciesId, bornDay, placeId, damId: null, sireId: null, clutchId: null, groupId: id }
  }
  const clutch = house.clutches[id]
  if (!clutch) return null
  const pairing = clutch.pairingId ? house.pairings[clutch.pairingId] : undefined
  const opened = clutch.kind === 'spawn' ? clutch.metamorphosed : clutch.hatched
  return {
    speciesId: clutch.speciesId,
    bornDay: opened[0]?.day ?? clutch.startDay,
    // young do not stay where their eggs lay
    placeId: isIncubator(house, clutch.placeId) ? null : clutch.placeId,
    damId: pairing?.damId ?? null,
    sireId: pairing?.sireId ?? null,
    clutchId: id,
  }
}

/** The entry on what they come out of, and the cards of those that get a tag. */
export interface Tagged {
  kind: 'tagged' | 'groupTagged'
  data: { count: number; sex?: Sex }
  cards: AnimalCard[]
}

/**
 * Some of a clutch or a group as animals of their own, with the next tags that are free.
 * @param taggedBy id of the entry that says so
 * @param isTaken whether a tag is borne by something of the house
 * @param newId makes the id of an animal
 * @returns null where there is no such clutch or group
 */
export function tagOut(
  house: House,
  of: Untagged,
  { count, prefix, placeId, sex }: TagWish,
  taggedBy: string,
  isTaken: (tag: string) => boolean,
  newId: () => string,
): Tagged | null {
  const card = alike(house, of)
  if (!card) return null
  const said = of.type === 'group' ? sex : undefined
  const cards: AnimalCard[] = []
  for (let n = 1; cards.length < count; n++) {
    const tag = `${prefix}-${String(n).padStart(2, '0')}`
    if (isTaken(tag)) continue
    cards.push({
      id: newId(),
      tag,
      name: null,
      ...card,
      sex: said ?? 'unknown',
      placeId: placeId ?? card.placeId,
      foundedBy: taggedBy,
    })
  }
  return { kind: of.type === 'group' ? 'groupTagged' : 'tagged', data: { count, ...(said && { sex: said }) }, cards }
}
