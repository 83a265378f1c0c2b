import { livingAnimals } from '../../subjects'
import { sexOf } from '../breeding'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { about } from './about'
import { labelOf, tellSettle } from './sexWording'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** An animal whose sex is past the threshold of the house, and not yet taken as known. */
export const sexTasks: TaskMaker = context =>
  tasksOfEach(context, livingAnimals(context.house), subjectAs('animal'), (animal): Task[] => {
    if (!animal.sexEvidence.length) return []
    const { value, reasons } = sexOf(animal, context)
    const { sex, state, chance } = value
    if (state === 'open' || animal.sex === sex) return []
    return [
      {
        ...about(animal),
        id: `sex:${animal.id}`,
        kind: 'sex',
        due: context.today,
        actions: [{ label: labelOf(sex), kind: 'sexSettled', data: { sex }, tone: 'main' }],
        ...tellSettle(sex, chance, reasons),
      },
    ]
  })
