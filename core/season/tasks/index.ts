import { compareRoutes, isQuarantine, routeTo } from '../../places'
import { tellWays } from '../../subjects'
import { guarded } from '../guard'
import type { Task } from '../contracts'
import { gravidTasks } from './gravid'
import { cultureTasks } from './culture'
import { deliveryTasks } from './delivery'
import { eggTasks } from './eggs'
import { feedTasks } from './feeding'
import { findingTasks } from './findings'
import { groupTasks } from './groups'
import { healthTasks } from './health'
import { lampTasks } from './lamp'
import { loadTasks } from './load'
import { grownTasks, lotTasks } from './lots'
import { nurseryTasks } from './nursery'
import { quarantineTasks } from './quarantine'
import { rotaTasks } from './rota'
import { sexTasks } from './sex'
import { sharedOut } from './sharedOut'
import { tadpoleTasks } from './tadpoles'
import { troubleTasks } from './troubles'
import { upkeepTasks } from './upkeep'
import { weighTasks } from './weighing'
import { coldTasks } from './cold'
import { coolingTasks } from './cooling'
import { warmingTasks } from './warming'
import type { TaskContext, TaskMaker } from './taskMaker'

export { tellPortion } from './feedingWording'
export { tellShort } from './sharedOutWording'
export { materialTasks } from './materials'
export { startTasks } from './starts'
export type { TaskContext } from './taskMaker'

const makers: TaskMaker[] = [
  weighTasks,
  feedTasks,
  coolingTasks,
  coldTasks,
  warmingTasks,
  rotaTasks,
  loadTasks,
  sexTasks,
  gravidTasks,
  eggTasks,
  nurseryTasks,
  tadpoleTasks,
  groupTasks,
  cultureTasks,
  troubleTasks,
  deliveryTasks,
  lotTasks,
  grownTasks,
  upkeepTasks,
  lampTasks,
  findingTasks,
  healthTasks,
  quarantineTasks,
]

/** What is minded of an animal stands at every task about it, which then has a line of its own. */
function withWays(task: Task, { house }: TaskContext): Task {
  const ways = task.subject.type === 'animal' && house.animals[task.subject.id]?.ways
  return ways ? { ...task, mind: tellWays(ways), alone: true } : task
}

/** What is due today, in the order in which one walks the house. */
export function tasksOf(context: TaskContext): Task[] {
  const made = makers.flatMap(make => guarded(context, 'some tasks', null, () => make(context)) ?? [])
  const shared = guarded(context, 'what is there for all', null, () => sharedOut(made, context)) ?? made
  const tasks = shared.map(task => withWays(task, context))
  // many tasks stand in one place: its rank in the walk is worked out once
  const places = [...new Set(tasks.map(t => t.placeId))]
    .map(id => ({
      id,
      route: routeTo(context.house.places, id),
      // own tools and hands washed: whoever has been there goes nowhere else
      last: Number(isQuarantine(context.house.places, id)),
    }))
    .sort((a, b) => a.last - b.last || compareRoutes(a.route, b.route))
  const rank = new Map(places.map((p, i) => [p.id, i]))
  return tasks
    .map(task => ({ task, rank: rank.get(task.placeId)!, tag: task.tag }))
    .sort((a, b) => a.rank - b.rank || (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0))
    .map(({ task }) => task)
}
