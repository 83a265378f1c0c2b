import { feederOf } from '../../almanac'
import { computedInput, entryInput, factInput } from '../../judgement'
import { formatDay, formatDistance } from '../../units'
import { guarded } from '../guard'
import type { Task } from '../contracts'
import { upkeepDue, type UpkeepDue } from '../upkeep'
import { due, type TaskMaker } from './taskMaker'

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
    const feeders = list.map(one => feederOf(almanac, one.prey))
    const tags = list.flatMap(one => one.tags)
    const late = list.filter(one => one.late)
    const oldest = late.reduce<UpkeepDue | null>((a, b) => (a && a.due <= b.due ? a : b), null)
    const earliest = Math.min(...list.map(one => one.due))
    return {
      id: `upkeep:${first.job.id}:${first.placeId ?? ''}`,
      kind: 'upkeep',
      subject: { type: 'prey', id: first.prey },
      tag: tags.length ? tags.join(', ') : list.length === 1 ? feeders[0]!.name : `${list.length} feeders`,
      placeId: first.placeId,
      due: earliest,
      what: first.job.what,
      detail: [
        tags.length || list.length > 1 ? feeders.map(f => f.many).join(', ') : '',
        oldest ? `late: due ${formatDistance(oldest.due, today)}` : '',
      ]
        .filter(Boolean)
        .join('; '),
      actions: [
        {
          label: 'Done',
          kind: 'upkeepDone',
          data: { job: first.job.id },
          each: list.map(one => ({ type: 'prey' as const, id: one.prey })),
          tone: 'main',
        },
      ],
      reasons: list.map(one => ({
        rule: `${feederOf(almanac, one.prey).name}: ${one.job.what.toLowerCase()}, so often while it is kept`,
        inputs: [
          one.own
            ? computedInput('Every', `${one.everyDays} days, as the house says`)
            : factInput(
                'Every',
                `feeders.${one.prey}.upkeep.${upkeepAt(one, almanac)}.everyDays.value`,
                one.job.everyDays,
              ),
          one.last
            ? entryInput('Last', formatDay(one.last.day, today), one.last)
            : computedInput('Last', 'never written'),
        ],
        change: 'Its rhythm, on Feeders under upkeep',
      })),
    }
  })
}

const upkeepAt = ({ prey, job }: UpkeepDue, almanac: Parameters<typeof feederOf>[0]): number =>
  feederOf(almanac, prey).upkeep!.findIndex(u => u.id === job.id)
