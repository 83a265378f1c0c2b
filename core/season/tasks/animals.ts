import { feederOf, speciesOf, type Almanac } from '../../almanac'
import { nextMeal, type Gravid, type Portion } from '../../feeding'
import { entryInput, factInput } from '../../judgement'
import type { AnimalState } from '../../subjects'
import { formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import { subjectAs } from '../guard'
import { remembering } from '../remember'
import type { Task } from '../contracts'
import { coldOf, gravidIn, inCold, mealWinterOf, winterDeps } from '../winter'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

export function tellPortion(almanac: Almanac, { prey, count }: Portion): string {
  const feeder = feederOf(almanac, prey)
  return `${count} ${count === 1 ? feeder.one : feeder.many}`
}

/** Animals whose interval since the last offer has run out. */
export const feedTasks: TaskMaker = context => {
  const gravid = gravidIn(context.lanes, context)
  const mates = matesTogether(context)
  return tasksOfEach(context, Object.values(context.house.animals), subjectAs('animal'), animal => {
    const isGravid = gravid.get(animal.id) ?? false
    const mate = mates.get(animal.id) ?? null
    return feeds(context, animal, [isGravid, mate, ...winterDeps(animal, context)], () =>
      feedTask(animal, isGravid, mate, context),
    )
  })
}

/** Tags of those an animal is together with in a visit. */
function matesTogether({ house }: SeasonContext): Map<string, string> {
  const mates = new Map<string, string>()
  for (const p of Object.values(house.pairings)) {
    const [dam, sire] = [house.animals[p.damId], p.sireId ? house.animals[p.sireId] : undefined]
    if (!p.together || !dam || !sire) continue
    mates.set(dam.id, sire.tag).set(sire.id, dam.tag)
  }
  return mates
}

const feeds = remembering<AnimalState, Task[]>()
const weighs = remembering<AnimalState, Task[]>()

function feedTask(animal: AnimalState, gravid: Gravid, mate: string | null, context: SeasonContext): Task[] {
  const { almanac, settings, today } = context
  if (animal.status !== 'alive') return []
  const species = speciesOf(almanac, animal.speciesId)
  const winter = mealWinterOf(animal, context)
  const meal = nextMeal(almanac, settings, species, animal, today, gravid, winter)
  if (!meal || !due(meal.value.due, today)) return []
  const [main, ...others] = meal.value.portions
  const refused = animal.refusals >= 2
  const lastMeal =
    winter.fastFrom !== undefined && today <= winter.fastFrom && meal.value.due + meal.value.everyDays > winter.fastFrom
  const restart = winter.firstMealDay !== undefined && (!animal.lastTaken || animal.lastTaken.day < animal.warmed!.day)
  return [
    {
      id: `feed:${animal.id}`,
      kind: 'feed',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: meal.value.due,
      what: `Feed ${meal.value.portions.map(p => tellPortion(almanac, p)).join(' and ')}`,
      detail:
        !animal.meals.length && !restart
          ? 'no meal written yet'
          : refused
            ? `refused ${animal.refusals} in a row`
            : restart
              ? 'first meal after the cold, smaller than usual'
              : lastMeal
                ? `last meal before the ${species.winter === 'dormancy' ? 'rest' : 'cold'}`
                : (meal.value.note ?? undefined),
      actions: [
        {
          label: 'Took',
          kind: 'fed',
          data: { prey: main!.prey, offered: main!.count, taken: main!.count },
          also: others.map(p => ({ prey: p.prey, offered: p.count, taken: p.count })),
          tone: 'main',
        },
        {
          label: 'Refused',
          kind: 'fed',
          data: { prey: main!.prey, offered: main!.count, taken: 0 },
          also: others.map(p => ({ prey: p.prey, offered: p.count, taken: 0 })),
        },
      ],
      caution:
        mate !== null
          ? `Together with ${mate}: apart first, never fed side by side.`
          : refused && species.eats === 'rodents'
            ? 'Leave it alone between tries; never force. Falling weight with refusals is for a reptile vet.'
            : gravid
              ? 'Gravid: small meals, never a large one in the last month.'
              : undefined,
      reasons: meal.reasons,
    },
  ]
}

/** Weighings by age and cold, from the species' rhythm. */
export const weighTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.animals), subjectAs('animal'), animal =>
    weighs(
      context,
      animal,
      winterDeps(animal, context),
      () =>
        coldWeighTask(animal, context) ??
        wakeWeighTask(animal, context) ??
        weighTask(animal, context.almanac, context.today),
    ),
  )

