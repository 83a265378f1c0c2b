import { speciesOf } from '../../almanac'
import { summarise, type Day } from '../../chance'
import { nextMeal } from '../../feeding'
import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import { inCold, type AnimalState, type PairingState } from '../../subjects'
import {
  judgePair,
  observedInCycle,
  planRota,
  type PairInput,
  type RotaPair,
  type Unvisited,
  type Visit,
} from '../../pairing'
import { formatDay } from '../../units'
import type { SeasonContext } from '../context'
import { eachGuarded, guarded, subjectAs } from '../guard'
import type { Lane } from '../contracts'
import { pairingsOf } from '../indexes'
import { remembering } from '../remember'
import { gravidIn, mealWinterOf, programmeFor, readinessOf, winterDeps } from '../winter'
import { apartBecause, pairInputs } from './bench'
import { rememberedKin, rememberedLine } from './kin'
import { birthsOf, clutchesOf, hasMating, loadOf } from './loads'
import { eggTempOf } from './sexOf'

/** The rota is planned so far ahead. */
export const ROTA_DAYS = 28

/** First day on which an animal may go to pairing, with why; null = not in sight. */
function pairableFrom(
  animal: AnimalState,
  context: SeasonContext,
): { day: Day; why: string; reasons: Reason[] } | null {
  const { today, almanac } = context
  const species = speciesOf(almanac, animal.speciesId)
  if (inCold(animal) && species.winter === 'dormancy') {
    const programme = programmeFor(animal, context)
    if (!programme || programme.maleDay === null) return null
    return {
      day: programme.maleDay,
      why: `rest ends ${formatDay(programme.wakeDay, today)}`,
      reasons: [
        {
          rule: 'The male goes to the female some days before the end of the rest',
          inputs: [
            computedInput('Rest ends', formatDay(programme.wakeDay, today)),
            factInput(
              'Before its end',
              `species.${species.id}.cold.rest.maleBeforeEndDays.value`,
              species.cold!.rest!.maleBeforeEndDays,
            ),
          ],
        },
      ],
    }
  }
  const readiness = readinessOf(animal, context)
  if (readiness) {
    if (readiness.since)
      return {
        day: readiness.since.day,
        why: `${animal.tag} ready since ${formatDay(readiness.since.day, today)}`,
        reasons: readiness.reasons,
      }
    const when = summarise(readiness.dist)
    return when
      ? {
          day: when.median,
          why: `${animal.tag} ready about ${formatDay(when.median, today)}`,
          reasons: readiness.reasons,
        }
      : null
  }
  return inCold(animal) ? null : { day: today, why: '', reasons: [] }
}

/** Judges two animals by the rules of the bench. */
type PairJudge = (dam: AnimalState, sire: AnimalState) => ReturnType<typeof judgePair>

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

/** What is wrong with a visit now, or null. */
function hindrance(
  pairing: PairingState,
  dam: AnimalState,
  sire: AnimalState,
  lane: Lane | undefined,
  again: boolean,
  judge: PairJudge,
  context: SeasonContext,
): { why: string; reasons: Reason[] } | null {
  const load = again ? loadOf(dam, lane ?? null, context) : null
  if (load?.value.action === 'rest') return { why: `she rests: ${load.value.text}`, reasons: load.reasons }
  if (load?.value.action === 'feedUp') return { why: load.value.text, reasons: load.reasons }
  const laid = birthsOf(pairing).at(-1)
  if (load?.value.action === 'weigh' && laid && (!load.value.latest || load.value.latest.day < laid.day))
    return { why: load.value.text, reasons: load.reasons }
  const { value, reasons } = judge(dam, sire)
  return value.stop === null ? null : { why: value.stop, reasons }
}

type Placed = { pair: RotaPair } | { without: Unvisited } | null

/**
 * The first meal of either that falls due while they are together; one that was due before is the keeper's own choice.
 */
function mealDueTogether(sides: readonly AnimalState[], since: Day, context: SeasonContext): Day | null {
  const { almanac, settings, today } = context
  const dues = sides.flatMap(a => {
    const species = speciesOf(almanac, a.speciesId)
    const meal =
      species.group === 'snake' ? nextMeal(almanac, settings, species, a, today, false, mealWinterOf(a, context)) : null
    return meal && meal.value.due > since ? [meal.value.due] : []
  })
  return dues.length ? Math.min(...dues) : null
}

const places = remembering<PairingState, Placed>()

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

