import { feederOf, speciesOf, type Almanac } from '../almanac'
import type { Day } from '../chance'
import { plannedSupply } from '../cultures'
import { computedInput, entryInput, factInput } from '../judgement'
import type { ClimateTrouble } from '../brumation'
import {
  SIGN_WORDS,
  type AnimalState,
  type CultureState,
  type House,
  type LampState,
  type Sign,
  type Subject,
} from '../subjects'
import { formatDay, formatDistance } from '../units'
import { EVENT_NAMES } from '../pairing'
import { sexOf } from './breeding'
import { eachGuarded, guarded, subjectAs } from './guard'
import { pairingsOf } from './indexes'
import type { TaskContext } from './tasks/taskMaker'
import type { Alarm, ColdAnimal, ColdPlaceView, Lane } from './contracts'
import { inCold } from './winter'

function coldAlarm({ animalId, tag, verdict }: ColdAnimal): Alarm | null {
  const { action, text } = verdict.value
  if (action !== 'takeOut' && action !== 'offerWater') return null
  return {
    id: `cold:${animalId}`,
    level: action === 'takeOut' ? 'harm' : 'watch',
    subject: { type: 'animal', id: animalId },
    text: `${tag}, in the cold: ${text.charAt(0).toLowerCase()}${text.slice(1)}`,
    todo:
      action === 'takeOut'
        ? 'Take it out and warm it today; a loss this quick is mostly water or illness, so see the vet.'
        : 'Offer water, raise humidity, look at breath and skin, weigh again in a week.',
    reasons: verdict.reasons,
  }
}

const TROUBLE: Record<ClimateTrouble, { text: (hours: number, tempC: number | null) => string; todo: string }> = {
  tooCold: {
    text: (_, t) => `fell to ${t!.toFixed(1)} °C`,
    todo: 'Raise it or move them now; look at each. Frozen tissue does not come back.',
  },
  tooWarm: {
    text: (h, t) => `is too warm, up to ${t!.toFixed(1)} °C over ${h} hours`,
    todo: 'Look at the cooling and the door. Warm and unfed they burn reserves: cool it today, or wake them.',
  },
  silent: {
    text: (h, t) => `sends no reading since ${h} hours${t === null ? '' : `; last ${t.toFixed(1)} °C`}`,
    todo: 'Look at the probe and its battery, and at a second thermometer; what happens in there is not known.',
  },
}

function placeAlarms(place: ColdPlaceView, house: House): Alarm[] {
  if (!place.animalIds.length) return []
  const tags = place.animalIds.map(id => house.animals[id]!.tag).sort()
  const who = tags.length > 6 ? `${tags.slice(0, 6).join(', ')} and ${tags.length - 6} more` : tags.join(', ')
  return place.troubles.map((trouble): Alarm => ({
    id: `climate:${trouble.kind}:${place.placeId}`,
    level: trouble.level,
    subject: null,
    text: `${place.name} ${TROUBLE[trouble.kind].text(trouble.hours, trouble.tempC)}; in it ${who}`,
    todo: TROUBLE[trouble.kind].todo,
    reasons: place.reasons,
  }))
}

function refuser(animal: AnimalState): Alarm | null {
  if (animal.refusals < 3 || (animal.cooled && !animal.warmed)) return null
  const [before, now] = [animal.weights.at(-2), animal.weights.at(-1)]
  const falling = before && now && now.massG < before.massG * 0.97
  return {
    id: `refuser:${animal.id}`,
    level: falling ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} refused ${animal.refusals} meals in a row${falling ? ' and loses weight' : ''}`,
    todo: falling
      ? 'Call the reptile vet; meanwhile quiet, dark and warm.'
      : 'Quiet and dark, smaller prey, overnight; then scent or other prey. Watch weight, not meals.',
    reasons: [
      {
        rule: 'Refusals are normal before a shed or out of season; with falling weight they alarm (common practice)',
        inputs: [
          computedInput('Refused in a row', `${animal.refusals}`),
          ...(now ? [entryInput('Latest weight', `${now.massG} g`, now)] : []),
          ...(before ? [entryInput('Before', `${before.massG} g`, before)] : []),
        ],
        change: 'One meal taken clears it',
      },
    ],
  }
}

/** A look that found something stands until a later one finds it well. */
function unwellAlarm(animal: AnimalState, today: Day): Alarm | null {
  const { unwell } = animal
  // in the cold the judgement of the cold speaks
  if (!unwell || inCold(animal)) return null
  const signs = unwell.signs.map(s => SIGN_WORDS[s as Sign] ?? s).join(', ')
  return {
    id: `unwell:${animal.id}`,
    level: 'harm',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} was found not well ${formatDistance(unwell.day, today)}${signs ? `: ${signs}` : ''}`,
    todo: 'Look again today, apart from the others, washed hands after; noisy breath, discharge and injuries are for the reptile vet.',
    reasons: [
      {
        rule: 'A look that found something stands until another finds it well',
        inputs: [entryInput('Looked at', signs || 'not well', unwell)],
        change: 'A look that finds it well',
      },
    ],
  }
}

