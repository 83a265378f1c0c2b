import { speciesOf } from '../../almanac'
import { hereOf, oneOf, type GroupState } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { mealNow } from '../mealNow'
import { about } from './about'
import { LABELS, tellCount, tellGroupMeal, tellNest } from './groupsWording'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

const base = (sort: string, group: GroupState) => ({ ...about(group, 'group'), id: `${sort}:${group.id}` })

function feedTask(group: GroupState, context: TaskContext): Task[] {
  const { almanac, today } = context
  const here = hereOf(group)
  const meal = mealNow(oneOf(group), context, { times: here })
  if (!meal || !due(meal.value.due, today)) return []
  const portions = meal.value.portions.map(p => ({ prey: p.prey, count: p.count * here }))
  const [main, ...others] = portions
  const lost = { field: 'count', label: LABELS.lost, likely: 1 }
  return [
    {
      ...base('feed', group),
      kind: 'feed',
      due: meal.value.due,
      everyDays: meal.value.everyDays,
      actions: [
        {
          label: LABELS.fed,
          kind: 'groupOffered',
          data: { ...main! },
          also: others.map(p => ({ ...p })),
          tone: 'main',
        },
        { label: LABELS.lostSome, kind: 'groupLost', data: {}, ask: lost },
      ],
      ...tellGroupMeal(group, portions, meal.reasons, almanac),
    },
  ]
}

function countTask(group: GroupState, { almanac, today }: SeasonContext): Task[] {
  const every = almanac.common.groupCountedEvery!
  const dueDay = group.lastCounted ? group.lastCounted.day + every.value : today
  if (!due(dueDay, today)) return []
  const ask = { field: 'count', label: LABELS.howMany, likely: hereOf(group) }
  return [
    {
      ...base('count', group),
      kind: 'count',
      due: dueDay,
      actions: [{ label: LABELS.counted, kind: 'groupCounted', data: {}, ask, tone: 'main' }],
      ...tellCount(group, every, today),
    },
  ]
}

/** A group whose females lay all season: where they lay is looked through, since nobody sees who is gravid. */
function nestTask(group: GroupState, { house, almanac, today }: SeasonContext): Task[] {
  const species = speciesOf(almanac, group.speciesId)
  const grown = group.bornDay === null || today - group.bornDay >= species.matureDays.value
  const laid = group.clutchIds.map(id => house.clutches[id]?.startDay ?? -Infinity)
  const last = Math.max(...laid)
  const until = species.nextClutch?.days.latest
  // one that laid goes on for as long as another clutch may follow
  if (species.mode !== 'egg' || !grown || until === undefined || today - last > until) return []
  const every = almanac.common.nestEvery!
  const dueDay = (group.lastNest?.day ?? last) + every.value
  if (!due(dueDay, today)) return []
  const eggs = { field: 'eggs', label: LABELS.eggs, likely: Math.round(species.clutchSize.likely) }
  return [
    {
      ...base('nest', group),
      kind: 'gravid',
      due: dueDay,
      actions: [
        { label: LABELS.nothing, kind: 'nestLooked', data: { found: 'nothing' }, tone: 'main' },
        { label: LABELS.slug, kind: 'nestLooked', data: { found: 'slug' } },
        { label: LABELS.eggs, kind: 'groupLaid', founds: 'clutch', data: {}, ask: eggs },
      ],
      ...tellNest(group, { species, every, last }, today),
    },
  ]
}

/** Groups without tags: fed together, and counted; their nests, where they lay. */
export const groupTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.groups), subjectAs('group'), group =>
    hereOf(group) ? [...feedTask(group, context), ...countTask(group, context), ...nestTask(group, context)] : [],
  )
