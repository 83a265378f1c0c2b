import type { Almanac } from '../almanac'
import { formatQuantity, type TempUnit } from '../units'
import { warmingDays, warmingSteps, type WarmUp } from './programme'

const days = (n: number) => (n === 1 ? 'a day' : `${n} days`)

/**
 * What warming up asks for from today on, by the school and the numbers of the house.
 * @param tempUnit in which temperatures are told
 */
export function tellWarmUp(warmUp: WarmUp, almanac: Pick<Almanac, 'schools' | 'common'>, tempUnit: TempUnit): string {
  const until = warmingDays(almanac, warmUp)
  if (warmUp === 'atOnce') return 'Straight to full warmth today.'
  if (warmUp === 'gradual') return `A little more each day for ${days(until)}: let the thermostat follow the curve.`
  const { firstC, thenC, thenAfter } = warmingSteps(almanac)
  const then = thenAfter === 1 ? 'tomorrow' : `after ${days(thenAfter)}`
  return `Today the cool room at about ${formatQuantity(firstC, tempUnit)}, ${then} ${formatQuantity(thenC, tempUnit)} for ${days(until - thenAfter)}, then full warmth. The Round brings each step.`
}
