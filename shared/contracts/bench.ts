import { z } from 'zod'
import type { Judgement } from '#core/judgement'
import type { PairVerdict } from '#core/pairing'
import type { Bench, RoomForYoung } from '#core/season'

const Wish = z
  .array(
    z.strictObject({
      locusId: z.string().min(1),
      look: z.string().max(80).optional(),
      genotype: z.string().max(20).optional(),
    }),
  )
  .max(6, 'At most six loci in a wish')

/** A wish travels as JSON in the query. */
const wish = z
  .string()
  .default('[]')
  .transform((text, context) => {
    try {
      const parsed = Wish.safeParse(JSON.parse(text))
      if (parsed.success) return parsed.data
      context.addIssue({ code: 'custom', message: parsed.error.issues[0]!.message })
    } catch {
      context.addIssue({ code: 'custom', message: 'The wish is not valid JSON' })
    }
    return z.NEVER
  })

/** GET /api/bench */
export const ReadBench = z.strictObject({ speciesId: z.string().min(1), wish })
export interface BenchSnapshot {
  version: number
  bench: Bench | null
  tookMs: number
}

/** GET /api/bench/cell: one pair with its working, and where its young would go. */
export const ReadCell = z.strictObject({ damId: z.string().min(1), sireId: z.string().min(1), wish })
export interface CellSnapshot {
  version: number
  pair: Judgement<PairVerdict>
  room: Judgement<RoomForYoung>
}
