import type { Day } from '../chance'
import { dayToIso } from '../units'

/** By what cultures of one kind may differ: where they stand, what strain, how they were made, when they were started. */
export const CULTURE_SORTS = ['place', 'strain', 'recipe', 'quarter'] as const
export type CultureSort = (typeof CULTURE_SORTS)[number]

/** Quarters of the year in which a culture was started; as months, since seasons differ by hemisphere. */
export const QUARTERS = ['December to February', 'March to May', 'June to August', 'September to November'] as const
export type Quarter = (typeof QUARTERS)[number]

export const quarterOf = (day: Day): Quarter => QUARTERS[Math.floor((Number(dayToIso(day).slice(5, 7)) % 12) / 3)]!

/** Of which group a culture is in each sort; null: of none that is named. */
export type CultureGroups = Readonly<Record<CultureSort, string | null>>

/** How the cultures of one group do, in times of what is usual for the kind; what is left out is as usual. */
export interface CultureApart {
  by: CultureSort
  of: string
  yields?: number
  waits?: number
  fails?: number
}
/** Further apart than any keeper has seen two shelves, in times of the usual. */
export const APART = { least: 0.1, most: 10 }
export type ApartNumber = 'yields' | 'waits' | 'fails'
