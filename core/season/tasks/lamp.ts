import { formatDistance } from '../../units'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { lampStanding } from '../lampStanding'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

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
        what: `Replace ${lamp.lamp}`,
        detail: stands.by === 'meter' ? 'by the meter' : `fitted ${formatDistance(lamp.fittedDay, today)}`,
        actions: [{ label: 'Replaced', kind: 'lampReplaced', data: {}, tone: 'main' }],
        caution: 'Cold and unplugged first. Guard, thermostat and smoke alarm: lamps burn houses.',
        reasons: stands.reasons,
      },
    ]
  })
