import type { BreedingEvent, SexSign } from '../almanac'
import type { Day } from '../chance'
import type { LocusData } from '../genetics'
import type { Subject } from './entry'

export type Sex = 'male' | 'female' | 'unknown'

export const PLACE_KINDS = ['room', 'rack', 'shelf', 'tub', 'incubator', 'cold'] as const

/** A room, rack, shelf, tub, incubator or cold place; they nest, and `order` is the order in which one walks. */
export interface Place {
  id: string
  name: string
  kind: (typeof PLACE_KINDS)[number]
  parentId: string | null
  order: number
  tempC: number | null
  /** How many animals (or tubs) a cold place takes; null = not said. */
  capacity: number | null
}

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
}

export interface Observed {
  day: Day
  entryId: string
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

/** A locus that the keeper named. */
export interface LocusState extends LocusData {
  id: string
  dropped: Observed | null
}

/** One stay in the cold: what the logbook says of it. */
export interface Winter {
  cooled: Observed
  warmed: Observed | null
  placeId: string | null
  /** Looks during the stay that found something. */
  incidents: (Observed & { signs: string[] })[]
}

/** What a group or one animal does differently from its species in winter. Days and °C; null falls back. */
export interface WinterWays {
  gutClearDays?: number | null
  stepDownDays?: number | null
  holdC?: number | null
  holdDays?: number | null
  lightHours?: number | null
  /** Schools of this group or animal: see the almanac. */
  warmUp?: string | null
  pairAfterCold?: string | null
}

/** Animals that go through the winter together. */
export interface WinterGroup {
  id: string
  tag: string
  speciesId: string
  placeId: string | null
  /** Day on which the temperature begins to fall. */
  coolDay: Day
  ways: WinterWays
  members: Record<string, WinterWays>
  ended: Observed | null
}

/** Hourly temperature of a place: one value an hour from `from` (hours since 1970, UTC); NaN where nothing was read. */
export interface HourlyLog {
  from: number
  minC: ArrayLike<number>
  meanC: ArrayLike<number>
  maxC: ArrayLike<number>
}

export interface PairingState {
  id: string
  tag: string
  speciesId: string
  damId: string
  sireId: string | null
  startDay: Day
  /** Every time an event was seen, oldest first; those before the latest laying belong to earlier clutches. */
  seen: Partial<Record<BreedingEvent, Observed[]>>
  clutchIds: string[]
  /** The male is with her since; null when they are apart. */
  together: Observed | null
  /** Locks confirmed, lying together without one, and refusals, oldest first. */
  locks: Observed[]
  layTogether: Observed[]
  rejections: Observed[]
  injuries: (Observed & { who: 'dam' | 'sire' })[]
  /** Visits that are over, oldest first. */
  visits: { from: Day; to: Day }[]
  /** Largest follicle seen, oldest first. */
  follicles: { day: Day; mm: number; entryId: string }[]
  ended: Observed | null
}

export interface ClutchState {
  id: string
  tag: string
  pairingId: string
  speciesId: string
  /** 1 for the first clutch of the pairing. */
  number: number
  kind: 'eggs' | 'litter' | 'spawn'
  startDay: Day
  eggs: number
  slugs: number
  tempC: number | null
  placeId: string | null
  /** Good eggs by the latest candling. */
  good: number | null
  eggsLost: number
  hatched: { day: Day; count: number; entryId: string }[]
  metamorphosed: { day: Day; count: number; entryId: string }[]
  youngLost: number
  tagged: number
  sold: number
  firstFed: Observed | null
  lastFed: (Observed & { prey: string; each: number }) | null
  /** What the group was offered in all, by meal. */
  meals: { day: Day; at: string; prey: string; count: number }[]
  lastCheck: Observed | null
  lastCandled: Observed | null
  /** Young counted by look at a locus, without cards of their own. */
  looksCounted: (Observed & { locusId: string; counts: { look: string; count: number }[] })[]
  ended: Observed | null
}

export interface CultureState {
  id: string
  tag: string
  feederId: string
  startDay: Day
  placeId: string | null
  producing: Observed | null
  failed: Observed | null
  finished: Observed | null
  harvested: number
  lastHarvest: Observed | null
  lastLook: Observed | null
}

/** Stock of prey: the last count, what came in since, and what was offered since, to animals and to groups. */
export interface StockState {
  prey: string
  counted: { day: Day; at: string; count: number; entryId: string } | null
  received: number
  /** Deliveries since the last count. */
  arrivals: { day: Day; at: string; count: number }[]
  /** Offered since the last count (or the first delivery), by meal. */
  used: { day: Day; count: number }[]
  lastReceived: { day: Day; count: number; entryId: string } | null
  onOrder: { day: Day; count: number; entryId: string }[]
  /** Counted and received less offered; what has gone off since is not taken off (see `usableStock`). */
  left: number
}

export interface LampState {
  id: string
  tag: string
  placeId: string | null
  lamp: string
  fittedDay: Day
  lifeDays: number
  replaced: Observed | null
}

/** An entry that a fold could not read. */
export interface Unread {
  entryId: string
  subject: Subject
  message: string
}

/** All that can be said of the house, folded from the logbook. Plain data: it travels to a worker as it is. */
export interface House {
  places: Record<string, Place>
  animals: Record<string, AnimalState>
  pairings: Record<string, PairingState>
  clutches: Record<string, ClutchState>
  cultures: Record<string, CultureState>
  stocks: Record<string, StockState>
  lamps: Record<string, LampState>
  winters: Record<string, WinterGroup>
  loci: Record<string, LocusState>
  /** Readings by place. Large, so it stays where it is computed with: the interface gets what follows from it. */
  climate: Readonly<Record<string, HourlyLog>>
  /** Entries that could not be taken into the state of their subject; it stands without them. */
  unread: Unread[]
}

export interface StateOf {
  animal: AnimalState
  pairing: PairingState
  clutch: ClutchState
  culture: CultureState
  prey: StockState
  lamp: LampState
  winter: WinterGroup
  locus: LocusState
  entry: never
}
