import { feederOf } from '../../almanac'
import { chainOf, foundersFrom } from '../../supply'
import { nextWeekday } from '../../units'
import type { Alarm, PreyOutlook } from '../contracts'
import type { TaskContext } from '../tasks'
import { cultureTempC } from '../warmth'
import { tellChain } from './chainWording'

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
  const { holdsUntil, chance } = chainOf(feeder, house, tempOf, almanac, today)
  const next = nextWeekday(today, settings.cultureWeekday)
  if (holdsUntil !== null && holdsUntil >= next + 7) return null
  // one that breaks before the next culture day founds nothing any more
  const breaks = holdsUntil !== null && holdsUntil >= next ? holdsUntil : null
  const from = breaks === null ? [] : foundersFrom(feeder, house, tempOf, almanac, today, next, recipe.founders.value)
  const founders = from.map(f => f.culture.tag)
  const yields = chance[next - today] ?? 0
  return {
    id: `chain:${look.prey}`,
    level: 'watch',
    subject: { type: 'prey', id: look.prey },
    ...tellChain({ feeder, recipe, supply, breaks, founders, next, yields }, almanac, today),
  }
}
