/** Made daily by the server, asked for by the keeper, or made before the tables were changed. */
export type BackupKind = 'daily' | 'asked' | 'migration'

interface Made {
  name: string
  kind: BackupKind
  /** ISO instant. */
  at: string
}

const KEPT = { days: 7, weeks: 4, months: 12, others: 5 }

const DAY_MS = 86_400_000
const dayOf = (b: Made): string => b.at.slice(0, 10)
/** Weeks from Monday: 1970-01-05 was one. */
const weekOf = (b: Made): string => String(Math.floor((Date.parse(b.at) / DAY_MS - 4) / 7))
const monthOf = (b: Made): string => b.at.slice(0, 7)

/** The latest of each of the last so many spans in which there is one. */
function latestOfEach(newestFirst: readonly Made[], spanOf: (b: Made) => string, spans: number): Made[] {
  const bySpan = new Map<string, Made>()
  for (const b of newestFirst) if (!bySpan.has(spanOf(b))) bySpan.set(spanOf(b), b)
  return [...bySpan.values()].slice(0, spans)
}

/**
 * Which backups are let go: of the daily ones the latest of 7 days, 4 weeks and 12 months stay; of those that were
 * asked for, and of those from before a change of tables, the latest 5 each.
 */
export function backupsToDrop<B extends Made>(backups: readonly B[]): B[] {
  const newestFirst = [...backups].sort((a, b) => (a.at < b.at ? 1 : -1))
  const daily = newestFirst.filter(b => b.kind === 'daily')
  const kept = new Set<Made>([
    ...latestOfEach(daily, dayOf, KEPT.days),
    ...latestOfEach(daily, weekOf, KEPT.weeks),
    ...latestOfEach(daily, monthOf, KEPT.months),
    ...newestFirst.filter(b => b.kind === 'asked').slice(0, KEPT.others),
    ...newestFirst.filter(b => b.kind === 'migration').slice(0, KEPT.others),
  ])
  return backups.filter(b => !kept.has(b))
}
