import type { FeederPlan, PreyOutlook } from '#core/season'

/** What one strip of food draws: need, usable stock with and without the plan, by day or by week. */
export interface PreySeries {
  step: 1 | 7
  need: number[]
  mean: number[]
  bare: number[]
  withPlan: number[]
  /** Missing with nothing started, and missing whatever is started. */
  short: number[]
  lost: number[]
}

const weeks = (row: readonly number[]) =>
  Array.from({ length: Math.ceil(row.length / 7) }, (_, w) => row.slice(w * 7, w * 7 + 7).reduce((a, b) => a + b, 0))

/** Prey that is bought and eaten in single pieces reads better by the week; cups by the day. */
export function preySeries(look: PreyOutlook, plan: FeederPlan): PreySeries {
  const days = plan.days
  if (plan.kind !== 'bought') {
    return {
      step: 1,
      need: look.high.slice(0, days),
      mean: look.mean.slice(0, days),
      bare: plan.bareStock,
      withPlan: plan.stock,
      short: plan.bareMissing,
      lost: plan.missing,
    }
  }
  const need = weeks(look.high.slice(0, days))
  // what a week had to eat from: all its need less what was missing, plus what is left over on its last day
  const had = (stock: readonly number[], missing: readonly number[]) =>
    need.map((n, w) => {
      const last = Math.min(days, w * 7 + 7) - 1
      return (
        n - missing.slice(w * 7, w * 7 + 7).reduce((a, b) => a + b, 0) + Math.max(0, stock[last]! - look.high[last]!)
      )
    })
  return {
    step: 7,
    need,
    mean: weeks(look.mean.slice(0, days)),
    bare: had(plan.bareStock, plan.bareMissing),
    withPlan: had(plan.stock, plan.missing),
    short: weeks(plan.bareMissing),
    lost: weeks(plan.missing),
  }
}