/** Weights older than this are of another season. */
const LOSS_LOOKED_BACK_DAYS = 180

/** An animal that eats and yet loses: of its best weight of the last half year. */
function lossAlarm(animal: AnimalState, context: TaskContext): Alarm | null {
  const { house, almanac, today } = context
  if (inCold(animal) || animal.refusals >= 3) return null
  const now = animal.weights.at(-1)
  const recent = animal.weights.filter(w => now && w.day >= today - LOSS_LOOKED_BACK_DAYS && w.day < now.day)
  if (!now || !recent.length || now.day < today - LOSS_LOOKED_BACK_DAYS) return null
  const best = recent.reduce((a, w) => (w.massG > a.massG ? w : a))
  const lost = 1 - now.massG / best.massG
  // a female that laid or gave birth since is lighter by her clutch; after the cold the recovery speaks
  const bore = pairingsOf(house, animal.id).some(
    p => p.damId === animal.id && (p.seen.laid ?? p.seen.born ?? []).some(o => o.day >= best.day),
  )
  const wintered = animal.warmed !== null && animal.warmed.day >= best.day
  const watch = almanac.common.lossWatch!
  const harm = almanac.common.lossHarm!
  if (bore || wintered || lost < watch.value) return null
  return {
    id: `loss:${animal.id}`,
    level: lost >= harm.value ? 'harm' : 'watch',
    subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} weighs ${Math.round(lost * 100)} % less than at its best, ${formatDistance(best.day, today)}`,
    todo:
      lost >= harm.value
        ? 'Weigh again to be sure of it, have droppings tested, call the reptile vet.'
        : 'Weigh again in a week; look at droppings, warmth and who shares its place.',
    reasons: [
      {
        rule: 'Of its best weight in the last half year; eating does not make up for it',
        inputs: [
          entryInput('Now', `${now.massG} g`, now),
          entryInput('Best', `${best.massG} g`, best),
          factInput('Watched from', 'common.lossWatch.value', watch),
          factInput('Harm from', 'common.lossHarm.value', harm),
        ],
        change: 'A later weight',
      },
    ],
  }
}

/** What was seen of its sex does not go together. */
function sexDoubt(animal: AnimalState, context: TaskContext): Alarm | null {
  const { value, reasons } = sexOf(animal, context)
  const [said] = value.contradictions
  return said
    ? {
        id: `sex:${animal.id}`,
        level: 'watch',
        subject: { type: 'animal', id: animal.id },
        text: `${animal.tag}: ${said}`,
        todo: 'Look again, and check the tag; a swap of two animals is the usual cause.',
        reasons,
      }
    : null
}

/** Whether this event is truly waited for: a hatch of eggs that lie there, or a birth after signs of this cycle. */
function waitedFor(lane: Lane, event: string): boolean {
  if (lane.kind !== 'pair') return event === 'hatched'
  return (
    ['laid', 'born'].includes(event) &&
    lane.events.some(
      o => o.observed && ['copulation', 'ovulation', 'preLayShed', 'postOvulationShed'].includes(o.event),
    )
  )
}

function heatAlarm(lane: Lane): Alarm | null {
  if (!lane.caution) return null
  return {
    id: `heat:${lane.id}`,
    level: 'watch',
    subject: lane.subject,
    text: `${lane.title}: ${lane.caution}`,
    todo: 'Set the true temperature of the incubator in Places.',
    reasons: lane.events.find(e => e.caution)?.reasons ?? [],
  }
}

function lateAlarm(lane: Lane, almanac: Almanac): Alarm | null {
  // eggs lie there until the clutch is closed, however long past their time; a pair ends its season by itself
  const late = lane.events.find(
    e => !e.observed && (e.dist.p.length || e.event === 'hatched') && e.dist.never > 0.4 && waitedFor(lane, e.event),
  )
  if (!late) return null
  return {
    id: `late:${lane.id}`,
    level: 'watch',
    subject: lane.subject,
    text: `${lane.title}: ${EVENT_NAMES[late.event]} is overdue; ${late.dist.p.length ? `${Math.round(late.dist.never * 100)} % that it does not come` : 'it does not come any more'}`,
    todo:
      late.event === 'hatched'
        ? 'Candle again; leave firm eggs. Close the clutch when they are surely dead.'
        : `Look at ${speciesOf(almanac, lane.speciesId).name} closely; swelling or straining is for the vet. End the season if she did not take.`,
    reasons: late.reasons,
  }
}

function failedAlarm(culture: CultureState, almanac: Almanac, today: Day): Alarm | null {
  const feeder = feederOf(almanac, culture.feederId)
  if (!plannedSupply(feeder) || !culture.failed || culture.finished || today - culture.failed.day > 10) return null
  return {
    id: `failed:${culture.id}`,
    level: 'watch',
    subject: { type: 'culture', id: culture.id },
    text: `${culture.tag} (${feeder.name.toLowerCase()}) failed ${formatDistance(culture.failed.day, today)}`,
    todo: 'Clear it away from the others; the plan already counts without it.',
    reasons: [
      {
        rule: 'A failed culture gives nothing',
        inputs: [entryInput('Failed', formatDay(culture.failed.day, today), culture.failed)],
      },
    ],
  }
}

function lampAlarm(lamp: LampState, today: Day): Alarm | null {
  const over = today - lamp.fittedDay - lamp.lifeDays
  if (over <= 14) return null
  return {
    id: `lamp:${lamp.id}`,
    level: 'watch',
    subject: { type: 'lamp', id: lamp.id },
    text: `${lamp.tag} (${lamp.lamp}) is ${over} days past its life`,
    todo: 'Replace it, or measure its UV index.',
    reasons: [
      {
        rule: 'Lamps fade (common practice)',
        inputs: [
          computedInput('Life', `${lamp.lifeDays} days`),
          computedInput('Fitted', formatDay(lamp.fittedDay, today)),
        ],
      },
    ],
  }
}

/** Harm before what only needs watching; otherwise as they came. */
export const harmFirst = (alarms: readonly Alarm[]): Alarm[] =>
  [...alarms].sort((a, b) => (a.level === b.level ? 0 : a.level === 'harm' ? -1 : 1))

/** What is going wrong, harm first. */
export function alarmsOf(context: TaskContext): Alarm[] {
  const { house, almanac, today, lanes, winter } = context
  const alarms: Alarm[] = []
  const of = <Of>(items: readonly Of[], subjectOf: (item: Of) => Subject, make: (item: Of) => (Alarm | null)[]) => {
    for (const made of eachGuarded(context, 'its alarms', items, subjectOf, make))
      alarms.push(...made.filter(a => a !== null))
  }
  of(
    winter.cold,
    c => ({ type: 'animal', id: c.animalId }),
    c => [coldAlarm(c)],
  )
  for (const place of winter.places)
    alarms.push(...(guarded(context, 'alarms of a cold place', null, () => placeAlarms(place, house)) ?? []))
  of(
    Object.values(house.animals).filter(a => a.status === 'alive'),
    subjectAs('animal'),
    animal => [
      refuser(animal),
      unwellAlarm(animal, today),
      lossAlarm(animal, context),
      animal.sexEvidence.length ? sexDoubt(animal, context) : null,
    ],
  )
  of(
    lanes,
    l => l.subject,
    lane => [heatAlarm(lane), lateAlarm(lane, almanac)],
  )
  of(Object.values(house.cultures), subjectAs('culture'), culture => [failedAlarm(culture, almanac, today)])
  of(Object.values(house.lamps), subjectAs('lamp'), lamp => [lampAlarm(lamp, today)])
  return harmFirst(alarms)
}
