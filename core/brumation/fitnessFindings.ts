import type { Almanac, Cold, Species } from '../almanac'
import type { Day } from '../chance'
import type { Judgement } from '../judgement'
import type { AnimalState } from '../subjects'
import type { Condition } from './condition'

/** What it is judged by whether an animal may be cooled. */
export interface FitnessInput {
  species: Species & { cold: Cold }
  animal: AnimalState
  /** Null where it was never weighed. */
  condition: Judgement<Condition> | null
  /** Day on which it would be cooled. */
  coolDay: Day
  today: Day
  almanac: Pick<Almanac, 'schools' | 'common'>
  schools: Readonly<Record<string, string>>
}

/** What a rule found, for fitnessWording.ts to tell. */
export type FitnessFinding =
  | { code: 'noWinter' }
  /** Nothing speaks against it. */
  | { code: 'fit' }
  /** Days by then, null where it is not known. */
  | { code: 'age'; age: number | null; young: boolean }
  | { code: 'unwell' }
  | { code: 'gravid' }
  | { code: 'weightOld' }
  | { code: 'condition' }
  /** Longest stay of a lean one. */
  | { code: 'lean'; holdDays: number }
  /** Day from which the gut is clear. */
  | { code: 'gut'; clear: Day }
