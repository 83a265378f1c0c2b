import { feederOf, speciesOf } from '../almanac'
import { summarise } from '../chance'
import { plannedSupply } from '../cultures'
import { computedInput, entryInput } from '../judgement'
import type { AnimalState, Weighing } from '../logbook'
import { formatDay, formatDistance } from '../units'
import { EVENT_NAMES } from '../pairing'
import type { TaskContext } from './tasks/taskMaker'
import type { Alarm, Lane } from './types'

/** Working limits of loss in the cold, of the starting weight: watch, take out. [common practice] */
const WATCH_LOSS = 0.06
const TAKE_OUT_LOSS = 0.1

function weightAt(animal: AnimalState, day: number): Weighing | undefined {
  return [...animal.weights].reverse().find(w => w.day <= day) ?? animal.weights[0]
}

function coldLoss(animal: AnimalState): Alarm | null {
  if (!animal.cooled || animal.warmed) return null
  const start = weightAt(animal, animal.cooled.day)
  const now = animal.weights.at(-1)
  if (!start || !now || now.day <= start.day) return null
  const loss = 1 - now.massG / start.massG
  if (loss < WATCH_LOSS) return null
  const out = loss >= TAKE_OUT_LOSS
  return {
    id: `cold:${animal.id}`, level: out ? 'harm' : 'watch', subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} lost ${(loss * 100).toFixed(1)} % in the cold`,
    todo: out ? 'Take it out and warm it today; a loss this quick is mostly water or illness, so see the vet.' : 'Offer water, raise humidity, weigh again in a week.',
    reasons: [{ rule: 'Working limits in the cold: watch at 6 %, take out at 10 % of the starting weight (common practice)', inputs: [entryInput('At the start', `${start.massG} g`, start), entryInput('Latest', `${now.massG} g`, now)], change: 'The next weighing' }],
  }
}

function refuser(animal: AnimalState): Alarm | null {
  if (animal.refusals < 3 || (animal.cooled && !animal.warmed)) return null
  const [before, now] = [animal.weights.at(-2), animal.weights.at(-1)]
  const falling = before && now && now.massG < before.massG * 0.97
  return {
    id: `refuser:${animal.id}`, level: falling ? 'harm' : 'watch', subject: { type: 'animal', id: animal.id },
    text: `${animal.tag} refused ${animal.refusals} meals in a row${falling ? ' and loses weight' : ''}`,
    todo: falling ? 'Call the reptile vet; meanwhile quiet, dark and warm.' : 'Quiet and dark, smaller prey, overnight; then scent or other prey. Watch weight, not meals.',
    reasons: [{ rule: 'Refusals are normal before a shed or out of season; with falling weight they alarm (common practice)', inputs: [computedInput('Refused in a row', `${animal.refusals}`), ...(now ? [entryInput('Latest weight', `${now.massG} g`, now)] : []), ...(before ? [entryInput('Before', `${before.massG} g`, before)] : [])], change: 'One meal taken clears it' }],
  }
}

/** Whether this event is truly waited for: a hatch of eggs that lie there, or a birth after signs of this cycle. */
function waitedFor(lane: Lane, event: string): boolean {
  if (lane.kind !== 'pair') return event === 'hatched'
  return ['laid', 'born'].includes(event) && lane.events.some(o => o.observed && ['copulation', 'ovulation', 'preLayShed', 'postOvulationShed'].includes(o.event))
}

/** What is going wrong, harm first. */
export function alarmsOf({ house, almanac, today, lanes }: TaskContext): Alarm[] {
  const alarms: Alarm[] = []
  for (const animal of Object.values(house.animals)) {
    if (animal.status !== 'alive') continue
    for (const alarm of [coldLoss(animal), refuser(animal)]) if (alarm) alarms.push(alarm)
  }
  for (const lane of lanes) {
    if (lane.caution) alarms.push({ id: `heat:${lane.id}`, level: 'watch', subject: lane.subject, text: `${lane.title}: ${lane.caution}`, todo: 'Set the true temperature of the incubator in Places.', reasons: lane.events.find(e => e.caution)?.reasons ?? [] })
    const late = lane.events.find(e => !e.observed && e.dist.p.length && e.dist.never > 0.4 && waitedFor(lane, e.event))
    if (late && summarise(late.dist)) {
      alarms.push({
        id: `late:${lane.id}`, level: 'watch', subject: lane.subject, text: `${lane.title}: ${EVENT_NAMES[late.event]} is overdue; ${Math.round(late.dist.never * 100)} % that it does not come`,
        todo: late.event === 'hatched' ? 'Candle again; leave firm eggs. Close the clutch when they are surely dead.' : `Look at ${speciesOf(almanac, lane.speciesId).name} closely; swelling or straining is for the vet. End the season if she did not take.`,
        reasons: late.reasons,
      })
    }
  }
  for (const culture of Object.values(house.cultures)) {
    const supply = plannedSupply(feederOf(almanac, culture.feederId))
    if (!supply || !culture.failed || culture.finished || today - culture.failed.day > 10) continue
    alarms.push({
      id: `failed:${culture.id}`, level: 'watch', subject: { type: 'culture', id: culture.id }, text: `${culture.tag} (${feederOf(almanac, culture.feederId).name.toLowerCase()}) failed ${formatDistance(culture.failed.day, today)}`,
      todo: 'Clear it away from the others; the plan already counts without it.',
      reasons: [{ rule: 'A failed culture gives nothing', inputs: [entryInput('Failed', formatDay(culture.failed.day, today), culture.failed)] }],
    })
  }
  for (const lamp of Object.values(house.lamps)) {
    const over = today - lamp.fittedDay - lamp.lifeDays
    if (over > 14) alarms.push({ id: `lamp:${lamp.id}`, level: 'watch', subject: { type: 'lamp', id: lamp.id }, text: `${lamp.tag} (${lamp.lamp}) is ${over} days past its life`, todo: 'Replace it, or measure its UV index.', reasons: [{ rule: 'Lamps fade (common practice)', inputs: [computedInput('Life', `${lamp.lifeDays} days`), computedInput('Fitted', formatDay(lamp.fittedDay, today))] }] })
  }
  return alarms.sort((a, b) => (a.level === b.level ? 0 : a.level === 'harm' ? -1 : 1))
}
