/** Days from `from` to before `to`, as index. */
export interface Period {
  from: number
  to: number
}

/** Days planned one by one; later ones by the week. */
export const DAY_BY_DAY = 21

/** The days of a plan: one by one at first, then by the week. */
export function periodsOf(days: number): Period[] {
  const periods: Period[] = []
  for (let from = 0; from < days;) {
    const to = Math.min(days, from < DAY_BY_DAY ? from + 1 : from + 7)
    periods.push({ from, to })
    from = to
  }
  return periods
}
