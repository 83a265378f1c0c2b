/** What one unit takes of a limit. */
export interface Taken {
  each: number
  /** Days after its start from which it takes that, and for how many days. */
  after: number
  days: number
}

/** What is not without end: room on a shelf, minutes of a day. */
export interface Limit {
  id: string
  /** What is free on each day, by index; never under nothing. */
  free: ArrayLike<number>
  /** By feeder. */
  takes: ReadonlyMap<string, Taken>
  /** What is tried to be free beyond that, to tell what it would save. */
  more: number
}

/** Units of a feeder on its days, and the fewest that are started there whatever is free. */
export interface Counted {
  id: string
  startDays: readonly number[]
  counts: readonly number[]
  forced: readonly number[]
}

/** Whether a unit started on day `s` takes anything on day `day`. */
export const stands = ({ after, days }: Taken, s: number, day: number): boolean =>
  s + after <= day && day < s + after + days

/** How much of a limit such numbers of units take on a day. */
const used = (limit: Limit, feeders: readonly Counted[], day: number, of: 'counts' | 'forced'): number => {
  let all = 0
  for (const feeder of feeders) {
    const taken = limit.takes.get(feeder.id)
    if (!taken) continue
    feeder.startDays.forEach((s, w) => {
      if (stands(taken, s, day)) all += taken.each * feeder[of][w]!
    })
  }
  return all
}

/**
 * Days on which a limit may be met: those on which a unit begins to take of it. Between them what is free only grows.
 */
export function limitDays(limit: Limit, feeders: readonly Pick<Counted, 'id' | 'startDays'>[]): number[] {
  const days = new Set<number>()
  for (const { id, startDays } of feeders) {
    const taken = limit.takes.get(id)
    if (taken) for (const s of startDays) if (s + taken.after < limit.free.length) days.add(s + taken.after)
  }
  return [...days].sort((a, b) => a - b)
}

/** What may be taken on a day: what is free, or what is decided beyond it. */
export const allowed = (limit: Limit, feeders: readonly Counted[], day: number): number =>
  Math.max(limit.free[day] ?? Infinity, used(limit, feeders, day, 'forced'))

/** Sums of halves and thirds of a cup. */
const ROUNDING = 1e-6

/** The first day on which such units are more than a limit allows, but for what is decided; null where they keep to it. */
export const beyondOn = (limit: Limit, feeders: readonly Counted[]): number | null =>
  limitDays(limit, feeders).find(
    day => used(limit, feeders, day, 'counts') > allowed(limit, feeders, day) + ROUNDING,
  ) ?? null

/** Whether such units keep within every limit, but for what is decided. */
export const fits = (limits: readonly Limit[], feeders: readonly Counted[]): boolean =>
  limits.every(limit => beyondOn(limit, feeders) === null)

/** Days on which no other unit finds what it takes of a limit: of some less than a whole one is left. */
export function fullDays(limit: Limit, feeders: readonly Counted[]): number[] {
  const most = Math.max(...[...limit.takes.values()].map(t => t.each))
  return limitDays(limit, feeders).filter(
    day => used(limit, feeders, day, 'counts') > allowed(limit, feeders, day) - most + ROUNDING,
  )
}

/**
 * Whole units within the limits: one by one those are left out that are most above what is wanted of them (`wished`,
 * divided units), of those alike the latest.
 * @returns counts by feeder
 */
export function fitted(
  limits: readonly Limit[],
  feeders: readonly (Counted & { wished: readonly number[] })[],
): Map<string, number[]> {
  const left = feeders.map(f => ({ ...f, counts: [...f.counts] }))
  for (const limit of limits) {
    for (const day of limitDays(limit, left)) {
      const most = allowed(limit, left, day) + ROUNDING
      while (used(limit, left, day, 'counts') > most) {
        const standing = left.flatMap(f => {
          const taken = limit.takes.get(f.id)
          return taken
            ? f.startDays.flatMap((s, w) =>
                stands(taken, s, day) && f.counts[w]! > f.forced[w]!
                  ? [{ f, w, s, above: f.counts[w]! - f.wished[w]! }]
                  : [],
              )
            : []
        })
        const out = standing.reduce<(typeof standing)[number] | null>(
          (a, b) => (a && (a.above > b.above || (a.above === b.above && a.s > b.s)) ? a : b),
          null,
        )
        if (!out) break
        out.f.counts[out.w]!--
      }
    }
  }
  return new Map(left.map(f => [f.id, f.counts]))
}
