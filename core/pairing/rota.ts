import type { Day } from '../chance'
import type { Reason } from '../judgement'
import { tellLate, tellUnmet, type Unmet } from './rotaWording'

/** An open pair as the rota sees it. */
export interface RotaPair {
  pairingId: string
  damId: string
  sireId: string
  /** First day on which both may be put together. */
  from: Day
  /** Last day on which it is in time; null = any. */
  intime: Day | null
  /** Last day it makes sense; null = open. */
  until: Day | null
  /** Why it waits or may go, in words. */
  why: string
  /** Visits still wanted. */
  wanted: number
  /** Visits there were in this cycle, the running one with them. */
  visits: number
  visitDays: number
  restDays: number
  /** Together since; null = apart. */
  together: Day | null
  /**
   * Of a pair that is together: the day on which the next meal of either falls due, before which he comes out; null =
   * none.
   */
  mealDue: Day | null
  /** Day on which the last visit of this pair ended; null = none yet. */
  lastVisit: Day | null
  reasons: Reason[]
}

export interface Visit {
  pairingId: string
  damId: string
  sireId: string
  from: Day
  /** Last day together; taken apart on it. */
  to: Day
  running: boolean
  why: string
  reasons: Reason[]
}

/** A pair that wants a visit and has none in the plan. */
export interface Unvisited {
  pairingId: string
  damId: string
  sireId: string
  why: string
  /** Whether only time is waited for; else something can be done. */
  waits: boolean
  reasons: Reason[]
}

export interface RotaInput {
  pairs: readonly RotaPair[]
  /** Whether an animal has a meal in it, or is due one, on a day: no visit touches it. */
  blocked: (animalId: string, day: Day) => boolean
  /** Day on which a male's last visit with anyone ended; null = none. */
  maleRests: (sireId: string) => { until: Day } | null
  today: Day
  days: number
}

/** Meals at a species' usual interval leave their longest gap within so many days. */
const GAP_SEEN_DAYS = 21

/**
 * Longest visit (days between its first and last) that starts on a day and touches no meal of either; null when that
 * day is one.
 */
function gapFrom(p: RotaPair, day: Day, blocked: RotaInput['blocked']): number | null {
  const free = (d: Day) => !blocked(p.damId, d) && !blocked(p.sireId, d)
  if (!free(day)) return null
  let length = 0
  while (length < p.visitDays && free(day + length + 1)) length++
  return length
}

/**
 * Which male is with whom on which days. Day by day, each male that is free goes to the pair that needs him most:
 * fewest visits in this cycle, then the one whose days run out, then the longest waiting. He is kept free for a pair
 * that has had fewer visits when another would take him past her first day, or past her last when they have had as
 * many. Nobody is in two places; visits keep off meals and rest days, and are shorter where meals leave no more room.
 * Deterministic, so that the same log gives the same plan, and anything written plans anew. What wants a visit and gets
 * none is told with the reason.
 */
