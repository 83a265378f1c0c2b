import type { Day } from '../../chance'
import type { Observed } from '../../log'

/** Looked at, and none of what is seen before the first yield was there. */
export const NO_SIGN = 'nothing'

/** How hard a cup is shaken out. */
export const SHAKES = ['light', 'usual', 'hard'] as const
export type Shake = (typeof SHAKES)[number]
export const SHAKE_WORDS: Record<Shake, string> = {
  light: 'Shaken out lightly',
  usual: 'Shaken out',
  hard: 'Shaken out hard',
}

/** What may be found wrong in a culture that still lives. */
export const TROUBLES = ['leaving', 'mould', 'mites', 'smell', 'dying', 'noYoung'] as const
export type Trouble = (typeof TROUBLES)[number]
export const TROUBLE_WORDS: Record<Trouble, string> = {
  leaving: 'they try to leave',
  mould: 'mould',
  mites: 'mites',
  smell: 'it smells',
  dying: 'many die',
  noYoung: 'no young',
}

export interface CultureState {
  id: string
  tag: string
  feederId: string
  startDay: Day
  /** Ordered, on that day, as a culture that is about to yield. */
  bought?: true
  placeId: string | null
  /** Places in which it stood before, in turn, and when it left each. */
  stoodIn?: readonly { placeId: string | null; until: string }[]
  /** What it was founded from, and a strain that is kept apart from others. */
  parentIds?: readonly string[]
  strain?: string
  /** Made otherwise than the house's recipe, by a name for it. */
  recipe?: string
  producing: Observed | null
  failed: Observed | null
  finished: Observed | null
  harvested: number
  lastHarvest: Observed | null
  lastLook: Observed | null
  /** The furthest that was seen in it before it yielded, look by look. */
  signs: { day: Day; furthest: string }[]
  /** What was found wrong in it: what it was not, what it was, and when it was over. */
  troubles: (Observed & {
    what: Trouble
    note?: string
    not: string[]
    cause: string | null
    over: Observed | null
  })[]
  /** What was taken, where it was counted, or judged by how hard it was shaken. */
  takes: { day: Day; count: number; shaken?: true }[]
  /** What was seen in a colony: counted in so much of it, or judged by eye. */
  looks: { day: Day; sharePercent: number; young?: number; grown?: number; crowded?: boolean }[]
}

/** What is carried to the next culture with its founders. */
export const CARRIED: readonly Trouble[] = ['mites', 'mould']

/** Whether others may be founded from it: nothing is found in it that would go with them. */
export const mayFound = ({ troubles }: Pick<CultureState, 'troubles'>): boolean =>
  !troubles.some(t => !t.over && CARRIED.includes(t.what))

declare module '../../log/house' {
  interface StateOf {
    culture: CultureState
  }
  interface House {
    cultures: Record<string, CultureState>
  }
}
