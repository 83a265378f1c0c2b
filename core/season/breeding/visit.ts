import { speciesOf, type Mating, type Species } from '../../almanac'
import { summarise, type Day } from '../../chance'
import { nextMeal } from '../../feeding'
import { inCold, type AnimalState, type PairingState } from '../../subjects'
import { observedInCycle, type PairVerdict, type RotaPair, type Unvisited } from '../../pairing'
import type { Judgement } from '../../judgement'
import type { SeasonContext } from '../context'
import type { Lane } from '../contracts'
import { mealWinterOf, programmeFor, readinessOf } from '../winter'
import { birthsOf, hasMating, loadOf } from './loads'
import type { Hindrance, Pairable, WhyVisit } from './visitFindings'
import { tellVisit } from './visitWording'

/** Judges two animals by the rules of the bench. */
export type PairJudge = (dam: AnimalState, sire: AnimalState) => Judgement<PairVerdict>

/** What the rota is given of one open pair: visits, or why none; null when none is wanted any more. */
export type Wanted = { pair: RotaPair } | { without: Unvisited } | null

/** A pair that may be visited, and where it stands in its cycle. */
interface Stand {
  pairing: PairingState
  dam: AnimalState
  sire: AnimalState
  species: Species & { mating: Mating }
  lane: Lane | undefined
  births: ReturnType<typeof birthsOf>
  /** In this cycle. */
  locks: number
  visits: PairingState['visits']
  /** Together since; null = apart. */
  together: Day | null
}

/** First day on which an animal may go to pairing; null = not in sight. */
function pairableFrom(animal: AnimalState, context: SeasonContext): Pairable | null {
  const { today, almanac } = context
  const { tag } = animal
  if (inCold(animal) && speciesOf(almanac, animal.speciesId).winter === 'dormancy') {
    const programme = programmeFor(animal, context)
    return programme && programme.maleDay !== null
      ? { is: 'restEnds', day: programme.maleDay, restEnds: programme.wakeDay }
      : null
  }
  const readiness = readinessOf(animal, context)
  if (!readiness) return inCold(animal) ? null : { is: 'any', day: today }
  const { since, dist, reasons } = readiness
  if (since) return { is: 'readySince', day: since.day, tag, reasons }
  const when = summarise(dist)
  return when ? { is: 'readyAbout', day: when.median, tag, reasons } : null
}

/** What is wrong with a visit now, or null. */
function hindrance({ dam, sire, lane, births }: Stand, judge: PairJudge, context: SeasonContext): Hindrance | null {
  const laid = births.at(-1)
  const load = laid ? loadOf(dam, lane ?? null, context) : null
  if (load) {
    const { action, text: told, latest } = load.value
    const { reasons } = load
    if (action === 'rest') return { is: 'rests', told, reasons }
    if (action === 'feedUp') return { is: 'load', told, reasons }
    if (action === 'weigh' && laid && (!latest || latest.day < laid.day)) return { is: 'load', told, reasons }
  }
  const { value, reasons } = judge(dam, sire)
  return value.stop === null ? null : { is: 'bench', told: value.stop, reasons }
}

/**
 * The first meal of either that falls due while they are together; one that was due before is the keeper's own choice.
 */
function mealDueTogether({ dam, sire, together }: Stand, context: SeasonContext): Day | null {
  if (together === null) return null
  const { almanac, settings, today } = context
  const dues = [dam, sire].flatMap(a => {
    const species = speciesOf(almanac, a.speciesId)
    const meal =
      species.group === 'snake' ? nextMeal(almanac, settings, species, a, today, false, mealWinterOf(a, context)) : null
    return meal && meal.value.due > together ? [meal.value.due] : []
  })
  return dues.length ? Math.min(...dues) : null
}

