import type { Day } from '../chance'
import type { Reason } from '../judgement'

/** An open pair as the rota sees it. */
export interface RotaPair {
  pairingId: string
  damId: string
  sireId: string
  /** First day on which both may be put together. */
  from: Day
  /** Last day it makes sense; null = open. */
  until: Day | null
  /** Why it waits or may go, in words. */
  why: string
  /** Visits still wanted. */
  wanted: number
  visitDays: number
  restDays: number
  /** Together since; null = apart. */
  together: Day | null
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

export interface RotaInput {
  pairs: readonly RotaPair[]
  /** Whether an animal has a meal in it, or is due one, on a day: no visit touches it. */
  blocked: (animalId: string, day: Day) => boolean
  /** Day on which a male's last visit with anyone ended; null = none. */
  maleRests: (sireId: string) => { until: Day } | null
  today: Day
  days: number
}

/**
 * Which male is with whom on which days. Day by day, each male that is free goes to the pair that needs him most: fewest
 * visits so far, then the longest waiting. Nobody is in two places; visits keep off meals and rest days. Deterministic,
 * so that the same log gives the same plan, and anything written plans anew.
 */
export function planRota({ pairs, blocked, maleRests, today, days }: RotaInput): Visit[] {
  const visits: Visit[] = []
  const maleFree = new Map<string, Day>()
  const femaleFree = new Map<string, Day>()
  const planned = new Map<string, number>()
  const lastVisit = new Map(pairs.map(p => [p.pairingId, p.lastVisit]))
  for (const p of pairs) {
    const rest = maleRests(p.sireId)
    if (rest) maleFree.set(p.sireId, Math.max(maleFree.get(p.sireId) ?? -Infinity, rest.until))
  }
  for (const p of pairs) {
    if (p.together === null) continue
    const to = Math.max(today, p.together + p.visitDays)
    visits.push({ pairingId: p.pairingId, damId: p.damId, sireId: p.sireId, from: p.together, to, running: true, why: p.why, reasons: p.reasons })
    maleFree.set(p.sireId, to + p.restDays + 1)
    femaleFree.set(p.damId, to + p.restDays + 1)
    lastVisit.set(p.pairingId, to)
  }
  const clear = (p: RotaPair, day: Day) => {
    for (let d = day; d <= day + p.visitDays; d++) if (blocked(p.damId, d) || blocked(p.sireId, d)) return false
    return true
  }
  for (let day = today; day < today + days; day++) {
    const open = pairs
      .filter(p => p.together === null || day > today)
      .filter(p => (planned.get(p.pairingId) ?? 0) + (p.together === null ? 0 : 1) < p.wanted && day >= p.from && (p.until === null || day <= p.until))
      .sort((a, b) => (planned.get(a.pairingId) ?? 0) - (planned.get(b.pairingId) ?? 0) || (lastVisit.get(a.pairingId) ?? -Infinity) - (lastVisit.get(b.pairingId) ?? -Infinity) || (a.until ?? Infinity) - (b.until ?? Infinity) || a.from - b.from || (a.pairingId < b.pairingId ? -1 : 1))
    for (const p of open) {
      if (day < (maleFree.get(p.sireId) ?? -Infinity) || day < (femaleFree.get(p.damId) ?? -Infinity) || !clear(p, day)) continue
      const to = day + p.visitDays
      visits.push({ pairingId: p.pairingId, damId: p.damId, sireId: p.sireId, from: day, to, running: false, why: p.why, reasons: p.reasons })
      maleFree.set(p.sireId, to + p.restDays + 1)
      femaleFree.set(p.damId, to + p.restDays + 1)
      lastVisit.set(p.pairingId, to)
      planned.set(p.pairingId, (planned.get(p.pairingId) ?? 0) + 1)
    }
  }
  return visits.sort((a, b) => a.from - b.from || (a.pairingId < b.pairingId ? -1 : 1))
}
