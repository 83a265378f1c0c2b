import { summarise, type Day } from '../../chance'
import { EVENT_NAMES, type Unvisited, type Visit } from '../../pairing'
import type { PairingState } from '../../subjects'
import type { SeasonContext } from '../context'
import { eachGuarded, guarded } from '../guard'
import { isAhead } from '../lanes'
import type { BreedingOutlook, DueWithHer, Lane } from '../contracts'
import { remembering } from '../remember'
import { loadOf } from './loads'
import { rotaOf } from './rotaOf'

const BIRTHS = ['laid', 'born']

const dues = remembering<Lane, DueWithHer>()

function dueOf(
  lane: Lane,
  rota: ReadonlyMap<string, Visit>,
  without: ReadonlyMap<string, Unvisited>,
  context: SeasonContext,
): DueWithHer {
  const pairing = context.house.pairings[lane.subject.id]!
  const load = loadOf(context.house.animals[pairing.damId]!, lane, context)
  const [visit, unvisited] = [rota.get(pairing.id) ?? null, without.get(pairing.id) ?? null]
  return dues(context, lane, [pairing, load, visit, unvisited, context.today], () => ({
    ...dueBy(lane, pairing, context.today),
    load,
    visit,
    unvisited,
  }))
}

function dueBy(lane: Lane, pairing: PairingState, today: Day): Omit<DueWithHer, 'load' | 'visit' | 'unvisited'> {
  const expected = lane.events.filter(e => isAhead(e, today))
  const tell = (e: (typeof expected)[number] | undefined) =>
    e ? { event: EVENT_NAMES[e.event], when: summarise(e.dist)!, reasons: e.reasons } : null
  const before = expected.filter(e => !['hatched', 'metamorphosed', 'firstMeal'].includes(e.event))
  const next = before[0]
  const birth = before.find(e => BIRTHS.includes(e.event))
  return {
    pairingId: pairing.id,
    tag: pairing.tag,
    damId: pairing.damId,
    sireId: pairing.sireId,
    speciesId: lane.speciesId,
    stage: lane.stage,
    next: tell(next),
    birth: birth === next ? null : tell(birth),
    locks: pairing.locks.length,
    together: pairing.together !== null,
  }
}

/** The first of each pair, in a list in order of time. */
function firstByPair<Of extends { pairingId: string }>(list: readonly Of[]): Map<string, Of> {
  const first = new Map<string, Of>()
  for (const one of list) if (!first.has(one.pairingId)) first.set(one.pairingId, one)
  return first
}

/** The pairing side of the season: the rota, and what is due with each female, soonest first. */
export function breedingOutlook(lanes: readonly Lane[], context: SeasonContext): BreedingOutlook {
  const { visits: rota, unvisited } = guarded(context, 'the rota', null, () => rotaOf(lanes, context)) ?? {
    visits: [],
    unvisited: [],
  }
  const [visitOf, whyNotOf] = [firstByPair(rota), firstByPair(unvisited)]
  const due = eachGuarded(
    context,
    'what is due with her',
    lanes.filter(l => l.kind === 'pair'),
    l => l.subject,
    l => dueOf(l, visitOf, whyNotOf, context),
  )
  const day = (d: DueWithHer) => d.next?.when.median ?? Number.MAX_SAFE_INTEGER
  return { rota, unvisited, due: due.sort((a, b) => day(a) - day(b) || (a.tag < b.tag ? -1 : 1)) }
}
