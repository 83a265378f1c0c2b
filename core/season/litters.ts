import { speciesOf, type Species } from '../almanac'
import type { Day } from '../chance'
import {
  isFedByWeight,
  isYoung,
  liveAhead,
  notSwitched,
  proposedStep,
  stepOf,
  switchOutlook,
  weaningRecord,
  type LearntCurve,
  type NextOffer,
  type NextStep,
  type RefusalCourse,
  type SwitchOutlook,
  type WeaningRecord,
} from '../feeding'
import { computedInput, factInput, type Judgement, type Reason } from '../judgement'
import { animalsOf, isHelped, leavingChecks, livingAnimals, type AnimalState, type LeavingCheck } from '../subjects'
import type { SeasonContext } from './context'
import { offerOf, refusalOf } from './eating'
import { growthOf, type Growth } from './growth'
import { lossesOf } from './survival'
import type { Losses } from './survivalFindings'
import { curveOf, littersBy, weaningRecords } from './weaning'

/** Where a young one stands, from who has not eaten to who may go. */
export const YOUNG_STANDINGS = ['notStarted', 'live', 'onTheWay', 'eats', 'mayGo'] as const
export type YoungStanding = (typeof YOUNG_STANDINGS)[number]

export interface YoungOne {
  animal: AnimalState
  standing: YoungStanding
  /** On the way to thawed prey; null where that is no question. */
  record: WeaningRecord | null
  offer: Judgement<NextOffer> | null
  /** Where it refuses: how grave, and what is tried next. */
  refusal: Judgement<RefusalCourse> | null
  checks: LeavingCheck[]
  /** Another step of the ladder, by how it eats; null mostly. */
  step: Judgement<NextStep> | null
  /** Beside its mates; null where too few were weighed. */
  growth: Judgement<Growth> | null
  /** Not started by the day on which nearly all of its kind have, or not on thawed prey when mates are. */
  behind: string | null
}

export interface LitterOutlook {
  /** Young that are asked of. */
  of: number
  already: number
  by: Day
  count: SwitchOutlook
  /** Meals of live prey until then. */
  live: number
  reasons: Reason[]
}

export interface Litter {
  id: string
  speciesId: string
  /** The clutch it is of, or its dam; null where neither is known. */
  tag: string | null
  bornDay: Day | null
  /** Worst first. */
  young: YoungOne[]
  outlook: LitterOutlook | null
  /** How many were lost of its clutch, beside others; null where that is not known. */
  losses: Losses | null
}

/** Whether it has ever taken a meal by itself. */
const eatsAlone = ({ lastTaken, meals }: AnimalState): boolean =>
  lastTaken !== null && (meals.some(m => m.taken > 0 && !isHelped(m)) || !meals.some(isHelped))

function standingOf(
  species: Species,
  animal: AnimalState,
  record: WeaningRecord | null,
  checks: readonly LeavingCheck[],
): YoungStanding {
  if (!eatsAlone(animal)) return 'notStarted'
  if (checks.every(c => c.is !== 'wrong')) return 'mayGo'
  if (!species.weaning || !record) return 'eats'
  switch (record.stage) {
    case 'notStarted':
      return 'notStarted'
    case 'live':
      return 'live'
    case 'freshKilled':
    case 'thawed':
      return 'onTheWay'
    default:
      return 'eats'
  }
}

function behindOf(
  species: Species,
  animal: AnimalState,
  record: WeaningRecord | null,
  learnt: LearntCurve | null,
  { today, almanac }: SeasonContext,
): string | null {
  if (!eatsAlone(animal) && animal.bornDay !== null) {
    const clock = Object.values(species.clocks).find(c => c.to === 'firstMeal')
    const by = clock ? animal.bornDay + clock.days.latest : null
    return by !== null && today > by ? `nearly all of its kind have eaten by day ${clock!.days.latest}` : null
  }
  if (!learnt || !record || record.offers === 0 || record.stage === 'thawed' || record.stage === 'weaned') return null
  const left = learnt.reduce((sum, l) => sum + l.chance * notSwitched(l.curve, record.offers), 0)
  return left < almanac.common.weanBehind!.value
    ? `${Math.round(100 * (1 - left))} % of its kind take thawed prey within ${Math.ceil(record.offers)} offers`
    : null
}

