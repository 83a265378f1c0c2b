import type { Day } from '../../chance'
import type { Observed } from '../../log'
import type { EggProgramme } from './programme'
import type { TadpoleHome } from './tadpoleHomes'

/** What an egg is, from the nest to the young that has taken its yolk in. */
export const EGG_STATES = ['sound', 'doubtful', 'isolated', 'slug', 'dead', 'pipped', 'out', 'yolkIn'] as const
export type EggStanding = (typeof EGG_STATES)[number]
export const EGG_STATE_WORDS: Readonly<Record<EggStanding, string>> = {
  sound: 'sound',
  doubtful: 'doubtful',
  isolated: 'put apart',
  slug: 'slug',
  dead: 'dead',
  pipped: 'pipped',
  out: 'out',
  yolkIn: 'out, yolk in',
}

/** What is seen of an egg from outside, or against the light. */
export const EGG_SIGNS = [
  'vessels',
  'ring',
  'movement',
  'dark',
  'empty',
  'dented',
  'sweating',
  'mould',
  'turned',
] as const
export type EggSign = (typeof EGG_SIGNS)[number]

/** How far it had come, when it was opened. */
export const EGG_ENDS = ['nothing seen', 'early', 'half grown', 'full term', 'pipped and died'] as const
export type EggEnd = (typeof EGG_ENDS)[number]

/** One egg, by its number in the box. */
export interface Egg {
  n: number
  state: EggStanding
  /** Since when it is so, and when it was last looked at. */
  since: Observed
  seen: Observed
  signs: EggSign[]
  weights: { day: Day; massG: number }[]
  pippedDay: Day | null
  end: EggEnd | null
  /** Where it lies in the box, in shares of its width and depth; null: in its row. */
  lies: { x: number; y: number } | null
}

/** Where eggs lay from an instant on, and what was said of the warmth there. */
export interface Stay {
  at: string
  day: Day
  placeId: string | null
  tempC: number | null
}

/** What a box was filled with, and what it weighed then; null where it was not said. */
export interface EggBox {
  day: Day
  medium: string
  mediumG: number | null
  waterG: number | null
  /** With lid, medium, water and eggs. */
  totalG: number | null
}

export interface ClutchState {
  id: string
  tag: string
  /** The pair it is of; null for one of a group without tags, or of eggs that were brought. */
  pairingId: string | null
  groupId: string | null
  speciesId: string
  /** 1 for the first clutch of the pairing. */
  number: number
  /** The clutch that its eggs were laid in, where they were put into a box of their own later. */
  partOf: string | null
  /** What was taken out of it into boxes of their own, as each was then. */
  apart: ClutchState[]
  kind: 'eggs' | 'litter' | 'spawn'
  startDay: Day
  /** The day of laying is known to so many days either way. */
  startGive: number
  /** Whom brought eggs came from. */
  origin: string | null
  /** Where they were found, when they were laid. */
  foundAt: string | null
  eggs: number
  /** Numbers of its eggs, where they are not 1 to `eggs`: some lie in another box. */
  numbers: readonly number[] | null
  /** The 80 % range of their number, where they were counted by squares. */
  eggsRange: { low: number; high: number } | null
  slugs: number
  tempC: number | null
  placeId: string | null
  stays: Stay[]
  /** What the keeper set for these eggs in place of the phases of their species. */
  programme: EggProgramme | null
  /** Phases of its programme that were begun, by their number from 0. */
  phases: { index: number; day: Day; at: string }[]
  good: number | null
  eggsLost: number
  /** Eggs that were said of singly, by their number. */
  rows: Record<number, Egg>
  pipped: { day: Day; count: number }[]
  hatched: { day: Day; count: number; entryId: string }[]
  metamorphosed: { day: Day; count: number; entryId: string }[]
  youngLost: number
  /** When young were lost or sold. */
  parted?: readonly (Observed & { count: number; how: 'lost' | 'sold' })[]
  tagged: number
  sold: number
  /** Young that were put with a group without tags. */
  grouped: readonly { at: string; count: number }[]
  firstFed: Observed | null
  lastFed: (Observed & { prey: string; each: number }) | null
  /** Tadpoles have meals of their own: those of young on land say nothing of them. */
  tadpolesFed: (Observed & { prey: string; each: number }) | null
  /** What the group was offered in all, by meal. */
  meals: { day: Day; at: string; prey: string; count: number }[]
  lastCheck: Observed | null
  lastCandled: Observed | null
  /** Weight of all eggs together. */
  eggWeights: { day: Day; massG: number; count: number }[]
  box: EggBox | null
  /** Weighings of the whole box since it was filled, and water given. */
  boxWeights: { day: Day; totalG: number }[]
  watered: { day: Day; waterG: number }[]
  /** Young counted by look at a locus, without cards of their own. */
  looksCounted: (Observed & { locusId: string; counts: { look: string; count: number }[] })[]
  ended: Observed | null
  /** Of tadpoles: measured lengths, how they are kept, and when their water was changed; where it was said. */
  tadpoleLengths?: readonly { day: Day; mm: number }[]
  housed?: Observed & { how: TadpoleHome; boxes: number | null }
  waterChanged?: Observed
}

declare module '../../log/house' {
  interface StateOf {
    clutch: ClutchState
  }
  interface House {
    clutches: Record<string, ClutchState>
  }
}
