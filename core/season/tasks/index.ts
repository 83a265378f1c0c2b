import { compareRoutes, isQuarantine, routeTo } from '../../places'
import { animalsOf, tellWays } from '../../subjects'
import { guarded } from '../guard'
import { remembering } from '../remember'
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

/** What is minded of animals, by id. */
function mindedOf({ house }: TaskContext): Map<string, string> {
  const minded = new Map<string, string>()
  for (const { id, ways } of animalsOf(house)) if (ways) minded.set(id, tellWays(ways))
  return minded
}

/** What is minded of an animal stands at every task about it, which then has a line of its own. */
function withWays(task: Task, minded: ReadonlyMap<string, string>): Task {
  const mind = task.subject.type === 'animal' ? minded.get(task.subject.id) : undefined
  return mind === undefined ? task : { ...task, mind, alone: true }
}

const ranked = remembering<TaskContext['house']['places'], ReadonlyMap<string | null, number>>()

/** The rank of each place in the walk through the house: many tasks stand in one, so it is worked out once for all. */
const walkOf = (context: TaskContext): ReadonlyMap<string | null, number> => {
  const { places } = context.house
  return ranked(context, places, [], () => {
    const walk = [null, ...Object.keys(places)]
      .map(id => ({
        id,
        route: routeTo(places, id),
        // own tools and hands washed: whoever has been there goes nowhere else
        last: Number(isQuarantine(places, id)),
      }))
      .sort((a, b) => a.last - b.last || compareRoutes(a.route, b.route))
    return new Map(walk.map((p, i) => [p.id, i]))
  })
}

const byTag = (a: Task, b: Task): number => (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0)

/** In the order in which one walks the house, and by tag at each place: a sort of each place is less than one of all. */
function inOrderOfWalk(tasks: readonly Task[], context: TaskContext): Task[] {
  const walk = walkOf(context)
  const at: Task[][] = []
  // a place that is not there any more stands with what stands nowhere
  for (const task of tasks) (at[walk.get(task.placeId) ?? walk.get(null)!] ??= []).push(task)
  const all: Task[] = []
  for (const here of at) if (here) for (const task of here.sort(byTag)) all.push(task)
  return all
}

/** What is due today, in the order in which one walks the house. */
export function tasksOf(context: TaskContext): Task[] {
  const made = makers.flatMap(make => guarded(context, 'some tasks', null, () => make(context)) ?? [])
  const shared = guarded(context, 'what is there for all', null, () => sharedOut(made, context)) ?? made
  const minded = mindedOf(context)
  return inOrderOfWalk(minded.size ? shared.map(task => withWays(task, minded)) : shared, context)
}