/** Null of a pair that nobody visits: social, ended, or one of them is not here. */
function standOf(pairing: PairingState, lane: Lane | undefined, { house, almanac }: SeasonContext): Stand | null {
  const species = speciesOf(almanac, pairing.speciesId)
  const [dam, sire] = [house.animals[pairing.damId], pairing.sireId ? house.animals[pairing.sireId] : undefined]
  if (!hasMating(species) || species.mating.social || pairing.ended) return null
  if (!dam || !sire || dam.status !== 'alive' || sire.status !== 'alive') return null
  const births = birthsOf(pairing)
  const cycleStart = births.at(-1)?.day ?? -Infinity
  return {
    pairing,
    dam,
    sire,
    species,
    lane,
    births,
    locks: pairing.locks.filter(l => l.day > cycleStart).length,
    visits: pairing.visits.filter(v => v.to > cycleStart),
    together: pairing.together?.day ?? null,
  }
}

const carries = ({ pairing, species }: Stand): boolean => {
  const seen = observedInCycle(pairing, species)
  return Boolean(seen.ovulation ?? seen.preLayShed ?? seen.postOvulationShed)
}

/** Visits that are still wanted; null when the cycle has no more use for one. */
function visitsWanted({ species: { mating }, births, lane, locks, visits, together }: Stand): number | null {
  if (!births.length) return Math.max(together === null ? 0 : 1, mating.locksWanted.value - locks)
  if (!mating.afterClutch || !lane || lane.stage === 'egg') return null
  return visits.length && together === null ? 0 : 1
}

/** What the rota does with one open pair: visits, or why none; null when none is wanted any more. */
export function visitOf(
  pairing: PairingState,
  lane: Lane | undefined,
  judge: PairJudge,
  context: SeasonContext,
): Wanted {
  const { almanac, today } = context
  const stand = standOf(pairing, lane, context)
  if (!stand) return null
  const { dam, sire, species, births, visits, together } = stand
  const who = { pairingId: pairing.id, damId: dam.id, sireId: sire.id }
  const tell = (why: WhyVisit) => tellVisit(why, { pairing, species, almanac, today })
  const pair = (why: WhyVisit, more: Partial<RotaPair> & Pick<RotaPair, 'from' | 'wanted'>): Wanted => ({
    pair: {
      ...who,
      visitDays: Math.round(species.mating.visitDays.value),
      restDays: Math.round(species.mating.restDays.value),
      together,
      mealDue: mealDueTogether(stand, context),
      lastVisit: visits.at(-1)?.to ?? null,
      visits: visits.length + (together === null ? 0 : 1),
      intime: null,
      until: null,
      ...tell(why),
      ...more,
    },
  })
  // one that is together is shown until it is taken apart, whatever else holds
  const out = (why: WhyVisit): Wanted =>
    together === null ? null : pair(why, { from: together, visitDays: 0, wanted: 0 })
  if (carries(stand)) return out({ is: 'carries' })
  const wanted = visitsWanted(stand)
  if (wanted === null) return out({ is: 'over' })
  if (!wanted) return null
  const by = hindrance(stand, judge, context)
  if (by)
    return (
      out({ is: 'hindered', by, together: true }) ?? {
        without: { ...who, waits: false, ...tell({ is: 'hindered', by, together: false }) },
      }
    )
  const last = births.at(-1)
  if (last) {
    const intime = last.day + almanac.common.maleAfterUntil!.value
    const halfway = last.day + Math.floor((species.nextClutch?.days.earliest ?? 0) / 2)
    const from = last.day + almanac.common.maleAfterFrom!.value
    return pair({ is: 'laid', on: last }, { wanted, from, intime, until: Math.max(intime, halfway) })
  }
  const [hers, his] = [pairableFrom(dam, context), pairableFrom(sire, context)]
  if (!hers || !his) {
    if (together !== null) return pair({ is: 'together' }, { from: together, wanted: 0 })
    return { without: { ...who, waits: true, ...tell({ is: 'notReady', tag: (hers ? sire : dam).tag }) } }
  }
  const later = his.day > hers.day ? his : hers
  return pair({ is: 'both', later, locks: stand.locks }, { from: later.day, wanted })
}
