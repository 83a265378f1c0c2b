import { upperFirst } from '../../units'
import type { Task } from '../contracts'
import type { MaterialAhead } from '../materials'
import { LABELS, tellMaterial, whatCame, whatIsLeft } from './materialsWording'
import { due } from './taskMaker'

/**
 * What is got today so that no start waits for it. Kept apart from the other tasks, as starts are: it follows from the
 * plans.
 */
export function materialTasks(materials: readonly MaterialAhead[], today: number): Task[] {
  return materials.flatMap((material): Task[] => {
    const { id, what, unit, left, shortOn, getBy } = material
    if (left === null || shortOn === null || getBy === null || !due(getBy, today)) return []
    const ask = { field: 'amount', label: whatIsLeft(unit), likely: left }
    return [
      {
        id: `material:${id}`,
        kind: 'material',
        subject: { type: 'material', id },
        tag: upperFirst(what),
        placeId: null,
        due: getBy,
        actions: [
          {
            label: LABELS.bought,
            kind: 'materialBought',
            data: {},
            ask: { field: 'amount', label: whatCame(unit) },
            tone: 'main',
          },
          { label: LABELS.count, kind: 'materialCounted', data: {}, ask },
        ],
        ...tellMaterial(material, { left, shortOn }, today),
      },
    ]
  })
}