function outlookOf(
  species: Species,
  young: readonly YoungOne[],
  learnt: LearntCurve,
  { almanac, settings, today }: SeasonContext,
): LitterOutlook | null {
  const asked = young.filter(y => y.record && y.record.stage !== 'unsaid')
  if (!asked.length) return null
  const waiting = asked.filter(y => y.record!.stage !== 'thawed' && y.record!.stage !== 'weaned')
  const every = Math.max(...asked.map(y => stepOf(species, y.animal, today).everyDays))
  const { weanMates, weanOthers, weanAhead } = almanac.common
  const next = Math.floor(weanAhead!.value / every)
  const offers = waiting.map(y => y.record!.offers)
  const already = asked.length - waiting.length
  const path = `species.${species.id}.weaning`
  return {
    of: asked.length,
    already,
    by: today + weanAhead!.value,
    count: switchOutlook(learnt, already, offers, next),
    live: waiting.reduce((sum, y) => {
      const shares = liveAhead(almanac, settings, species, y.record!, learnt, next)
      return sum + shares.reduce((a, p) => a + p, 0)
    }, 0),
    reasons: [
      {
        rule: 'Each takes thawed prey with a chance of its own at every offer (beta-geometric); what its mates did moves it, earlier litters less',
        inputs: [
          factInput('Usually by the third offer', `${path}.byThree`, species.weaning!.byThree),
          factInput('By the twentieth', `${path}.byTwenty`, species.weaning!.byTwenty),
          computedInput('Take it now', `${already} of ${asked.length}`),
          computedInput('Offers until then', `${next}, every ${every} days`),
          factInput('The usual weighs as much as', 'common.weanMates.value', weanMates!),
          factInput('An earlier litter speaks', 'common.weanOthers.value', weanOthers!),
        ],
        change: 'Every meal of which it is written what the prey was',
      },
    ],
  }
}

/** From bad to good: who is grave, who refuses, who is behind, who has not eaten. */
function badness({ refusal, behind, standing, animal, growth }: YoungOne): number {
  const stalls = growth?.value.state === 'stalls' || growth?.value.state === 'loses'
  const grave = refusal ? ['normal', 'watch', 'weigh', 'vet'].indexOf(refusal.value.level) : 0
  return (
    grave * 100 +
    (behind ? 50 : 0) +
    (stalls ? 30 : 0) +
    (YOUNG_STANDINGS.length - YOUNG_STANDINGS.indexOf(standing)) +
    animal.refusals
  )
}

/**
 * Young with tags by their litters, worst first in each and the worst litter first, with how they go over to thawed
 * prey. O(young) and one curve a litter.
 */
export function littersOf(context: SeasonContext): Litter[] {
  const { house, almanac, today } = context
  const { common } = almanac
  const keys = littersBy(animalsOf(house), common)
  const records = weaningRecords(context, keys)
  const litters = new Map<string, AnimalState[]>()
  for (const animal of livingAnimals(house)) {
    if (!isYoung(animal, today, common)) continue
    const key = keys.get(animal.id)!
    litters.set(key, [...(litters.get(key) ?? []), animal])
  }
  const made = [...litters].map(([id, animals]): Litter => {
    const species = speciesOf(almanac, animals[0]!.speciesId)
    const learnt = species.weaning ? curveOf(id, species, records.get(species.id) ?? [], almanac) : null
    const growth = growthOf(animals, almanac, today)
    const young = animals
      .map((animal): YoungOne => {
        const record = species.weaning ? weaningRecord(animal.meals, common) : null
        const checks = leavingChecks(animal, species, house, common, today)
        return {
          animal,
          record,
          checks,
          growth: growth.get(animal.id) ?? null,
          standing: standingOf(species, animal, record, checks),
          offer: offerOf(animal, context),
          refusal: refusalOf(animal, false, context),
          step: proposedStep(almanac, species, animal, today, isFedByWeight(almanac, species, animal, today)),
          behind: behindOf(species, animal, record, learnt, context),
        }
      })
      .sort((a, b) => badness(b) - badness(a) || (a.animal.tag < b.animal.tag ? -1 : 1))
    const { clutchId, damId, bornDay } = animals[0]!
    return {
      id,
      speciesId: species.id,
      tag: (clutchId && house.clutches[clutchId]?.tag) || (damId && house.animals[damId]?.tag) || null,
      bornDay,
      young,
      outlook: learnt && outlookOf(species, young, learnt, context),
      losses: house.clutches[id] ? lossesOf(house.clutches[id], context) : null,
    }
  })
  return made.sort((a, b) => badness(b.young[0]!) - badness(a.young[0]!) || (a.id < b.id ? -1 : 1))
}