export function planRota({ pairs, blocked, maleRests, today, days }: RotaInput): {
  visits: Visit[]
  unvisited: Unvisited[]
} {
  const visits: Visit[] = []
  const maleFree = new Map<string, Day>()
  const femaleFree = new Map<string, Day>()
  const planned = new Map<string, number>()
  const lastVisit = new Map(pairs.map(p => [p.pairingId, p.lastVisit]))
  const end = today + days
  for (const p of pairs) {
    const rest = maleRests(p.sireId)
    if (rest) maleFree.set(p.sireId, Math.max(maleFree.get(p.sireId) ?? -Infinity, rest.until))
  }
  const take = (p: RotaPair, from: Day, to: Day, running: boolean) => {
    const late = !running && p.intime !== null && from > p.intime
    visits.push({
      pairingId: p.pairingId,
      damId: p.damId,
      sireId: p.sireId,
      from,
      to,
      running,
      why: late ? tellLate(p.why) : p.why,
      reasons: p.reasons,
    })
    maleFree.set(p.sireId, to + p.restDays + 1)
    femaleFree.set(p.damId, to + p.restDays + 1)
    lastVisit.set(p.pairingId, to)
  }
  for (const p of pairs) {
    if (p.together === null) continue
    const to = Math.max(today, Math.min(p.together + p.visitDays, p.mealDue === null ? Infinity : p.mealDue - 1))
    take(p, p.together, to, true)
  }
  // how long a visit of each pair can be between its meals
  const length = new Map(
    pairs.map(p => {
      let longest: number | null = null
      const first = Math.max(today, p.from)
      for (let day = first; day < first + GAP_SEEN_DAYS; day++) {
        const gap = gapFrom(p, day, blocked)
        if (gap !== null) longest = Math.max(longest ?? 0, gap)
      }
      return [p.pairingId, longest] as const
    }),
  )
  const had = (p: RotaPair) => p.visits + (planned.get(p.pairingId) ?? 0)
  const wants = (p: RotaPair, day: Day) =>
    (planned.get(p.pairingId) ?? 0) + (p.together === null ? 0 : 1) < p.wanted && (p.until === null || day <= p.until)
  const fits = (p: RotaPair, day: Day) =>
    day >= p.from &&
    day >= (femaleFree.get(p.damId) ?? -Infinity) &&
    (gapFrom(p, day, blocked) ?? -1) >= (length.get(p.pairingId) ?? Infinity)
  const nextFit = (p: RotaPair, from: Day): Day | null => {
    for (let d = from; d < end; d++) if (wants(p, d) && fits(p, d)) return d
    return null
  }
  /**
   * Whether a visit now would take him past the first day of one that has had fewer, or past all days of one that has
   * had as few.
   */
  const keptFor = (p: RotaPair, day: Day, others: readonly RotaPair[]): boolean => {
    const back = day + length.get(p.pairingId)! + p.restDays + 1
    return others.some(q => {
      if (q === p || q.sireId !== p.sireId || had(q) > had(p)) return false
      const first = nextFit(q, day + 1)
      return (
        first !== null && first < back && (had(q) < had(p) || (nextFit(q, back) === null && nextFit(p, back) !== null))
      )
    })
  }
  for (let day = today; day < end; day++) {
    const open = pairs
      .filter(p => (p.together === null || day > today) && wants(p, day))
      .sort(
        (a, b) =>
          had(a) - had(b) ||
          (a.intime ?? Infinity) - (b.intime ?? Infinity) ||
          (lastVisit.get(a.pairingId) ?? -Infinity) - (lastVisit.get(b.pairingId) ?? -Infinity) ||
          a.from - b.from ||
          (a.pairingId < b.pairingId ? -1 : 1),
      )
    for (const p of open) {
      if (day < (maleFree.get(p.sireId) ?? -Infinity) || !fits(p, day) || !wants(p, day) || keptFor(p, day, open))
        continue
      take(p, day, day + length.get(p.pairingId)!, false)
      planned.set(p.pairingId, (planned.get(p.pairingId) ?? 0) + 1)
    }
  }
  const seen = new Set(visits.map(v => v.pairingId))
  const unmet = (p: RotaPair): Unmet => {
    if (p.until !== null && p.until < today) return { is: 'past' }
    if (p.from >= end) return { is: 'ahead', days }
    return length.get(p.pairingId) === null ? { is: 'meals' } : { is: 'male' }
  }
  const unvisited = pairs
    .filter(p => p.wanted > 0 && p.together === null && !seen.has(p.pairingId))
    .map((p): Unvisited => {
      const { pairingId, damId, sireId, reasons } = p
      const why = unmet(p)
      // only time brings the one or the other
      const waits = why.is === 'past' || why.is === 'ahead'
      return { pairingId, damId, sireId, why: tellUnmet(why, p.why), waits, reasons }
    })
  return { visits: visits.sort((a, b) => a.from - b.from || (a.pairingId < b.pairingId ? -1 : 1)), unvisited }
}
