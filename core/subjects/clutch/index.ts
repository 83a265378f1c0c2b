import type { z } from 'zod'
import { LogbookError, defineSubject, type Base, type DatedEntry } from '../../log'
import { dayFromIso } from '../../units'
import type { LayingData as Laying } from '../laying'
import type { BroughtData } from './brought'
import { clutchKinds } from './kinds'
import { clutchLines } from './lines'
import type { ClutchState } from './state'

type Origin = Pick<ClutchState, 'pairingId' | 'groupId' | 'speciesId'>

const isBrought = ({ kind }: DatedEntry) => kind === 'eggsBrought'
const isApart = ({ kind }: DatedEntry) => kind === 'eggsApart'
const isBirth = ({ kind }: DatedEntry) => kind === 'born' || kind === 'groupBore'

/** The pair or the group that laid or gave birth; neither is known of eggs that were brought. */
function originOf(entry: DatedEntry, { house, founderId }: Base): Origin {
  const { subject } = entry
  if (isBrought(entry))
    return { pairingId: null, groupId: null, speciesId: (entry.data as { speciesId: string }).speciesId }
  return subject.type === 'group'
    ? { pairingId: null, groupId: founderId, speciesId: house.groups[founderId!]!.speciesId }
    : { pairingId: founderId, groupId: null, speciesId: house.pairings[founderId!]!.speciesId }
}

/** Young of a clutch that were put with groups: the groups say so. */
const groupedOf = (clutchId: string, house: Base['house']): ClutchState['grouped'] =>
  Object.values(house.groups).flatMap(g => g.joined.filter(j => j.clutchId === clutchId))

/** Eggs as they lay when they were taken out of another clutch; null where that one does not know of it. */
const asTakenOff = (entry: DatedEntry, { house, founderId }: Base): ClutchState | null =>
  house.clutches[founderId!]?.apart.find(part => part.id === entry.id) ?? null

/** A laying or a birth as it begins; what hatches, dies or leaves comes after. */
function beginning(entry: DatedEntry, from: Origin, number: number): Omit<ClutchState, 'kind' | 'grouped'> {
  const blank = {
    id: entry.id,
    ...from,
    number,
    startDay: entry.day,
    startGive: 0,
    partOf: null,
    apart: [],
    numbers: null,
    eggsRange: null,
    origin: null,
    foundAt: null,
    programme: null,
    phases: [],
    good: null,
    eggsLost: 0,
    rows: {},
    pipped: [],
    hatched: [],
    metamorphosed: [],
    tagged: 0,
    sold: 0,
    firstFed: null,
    lastFed: null,
    tadpolesFed: null,
    lastCheck: null,
    lastCandled: null,
    looksCounted: [],
    meals: [],
    eggWeights: [],
    box: null,
    boxWeights: [],
    watered: [],
    ended: null,
    youngLost: 0,
  }
  if (isBirth(entry)) {
    const d = entry.data as { tag: string; live: number; still: number; slugs: number; placeId: string | null }
    const hatched = d.live > 0 ? [{ day: entry.day, count: d.live, entryId: entry.id }] : []
    const eggs = d.live + d.still + d.slugs
    const stays = [{ at: entry.at, day: entry.day, placeId: d.placeId, tempC: null }]
    return {
      ...blank,
      tag: d.tag,
      eggs,
      slugs: d.slugs,
      eggsLost: d.still,
      tempC: null,
      placeId: d.placeId,
      stays,
      hatched,
    }
  }
  const d = entry.data as z.output<typeof Laying> | BroughtData
  const came = { at: entry.at, day: entry.day, placeId: d.placeId, tempC: d.tempC }
  const laid =
    'laid' in d
      ? { startDay: dayFromIso(d.laid), startGive: d.give, origin: d.from ?? null }
      : {
          foundAt: d.foundAt ?? null,
          eggWeights: d.massG ? [{ day: entry.day, massG: d.massG, count: d.eggs }] : [],
        }
  const { tag, eggs, slugs, tempC, placeId } = d
  return { ...blank, ...laid, tag, eggs, slugs, tempC, placeId, stays: [came] }
}

export const clutch = defineSubject({
  type: 'clutch',
  collection: 'clutches',
  noun: { one: 'clutch', many: 'clutches' },
  kinds: clutchKinds,
  foundedBy: ['pairing', 'group', 'clutch'],
  noteKind: 'clutchNoted',
  standsOn: (entry, base) => {
    if (isApart(entry)) {
      const part = asTakenOff(entry, base)
      return part && [JSON.stringify([part, groupedOf(entry.id, base.house)])]
    }
    const { speciesId } = originOf(entry, base)
    const grouped = groupedOf(entry.id, base.house).map(g => `${g.at} ${g.count}`)
    return [speciesId, base.modeOf(speciesId) === 'larval', base.number, grouped.join()]
  },
  found: (entry, base) => {
    if (isApart(entry))
      return { ...structuredClone(asTakenOff(entry, base)!), grouped: groupedOf(entry.id, base.house) }
    const from = originOf(entry, base)
    // it can be neither looked after nor forecast: a newer program wrote it, or it was damaged
    if (isBrought(entry) && base.modeOf(from.speciesId) === null)
      throw new LogbookError(`${entry.id} is of a species that this almanac does not have, and is left out`)
    const kind = isBirth(entry) ? 'litter' : base.modeOf(from.speciesId) === 'larval' ? 'spawn' : 'eggs'
    return { ...beginning(entry, from, base.number), kind, grouped: groupedOf(entry.id, base.house) }
  },
  tagOf: state => state.tag,
  inLogLine: true,
  lines: clutchLines,
  began: ({ startDay, tag }) => ({ day: startDay, tag, what: 'laid or born' }),
})
export { eggsLeft } from './eggs'
export { youngInGroup } from './young'
