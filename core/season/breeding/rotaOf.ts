import { speciesOf } from '../../almanac'
import { summarise, type Day } from '../../chance'
import { nextMeal } from '../../feeding'
import { computedInput, entryInput, factInput, type Reason } from '../../judgement'
import type { AnimalState, PairingState } from '../../logbook'
import { observedInCycle, planRota, type RotaPair, type Visit } from '../../pairing'
import { formatDay } from '../../units'
import type { SeasonContext } from '../context'
import { eachGuarded, guarded, subjectAs } from '../guard'
import type { Lane } from '../types'
import { inCold, mealWinterOf, programmeFor, readinessOf } from '../winter'
import { birthsOf, hasMating, loadOf } from './loads'

/** The rota is planned so far ahead. */
export const ROTA_DAYS = 28

/** After a clutch the male goes in between the first and the third day. [common practice] */
const AFTER_CLUTCH = { from: 1, until: 4 }

/** First day on which an animal may go to pairing, with why; null = not in sight. */
function pairableFrom(animal: AnimalState, context: SeasonContext): { day: Day, why: string, reasons: Reason[] } | null {
  const { today, almanac } = context
  const species = speciesOf(almanac, animal.speciesId)
  if (inCold(animal) && species.winter === 'dormancy') {
    const programme = programmeFor(animal, context)
    if (!programme || programme.maleDay === null) return null
    return { day: programme.maleDay, why: `rest ends ${formatDay(programme.wakeDay, today)}`, reasons: [{ rule: 'The male goes to the female about one week before the end of the rest (common practice)', inputs: [computedInput('Rest ends', formatDay(programme.wakeDay, today))] }] }
  }
  const readiness = readinessOf(animal, context)
  if (readiness) {
    if (readiness.since) return { day: readiness.since.day, why: `${animal.tag} ready since ${formatDay(readiness.since.day, today)}`, reasons: readiness.reasons }
    const when = summarise(readiness.dist)
    return when ? { day: when.median, why: `${animal.tag} ready about ${formatDay(when.median, today)}`, reasons: readiness.reasons } : null
  }
  return inCold(animal) ? null : { day: today, why: '', reasons: [] }
}

function rotaPair(pairing: PairingState, lane: Lane | undefined, context: SeasonContext): RotaPair | null {
  const { house, almanac, today } = context
  const species = speciesOf(almanac, pairing.speciesId)
  const [dam, sire] = [house.animals[pairing.damId], pairing.sireId ? house.animals[pairing.sireId] : undefined]
  if (!hasMating(species) || species.mating.social || pairing.ended || !dam || !sire || dam.status !== 'alive' || sire.status !== 'alive') return null
  const { mating } = species
  const births = birthsOf(pairing)
  const cycleStart = births.at(-1)?.day ?? -Infinity
  const observed = observedInCycle(pairing, species)
  const locks = pairing.locks.filter(l => l.day > cycleStart).length
  const carries = Boolean(observed.ovulation ?? observed.preLayShed ?? observed.postOvulationShed)
  const load = births.length ? loadOf(dam, lane ?? null, context)?.value : null
  const again = births.length > 0
  const closed = carries || (again && (!mating.afterClutch || !lane || lane.stage === 'egg')) || load?.action === 'rest' || Boolean(dam.unwell ?? sire.unwell)
  const base = {
    pairingId: pairing.id, damId: dam.id, sireId: sire.id, visitDays: Math.round(mating.visitDays.value), restDays: Math.round(mating.restDays.value), together: pairing.together?.day ?? null,
    lastVisit: pairing.visits.filter(v => v.to > cycleStart).at(-1)?.to ?? null,
  }
  const path = `species.${species.id}.mating`
  const rule: Reason = {
    rule: 'Short visits with rest days between, off the days of meals, until the locks that are wanted were seen',
    inputs: [factInput('A visit', `${path}.visitDays.value`, mating.visitDays), factInput('Rest between', `${path}.restDays.value`, mating.restDays), factInput('Wanted', `${path}.locksWanted.value`, mating.locksWanted), ...(pairing.locks.at(-1) ? [entryInput('Last lock', formatDay(pairing.locks.at(-1)!.day, today), pairing.locks.at(-1)!)] : [computedInput('Locks', 'none seen yet')])],
    change: 'A lock, a rejection, a meal or a shed written down plans it anew',
  }
  // one that is together is shown until it is taken apart, whatever else holds
  if (closed) return base.together === null ? null : { ...base, from: base.together, until: null, why: carries ? 'she carries: take him out' : 'to be taken apart', wanted: 0, reasons: [rule] }
  if (again) {
    const last = births.at(-1)!
    const seenSince = pairing.visits.some(v => v.to > last.day) || base.together !== null
    return { ...base, from: last.day + AFTER_CLUTCH.from, until: last.day + AFTER_CLUTCH.until, why: `laid ${formatDay(last.day, today)}: male in again`, wanted: seenSince ? (base.together === null ? 0 : 1) : 1, reasons: [rule, { rule: 'The male goes in again for 1–3 days after every clutch, fertile or not (common practice)', inputs: [entryInput('Laid', formatDay(last.day, today), last)] }] }
  }
  const sides = [dam, sire].map(a => pairableFrom(a, context))
  if (sides.some(s => s === null)) return base.together === null ? null : { ...base, from: base.together, until: null, why: 'together', wanted: 0, reasons: [rule] }
  const later = sides.reduce((a, b) => (b!.day > a!.day ? b : a))!
  return { ...base, from: later.day, until: null, why: later.why || (locks ? `${locks} lock${locks > 1 ? 's' : ''} seen` : 'no lock yet'), wanted: Math.max(base.together === null ? 0 : 1, mating.locksWanted.value - locks), reasons: [rule, ...later.reasons] }
}

