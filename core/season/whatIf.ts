import { z } from 'zod'
import { speciesOf, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import {
  animalAsAdded,
  isOneSpecies,
  livingAnimals,
  newPairing,
  nothingWritten,
  type AnimalState,
  type GroupState,
  type House,
  type PairingState,
} from '../subjects'
import type { HouseSettings } from '../settings'
import type { PlanTrial } from './plans'
import { survivalOf, watchedYoung } from './survival'
import { warmthShifted } from './warmth'

/** What is tried: each left out keeps what is. */
export const WhatIf = z.strictObject({
  warmUpDay: z.number().int().optional(),
  incubationShiftC: z.number().min(-6).max(6).optional(),
  appetite: z.number().min(0.3).max(3).optional(),
  cupYield: z.number().min(0.2).max(3).optional(),
  /** Losses of young in their first 90 days, times those of the almanac. */
  losses: z.number().min(0).max(10).optional(),
  /** How quickly all climb their ladder: 2 reaches each step in half its days. */
  ladderPace: z.number().min(0.25).max(4).optional(),
  /** Young that are here all at once, and that nobody had expected. */
  arrived: z
    .strictObject({ speciesId: z.string(), count: z.number().int().min(1).max(5000), bornDay: z.number().int() })
    .optional(),
  /** Cultures that die today. */
  lost: z.array(z.string()).max(500).optional(),
  /** From one day to the other nothing is started and nothing ordered. */
  closed: z
    .strictObject({ from: z.number().int(), to: z.number().int() })
    .refine(c => c.to >= c.from, 'It ends before it begins')
    .optional(),
  /** No order comes in before that day. */
  noOrdersBefore: z.number().int().optional(),
  /** So many units more on each day on which any are started, by prey. */
  more: z.record(z.string(), z.number().int().min(1).max(50)).optional(),
  /** Room of shelves, in cups. */
  room: z.record(z.string(), z.number().int().min(1).max(9999)).optional(),
  /** How much warmer places of cultures are from today on, °C; cooler where negative. */
  shelfShiftC: z.record(z.string(), z.number().min(-10).max(10)).optional(),
  /** Number of open pairs wanted, by species. */
  pairs: z.record(z.string(), z.number().int().min(0).max(200)).optional(),
})
export type WhatIf = z.infer<typeof WhatIf>

export function openPairs(house: House): Map<string, PairingState[]> {
  const bySpecies = new Map<string, PairingState[]>()
  for (const p of Object.values(house.pairings)) {
    const dam = house.animals[p.damId]
    if (p.ended || dam?.status !== 'alive') continue
    const list = bySpecies.get(p.speciesId)
    if (list) list.push(p)
    else bySpecies.set(p.speciesId, [p])
  }
  return bySpecies
}

const progress = (p: PairingState) => Object.values(p.seen).reduce((n, list) => n + list.length, 0)

/**
 * Who further pairs of a species would be: grown animals that are free, males of the house for several, and what must
 * be bought.
 */
export interface NewPairs {
  pairs: { damId: string; sireId: string }[]
  bought: AnimalState[]
}

const boughtAnimal = (speciesId: string, sex: 'female' | 'male', number: number, bornDay: Day): AnimalState =>
  animalAsAdded({
    id: `bought-${speciesId}-${sex}-${number}`,
    tag: `bought ${sex} ${number}`,
    name: null,
    speciesId,
    sex,
    bornDay,
    placeId: null,
    damId: null,
    sireId: null,
    clutchId: null,
    foundedBy: null,
  })

/**
 * So many pairs more of a species, with animals that exist; only what is missing is bought.
 * @param extra pairs beyond those that are open
 */
export function newPairs(house: House, almanac: Almanac, speciesId: string, extra: number, today: Day): NewPairs {
  const mature = speciesOf(almanac, speciesId).matureDays.value
  const open = openPairs(house).get(speciesId) ?? []
  const paired = new Set(open.flatMap(p => [p.damId, p.sireId ?? '']))
  const grown = livingAnimals(house)
    .filter(a => isOneSpecies(house, a.speciesId, speciesId) && (a.bornDay === null || today - a.bornDay >= mature))
    .sort((a, b) => (a.tag < b.tag ? -1 : 1))
  const free = grown.filter(a => a.sex === 'female' && !paired.has(a.id))
  // a male goes round several females: the free ones first
  const males = grown.filter(a => a.sex === 'male').sort((a, b) => Number(paired.has(a.id)) - Number(paired.has(b.id)))
  const bought: AnimalState[] = []
  const buy = (sex: 'female' | 'male') => {
    const animal = boughtAnimal(speciesId, sex, bought.filter(a => a.sex === sex).length + 1, today - mature)
    bought.push(animal)
    return animal
  }
  if (!males.length && extra > 0) males.push(buy('male'))
  const pairs = Array.from({ length: Math.max(0, extra) }, (_, i) => ({
    damId: (free[i] ?? buy('female')).id,
    sireId: males[i % males.length]!.id,
  }))
  return { pairs, bought }
}

/** Fewer pairs: the least advanced are dropped. More: pairs that are set today, with nothing behind them. */
function withPairs(house: House, almanac: Almanac, wanted: Readonly<Record<string, number>>, today: Day): House {
  const dropped = new Set<string>()
  const added: PairingState[] = []
  const bought: AnimalState[] = []
  const open = openPairs(house)
  for (const [speciesId, count] of Object.entries(wanted)) {
    const pairs = [...(open.get(speciesId) ?? [])].sort((a, b) => progress(a) - progress(b))
    for (const p of pairs.slice(0, Math.max(0, pairs.length - count))) dropped.add(p.id)
    if (!pairs.length || count <= pairs.length) continue
    const more = newPairs(house, almanac, speciesId, count - pairs.length, today)
    bought.push(...more.bought)
    more.pairs.forEach(({ damId, sireId }, i) =>
      added.push(
        newPairing({ id: `new-${speciesId}-${i + 1}`, tag: `new ${i + 1}`, speciesId, damId, sireId, startDay: today }),
      ),
    )
  }
  const kept = Object.values(house.pairings).filter(p => !dropped.has(p.id))
  return {
    ...house,
    pairings: Object.fromEntries([...kept, ...added].map(p => [p.id, p])),
    ...(bought.length && { animals: { ...house.animals, ...Object.fromEntries(bought.map(a => [a.id, a])) } }),
  }
}

/** A group that lives in the house from today on. */
function withArrived(house: House, { speciesId, count, bornDay }: NonNullable<WhatIf['arrived']>): House {
  const group: GroupState = {
    id: 'arrived',
    tag: 'they',
    name: null,
    speciesId,
    placeId: null,
    placedDay: null,
    bornDay,
    numbers: { male: 0, female: 0, unknown: count },
    ...nothingWritten(),
  }
  return { ...house, groups: { ...house.groups, [group.id]: group } }
}

/** Cultures that die, and shelves that take another number. */
function withShelves(house: House, { lost, room }: Pick<WhatIf, 'lost' | 'room'>, today: Day): House {
  const failed = (lost ?? []).flatMap(id => {
    const culture = house.cultures[id]
    return culture ? [[id, { ...culture, failed: { day: today, entryId: 'what-if' } }] as const] : []
  })
  const places = Object.entries(room ?? {}).flatMap(([id, capacity]) => {
    const place = house.places[id]
    return place ? [[id, { ...place, capacity }] as const] : []
  })
  return {
    ...house,
    ...(failed.length && { cultures: { ...house.cultures, ...Object.fromEntries(failed) } }),
    ...(places.length && { places: { ...house.places, ...Object.fromEntries(places) } }),
  }
}

/** Young of the house teach nothing more of what is tried. */
const NOTHING_LEARNT = 1e9

/**
 * The almanac with other losses of young than the house has, and another pace on the ladder. Losses count as a rate, so
 * that twice the losses of nine in ten leave 0.9² = 81 %, and never fewer than none.
 */
function withYoung(house: House, almanac: Almanac, settings: HouseSettings, today: Day, losses: number, pace: number) {
  const watched = watchedYoung({ house, almanac, settings, today }).bySpecies
  const changed = (species: Species): Species => ({
    ...species,
    survival90: {
      ...species.survival90,
      value: survivalOf(species, watched.get(species.id), { almanac }).share ** losses,
    },
    ladder: species.ladder.map(step => ({ ...step, fromDay: Math.round(step.fromDay / pace) })),
  })
  const { survivalShrink } = almanac.common
  return {
    ...almanac,
    species: Object.fromEntries(Object.entries(almanac.species).map(([id, species]) => [id, changed(species)])),
    common: { ...almanac.common, survivalShrink: { ...survivalShrink!, value: NOTHING_LEARNT } },
  }
}

/**
 * House, almanac and settings as they would be. Nothing is written; season() of these is the changed season.
 * @param changes shares are factors: 1 changes nothing
 */
export function applyWhatIf(
  house: House,
  almanac: Almanac,
  settings: HouseSettings,
  changes: WhatIf,
  today: Day,
): { house: House; almanac: Almanac; settings: HouseSettings; trial: PlanTrial } {
  const { losses = 1, ladderPace = 1, closed, noOrdersBefore, more, shelfShiftC } = changes
  const warmed = shelfShiftC ? { ...house, warmth: warmthShifted(shelfShiftC, { house, almanac, today }) } : house
  const shelved = withShelves(warmed, changes, today)
  const paired = changes.pairs ? withPairs(shelved, almanac, changes.pairs, today) : shelved
  return {
    house: changes.arrived ? withArrived(paired, changes.arrived) : paired,
    almanac:
      losses === 1 && ladderPace === 1 ? almanac : withYoung(house, almanac, settings, today, losses, ladderPace),
    trial: {
      ...(closed && { closed }),
      ...(noOrdersBefore !== undefined && { noOrdersBefore }),
      ...(more && { more }),
    },
    settings: {
      ...settings,
      ...(changes.warmUpDay !== undefined && { warmUpDay: changes.warmUpDay }),
      ...(changes.incubationShiftC !== undefined && { incubationShiftC: changes.incubationShiftC }),
      ...(changes.appetite !== undefined && { appetite: changes.appetite }),
      ...(changes.cupYield !== undefined && { cupYield: changes.cupYield }),
    },
  }
}
