import { speciesOf, type Almanac } from '../../almanac'
import { entryInput, factInput } from '../../judgement'
import { inCold, livingAnimals, type AnimalState } from '../../subjects'
import { formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { remembering } from '../remember'
import { coldOf, winterDeps } from '../winter'
import { due, lastWeight, tasksOfEach, weighAction, type TaskMaker } from './taskMaker'

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
      detail: lastWeight(last, context.today),
      actions: [weighAction(last)],
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
  if (!warmed || inCold(animal) || today - warmed.day > within.value || animal.weights.some(w => w.day >= warmed.day))
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
      detail: lastWeight(last, today),
      actions: [weighAction(last)],
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
  return [
    {
      id: `weigh:${animal.id}`,
      kind: 'weigh',
      subject: { type: 'animal', id: animal.id },
      tag: animal.tag,
      placeId: animal.placeId,
      due: dueDay,
      what: 'Weigh',
      detail: lastWeight(last, today),
      actions: [weighAction(last)],
      reasons: [
        {
          rule: `Weighed every ${every.value} days (${young ? 'in the first year' : 'adult'})`,
          inputs: [
            factInput('Rhythm', `species.${species.id}.weighEveryDays.${key}.value`, every),
            ...(last ? [entryInput('Last weight', `${last.massG} g`, last)] : []),
            ...(meal
              ? [
                  entryInput('Last meal', formatDistance(meal.day, today), meal),
                  factInput('Not handled after a large meal for', 'common.restAfterMeal.value', rest),
                ]
              : []),
          ],
          change: 'A weight recorded today moves the next one',
        },
      ],
    },
  ]
}
