import { z } from 'zod'
import { reference } from '../../reference'
import { dayFromIso } from '../../units'
import { defineKind, seen, type CheckContext, type DatedEntry, type House, type Problem } from '../../log'
import { isOneSpecies } from '../oneSpecies'
import { dayText, tag } from '../fields'
import type { WinterGroup, WinterWays } from './state'

const none = z.strictObject({})
const place = reference('place').nullable().optional()

const days = (what: string, most: number) =>
  z
    .number({ error: `${what} must be a number of days` })
    .int(`${what} must be whole days`)
    .min(0, `${what} cannot be negative`)
    .max(most, `${what}: over ${most} days is not believable`)
    .nullable()
    .optional()

export const Ways = z.strictObject({
  gutClearDays: days('Fasting', 60),
  stepDownDays: days('Cooling down', 60),
  holdDays: days('The hold', 250),
  holdC: z
    .number({ error: 'The hold must be a temperature' })
    .min(2, 'Under 2 °C animals freeze')
    .max(30, 'Over 30 °C is no cold: check the unit')
    .nullable()
    .optional(),
  lightHours: z.number().min(0).max(24).nullable().optional(),
  warmUp: z.string().max(40).nullable().optional(),
  pairAfterCold: z.string().max(40).nullable().optional(),
})

/** Own ways laid over others; null takes one away again. */
function merged(before: WinterWays, change: WinterWays): WinterWays {
  return Object.fromEntries(
    Object.entries({ ...before, ...change }).filter(([, value]) => value !== null && value !== undefined),
  )
}

/** The open winter group of an animal. */
export function winterGroupOf(house: House, animalId: string): WinterGroup | undefined {
  return Object.values(house.winters).find(w => !w.ended && w.members[animalId])
}

function cannotJoin(house: House, group: Pick<WinterGroup, 'id' | 'speciesId'>, animalId: string): string | null {
  const animal = house.animals[animalId]
  if (!animal) return 'There is no such animal'
  if (animal.status !== 'alive') return `${animal.tag} is no longer here`
  if (!isOneSpecies(house, animal.speciesId, group.speciesId))
    return `${animal.tag} is of another species: a winter group holds one`
  const other = winterGroupOf(house, animalId)
  return other && other.id !== group.id ? `${animal.tag} is in the group ${other.tag} already` : null
}

/** A winter is planned or written down within the year around it; anything else is a slip of the year. */
const PLANNED_WITHIN_DAYS = 400

/** A hold at which the species is harmed, or burns what it should live on, is a slip of the number or of the unit. */
function wrongHold(
  almanac: CheckContext['almanac'],
  speciesId: string,
  holdC: number | null | undefined,
): Problem | null {
  const species = almanac.species[speciesId]
  if (!species?.cold || holdC === null || holdC === undefined) return null
  const { floorC, ceilingC, holdC: usual } = species.cold
  const told = `${species.name}: usually held at ${usual.value} °C`
  if (holdC < floorC.value)
    return { path: 'data.ways.holdC', message: `${told}; under ${floorC.value} °C it is harmed` }
  return holdC > ceilingC.value
    ? {
        path: 'data.ways.holdC',
        message: `${told}; over ${ceilingC.value} °C it burns its reserves and must not stay long`,
      }
    : null
}

function tooFar(cool: string, entry: Pick<DatedEntry, 'day'>): Problem | null {
  return Math.abs(dayFromIso(cool) - entry.day) > PLANNED_WITHIN_DAYS
    ? { path: 'data.cool', message: 'This is more than a year away: check the year' }
    : null
}

export const winterKinds = [
  defineKind({
    kind: 'winterPlanned',
    subject: 'winter',
    verb: 'Plan winter',
    founds: 'winter',
    data: z.strictObject({
      tag,
      speciesId: reference('species'),
      placeId: reference('place').nullable().default(null),
      cool: dayText,
      ways: Ways.default({}),
      animalIds: z.array(reference('animal')).max(500).default([]),
    }),
    check: (_, data, entry, { house, almanac }) => {
      const wrong = tooFar(data.cool, entry) ?? wrongHold(almanac, data.speciesId, data.ways.holdC)
      if (wrong) return wrong
      const at = data.animalIds.findIndex(id => cannotJoin(house, { id: entry.id, speciesId: data.speciesId }, id))
      return at < 0
        ? null
        : {
            path: `data.animalIds.${at}`,
            message: cannotJoin(house, { id: entry.id, speciesId: data.speciesId }, data.animalIds[at]!)!,
          }
    },
    apply() {},
    wording: d => `Planned winter ${d.tag}, cooling from ${d.cool}`,
  }),
  defineKind({
    kind: 'winterChanged',
    subject: 'winter',
    verb: 'Change programme',
    data: z.strictObject({ cool: dayText.optional(), placeId: place, ways: Ways.optional() }),
    check: (state, { cool, ways }, entry, { almanac }) =>
      (cool ? tooFar(cool, entry) : null) ?? wrongHold(almanac, state.speciesId, ways?.holdC),
    apply(state, { cool, placeId, ways }) {
      if (cool) state.coolDay = dayFromIso(cool)
      if (placeId !== undefined) state.placeId = placeId
      if (ways) state.ways = merged(state.ways, ways)
    },
    wording: d => `Changed the programme${d.cool ? `: cooling from ${d.cool}` : ''}`,
  }),
  defineKind({
    kind: 'winterMember',
    subject: 'winter',
    verb: 'Put in group',
    data: z.strictObject({ animalId: reference('animal'), ways: Ways.default({}) }),
    check: (state, { animalId, ways }, _, { house, almanac }) => {
      const reason = cannotJoin(house, state, animalId)
      return reason ? { path: 'data.animalId', message: reason } : wrongHold(almanac, state.speciesId, ways.holdC)
    },
    apply(state, { animalId, ways }) {
      state.members = { ...state.members, [animalId]: merged(state.members[animalId] ?? {}, ways) }
    },
    wording: () => 'Animal put in the group',
  }),
  defineKind({
    kind: 'winterMemberLeft',
    subject: 'winter',
    verb: 'Take from group',
    data: z.strictObject({ animalId: reference('animal') }),
    check: (state, { animalId }) =>
      Object.hasOwn(state.members, animalId)
        ? null
        : { path: 'data.animalId', message: 'This animal is not in the group' },
    apply(state, { animalId }) {
      const { [animalId]: _, ...rest } = state.members
      state.members = rest
    },
    wording: () => 'Animal taken from the group',
  }),
  defineKind({
    kind: 'winterEnded',
    subject: 'winter',
    verb: 'Close winter',
    data: none,
    apply(state, _, entry) {
      state.ended = seen(entry)
    },
    wording: () => 'Winter closed',
  }),
]
