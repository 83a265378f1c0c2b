import type { Subject, Weighing } from '../../subjects'
import type { SeasonContext } from '../context'
import { eachGuarded } from '../guard'
import { LABELS } from './weighingWording'
import type { BreedingOutlook, Lane, Task, TaskAction, WinterOutlook, PlaceView, PreyOutlook } from '../contracts'

export interface TaskContext extends SeasonContext {
  lanes: readonly Lane[]
  winter: WinterOutlook
  breeding: BreedingOutlook
  places: readonly PlaceView[]
  prey: readonly PreyOutlook[]
}

/**
 * One sort of task: looks through the house and says what is due. A new sort is one more of these in the list of
 * `index.ts`.
 */
export type TaskMaker = (context: TaskContext) => Task[]

/** Tasks are shown once due; a few days of overdue feeding is worth knowing, a year is not a task but a mistake. */
export const due = (day: number, today: number): boolean => day <= today

/** The tasks of each; one that cannot be computed is told, and the others stand. */
export const tasksOfEach = <Of>(
  context: TaskContext,
  items: readonly Of[],
  subjectOf: (item: Of) => Subject,
  make: (item: Of, context: TaskContext) => Task[],
): Task[] => {
  const tasks: Task[] = []
  // a loop: of most nothing is due, and `flat` takes longer for that than to ask
  for (const made of eachGuarded(context, 'its tasks', items, subjectOf, item => make(item, context)))
    for (const task of made) tasks.push(task)
  return tasks
}

/** To write a weight; the last one is proposed. */
export const weighAction = (last: Weighing | undefined): TaskAction => ({
  label: LABELS.weight,
  kind: 'weighed',
  data: {},
  ask: { field: 'massG', label: LABELS.weight, unit: 'mass', likely: last?.massG },
  tone: 'main',
})
