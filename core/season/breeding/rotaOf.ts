import { speciesOf } from '../../almanac'
import type { Day } from '../../chance'
import { nextMeal } from '../../feeding'
import type { AnimalState, PairingState } from '../../subjects'
import { judgePair, planRota, type PairInput, type Unvisited, type Visit } from '../../pairing'
import type { SeasonContext } from '../context'
import { eachGuarded, guarded, subjectAs } from '../guard'
import type { Lane } from '../contracts'
import { pairingsOf } from '../indexes'
import { remembering } from '../remember'
import { gravidIn, mealWinterOf, winterDeps } from '../winter'
import { apartBecause, pairInputs } from './bench'
import { rememberedKin, rememberedLine } from './kin'
import { clutchesOf } from './loads'
import { eggTempOf } from './sexOf'
import { visitOf, type PairJudge, type Wanted } from './visit'

/** The rota is planned so far ahead. */
export const ROTA_DAYS = 28

function judgeOf(context: SeasonContext): PairJudge {
  const bySpecies = new Map<string, ReturnType<typeof pairInputs>>()
  return (dam, sire) => {
    let input = bySpecies.get(dam.speciesId)
    if (!input)
      bySpecies.set(
        dam.speciesId,
        (input = pairInputs(context, speciesOf(context.almanac, dam.speciesId) as PairInput['species'], [])),
      )
    return judgePair(input(dam, sire))
  }
}

const visitsOf = remembering<PairingState, Wanted>()

/** All that the rota reads of two animals beside their lane. */
function pairDeps(pairing: PairingState, context: SeasonContext): unknown[] {
  const { house } = context
  const dam = house.animals[pairing.damId]
  const sire = pairing.sireId ? house.animals[pairing.sireId] : undefined
  if (!dam || !sire) return [dam, sire, context.today]
  return [
    rememberedKin(context),
    rememberedLine(dam.speciesId, context),
    ...clutchesOf(house, dam.id),
    ...pairingsOf(house, dam.id),
    ...[dam, sire].flatMap(a => [a, eggTempOf(a, context), apartBecause(a, context), ...winterDeps(a, context)]),
  ]
}

/**
 * Days on which an animal has a meal in it or is due one; of others than snakes, which regurgitate when mated on a full
 * stomach, none.
 */
function mealDays(animal: AnimalState, gravid: ReturnType<typeof gravidIn>, context: SeasonContext): Set<Day> {
  const { almanac, settings, today } = context
  const species = speciesOf(almanac, animal.speciesId)
  const days = new Set<Day>()
  if (species.group !== 'snake') return days
  const full = (day: Day) => {
    for (let d = day; d <= day + almanac.common.mealRest!.value; d++) days.add(d)
  }
  if (animal.lastTaken) full(animal.lastTaken.day)
  const meal = nextMeal(
    almanac,
    settings,
    species,
    animal,
    today,
    gravid.get(animal.id) ?? false,
    mealWinterOf(animal, context),
  )
  if (!meal) return days
  for (
    let day = Math.max(today, meal.value.due);
    day < today + ROTA_DAYS + 14;
    day += Math.max(1, meal.value.everyDays)
  )
    full(day)
  return days
}

/**
 * Who is with whom on which days: what runs, and what is planned for the next four weeks; and who gets no visit, and
 * why.
 */
export function rotaOf(lanes: readonly Lane[], context: SeasonContext): { visits: Visit[]; unvisited: Unvisited[] } {
  const { house, today } = context
  const byPairing = new Map(lanes.filter(l => l.kind === 'pair').map(l => [l.subject.id, l]))
  const judge = judgeOf(context)
  const all = eachGuarded(
    context,
    'its visits',
    Object.values(house.pairings).filter(p => !p.ended),
    subjectAs('pairing'),
    p => {
      const lane = byPairing.get(p.id)
      return visitsOf(context, p, [lane, ...pairDeps(p, context)], () => visitOf(p, lane, judge, context))
    },
  )
  const pairs = all.flatMap(p => ('pair' in p ? [p.pair] : []))
  const without = all.flatMap(p => ('without' in p ? [p.without] : []))
  if (!pairs.length) return { visits: [], unvisited: without }
  const gravid = gravidIn(lanes, context)
  const meals = new Map<string, Set<Day>>()
  const blocked = (id: string, day: Day) => {
    let days = meals.get(id)
    if (!days)
      meals.set(
        id,
        (days =
          guarded(context, 'its meals', { type: 'animal', id }, () => mealDays(house.animals[id]!, gravid, context)) ??
          new Set()),
      )
    return days.has(day)
  }
  const ended = new Map<string, Day>()
  for (const p of Object.values(house.pairings)) {
    const last = p.visits.at(-1)
    if (p.sireId && last) ended.set(p.sireId, Math.max(ended.get(p.sireId) ?? -Infinity, last.to))
  }
  const rests = new Map(pairs.map(p => [p.sireId, p.restDays]))
  const { visits, unvisited } = planRota({
    pairs,
    blocked,
    maleRests: id => (ended.has(id) ? { until: ended.get(id)! + (rests.get(id) ?? 0) + 1 } : null),
    today,
    days: ROTA_DAYS,
  })
  return { visits, unvisited: [...without, ...unvisited].sort((a, b) => (a.pairingId < b.pairingId ? -1 : 1)) }
}
