/** So many that were watched for a time, to the event or until nobody could watch any longer. */
export interface Watched {
  time: number
  /** Whether the event came then; else they were only watched until then. */
  event: boolean
  count: number
}

export interface Survival {
  /** Share to which it had not come yet, after each time at which it came. */
  steps: { time: number; atRisk: number; events: number; share: number; error: number }[]
  /** The first time by which it had come to half; null when it has not. */
  median: number | null
}

/**
 * The Kaplan–Meier estimate of the time to an event, with Greenwood's standard error.
 * Source: Kaplan & Meier 1958, J. Am. Stat. Assoc. 53:457–481; Greenwood 1926.
 * @param watched counts of at least 0, times in one unit; those censored at a time are at risk at it
 */
export function kaplanMeier(watched: readonly Watched[]): Survival {
  const times = [...new Set(watched.filter(w => w.event && w.count > 0).map(w => w.time))].sort((a, b) => a - b)
  let share = 1
  let sum = 0
  const steps = times.map(time => {
    const atRisk = watched.reduce((n, w) => n + (w.time >= time ? w.count : 0), 0)
    const events = watched.reduce((n, w) => n + (w.event && w.time === time ? w.count : 0), 0)
    share *= 1 - events / atRisk
    if (atRisk > events) sum += events / (atRisk * (atRisk - events))
    return { time, atRisk, events, share, error: share * Math.sqrt(sum) }
  })
  return { steps, median: steps.find(s => s.share <= 0.5)?.time ?? null }
}
