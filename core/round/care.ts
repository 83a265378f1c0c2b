import type { CareLine } from '../jobs'
import { routeTo } from '../places'
import type { House } from '../subjects'
import { roomName } from './walk'

/** The care of places that stand together. */
export interface CareArea {
  id: string
  /** Way to it inside its room; empty for the room itself. */
  place: string
  lines: CareLine[]
}

export interface CareRoom {
  name: string
  areas: CareArea[]
}

export const THE_HOUSE_AS_A_ROOM = 'The whole house'

/** Lines of care by the room and the thing that places stand in, in the order in which they come. */
export function careByRoom(lines: readonly CareLine[], { places }: Pick<House, 'places'>): CareRoom[] {
  const rooms = new Map<string, Map<string, CareArea>>()
  for (const line of lines) {
    const { names } = routeTo(places, line.areaId)
    const name = line.areaId === null ? THE_HOUSE_AS_A_ROOM : roomName(places, line.areaId, names[0]!)
    const areas = rooms.get(name) ?? new Map<string, CareArea>()
    const id = line.areaId ?? name
    const area = areas.get(id) ?? { id, place: line.areaId ? names.slice(1).join(' · ') : '', lines: [] }
    area.lines.push(line)
    rooms.set(name, areas.set(id, area))
  }
  return [...rooms].map(([name, areas]) => ({ name, areas: [...areas.values()] }))
}
