import { derived } from '../../derived'
import { speciesOf, type Mating, type Species } from '../../almanac'
import type { Judgement } from '../../judgement'
import type { AnimalState, ClutchState, House, PairingState } from '../../subjects'
import { judgeLoad, type LoadVerdict } from '../../pairing'
import type { SeasonContext } from '../context'
import type { Lane } from '../contracts'
import { remembering } from '../remember'

/** Clutches and litters by dam. */
const clutchesByDam = derived((house: Pick<House, 'clutches' | 'pairings'>) => {
  const by = new Map<string, ClutchState[]>()
  for (const c of Object.values(house.clutches)) {
    const dam = c.pairingId ? house.pairings[c.pairingId]?.damId : undefined
    if (dam) by.set(dam, [...(by.get(dam) ?? []), c])
  }
  return by
})

/** Clutches and litters of one female over all her pairings. */
export const clutchesOf = (house: House, damId: string): readonly ClutchState[] => clutchesByDam(house).get(damId) ?? []

export const hasMating = (species: Species): species is Species & { mating: Mating } => species.mating !== undefined

const loadsByLane = remembering<Lane, Judgement<LoadVerdict> | null>()
const loadsAlone = remembering<AnimalState, Judgement<LoadVerdict> | null>()

/** What a female bears this season; null where the almanac does not know how her species breeds. */
export function loadOf(dam: AnimalState, lane: Lane | null, context: SeasonContext): Judgement<LoadVerdict> | null {
  const { house, almanac, today } = context
  // what lies in two boxes was laid once
  const clutches = clutchesOf(house, dam.id).filter(c => !c.partOf)
  const judge = () => {
    const species = speciesOf(almanac, dam.speciesId)
    if (!hasMating(species)) return null
    const next =
      lane?.events.filter(e => !e.observed && (e.event === 'laid' || e.event === 'born')).map(e => e.dist) ?? []
    return judgeLoad(species, dam, clutches, [...next, ...(lane?.later.map(l => l.dist) ?? [])], almanac.common, today)
  }
  return lane
    ? loadsByLane(context, lane, [dam, almanac, today, ...clutches], judge)
    : loadsAlone(context, dam, [almanac, today, ...clutches], judge)
}

/** Days on which the births of a pairing were seen, the latest last. */
export const birthsOf = (pairing: PairingState) =>
  [...(pairing.seen.laid ?? []), ...(pairing.seen.born ?? [])].sort((a, b) => a.day - b.day)
