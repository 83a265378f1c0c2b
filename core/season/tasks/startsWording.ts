import type { Feeder } from '../../almanac'
import { formatDay } from '../../units'
import { tellOrder, tellUnits, type FeederPlan } from '../plans'
import type { Told } from './told'

export const LABELS = { gathered: 'Gathered', ordered: 'Ordered', otherNumber: 'Other number' } as const

export const startSome = (count: number): string => `Start ${count}`
export const orderedSome = (count: number): string => `Ordered ${count}`
export const howManyOn = (day: number, today: number): string => `How many on ${formatDay(day, today)}`

/** What comes of it when nothing is started or ordered. */
function without({ bareMissing }: Pick<FeederPlan, 'bareMissing'>, today: number): string | undefined {
  const first = bareMissing.findIndex(missing => missing >= 0.5)
  if (first < 0) return undefined
  return first === 0 ? 'short already' : `without it short from ${formatDay(today + first, today)}`
}

export function tellStart(plan: FeederPlan, feeder: Feeder, first: FeederPlan['starts'][number], today: number): Told {
  const [gap] = plan.gaps
  return {
    what: tellUnits(plan, feeder, first.count),
    detail: gap
      ? `short by ${Math.round(gap.missing)} from ${formatDay(gap.from, today)} all the same: buy or borrow`
      : without(plan, today),
    caution: feeder.cautions[0],
    reasons: plan.reasons,
  }
}

/** What is grown in the house, and is ordered since nothing that is started comes in time. */
export function tellOrdered(
  plan: FeederPlan,
  feeder: Feeder,
  first: FeederPlan['orders'][number],
  today: number,
): Told {
  const short = without(plan, today)
  return {
    what: tellOrder(first, feeder),
    detail: `what is started now comes too late${short ? `; ${short}` : ''}`,
    caution: feeder.cautions[0],
    reasons: plan.reasons,
  }
}
