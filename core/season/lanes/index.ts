import { speciesOf } from '../../almanac'
import { cyclesOf, unwrittenRates } from '../../learning'
import type { MouthSource } from '../../nursery'
import type { ClutchState, PairingState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Lane } from '../contracts'
import { eachGuarded, subjectAs } from '../guard'
import { remembering } from '../remember'
import { survivalOf, watchedYoung } from '../survival'
import type { YoungSurvival } from '../survivalFindings'
import { eggTempC, eggWarmth } from '../warmth'
import { winterDeps } from '../winter'
import { paceKey, intervalsOf, outcomeAround, outcomeBefore, outcomeKey, outcomeOf } from '../eggs'
import { clutchLane } from './clutchLane'
import { nextEventDay } from './events'
import type { MadeLane } from './madeLane'
import { pairLane } from './pairLane'

export { isAhead, nextEventDay } from './events'

/** What a clutch depends on beside itself: how warm it is, and how many hours of that were read. */
function clutchWarmth(clutch: ClutchState, context: SeasonContext): readonly unknown[] {
  const warmth = eggWarmth(clutch, context)
  return [eggTempC(clutch, context), warmth?.goesOnAtC, warmth && Math.round(warmth.read / 24)]
}

const LAST_MOUTHS = Symbol('mouths told last')

function sameMouths(a: MouthSource, b: MouthSource): boolean {
  const { opens: one, ...rest } = a
  const { opens: other, ...others } = b
  return (
    one.start === other.start &&
    one.never === other.never &&
    one.p.length === other.p.length &&
    one.p.every((p, i) => p === other.p[i]) &&
    JSON.stringify(rest) === JSON.stringify(others)
  )
}

/** A lane with the losses of its young as the house has learnt them. */
function withSurvival(made: MadeLane | null, { share, reasons }: YoungSurvival): MadeLane | null {
  if (!made || !reasons.length || !made.mouths.length) return made
  const { young } = made.lane
  return {
    lane: { ...made.lane, young: { ...young, reasons: [...young.reasons, ...reasons] } },
    mouths: made.mouths.map(mouth => ({ ...mouth, survival90: share })),
  }
}

/**
 * Mouths that say what they said before stay the same objects, so that a weight written of a parent does not draw its
 * young anew.
 */
function withKnownMouths(
  of: PairingState | ClutchState,
  made: MadeLane | null,
  { memory }: SeasonContext,
): MadeLane | null {
  if (!made || !memory) return made
  const lastMouths = memory.room(LAST_MOUTHS, () => new WeakMap<PairingState | ClutchState, MouthSource[]>())
  const before = lastMouths.get(of)
  const mouths = made.mouths.map(mouth => {
    const known = before?.find(b => b.id === mouth.id)
    return known && sameMouths(known, mouth) ? known : mouth
  })
  lastMouths.set(of, mouths)
  return { ...made, mouths }
}

const pairLanes = remembering<PairingState, MadeLane | null>()
const clutchLanes = remembering<ClutchState, MadeLane | null>()

function parentDeps(id: string | null, context: SeasonContext): unknown[] {
  const animal = id ? context.house.animals[id] : undefined
  return animal ? [animal, ...winterDeps(animal, context)] : [null]
}

/**
 * Lanes of every open pair and every clutch with something alive, soonest event first, and the mouths they will bring.
 */
export function lanesOf(context: SeasonContext): { lanes: Lane[]; mouths: MouthSource[] } {
  const { house, almanac, settings, today } = context
  const unwritten = unwrittenRates(
    eachGuarded(context, 'its forecast', Object.values(house.pairings), subjectAs('pairing'), cyclesOf).flat(),
    almanac,
  )
  const watched = watchedYoung(context).bySpecies
  const survival = new Map<string, { of: YoungSurvival; key: string }>()
  const survivalIn = (speciesId: string): { of: YoungSurvival; key: string } => {
    let known = survival.get(speciesId)
    if (!known) {
      const of = survivalOf(speciesOf(almanac, speciesId), watched.get(speciesId), context)
      survival.set(speciesId, (known = { of, key: JSON.stringify(of) }))
    }
    return known
  }
  const all = [
    ...eachGuarded(context, 'its forecast', Object.values(house.pairings), subjectAs('pairing'), p =>
      pairLanes(
        context,
        p,
        [
          ...parentDeps(p.damId, context),
          ...parentDeps(p.sireId, context),
          outcomeKey(outcomeOf(p.damId, context)),
          paceKey(p.speciesId, context),
          intervalsOf(p.damId, speciesOf(almanac, p.speciesId), context).join(),
          almanac,
          settings,
          today,
          unwritten.key,
          survivalIn(p.speciesId).key,
        ],
        () => withKnownMouths(p, withSurvival(pairLane(p, unwritten, context), survivalIn(p.speciesId).of), context),
      ),
    ),
    ...eachGuarded(context, 'its forecast', Object.values(house.clutches), subjectAs('clutch'), c =>
      clutchLanes(
        context,
        c,
        [
          ...clutchWarmth(c, context),
          outcomeKey(outcomeBefore(c, context)),
          outcomeKey(outcomeAround(c, context)),
          paceKey(c.speciesId, context),
          almanac,
          settings,
          today,
          unwritten.key,
          survivalIn(c.speciesId).key,
        ],
        () => withKnownMouths(c, withSurvival(clutchLane(c, unwritten, context), survivalIn(c.speciesId).of), context),
      ),
    ),
  ]
  const lanes = all.map(m => m.lane)
  const when = new Map(lanes.map(l => [l.id, nextEventDay(l, today)]))
  lanes.sort((a, b) => when.get(a.id)! - when.get(b.id)! || (a.title < b.title ? -1 : 1))
  return { lanes, mouths: all.flatMap(m => m.mouths) }
}
