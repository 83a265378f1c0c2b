import { drawn, type DayDist } from '#core/chance'
import { derived } from '#core/derived'
import type { PreyOutlook, Season } from '#core/season'

const isDist = (x: object): x is DayDist => 'never' in x && 'start' in x && 'p' in x

/**
 * The same with every distribution as it is drawn; what holds none is the same object, so that no change is told of it.
 */
function curvesDrawn<T>(value: T): T {
  if (typeof value !== 'object' || value === null) return value
  if (isDist(value)) return drawn(value) as T
  let changed = false
  const through = (part: unknown): unknown => {
    const next = curvesDrawn(part)
    changed ||= next !== part
    return next
  }
  const next: unknown = Array.isArray(value)
    ? value.map(through)
    : Object.fromEntries(Object.entries(value).map(([key, part]) => [key, through(part)]))
  return changed ? (next as T) : value
}

/** Feeders are drawn on a scale of some hundred, and told in thousandths. */
const thousandths = (row: readonly number[]) => row.map(n => Math.round(n * 1000) / 1000)

/** Rows are worked out once: a season shares those that did not change with the season before. */
const rowDrawn = derived((row: object) => curvesDrawn(row))
const rowsDrawn = <T extends object>(rows: readonly T[]) => rows.map(row => rowDrawn(row) as T)
const preyDrawn = derived((look: PreyOutlook): PreyOutlook => ({
  ...look,
  mean: thousandths(look.mean),
  high: thousandths(look.high),
  running: thousandths(look.running),
}))

/** The season as windows are told it: curves as they are drawn, which is a fraction of what is computed with. */
export const drawnSeason = derived((season: Season): Season => ({
  ...season,
  lanes: rowsDrawn(season.lanes),
  mouths: rowsDrawn(season.mouths),
  prey: season.prey.map(preyDrawn),
  winter: curvesDrawn(season.winter),
  breeding: { ...curvesDrawn({ ...season.breeding, due: [] }), due: rowsDrawn(season.breeding.due) },
}))
