import { z } from 'zod'
import { defineKind, type House, type Problem } from '../../log'
import { lineOfText, reference } from '../../reference'
import { PLACE_KINDS } from './state'

/** All that is said of a place. */
export const PlaceData = z.strictObject({
  name: lineOfText(60, 'A place needs a name'),
  kind: z.enum(PLACE_KINDS),
  parentId: reference('place').nullable().default(null),
  order: z.number().int().min(0).max(9999).default(0),
  tempC: z
    .number({ error: 'The temperature must be a number' })
    .min(-5, 'Under −5 °C is not believable')
    .max(60, 'Over 60 °C is not believable: check the unit')
    .nullable()
    .default(null),
  capacity: z
    .number({ error: 'The capacity must be a number' })
    .int('A capacity is a whole number of tubs')
    .min(1, 'A place takes at least one')
    .max(9999)
    .nullable()
    .default(null),
})

/** A place cannot stand inside itself, however many others are between. */
function standsInItself(house: House, id: string, parentId: string | null | undefined): Problem | null {
  const passed = new Set<string>()
  for (let up = parentId ?? null; up && !passed.has(up); up = house.places[up]?.parentId ?? null) {
    if (up === id) return { path: 'data.parentId', message: 'A place cannot stand inside itself' }
    passed.add(up)
  }
  return null
}

export const placeKinds = [
  defineKind({
    kind: 'placeAdded',
    subject: 'place',
    verb: 'Add place',
    dayless: true,
    founds: 'place',
    data: PlaceData,
    apply() {},
    wording: d => `${d.name} added`,
  }),
  defineKind({
    kind: 'placeChanged',
    subject: 'place',
    verb: 'Change place',
    dayless: true,
    data: z.strictObject({
      name: PlaceData.shape.name.optional(),
      kind: PlaceData.shape.kind.optional(),
      parentId: PlaceData.shape.parentId.unwrap().optional(),
      order: PlaceData.shape.order.unwrap().optional(),
      tempC: PlaceData.shape.tempC.unwrap().optional(),
      capacity: PlaceData.shape.capacity.unwrap().optional(),
    }),
    apply(state, data) {
      Object.assign(state, data)
    },
    check: (state, { parentId }, _, { house }) => standsInItself(house, state.id, parentId),
    wording: d => `Place changed${d.name ? `: ${d.name}` : ''}`,
  }),
]
