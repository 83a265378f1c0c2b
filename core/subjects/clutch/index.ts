import { defineSubject, type Base, type DatedEntry } from '../../log'
import { clutchKinds } from './kinds'
import { clutchLines } from './lines'
import type { ClutchState } from './state'

type Origin = Pick<ClutchState, 'pairingId' | 'groupId' | 'speciesId'>

const isBirth = ({ kind }: DatedEntry) => kind === 'born' || kind === 'groupBore'

/** The pair or the group that laid or gave birth. */
function originOf({ subject }: DatedEntry, { house, founderId }: Base): Origin {
  return subject.type === 'group'
    ? { pairingId: null, groupId: founderId, speciesId: house.groups[founderId!]!.speciesId }
    : { pairingId: founderId, groupId: null, speciesId: house.pairings[founderId!]!.speciesId }
}

/** Young of a clutch that were put with groups: the groups say so. */
const groupedOf = (clutchId: string, house: Base['house']): ClutchState['grouped'] =>
  Object.values(house.groups).flatMap(g => g.joined.filter(j => j.clutchId === clutchId))

/** A laying or a birth as it begins; what hatches, dies or leaves comes after. */
function beginning(entry: DatedEntry, from: Origin, number: number): Omit<ClutchState, 'kind' | 'grouped'> {
  const blank = {
    id: entry.id,
    ...from,
    number,
    startDay: entry.day,
    good: null,
    eggsLost: 0,
    hatched: [],
    metamorphosed: [],
    tagged: 0,
    sold: 0,
    firstFed: null,
    lastFed: null,
    lastCheck: null,
    lastCandled: null,
    looksCounted: [],
    meals: [],
    ended: null,
    youngLost: 0,
  }
  if (isBirth(entry)) {
    const d = entry.data as { tag: string; live: number; still: number; slugs: number; placeId: string | null }
    const hatched = d.live > 0 ? [{ day: entry.day, count: d.live, entryId: entry.id }] : []
    const eggs = d.live + d.still + d.slugs
    return { ...blank, tag: d.tag, eggs, slugs: d.slugs, eggsLost: d.still, tempC: null, placeId: d.placeId, hatched }
  }
  const d = entry.data as { tag: string; eggs: number; slugs: number; tempC: number | null; placeId: string | null }
  return { ...blank, tag: d.tag, eggs: d.eggs, slugs: d.slugs, tempC: d.tempC, placeId: d.placeId }
}

export const clutch = defineSubject({
  type: 'clutch',
  collection: 'clutches',
  noun: { one: 'clutch', many: 'clutches' },
  kinds: clutchKinds,
  foundedBy: ['pairing', 'group'],
  standsOn: (entry, base) => {
    const { speciesId } = originOf(entry, base)
    const grouped = groupedOf(entry.id, base.house).map(g => `${g.at} ${g.count}`)
    return [speciesId, base.modeOf(speciesId) === 'larval', base.number, grouped.join()]
  },
  found: (entry, base) => {
    const from = originOf(entry, base)
    const kind = isBirth(entry) ? 'litter' : base.modeOf(from.speciesId) === 'larval' ? 'spawn' : 'eggs'
    return { ...beginning(entry, from, base.number), kind, grouped: groupedOf(entry.id, base.house) }
  },
  tagOf: state => state.tag,
  inLogLine: true,
  lines: clutchLines,
  began: ({ startDay, tag }) => ({ day: startDay, tag, what: 'laid or born' }),
})
export { youngInGroup } from './kinds'
