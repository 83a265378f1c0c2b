import { z } from 'zod'
import { lineOfText } from '../reference'

/**
 * Where a number comes from: `published` names its source; `practice` is common practice with no source;
 * `memory` is a starting value to be checked; `borrowed` was taken over from a relative, named in `from`;
 * `own` was set by the keeper and stands over the shipped one.
 */
export const Mark = z.enum(['published', 'practice', 'memory', 'borrowed', 'own'])
export type Mark = z.infer<typeof Mark>

export const provenance = {
  mark: Mark,
  source: z.string().max(500).optional(),
  note: z.string().max(500).optional(),
  /** The relative that a borrowed value is of. */
  from: z.string().max(120).optional(),
}

/** Longer than anything in a season of clocks; a longer one is a slip. */
const MOST_DAYS = 20_000

export const Fact = z
  .strictObject({ value: z.number(), unit: z.string(), ...provenance })
  .refine(f => f.mark !== 'published' || f.source, 'A published number names its source')
  .refine(f => f.unit !== 'share' || (f.value >= 0 && f.value <= 1), 'A share lies between 0 and 1')
  .refine(f => f.unit !== 'g/L' || (f.value >= 50 && f.value <= 1100), 'A litre of prey weighs 50 to 1100 g')
  .refine(
    f => f.unit !== 'days' || (f.value > 0 && f.value <= MOST_DAYS),
    'Days must be more than 0, and not beyond a lifetime',
  )
  .refine(
    f => (f.unit === '°C' ? f.value > -10 && f.value < 60 : f.value >= 0 && f.value <= 1e6),
    'This number is not believable: check the unit',
  )
export type Fact = z.infer<typeof Fact>

/** What is beyond belief, by unit: a slip in the number or the unit. */
const MOST_OF_UNIT: Readonly<Record<string, number>> = {
  'days': 2000,
  'weeks': 104,
  'eggs': 5000,
  'young': 5000,
  'clutches': 60,
  'spawnings': 60,
  'g': 100_000,
  'mm': 1000,
  'mm a day': 100,
  'share a day': 1,
}

/** Earliest, likely, latest. */
export const Spread = z
  .strictObject({
    earliest: z.number().min(0),
    likely: z.number().min(0),
    latest: z.number().min(0),
    unit: z.string(),
    ...provenance,
  })
  .refine(s => s.earliest <= s.likely && s.likely <= s.latest, 'Earliest, likely and latest must be in order')
  .refine(
    s => s.latest > 0 && s.latest <= (MOST_OF_UNIT[s.unit] ?? 1000),
    'This span is not believable: check the unit',
  )
export type Spread = z.infer<typeof Spread>

/** What a row, a part or a step of it is called. */
export const Name = lineOfText(80, 'A name is needed')
