import { feederOf } from '../../almanac'
import { computedInput, factInput } from '../../judgement'
import { chainOf, foundersFrom } from '../../supply'
import { formatDay, nextWeekday } from '../../units'
import type { Alarm, PreyOutlook } from '../contracts'
import type { TaskContext } from '../tasks'
import { cultureTempC } from '../warmth'

/** Cultures that are started from one another, and will soon be too few for it. */
export function chainAlarm(look: PreyOutlook, context: TaskContext): Alarm | null {
  const { house, almanac, settings, today } = context
  const feeder = feederOf(almanac, look.prey)
  const { supply, recipe } = feeder
  if (supply.kind !== 'batch' || supply.boughtProducing || !recipe || !look.high.some(n => n > 0)) return null
  const cultures = Object.values(house.cultures)
  // one that never grew any has no chain to lose: the plan says what to start or order
  if (!cultures.some(c => c.feederId === feeder.id)) return null
  const tempOf = (culture: (typeof cultures)[number]) => cultureTempC(culture, context)
  const chain = chainOf(feeder, house, tempOf, almanac, today)
  const next = nextWeekday(today, settings.cultureWeekday)
  if (chain.holdsUntil !== null && chain.holdsUntil >= next + 7) return null
  const reasons = [
    {
      rule: 'A culture is founded from one that yields, for a while, and may fail: the chain holds while one of them does',
      inputs: [
        factInput('Founders of one', `feeders.${feeder.id}.recipe.founders.value`, recipe.founders),
        factInput('Yields for', `feeders.${feeder.id}.supply.producingDays.value`, supply.producingDays),
        factInput('Sure enough', 'common.chainSure.value', almanac.common.chainSure!),
        computedInput(
          'One yields on the next culture day',
          `${Math.round(100 * (chain.chance[next - today] ?? 0))} of 100`,
        ),
      ],
      change: 'A culture started, or seen to produce',
    },
  ]
  const base = {
    id: `chain:${look.prey}`,
    level: 'watch' as const,
    subject: { type: 'prey' as const, id: look.prey },
    reasons,
  }
  const on = formatDay(next, today)
  if (chain.holdsUntil === null || chain.holdsUntil < next)
    return {
      ...base,
      text: `${feeder.name}: nothing of your own is sure to yield on ${on}, so that none can be started from it`,
      todo: 'Order a culture about to yield, or founders; look into those that grow.',
    }
  const founding = foundersFrom(feeder, house, tempOf, almanac, today, next, recipe.founders.value)
  const from = founding.length ? `, from ${founding.map(f => f.culture.tag).join(' and ')}` : ''
  return {
    ...base,
    text: `${feeder.name}: the chain breaks about ${formatDay(chain.holdsUntil, today)}`,
    todo: `Start some on ${on}${from}: after that nothing of your own is there to start from.`,
  }
}
