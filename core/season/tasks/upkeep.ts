import { guarded } from '../guard'
import type { Task } from '../contracts'
import { upkeepDue, type UpkeepDue } from '../upkeep'
import { due, type TaskMaker } from './taskMaker'
import { LABELS, tagOf, tellUpkeep } from './upkeepWording'

/** What comes round for feeders: the same job in the same place is one line, and done for all of them at once. */
export const upkeepTasks: TaskMaker = context => {
  const { almanac, today } = context
  const all = guarded(context, 'the upkeep of feeders', null, () => upkeepDue(context, context.prey)) ?? []
  const groups = new Map<string, UpkeepDue[]>()
  for (const one of all) {
    if (one.everyDays === null || !due(one.due, today)) continue
    const key = [one.job.id, one.job.what, one.placeId].join('|')
    groups.set(key, [...(groups.get(key) ?? []), one])
  }
  return [...groups.values()].map((list): Task => {
    const [first] = list as [UpkeepDue, ...UpkeepDue[]]
    return {
      id: `upkeep:${first.job.id}:${first.placeId ?? ''}`,
      kind: 'upkeep',
      subject: { type: 'prey', id: first.prey },
      tag: tagOf(list, almanac),
      placeId: first.placeId,
      due: Math.min(...list.map(one => one.due)),
      actions: [
        {
          label: LABELS.done,
          kind: 'upkeepDone',
          data: { job: first.job.id },
          each: list.map(one => ({ type: 'prey' as const, id: one.prey })),
          tone: 'main',
        },
      ],
      ...tellUpkeep(list, almanac, today),
    }
  })
}
