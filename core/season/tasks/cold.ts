import { inCold, livingAnimals, type AnimalState, type House } from '../../subjects'
import type { ColdAnimal, Task } from '../contracts'
import { coldOf } from '../winter'
import { about } from './about'
import { LABELS, tellTrouble, tellWake } from './coldWording'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

/** Those in the cold that share its tub. */
function companions(house: House, animal: AnimalState): AnimalState[] {
  const place = animal.placeId ? house.places[animal.placeId] : undefined
  if (place?.kind !== 'tub') return []
  return livingAnimals(house).filter(a => a.id !== animal.id && a.placeId === animal.placeId && inCold(a))
}

function troubleTask({ verdict }: ColdAnimal, animal: AnimalState, today: number): Task[] {
  const { action } = verdict.value
  if (action !== 'takeOut' && action !== 'offerWater') return []
  const out = { label: LABELS.takenOut, kind: 'warmedUp', data: { early: true } }
  return [
    {
      ...about(animal),
      id: `trouble:${animal.id}`,
      kind: 'winter',
      due: today,
      actions:
        action === 'takeOut'
          ? [{ ...out, tone: 'main' }]
          : [{ label: LABELS.watered, kind: 'watered', data: {}, tone: 'main' }, out],
      ...tellTrouble(action, verdict),
    },
  ]
}

function wakeTask(cold: ColdAnimal, animal: AnimalState, context: TaskContext): Task[] {
  if (cold.verdict.value.action === 'takeOut' || !due(cold.wakeDay, context.today)) return []
  const rests = cold.kind === 'dormancy'
  const apart = companions(context.house, animal).map(a => a.tag)
  const { reasons } = coldOf(animal, context)!.programme
  return [
    {
      ...about(animal),
      id: `wake:${animal.id}`,
      kind: 'winter',
      due: cold.wakeDay,
      actions: [{ label: rests ? LABELS.restEnded : LABELS.warmedUp, kind: 'warmedUp', data: {}, tone: 'main' }],
      ...tellWake({ rests, apart, reasons }),
    },
  ]
}

/** Water and taking out for those in trouble, and waking on the planned day. */
export const coldTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    context.winter.cold,
    c => ({ type: 'animal', id: c.animalId }),
    (cold): Task[] => {
      const animal = context.house.animals[cold.animalId]!
      return [...troubleTask(cold, animal, context.today), ...wakeTask(cold, animal, context)]
    },
  )
