import { speciesOf } from '../../almanac'
import { computedInput, entryInput, factInput, spreadInput } from '../../judgement'
import { hereOf, inAll, oneOf, tellNumbers, type GroupState } from '../../subjects'
import { formatDistance } from '../../units'
import type { SeasonContext } from '../context'
import type { Task } from '../contracts'
import { subjectAs } from '../guard'
import { tellPortion } from './feeding'
import { mealNow } from '../mealNow'
import { due, tasksOfEach, type TaskContext, type TaskMaker } from './taskMaker'

function feedTask(group: GroupState, context: TaskContext): Task[] {
  const { almanac, today } = context
  const here = hereOf(group)
  const meal = mealNow(oneOf(group), context, { times: here })
  if (!meal || !due(meal.value.due, today)) return []
  const portions = meal.value.portions.map(p => ({ prey: p.prey, count: p.count * here }))
  const [main, ...others] = portions
  return [
    {
      id: `feed:${group.id}`,
      kind: 'feed',
      subject: { type: 'group', id: group.id },
      tag: group.tag,
      placeId: group.placeId,
      due: meal.value.due,
      everyDays: meal.value.everyDays,
      what: `Feed all ${here}: ${portions.map(p => tellPortion(almanac, p)).join(' and ')}`,
      detail: group.meals.length ? undefined : 'no meal written yet',
      actions: [
        {
          label: 'Fed',
          kind: 'groupOffered',
          data: { ...main! },
          also: others.map(p => ({ ...p })),
          tone: 'main',
        },
        { label: 'Lost some', kind: 'groupLost', data: {}, ask: { field: 'count', label: 'Lost', likely: 1 } },
      ],
      caution: 'Spread it, so that the small ones get theirs; take out what is left, insects nibble sleepers.',
      reasons: [
        {
          rule: 'A group eats as one of it does, times those that are there',
          inputs: [computedInput('Mouths', tellNumbers(group))],
          change: 'A count, or somebody who joins or leaves',
        },
        ...meal.reasons,
      ],
    },
  ]
}

function countTask(group: GroupState, { almanac, today }: SeasonContext): Task[] {
  const every = almanac.common.groupCountedEvery!
  const last = group.lastCounted
  const dueDay = last ? last.day + every.value : today
  if (!due(dueDay, today)) return []
  return [
    {
      id: `count:${group.id}`,
      kind: 'count',
      subject: { type: 'group', id: group.id },
      tag: group.tag,
      placeId: group.placeId,
      due: dueDay,
      what: `Count them: ${inAll(group.numbers)} are known`,
      detail: last ? `counted ${formatDistance(last.day, today)}` : 'not counted yet',
      actions: [
        {
          label: 'Counted',
          kind: 'groupCounted',
          data: {},
          ask: { field: 'count', label: 'How many are there', likely: hereOf(group) },
          tone: 'main',
        },
      ],
      reasons: [
        {
          rule: 'Who has no tag is missed only by counting',
          inputs: [
            factInput('Counted every', 'common.groupCountedEvery.value', every),
            ...(last ? [entryInput('Last count', formatDistance(last.day, today), last)] : []),
          ],
          change: 'A count',
        },
      ],
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
  return [
    {
      id: `nest:${group.id}`,
      kind: 'gravid',
      subject: { type: 'group', id: group.id },
      tag: group.tag,
      placeId: group.placeId,
      due: dueDay,
      what: 'Look for eggs: damp spot under the hide, leaves, lid and pieces',
      detail: `last laid ${formatDistance(last, today)}`,
      actions: [
        { label: 'Nothing', kind: 'nestLooked', data: { found: 'nothing' }, tone: 'main' },
        { label: 'A slug', kind: 'nestLooked', data: { found: 'slug' } },
        {
          label: 'Eggs',
          kind: 'groupLaid',
          founds: 'clutch',
          data: {},
          ask: { field: 'eggs', label: 'Eggs', likely: Math.round(species.clutchSize.likely) },
        },
      ],
      caution: 'Do not turn them: mark the top. Glued eggs come out with the piece they are on.',
      reasons: [
        {
          rule: 'It laid, and another clutch may follow until so long after',
          inputs: [
            factInput('Looked through every', 'common.nestEvery.value', every),
            spreadInput('To the next laying', `species.${species.id}.nextClutch.days`, species.nextClutch!.days),
            ...(group.lastNest
              ? [entryInput('Last look', formatDistance(group.lastNest.day, today), group.lastNest)]
              : []),
          ],
          change: 'A look, or a laying',
        },
      ],
    },
  ]
}

/** Groups without tags: fed together, and counted; their nests, where they lay. */
export const groupTasks: TaskMaker = context =>
  tasksOfEach(context, Object.values(context.house.groups), subjectAs('group'), group =>
    hereOf(group) ? [...feedTask(group, context), ...countTask(group, context), ...nestTask(group, context)] : [],
  )
