import { computedInput } from '../../judgement'
import { formatDay, formatDistance } from '../../units'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

export const lampTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.lamps), subjectAs('lamp'), (lamp, { today }): Task[] => {
    const dueDay = lamp.fittedDay + lamp.lifeDays
    if (!due(dueDay, today)) return []
    return [
      {
        id: `lamp:${lamp.id}`,
        kind: 'lamp',
        subject: { type: 'lamp', id: lamp.id },
        tag: lamp.tag,
        placeId: lamp.placeId,
        due: dueDay,
        what: `Replace ${lamp.lamp}`,
        detail: `fitted ${formatDistance(lamp.fittedDay, today)}`,
        actions: [{ label: 'Replaced', kind: 'lampReplaced', data: {}, tone: 'main' }],
        caution: 'Cold and unplugged first. Guard, thermostat and smoke alarm: lamps burn houses.',
        reasons: [
          {
            rule: 'Lamps fade: replaced after their life or when the meter says so (common practice)',
            inputs: [
              computedInput('Life', `${lamp.lifeDays} days`),
              computedInput('Fitted', formatDay(lamp.fittedDay, today)),
            ],
          },
        ],
      },
    ]
  })
