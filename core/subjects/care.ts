import type { Day } from '../chance'

/** What one may find while caring for a place. */
export const FINDINGS = [
  'smell',
  'mould',
  'mites',
  'wet',
  'dry',
  'droppings',
  'shed',
  'eggs',
  'deadPrey',
  'damage',
  'out',
] as const
export type Finding = (typeof FINDINGS)[number]
export const FINDING_WORDS: Record<Finding, string> = {
  smell: 'smell',
  mould: 'mould',
  mites: 'mites',
  wet: 'wet bedding',
  dry: 'too dry',
  droppings: 'odd droppings',
  shed: 'shed pieces left',
  eggs: 'eggs',
  deadPrey: 'dead prey',
  damage: 'damage',
  out: 'somebody out',
}

/** A job that was done once. */
export interface Care {
  day: Day
  entryId: string
  /** Milliseconds since 1970. */
  at: number
  /** Places left out of it. */
  but: readonly string[]
  /** What was found: true = something, false = it was looked for and nothing was; not said mostly. */
  found?: boolean
}

/** What was done, by job, oldest first. */
export type CareDone = Readonly<Record<string, readonly Care[]>>
