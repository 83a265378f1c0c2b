import { compareRoutes, routeTo } from '../../places'
import type { Task } from '../types'
import { feedTasks, weighTasks } from './animals'
import { eggTasks, gravidTasks, nurseryTasks } from './clutches'
import { cultureTasks, deliveryTasks, lampTasks } from './feeders'
import type { TaskContext, TaskMaker } from './taskMaker'

export { tellPortion } from './animals'
export { startTasks } from './starts'

const makers: TaskMaker[] = [weighTasks, feedTasks, gravidTasks, eggTasks, nurseryTasks, cultureTasks, deliveryTasks, lampTasks]

/** What is due today, in the order in which one walks the house. */
export function tasksOf(context: TaskContext): Task[] {
  const tasks = makers.flatMap(make => make(context))
  const routes = new Map(tasks.map(t => [t.id, routeTo(context.house.places, t.placeId)]))
  return tasks.sort((a, b) => compareRoutes(routes.get(a.id)!, routes.get(b.id)!) || (a.tag < b.tag ? -1 : a.tag > b.tag ? 1 : 0))
}
