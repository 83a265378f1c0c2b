import type { WinterGroup, WinterWays } from '#core/subjects'
import type { Wish } from './useRecord'

/** Own ways of a single animal in the winter of its group. */
export interface OwnWays {
  holdDays?: number
  pairAfterCold?: string
}

/** What a form says of a winter. */
export interface WinterSaid {
  cool: string
  placeId: string | null
  ways: WinterWays
  chosen: readonly string[]
  single: Readonly<Record<string, OwnWays>>
}

const told = ({ holdDays, pairAfterCold }: Pick<WinterWays, 'holdDays' | 'pairAfterCold'>) => ({
  holdDays: holdDays ?? null,
  pairAfterCold: pairAfterCold ?? null,
})

/** The entries by which a planned winter becomes what is said of it now: its programme, who joins, stays apart, leaves. */
export function winterChanges(own: WinterGroup, { cool, placeId, ways, chosen, single }: WinterSaid): Wish[] {
  const subject = { type: 'winter' as const, id: own.id }
  // what is said no more goes back to the usual
  const unset = Object.fromEntries(Object.keys(own.ways).flatMap(key => (key in ways ? [] : [[key, null]])))
  const differs = (id: string) => JSON.stringify(told(single[id]!)) !== JSON.stringify(told(own.members[id]!))
  return [
    { kind: 'winterChanged', subject, data: { cool, placeId, ways: { ...unset, ...ways } } },
    ...chosen.filter(id => !own.members[id]).map(animalId => ({ kind: 'winterMember', subject, data: { animalId } })),
    ...Object.keys(single)
      .filter(id => own.members[id] && chosen.includes(id) && differs(id))
      .map(animalId => ({ kind: 'winterMember', subject, data: { animalId, ways: told(single[animalId]!) } })),
    ...Object.keys(own.members)
      .filter(id => !chosen.includes(id))
      .map(animalId => ({ kind: 'winterMemberLeft', subject, data: { animalId } })),
  ]
}

/** The next free tag of a winter: W-5 after W-4. */
export const nextWinterTag = (winters: Readonly<Record<string, Pick<WinterGroup, 'tag'>>>): string =>
  `W-${Math.max(0, ...Object.values(winters).map(w => Number(/^W-(\d+)$/.exec(w.tag)?.[1] ?? 0))) + 1}`

/** Own ways of a group, of which those that are not said are the usual. */
export interface GroupWays {
  gutClearDays?: number
  stepDownDays?: number
  holdC?: number
  holdDays?: number
  lightHours?: number
  warmUp?: string
  pairAfterCold?: string
}
