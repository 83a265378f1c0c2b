import type { BreedingEvent, Clock, Fact, LadderStep, Spread } from '../schema'

/** Short ways to write a marked number; the marks are those of Mark in the schema. */
export const practice = (value: number, unit: string, note?: string): Fact => ({
  value,
  unit,
  mark: 'practice',
  ...(note && { note }),
})
export const memory = (value: number, unit: string, note?: string): Fact => ({
  value,
  unit,
  mark: 'memory',
  ...(note && { note }),
})
export const published = (value: number, unit: string, source: string): Fact => ({
  value,
  unit,
  mark: 'published',
  source,
})

export const practiceSpread = (earliest: number, likely: number, latest: number, unit = 'days'): Spread => ({
  earliest,
  likely,
  latest,
  unit,
  mark: 'practice',
})
export const memorySpread = (earliest: number, likely: number, latest: number, unit = 'days'): Spread => ({
  earliest,
  likely,
  latest,
  unit,
  mark: 'memory',
})

/** Clocks keyed `from>to`, as the almanac and its overrides name them. */
export function clocks(
  ...rows: [from: BreedingEvent, to: BreedingEvent, days: Spread, comes: number][]
): Record<string, Clock> {
  return Object.fromEntries(
    rows.map(([from, to, days, comes]) => [`${from}>${to}`, { from, to, days, comes: memory(comes, 'share') }]),
  )
}

export const step = (fromDay: number, everyDays: number, ...meal: [prey: string, count: number][]): LadderStep => ({
  fromDay,
  everyDays,
  meal: meal.map(([prey, count]) => ({ prey, count })),
  mark: 'memory',
})