/** In the cold the judgement says when to weigh again. */
function coldWeighTask(animal: AnimalState, context: SeasonContext): Task[] | null {
  const cold = coldOf(animal, context)
  if (!cold) return null
  const { action, weighInDays, text } = cold.verdict.value
  // taken out, it is weighed on the way
  if (weighInDays > 0 || action === 'takeOut') return []
  const last = animal.weights.at(-1)
  return [
    {
      id: `weigh:${animal.id}`,
      kind: 'weigh',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: context.today,
      what: cold.programme.kind === 'dormancy' ? 'Weigh and look, at rest' : 'Weigh and look, in the cold',
      detail: last ? `${last.massG} g ${formatDistance(last.day, context.today)}` : 'no weight yet',
      actions: [
        {
          label: 'Weight',
          kind: 'weighed',
          data: {},
          ask: { field: 'massG', label: 'Weight', unit: 'mass', likely: last?.massG },
          tone: 'main',
        },
      ],
      caution: 'Look for noisy breath, discharge, dry skin. Out at once if it lost a tenth of its starting weight.',
      reasons: [
        { rule: text, inputs: [], change: 'A weight recorded today moves the next one' },
        ...cold.verdict.reasons,
      ],
    },
  ]
}

/** What it lost in the cold decides when it is ready, and is known only from the scale on the day it comes out. */
function wakeWeighTask(animal: AnimalState, { almanac, today }: SeasonContext): Task[] | null {
  const { warmed } = animal
  const within = almanac.common.wakeWeightWithin!
  if (
    animal.status !== 'alive' ||
    !warmed ||
    inCold(animal) ||
    today - warmed.day > within.value ||
    animal.weights.some(w => w.day >= warmed.day)
  )
    return null
  const last = animal.weights.at(-1)
  return [
    {
      id: `weigh:${animal.id}`,
      kind: 'weigh',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: warmed.day,
      what: 'Weigh, out of the cold',
      detail: last ? `${last.massG} g ${formatDistance(last.day, today)}` : 'no weight yet',
      actions: [
        {
          label: 'Weight',
          kind: 'weighed',
          data: {},
          ask: { field: 'massG', label: 'Weight', unit: 'mass', likely: last?.massG },
          tone: 'main',
        },
      ],
      reasons: [
        {
          rule: 'What it lost in the cold, and when it has regained it, is counted from this weight: readiness to pair waits for it',
          inputs: [
            entryInput('Warmed up', formatDistance(warmed.day, today), warmed),
            factInput('Asked for within', 'common.wakeWeightWithin.value', within),
          ],
          change: 'A weight recorded today',
        },
      ],
    },
  ]
}

function weighTask(animal: AnimalState, almanac: Almanac, today: number): Task[] {
  if (animal.status !== 'alive') return []
  const species = speciesOf(almanac, animal.speciesId)
  const young = animal.bornDay !== null && today - animal.bornDay < 365
  const key = young ? 'young' : 'adult'
  const every = species.weighEveryDays[key]
  const last = animal.weights.at(-1)
  const dueDay = last ? last.day + every.value : today
  if (!due(dueDay, today)) return []
  return [
    {
      id: `weigh:${animal.id}`,
      kind: 'weigh',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: dueDay,
      what: 'Weigh',
      detail: last ? `${last.massG} g ${formatDistance(last.day, today)}` : 'no weight yet',
      actions: [
        {
          label: 'Weight',
          kind: 'weighed',
          data: {},
          ask: { field: 'massG', label: 'Weight', unit: 'mass', likely: last?.massG },
          tone: 'main',
        },
      ],
      reasons: [
        {
          rule: `Weighed every ${every.value} days (${young ? 'in the first year' : 'adult'})`,
          inputs: [
            factInput('Rhythm', `species.${species.id}.weighEveryDays.${key}.value`, every),
            ...(last ? [entryInput('Last weight', `${last.massG} g`, last)] : []),
          ],
          change: 'A weight recorded today moves the next one',
        },
      ],
    },
  ]
}
