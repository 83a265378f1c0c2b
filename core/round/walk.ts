import { isQuarantine, routeTo } from '../places'
import type { Task } from '../season'
import type { House } from '../subjects'

/** So many siblings with the same work are one line, which opens. */
const GATHERED_FROM = 6

/** One line of the walk: a task, or the same task for many siblings. */
export type WalkLine = { id: string; tasks: [Task] } | { id: string; tasks: Task[]; clutchTag: string }

export interface WalkStop {
  id: string
  /** Way to it inside its room; empty for the room itself. */
  place: string
  lines: WalkLine[]
}

export interface WalkRoom {
  name: string
  stops: WalkStop[]
  tasks: Task[]
  lines: number
}

/** What siblings share when their work is the same; null for what is looked at by itself. */
function sharedBy(task: Task, house: Pick<House, 'animals' | 'clutches'>): string | null {
  const clutchId = task.subject.type === 'animal' ? house.animals[task.subject.id]?.clutchId : null
  if (!clutchId || !house.clutches[clutchId] || task.alone || (task.caution && task.kind !== 'feed')) return null
  // a weight last measured differs from sibling to sibling
  return JSON.stringify([clutchId, task.kind, task.what, task.kind === 'feed' ? [task.detail, task.caution] : ''])
}

function linesOf(tasks: readonly Task[], house: Pick<House, 'animals' | 'clutches'>): WalkLine[] {
  const shared = new Map<string, Task[]>()
  for (const task of tasks) {
    const key = sharedBy(task, house)
    if (key) shared.set(key, [...(shared.get(key) ?? []), task])
  }
  const told = new Set<string>()
  return tasks.flatMap((task): WalkLine[] => {
    const key = sharedBy(task, house)
    const siblings = key ? shared.get(key)! : []
    if (siblings.length < GATHERED_FROM) return [{ id: task.id, tasks: [task] }]
    if (told.has(key!)) return []
    told.add(key!)
    const { id, tag } = house.clutches[house.animals[task.subject.id]!.clutchId!]!
    return [{ id: `${id} ${key!}`, tasks: siblings, clutchTag: tag }]
  })
}

/** A room as the walk has it: what stands in quarantine is walked apart. */
export const roomName = (places: House['places'], placeId: string, room: string): string =>
  isQuarantine(places, placeId) && !/quarantine/i.test(room) ? `${room}, quarantine` : room

/**
 * Tasks gathered by room and place, in the order in which they come.
 * @param tasks in walking order
 */
export function walkOf(tasks: readonly Task[], house: Pick<House, 'animals' | 'clutches' | 'places'>): WalkRoom[] {
  const rooms = new Map<string, Map<string, Task[]>>()
  for (const task of tasks) {
    const { names } = routeTo(house.places, task.placeId)
    const name = task.placeId ? roomName(house.places, task.placeId, names[0]!) : 'Anywhere'
    const place = names.slice(1).join(' · ')
    const room = rooms.get(name) ?? new Map<string, Task[]>()
    rooms.set(name, room.set(place, [...(room.get(place) ?? []), task]))
  }
  return [...rooms].map(([name, places]) => {
    const stops = [...places].map(([place, list]) => ({ id: `${name}-${place}`, place, lines: linesOf(list, house) }))
    return {
      name,
      stops,
      tasks: [...places.values()].flat(),
      lines: stops.reduce((n, s) => n + s.lines.length, 0),
    }
  })
}
