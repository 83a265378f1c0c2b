import type { Day } from '../chance'
import type { Weighing } from '../subjects'
import type { Try } from './tries'

/** From mild to grave. */
export const REFUSAL_LEVELS = ['normal', 'watch', 'weigh', 'vet'] as const
export type RefusalLevel = (typeof REFUSAL_LEVELS)[number]

export interface TryDone {
  of: Try
  day: Day
  minutes?: number
  struck: boolean
}

export interface RefusalCourse {
  level: RefusalLevel
  /** Of its best weight since it last ate, 0..1; null where it was not weighed. */
  loss: number | null
  daysWithout: number | null
  done: TryDone[]
  /** Since when it eats only what is put into its mouth; null where it does not. */
  helpedSince: Day | null
  /** What is tried next, and not before which day; null where nothing is left to try but the vet. */
  next: { of: Try; day: Day } | null
}

/** What it lost of its best weight since shortly before it last ate, 0..1. */
export interface WeighedLoss {
  loss: number
  best: Weighing
  now: Weighing
}

/** Limits of loss, and of days without food, by their numbers in the Almanac. */
export interface RefusalLimits {
  watch: string
  vet: string
  days: string
}

/** The course with what its working tells. */
export interface RefusalFinding extends RefusalCourse {
  /** Why not eating is usual for it now. */
  normal: string | null
  /** It has little to lose. */
  small: boolean
  weighed: WeighedLoss | null
  limits: RefusalLimits
}