/** What the rota does with one open pair: visits, or why none; null when none is wanted any more. */
function placed(pairing: PairingState, lane: Lane | undefined, judge: PairJudge, context: SeasonContext): Placed {
  const { house, almanac, today } = context
  const species = speciesOf(almanac, pairing.speciesId)
  const [dam, sire] = [house.animals[pairing.damId], pairing.sireId ? house.animals[pairing.sireId] : undefined]
  if (
    !hasMating(species) ||
    species.mating.social ||
    pairing.ended ||
    !dam ||
    !sire ||
    dam.status !== 'alive' ||
    sire.status !== 'alive'
  )
    return null
  const { mating } = species
  const births = birthsOf(pairing)
  const cycleStart = births.at(-1)?.day ?? -Infinity
  const observed = observedInCycle(pairing, species)
  const locks = pairing.locks.filter(l => l.day > cycleStart).length
  const carries = Boolean(observed.ovulation ?? observed.preLayShed ?? observed.postOvulationShed)
  const again = births.length > 0
  const together = pairing.together?.day ?? null
  const visits = pairing.visits.filter(v => v.to > cycleStart)
  const path = `species.${species.id}.mating`
  const rule: Reason = {
    rule: 'Short visits with rest days between, off the days of meals, until the locks that are wanted were seen; who must not meet by the bench does not meet',
    inputs: [
      factInput('A visit', `${path}.visitDays.value`, mating.visitDays),
      factInput('Rest between', `${path}.restDays.value`, mating.restDays),
      factInput('Wanted', `${path}.locksWanted.value`, mating.locksWanted),
      ...(species.group === 'snake'
        ? [factInput('After a meal', 'common.mealRest.value', almanac.common.mealRest!)]
        : []),
      ...(pairing.locks.at(-1)
        ? [entryInput('Last lock', formatDay(pairing.locks.at(-1)!.day, today), pairing.locks.at(-1)!)]
        : [computedInput('Locks', 'none seen yet')]),
    ],
    change: 'A lock, a rejection, a meal or a shed written down plans it anew',
  }
  const base = {
    pairingId: pairing.id,
    damId: dam.id,
    sireId: sire.id,
    visitDays: Math.round(mating.visitDays.value),
    restDays: Math.round(mating.restDays.value),
    together,
    mealDue: together === null ? null : mealDueTogether([dam, sire], together, context),
    lastVisit: visits.at(-1)?.to ?? null,
    visits: visits.length + (together === null ? 0 : 1),
    intime: null,
    until: null,
    reasons: [rule],
  }
  // one that is together is shown until it is taken apart, whatever else holds
  const out = (why: string, reasons: Reason[] = []): Placed => ({
    pair: { ...base, from: together!, visitDays: 0, why, wanted: 0, reasons: [rule, ...reasons] },
  })
  if (carries) return together === null ? null : out('she carries: take him out')
  if (again && (!mating.afterClutch || !lane || lane.stage === 'egg'))
    return together === null ? null : out('to be taken apart')
  const wanted = again
    ? visits.length && together === null
      ? 0
      : 1
    : Math.max(together === null ? 0 : 1, mating.locksWanted.value - locks)
  if (!wanted) return null
  const wrong = hindrance(pairing, dam, sire, lane, again, judge, context)
  if (wrong)
    return together === null
      ? {
          without: {
            pairingId: pairing.id,
            damId: dam.id,
            sireId: sire.id,
            why: wrong.why,
            waits: false,
            reasons: [...wrong.reasons, rule],
          },
        }
      : out(`${wrong.why}: take him out`, wrong.reasons)
  if (again) {
    const last = births.at(-1)!
    const intime = last.day + almanac.common.maleAfterUntil!.value
    return {
      pair: {
        ...base,
        wanted,
        from: last.day + almanac.common.maleAfterFrom!.value,
        intime,
        until: Math.max(intime, last.day + Math.floor((species.nextClutch?.days.earliest ?? 0) / 2)),
        why: `laid ${formatDay(last.day, today)}: male in again`,
        reasons: [
          rule,
          {
            rule: 'The male goes in again after every clutch, fertile or not; late when he was not free, at most to half the time to her next',
            inputs: [
              entryInput('Laid', formatDay(last.day, today), last),
              factInput('From', 'common.maleAfterFrom.value', almanac.common.maleAfterFrom!),
              factInput('Until', 'common.maleAfterUntil.value', almanac.common.maleAfterUntil!),
            ],
          },
        ],
      },
    }
  }
  const sides = [dam, sire].map(a => [a, pairableFrom(a, context)] as const)
  const never = sides.find(([, side]) => side === null)
  if (never)
    return together === null
      ? {
          without: {
            pairingId: pairing.id,
            damId: dam.id,
            sireId: sire.id,
            why: `${never[0].tag} is not ready in sight`,
            waits: true,
            reasons: [rule],
          },
        }
      : { pair: { ...base, from: together, why: 'together', wanted: 0 } }
  const later = sides.map(([, side]) => side!).reduce((a, b) => (b.day > a.day ? b : a))
  return {
    pair: {
      ...base,
      from: later.day,
      why: later.why || (locks ? `${locks} lock${locks > 1 ? 's' : ''} seen` : 'no lock yet'),
      wanted,
      reasons: [rule, ...later.reasons],
    },
  }
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
      return places(context, p, [lane, ...pairDeps(p, context)], () => placed(p, lane, judge, context))
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
