import { speciesOf, type Almanac } from '../../almanac'
import { inCold, livingAnimals, type AnimalState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { remembering } from '../remember'
import { coldOf, winterDeps } from '../winter'
import { about } from './about'
import { due, tasksOfEach, weighAction, type TaskMaker } from './taskMaker'
import { tellColdWeight, tellWakeWeight, tellWeight } from './weighingWording'

const weighs = remembering<AnimalState, Task[]>()

/** Weighings by age and cold, from the species' rhythm. */
export const weighTasks: TaskMaker = context =>
  tasksOfEach(context, livingAnimals(context.house), subjectAs('animal'), animal =>
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

const base = (animal: AnimalState) => ({
  ...about(animal),
  id: `weigh:${animal.id}`,
  kind: 'weigh',
  actions: [weighAction(animal.weights.at(-1))],
})

/** In the cold the judgement says when to weigh again. */
function coldWeighTask(animal: AnimalState, context: SeasonContext): Task[] | null {
  const cold = coldOf(animal, context)
  if (!cold) return null
  const { action, weighInDays } = cold.verdict.value
  // taken out, it is weighed on the way
  if (weighInDays > 0 || action === 'takeOut') return []
  const rests = cold.programme.kind === 'dormancy'
  return [
    {
      ...base(animal),
      due: context.today,
      ...tellColdWeight(animal.weights.at(-1), rests, cold.verdict, context.today),
    },
  ]
}

/** What it lost in the cold decides when it is ready, and is known only from the scale on the day it comes out. */
function wakeWeighTask(animal: AnimalState, { almanac, today }: SeasonContext): Task[] | null {
  const { warmed } = animal
  const within = almanac.common.wakeWeightWithin!
  if (!warmed || inCold(animal) || today - warmed.day > within.value || animal.weights.some(w => w.day >= warmed.day))
    return null
  return [{ ...base(animal), due: warmed.day, ...tellWakeWeight(animal.weights.at(-1), { warmed, within }, today) }]
}

function weighTask(animal: AnimalState, almanac: Almanac, today: number): Task[] {
  const species = speciesOf(almanac, animal.speciesId)
  const young = animal.bornDay !== null && today - animal.bornDay < 365
  const key = young ? 'young' : 'adult'
  const every = species.weighEveryDays[key]
  const last = animal.weights.at(-1)
  const meal = species.eats === 'rodents' ? animal.lastTaken : null
  const rest = almanac.common.restAfterMeal!
  const rhythmDay = last ? last.day + every.value : today
  // one that is handled on a full stomach brings its meal up, and weighs what it ate
  const dueDay = meal ? Math.max(rhythmDay, meal.day + rest.value) : rhythmDay
  if (!due(dueDay, today)) return []
  return [{ ...base(animal), due: dueDay, ...tellWeight({ species, key, every, last, meal, rest }, today) }]
}
