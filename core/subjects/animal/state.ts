import type { Way } from './manners'
import type { SexSign } from '../../almanac'
import type { Day } from '../../chance'
import type { Observed } from '../../log'
import type { Sex } from '../sexes'
import type { Manner, Outcome, Powder, PreyState } from './offer'

export type { Sex }

/** What stands on an animal's card and does not change by events. */
export interface AnimalCard {
  id: string
  tag: string
  name: string | null
  speciesId: string
  sex: Sex
  bornDay: Day | null
  placeId: string | null
  damId: string | null
  sireId: string | null
  clutchId: string | null
  /** The group without tags that it was tagged out of. */
  groupId?: string | null
  /** The entry that brought it into being (tagging of a hatchling); voiding that entry takes the card away. */
  foundedBy: string | null
}

export interface Weighing {
  day: Day
  massG: number
  entryId: string
}

export interface Meal {
  day: Day
  at: string
  prey: string
  offered: number
  taken: number
  entryId: string
  /** What the prey was, how it was offered, and what the animal did; where it was said. */
  state?: PreyState
  manner?: Manner
  outcome?: Outcome
  dusted?: Powder
  minutes?: number
}

/** One thing seen or measured that speaks for a sex. */
export type SexEvidence = Observed &
  (
    | { by: 'probe'; scales: number }
    | { by: 'subcaudals'; scales: number }
    | { by: 'tail'; tailMm: number; totalMm: number }
    | { by: 'sign'; sign: SexSign; says: 'male' | 'female' }
    | { by: 'proof'; proof: SexProof; says: 'male' | 'female' }
  )

export const SEX_PROOFS = ['eggs', 'birth', 'ultrasound', 'dna', 'sperm', 'sired'] as const
export type SexProof = (typeof SEX_PROOFS)[number]

/** A genotype that was stated of an animal, or its look at a locus that was seen. */
export interface GeneStatement extends Observed {
  locusId: string
  alleles: readonly string[]
  /** 1 = certain; below it, a possible one. */
  chance: number
}

export interface LookSeen extends Observed {
  locusId: string
  /** '' = wild. */
  look: string
}

/** A possible father, with the chance that it is he. */
export interface PossibleSire {
  id: string
  chance: number
}

export const ORIGINS = ['bred', 'wild', 'unknown'] as const
export type Origin = (typeof ORIGINS)[number]

export interface AnimalState extends AnimalCard {
  /** `elsewhere`: never here, known by its papers only. */
  status: 'alive' | 'dead' | 'sold' | 'elsewhere'
  statusDay: Day | null
  /** Weighings of the last years, oldest first. */
  weights: Weighing[]
  /** The latest meals, oldest first. */
  meals: Meal[]
  lastTaken: Observed | null
  refusals: number
  lastShed: Observed | null
  lastCheck: Observed | null
  cooled: Observed | null
  warmed: Observed | null
  /** Where it lives when it is not in the cold. */
  homeId: string | null
  /** Every stay in the cold (or rest), oldest first; the last may be running. */
  winters: Winter[]
  /** A look that found something, until a later one finds it well. */
  unwell: (Observed & { signs: string[] }) | null
  /** The day it came to where it lives now. */
  placedDay?: Day
  /** The last test of its droppings. */
  droppings?: Observed & { clear: boolean }
  /** Meals that came up again, oldest first. */
  broughtUp?: readonly Observed[]
  /** A lizard without its tail weighs less: weights before it are not compared with those after. */
  tailDropped?: Observed
  /** The step of its ladder that it was put on, counted from 0, and its own days between meals; null as its kind. */
  ownLadder?: Observed & { step: number | null; everyDays: number | null }
  /** Prey that was left in, of which nobody has said yet what became of it. */
  leftIn?: readonly (Observed & { prey: string; offered: number; state?: PreyState; dusted?: Powder })[]
  /** What is minded of it, whoever does the round. */
  ways?: Observed & { ways: readonly Way[]; more: string; only: string }
  /** For whom it is kept, by initials, and until when. */
  reserved?: Observed & { for: string; until: Day | null }
  /** The last visit to a vet, and when to come again. */
  vet?: Observed & { said: string; again: Day | null }
  /** What is given by the word of a vet: those that run, and the last that ended. */
  treatments?: readonly Treatment[]
  lastWater: Observed | null
  /** Straight lengths (carapace of tortoises, snout to vent of others), oldest first. */
  lengths: { day: Day; mm: number; entryId: string }[]
  /** The sex as it was said when the animal was added; `sex` is what it counts as now. */
  statedSex: Sex
  sexEvidence: SexEvidence[]
  /** The keeper took its sex as known. */
  sexSettled: (Observed & { sex: Sex }) | null
  /** Possible sires; one with chance 1 when it is certain, none when unknown. */
  sires: PossibleSire[]
  origin: Origin
  /** Born of its dam alone. */
  clonal: boolean
  parentsStated: Observed | null
  /** The latest statement and look per locus. */
  genes: Record<string, GeneStatement>
  looks: Record<string, LookSeen>
}

/** What is given by the word of a vet. */
export interface Treatment extends Observed {
  what: string
  /** In the vet's words. */
  dose: string
  everyDays: number
  times: number
  /** Days of the doses given. */
  given: readonly Day[]
  ended: boolean
}

/** One stay in the cold: what the logbook says of it. */
export interface Winter {
  cooled: Observed
  warmed: Observed | null
  placeId: string | null
  /** Looks during the stay that found something. */
  incidents: (Observed & { signs: string[] })[]
}

declare module '../../log/house' {
  interface StateOf {
    animal: AnimalState
  }
  interface House {
    animals: Record<string, AnimalState>
  }
}
