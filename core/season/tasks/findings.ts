import { subjectAs } from '../guard'
import type { Task } from '../contracts'
import { LABELS, tellFinding } from './findingsWording'
import { tasksOfEach, type TaskMaker } from './taskMaker'

/** What was found while caring for a place, until it is settled. */
export const findingTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.places).filter(p => p.found?.length),
    subjectAs('place'),
    (place, { today }): Task[] =>
      place.found!.map(found => ({
        id: `found:${found.entryId}`,
        kind: 'found',
        subject: { type: 'place', id: place.id },
        tag: place.name,
        placeId: place.id,
        due: found.day,
        actions: [{ label: LABELS.settled, kind: 'findingSettled', data: { of: found.entryId }, tone: 'main' }],
        ...tellFinding(found, today),
      })),
  )
