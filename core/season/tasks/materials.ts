import { formatDay, upperFirst } from '../../units'
import type { Task } from '../contracts'
import { manyOf, tellAmount, type MaterialAhead } from '../materials'
import { due } from './taskMaker'

/**
 * What is got today so that no start waits for it. Kept apart from the other tasks, as starts are: it follows from the
 * plans.
 */
export function materialTasks(materials: readonly MaterialAhead[], today: number): Task[] {
  return materials.flatMap(({ id, what, unit, left, soon, shortOn, getBy, reasons }): Task[] => {
    if (left === null || shortOn === null || getBy === null || !due(getBy, today)) return []
    return [
      {
        id: `material:${id}`,
        kind: 'material',
        subject: { type: 'material', id },
        tag: upperFirst(what),
        placeId: null,
        due: getBy,
        what: `Get more: ${tellAmount({ amount: left, unit })} left, short for the starts of ${formatDay(shortOn, today)}`,
        detail: soon > 0 ? `four weeks take ${tellAmount({ amount: soon, unit })}` : undefined,
        actions: [
          {
            label: 'Bought',
            kind: 'materialBought',
            data: {},
            ask: { field: 'amount', label: `what came, ${manyOf(unit)}` },
            tone: 'main',
          },
          {
            label: 'Count',
            kind: 'materialCounted',
            data: {},
            ask: { field: 'amount', label: `what is left, ${manyOf(unit)}`, likely: left },
          },
        ],
        reasons,
      },
    ]
  })
}
