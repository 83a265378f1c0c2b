import { z } from 'zod'
import { reference } from '../../reference'
import { defineKind, seen } from '../../log'
import type { AnimalState } from './state'

/** What a look at a resting animal may find. */
export const COLD_SIGNS = ['breathing', 'discharge', 'skin', 'alertness', 'thin', 'injury'] as const
/** What a look at any animal may find. */
export const SIGNS = [
  ...COLD_SIGNS,
  'stuckShed',
  'mouth',
  'swelling',
  'prolapse',
  'straining',
  'droppings',
  'mites',
  'limping',
] as const
export type Sign = (typeof SIGNS)[number]

export const SIGN_WORDS: Record<Sign, string> = {
  breathing: 'noisy breath',
  discharge: 'discharge',
  skin: 'dry or damaged skin',
  alertness: 'does not react',
  thin: 'thin',
  injury: 'injury',
  stuckShed: 'stuck shed',
  mouth: 'sore mouth',
  swelling: 'swelling',
  prolapse: 'prolapse',
  straining: 'strains without result',
  droppings: 'loose or bloody droppings',
  mites: 'mites',
  limping: 'limps or trembles',
}

/** It has been cooled and not warmed yet. */
export const inCold = ({ cooled, warmed }: Pick<AnimalState, 'cooled' | 'warmed'>): boolean =>
  cooled !== null && warmed === null
const place = reference('place').nullable().optional()

export const winterAnimalKinds = [
  defineKind({
    kind: 'checked',
    subject: 'animal',
    verb: 'Record look',
    data: z
      .strictObject({ well: z.boolean().default(true), signs: z.array(z.enum(SIGNS)).max(SIGNS.length).optional() })
      .refine(d => !d.well || !d.signs?.length, { path: ['well'], message: 'An animal with a sign is not well' }),
    apply(state, { well, signs }, entry) {
      state.lastCheck = seen(entry)
      state.unwell = well ? null : { ...seen(entry), signs: signs ?? [] }
      if (!well && inCold(state)) state.winters.at(-1)!.incidents.push({ ...seen(entry), signs: signs ?? [] })
    },
    wording: d =>
      d.well ? 'Looked at, well' : `Looked at: ${d.signs?.map(s => SIGN_WORDS[s]).join(', ') || 'not well'}`,
  }),
  defineKind({
    kind: 'cooledDown',
    subject: 'animal',
    verb: 'Record cooling',
    data: z.strictObject({ placeId: place }),
    check: state => (inCold(state) ? { path: 'kind', message: `${state.tag} is in the cold already` } : null),
    apply(state, { placeId }, entry) {
      state.cooled = seen(entry)
      state.warmed = null
      state.homeId = state.placeId
      if (placeId) state.placeId = placeId
      state.winters.push({ cooled: seen(entry), warmed: null, placeId: state.placeId, incidents: [] })
    },
    wording: () => 'Cooled down',
  }),
  defineKind({
    kind: 'warmedUp',
    subject: 'animal',
    verb: 'Record warm-up',
    data: z.strictObject({ placeId: place, early: z.boolean().optional() }),
    check: (state, _, entry) => {
      if (!inCold(state)) return { path: 'kind', message: `${state.tag} is not in the cold` }
      return entry.day < state.cooled!.day ? { path: 'at', message: `${state.tag} was cooled later than this` } : null
    },
    apply(state, { placeId }, entry) {
      state.warmed = seen(entry)
      state.placeId = placeId ?? state.homeId ?? state.placeId
      const stay = state.winters.at(-1)
      if (stay) stay.warmed = seen(entry)
    },
    wording: d => (d.early ? 'Taken out of the cold early' : 'Warmed up'),
  }),
  defineKind({
    kind: 'watered',
    subject: 'animal',
    verb: 'Record water',
    data: z.strictObject({ bath: z.boolean().default(false) }),
    apply(state, _, entry) {
      state.lastWater = seen(entry)
    },
    wording: d => (d.bath ? 'Bathed' : 'Offered water'),
  }),
  defineKind({
    kind: 'measured',
    subject: 'animal',
    verb: 'Record length',
    data: z.strictObject({
      mm: z
        .number({ error: 'The length must be a number of millimetres' })
        .positive('A length must be above 0 mm')
        .max(12_000, 'No animal here is over 12 m long: check the unit'),
    }),
    apply(state, { mm }, entry) {
      state.lengths.push({ day: entry.day, mm, entryId: entry.id })
    },
    wording: d => `Measured ${d.mm} mm`,
  }),
]
