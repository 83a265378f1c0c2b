import type { Almanac, Mating, Species } from '../almanac'
import type { Day } from '../chance'
import type { Reason } from '../judgement'
import type { AnimalState } from '../subjects'

/** One side of a pair, with what other chapters say of it. */
export interface Candidate {
  animal: AnimalState
  /** Chance that it is of the sex it is wanted for. */
  sexChance: number
  /** When it is ready to pair after its winter; null = no winter of this season is known of it. */
  ready: { text: string; now: boolean; reasons: Reason[] } | null
  /** Mean kinship with the living of its species, 0..1. */
  meanKinship: number
  /** Why the female must rest, or null. */
  rests: string | null
  /** Why it stays in quarantine, in words; null where it is in none, or may leave. */
  apart: string | null
}

/** What came of earlier seasons. */
export interface PastResult {
  eggs: number
  /** Eggs that were slugs. */
  slugs: number
  rejections: number
  lastRejection: Day | null
  injury: { day: Day; entryId: string } | null
}

export interface PairInput {
  species: Species & { mating: Mating }
  almanac: Almanac
  schools: Readonly<Record<string, string>>
  dam: Candidate
  sire: Candidate
  /** Kinship of the two = inbreeding of their young, 0..1. */
  kinship: number
  /** Chance that a young is as wished; null when nothing is wished. */
  wish: number | null
  /** Together, and of the female with others. */
  past: PastResult
  today: Day
}

export type Side = 'dam' | 'sire'

/** What a rule found, for wording.ts to tell. */
export type Finding =
  | { code: 'oneAnimal' }
  | { code: 'gone'; side: Side }
  | { code: 'quarantine'; side: Side }
  | { code: 'rests'; why: string }
  | { code: 'health'; ill: Side | null }
  /** Whose ages were looked at; the last is too young until a day, where one is. */
  | { code: 'age'; sides: readonly Side[]; until: Day | null }
  | { code: 'weight'; leastG: number }
  /** A weight that is missing, or too old to go by, before a species meets that eats its mates. */
  | { code: 'sizeNotKnown'; side: Side }
  /** The heavier over the lighter. */
  | { code: 'sizes'; ratio: number }
  /** Chance that both are of the sex they are wanted for, and who is the less sure. */
  | { code: 'sexes'; chance: number; lessSure: Side }
  | { code: 'kin'; limit: number }
  /** Share of good eggs that is expected. */
  | { code: 'fertility'; good: number; low: boolean }
  | { code: 'injury'; day: Day; entryId: string }
  | { code: 'rejections' }
  | { code: 'notCooled'; side: Side }
  | { code: 'ready'; side: Side }
  | { code: 'wish'; chance: number }
