import { defineSubject, type DatedEntry } from '../../log'
import { clutchKinds } from './kinds'
import { clutchLines } from './lines'
import type { ClutchState } from './state'

/** A laying or a birth as it begins; what hatches, dies or leaves comes after. */
function beginning(entry: DatedEntry, pairingId: string, speciesId: string, number: number): Omit<ClutchState, 'kind'> {
  const blank = {
    id: entry.id,
    pairingId,
    speciesId,
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
  if (entry.kind === 'born') {
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
  foundedBy: 'pairing',
  standsOn: (_, { house, founderId, number, modeOf }) => {
    const { speciesId } = house.pairings[founderId!]!
    return [speciesId, modeOf(speciesId) === 'larval', number]
  },
  found: (entry, { house, founderId, number, modeOf }) => {
    const { speciesId } = house.pairings[founderId!]!
    const kind = entry.kind === 'born' ? 'litter' : modeOf(speciesId) === 'larval' ? 'spawn' : 'eggs'
    return { ...beginning(entry, founderId!, speciesId, number), kind }
  },
  tagOf: state => state.tag,
  inLogLine: true,
  lines: clutchLines,
  began: ({ startDay, tag }) => ({ day: startDay, tag, what: 'laid or born' }),
})
