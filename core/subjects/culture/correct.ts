import { z } from 'zod'
import { defineKind } from '../../log'
import { lineOfText, reference } from '../../reference'
import { tag } from '../fields'
import { foundedFrom } from './lineage'
import { madeOf } from './made'
import type { CultureState } from './state'

/** Why one cannot have been founded from another; null where it can. */
function impossibleFounder(
  culture: CultureState,
  parent: CultureState,
  cultures: Readonly<Record<string, CultureState>>,
): string | null {
  const { tag } = culture
  if (parent.id === culture.id) return `${tag} was not founded from itself`
  if (parent.feederId !== culture.feederId) return `${parent.tag} is of another kind: ${tag} did not come of it`
  if (parent.startDay >= culture.startDay) return `${parent.tag} was started no earlier than ${tag}`
  return foundedFrom(culture, cultures).some(c => c.id === parent.id) ? `${parent.tag} came of ${tag}` : null
}

/** What was written wrong of a culture when it was started, and where it stands now. */
export const correctKinds = [
  defineKind({
    kind: 'cultureMoved',
    subject: 'culture',
    verb: 'Move culture',
    data: z.strictObject({ placeId: reference('place') }),
    fields: { placeId: { label: 'Stands in', as: 'place', example: 'No place', needed: true } },
    apply(state, { placeId }, { at }) {
      if (placeId === state.placeId) return
      state.stoodIn = [...(state.stoodIn ?? []), { placeId: state.placeId, until: at }]
      state.placeId = placeId
    },
    wording: () => 'Moved',
  }),
  defineKind({
    kind: 'cultureCorrected',
    subject: 'culture',
    verb: 'Correct culture',
    data: z
      .strictObject({
        tag: tag.optional(),
        /** Nothing: that of those it was founded from, or none. */
        strain: lineOfText(40, 'A strain needs a name').nullable().optional(),
        /** Nothing: made as usual. */
        recipe: lineOfText(40, 'Another recipe needs a name').nullable().optional(),
        parentIds: z
          .array(reference('culture'))
          .max(20)
          .refine(ids => new Set(ids).size === ids.length, 'A culture is named twice')
          .optional(),
      })
      .refine(d => Object.values(d).some(value => value !== undefined), { message: 'Nothing is corrected by this' }),
    fields: {
      tag: { label: 'Tag', as: 'text', needed: true },
      ...madeOf,
      strain: { ...madeOf.strain, hint: 'empty: its parents’' },
    },
    check(state, { parentIds = [] }, _, { house: { cultures } }) {
      if (state.bought && parentIds.length)
        return { path: 'data.parentIds', message: `${state.tag} was ordered, and not founded from the house’s own` }
      for (const id of parentIds) {
        const message = cultures[id] ? impossibleFounder(state, cultures[id], cultures) : null
        if (message) return { path: 'data.parentIds', message }
      }
      return null
    },
    apply(state, { tag, strain, recipe, parentIds }) {
      if (tag !== undefined) state.tag = tag
      if (strain === null) delete state.strain
      else if (strain !== undefined) state.strain = strain
      if (recipe === null) delete state.recipe
      else if (recipe !== undefined) state.recipe = recipe
      if (parentIds?.length) state.parentIds = parentIds
      else if (parentIds) delete state.parentIds
    },
    wording: ({ tag, strain, recipe, parentIds }) =>
      `Corrected: ${[
        tag !== undefined && `tag ${tag}`,
        strain !== undefined && `strain ${strain ?? 'not known'}`,
        recipe !== undefined && (recipe === null ? 'made as usual' : `made as ${recipe}`),
        parentIds && (parentIds.length ? 'what it was founded from' : 'founded from nothing of the house'),
      ]
        .filter(Boolean)
        .join(', ')}`,
  }),
]
