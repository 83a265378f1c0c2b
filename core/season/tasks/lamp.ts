import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { lampStanding } from '../lampStanding'
import { LABELS, tellLamp } from './lampWording'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

/** Lamps whose day has come, by the meter or by their age. */
export const lampTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.lamps), subjectAs('lamp'), (lamp, { today }): Task[] => {
    const stands = lampStanding(lamp, context)
    if (stands.due === null || !due(stands.due, today)) return []
    return [
      {
        id: `lamp:${lamp.id}`,
        kind: 'lamp',
        subject: { type: 'lamp', id: lamp.id },
        tag: lamp.tag,
        placeId: lamp.placeId,
        due: stands.due,
        actions: [{ label: LABELS.replaced, kind: 'lampReplaced', data: {}, tone: 'main' }],
        ...tellLamp(lamp, stands, today),
      },
    ]
  })
