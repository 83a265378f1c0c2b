import type { FieldHint } from '../../log'

/** What a culture was made of, and how. */
export const madeOf = {
  parentIds: { label: 'Founded from', as: 'several', example: 'Nothing of the house' },
  strain: { label: 'Strain', as: 'text', hint: 'where it is kept apart' },
  recipe: { label: 'Recipe', as: 'text', hint: 'where made otherwise', example: 'As usual' },
} as const satisfies Record<string, FieldHint>
