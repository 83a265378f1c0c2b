import { feederOf, speciesOf, type Almanac } from '../../almanac'
import { nextMeal, type Portion } from '../../feeding'
import { entryInput, factInput } from '../../judgement'
import type { AnimalState } from '../../logbook'
import { formatDistance } from '../../units'
import type { SeasonContext } from '../lanes'
import { remembering } from '../remember'
import type { Task } from '../types'
import { due, type TaskMaker } from './taskMaker'

export function tellPortion(almanac: Almanac, { prey, count }: Portion): string {
  const feeder = feederOf(almanac, prey)
  return `${count} ${count === 1 ? feeder.one : feeder.many}`
}

/** Animals whose interval since the last offer has run out. */
export const feedTasks: TaskMaker = ({ house, almanac, settings, today, lanes }) => {
  const gravid = new Set(lanes.filter(l => l.kind === 'pair' && l.stage === 'gravid').map(l => house.pairings[l.subject.id]!.damId))
  return Object.values(house.animals).flatMap((animal) => {
    const isGravid = gravid.has(animal.id)
    return feeds(animal, [isGravid, almanac, settings, today], () => feedTask(animal, isGravid, { house, almanac, settings, today }))
  })
}

const feeds = remembering<AnimalState, Task[]>()
const weighs = remembering<AnimalState, Task[]>()

function feedTask(animal: AnimalState, gravid: boolean, { almanac, settings, today }: SeasonContext): Task[] {
  if (animal.status !== 'alive') return []
  const species = speciesOf(almanac, animal.speciesId)
  const meal = nextMeal(almanac, settings, species, animal, today, gravid)
  if (!meal || !due(meal.value.due, today)) return []
  const [main] = meal.value.portions
  const refused = animal.refusals >= 2
  return [{
    id: `feed:${animal.id}`, kind: 'feed', subject: { type: 'animal', id: animal.id }, tag: animal.tag, placeId: animal.placeId, due: meal.value.due,
    what: `Feed ${meal.value.portions.map(p => tellPortion(almanac, p)).join(' and ')}`,
    detail: refused ? `refused ${animal.refusals} in a row` : undefined,
    actions: [
      { label: 'Took', kind: 'fed', data: { prey: main!.prey, offered: main!.count, taken: main!.count }, tone: 'main' },
      { label: 'Refused', kind: 'fed', data: { prey: main!.prey, offered: main!.count, taken: 0 } },
    ],
    caution: refused && species.eats === 'rodents'
      ? 'Leave it alone between tries; never force. Falling weight with refusals is for a reptile vet.'
      : gravid ? 'Gravid: small meals, never a large one in the last month.' : undefined,
    reasons: meal.reasons,
  }]
}

/** Weighings by age and cold, from the species' rhythm. */
export const weighTasks: TaskMaker = ({ house, almanac, today }) =>
  Object.values(house.animals).flatMap(animal => weighs(animal, [almanac, today], () => weighTask(animal, almanac, today)))

function weighTask(animal: AnimalState, almanac: Almanac, today: number): Task[] {
  if (animal.status !== 'alive') return []
  const species = speciesOf(almanac, animal.speciesId)
  const inCold = animal.cooled !== null && animal.warmed === null
  const young = animal.bornDay !== null && today - animal.bornDay < 365
  const key = inCold ? 'cold' : young ? 'young' : 'adult'
  const every = species.weighEveryDays[key]
  const last = animal.weights.at(-1)
  const dueDay = last ? last.day + every.value : today
  if (!due(dueDay, today)) return []
  return [{
    id: `weigh:${animal.id}`, kind: 'weigh', subject: { type: 'animal', id: animal.id }, tag: animal.tag, placeId: animal.placeId, due: dueDay,
    what: inCold ? 'Weigh and look, in the cold' : 'Weigh',
    detail: last ? `${last.massG} g ${formatDistance(last.day, today)}` : 'no weight yet',
    actions: [{ label: 'Weight', kind: 'weighed', data: {}, ask: { field: 'massG', label: 'Weight', unit: 'mass', likely: last?.massG }, tone: 'main' }],
    caution: inCold ? 'Look for noisy breath, discharge, dry skin. Out at once if it lost a tenth of its starting weight.' : undefined,
    reasons: [{
      rule: `Weighed every ${every.value} days (${inCold ? 'in the cold' : young ? 'in the first year' : 'adult'})`,
      inputs: [factInput('Rhythm', `species.${species.id}.weighEveryDays.${key}.value`, every), ...(last ? [entryInput('Last weight', `${last.massG} g`, last)] : [])],
      change: 'A weight recorded today moves the next one',
    }],
  }]
}
