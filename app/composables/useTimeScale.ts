import { scaleLinear } from 'd3'
import { dayFromIso, dayToIso } from '#core/units'

export interface TimeSpan {
  from: number
  to: number
  width: number
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

export function timeScale({ from, to, width }: TimeSpan) {
  return scaleLinear().domain([from, to]).range([0, width])
}

/** First days of months (and of weeks when the span is short), for gridlines and the axis. */
export function timeTicks({ from, to }: TimeSpan): { day: number; label: string }[] {
  const start = new Date(`${dayToIso(from)}T00:00:00Z`)
  const ticks: { day: number; label: string }[] = []
  for (let year = start.getUTCFullYear(), month = start.getUTCMonth(); ; month++) {
    if (month === 12) {
      month = 0
      year++
    }
    const day = dayFromIso(`${year}-${String(month + 1).padStart(2, '0')}-01`)
    if (day > to) return ticks
    if (day >= from) ticks.push({ day, label: month === 0 ? `${MONTHS[month]} ${year}` : MONTHS[month]! })
  }
}

/** Width of a letter of an axis, and the gap between two labels, in pixels. */
const LETTER = 7.6
const GAP = 6

/** Ticks whose labels stand clear of each other; those that name a year come first. */
export function ticksApart<T extends { day: number; label: string }>(
  ticks: readonly T[],
  x: (day: number) => number,
): T[] {
  const kept: T[] = []
  const ends = (t: T) => x(t.day) + t.label.length * LETTER + GAP
  for (const tick of [...ticks].sort((a, b) => b.label.length - a.label.length || a.day - b.day))
    if (kept.every(k => ends(k) <= x(tick.day) || ends(tick) <= x(k.day))) kept.push(tick)
  return kept.sort((a, b) => a.day - b.day)
}