/** Days on which an animal has a meal in it or is due one: of snakes the day of a meal and the day after, of others none. */
function mealDays(animal: AnimalState, context: SeasonContext): Set<Day> {
  const { almanac, settings, today } = context
  const species = speciesOf(almanac, animal.speciesId)
  const days = new Set<Day>()
  if (species.group !== 'snake') return days
  const full = (day: Day) => { for (const d of [day, day + 1]) days.add(d) }
  if (animal.lastTaken) full(animal.lastTaken.day)
  const meal = nextMeal(almanac, settings, species, animal, today, false, mealWinterOf(animal, context))
  if (!meal) return days
  for (let day = Math.max(today, meal.value.due); day < today + ROTA_DAYS + 7; day += Math.max(3, meal.value.everyDays)) full(day)
  return days
}

/** Who is with whom on which days: what runs, and what is planned for the next four weeks. */
export function rotaOf(lanes: readonly Lane[], context: SeasonContext): Visit[] {
  const { house, today } = context
  const byPairing = new Map(lanes.filter(l => l.kind === 'pair').map(l => [l.subject.id, l]))
  const pairs = eachGuarded(context, 'its visits', Object.values(house.pairings).filter(p => !p.ended), subjectAs('pairing'), p => rotaPair(p, byPairing.get(p.id), context))
  const meals = new Map<string, Set<Day>>()
  const blocked = (id: string, day: Day) => {
    let days = meals.get(id)
    if (!days) meals.set(id, (days = guarded(context, 'its meals', { type: 'animal', id }, () => mealDays(house.animals[id]!, context)) ?? new Set()))
    return days.has(day)
  }
  const ended = new Map<string, Day>()
  for (const p of Object.values(house.pairings)) {
    const last = p.visits.at(-1)
    if (p.sireId && last) ended.set(p.sireId, Math.max(ended.get(p.sireId) ?? -Infinity, last.to))
  }
  const rests = new Map(pairs.map(p => [p.sireId, p.restDays]))
  return planRota({ pairs, blocked, maleRests: id => (ended.has(id) ? { until: ended.get(id)! + (rests.get(id) ?? 0) + 1 } : null), today, days: ROTA_DAYS })
}
