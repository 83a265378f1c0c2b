import { derived } from '../derived'
import type { Almanac, BreedingEvent, Fact } from '../almanac'
import type { PairingState } from '../subjects'
import { upperFirst } from '../units'

/** Signs that a house may write or not before a laying or birth that it did write. */
const LEARNT: readonly BreedingEvent[] = ['introduced', 'copulation', 'ovulation', 'preLayShed', 'postOvulationShed']
/** Rates are kept to twentieths: one more cycle should not move every forecast of the house a little. */
const STEPS = 20

export interface UnwrittenRates {
  /** Chance (0..1) that an event happened in this house and was not written. */
  of: (event: BreedingEvent) => number
  /** What the almanac says of it. */
  fact: (event: BreedingEvent) => Fact | undefined
  /** Cycles of this house that ended in a laying or birth, and in how many the event was written. */
  seen: (event: BreedingEvent) => { cycles: number; written: number }
  /** The same rates have the same key. */
  key: string
}

const nameOf = (event: BreedingEvent): string => `unwritten${upperFirst(event)}`

/** The signs that were written in one cycle that ended in a laying or birth. */
export type WrittenCycle = ReadonlySet<BreedingEvent>

/** The cycles of a pair that were seen to their end. */
export const cyclesOf = derived(({ seen }: Pick<PairingState, 'seen'>): readonly WrittenCycle[] => {
  const births = seen.laid ?? seen.born ?? []
  return births.map((birth, i) => {
    const before = births[i - 1]?.day ?? Number.NEGATIVE_INFINITY
    return new Set(LEARNT.filter(event => seen[event]?.some(o => o.day > before && o.day <= birth.day)))
  })
})

/**
 * How often events go unwritten in this house: the almanac's rate as a beta prior, moved by the cycles that were seen
 * to their end. Only signs before a laying or birth can be learnt: of one that was not written nothing is known
 * otherwise.
 */
export function unwrittenRates(cycles: readonly WrittenCycle[], almanac: Pick<Almanac, 'common'>): UnwrittenRates {
  const counts = new Map(
    LEARNT.map(event => [event, { cycles: cycles.length, written: cycles.filter(c => c.has(event)).length }]),
  )
  const fact = (event: BreedingEvent) => almanac.common[nameOf(event)]
  const rate = (event: BreedingEvent): number => {
    const prior = fact(event)?.value ?? 0
    const count = counts.get(event)
    if (!count?.cycles) return prior
    const weight = almanac.common.unwrittenCycles!.value
    const learnt = (prior * weight + count.cycles - count.written) / (weight + count.cycles)
    return Math.round(learnt * STEPS) / STEPS
  }
  const rates = new Map<BreedingEvent, number>()
  const of = (event: BreedingEvent) => {
    let known = rates.get(event)
    if (known === undefined) rates.set(event, (known = rate(event)))
    return known
  }
  return { of, fact, seen: event => counts.get(event) ?? { cycles: 0, written: 0 }, key: LEARNT.map(of).join() }
}
