import { feederOf, shipped, type Feeder, type Supply } from '../almanac'
import { mean, quantile } from '../chance'
import { computedInput, factInput, type Reason } from '../judgement'
import { learntShare, learntWait, learntYield } from '../learning'
import type { CultureState } from '../subjects'
import { timeToProducing, yieldCurve } from '../supply'
import type { SeasonContext } from './context'
import { cultureTempC } from './warmth'

/** A number of a feeder that the house has seen to be another than the Almanac says. */
export interface Lesson {
  /** What was seen, as one says it. */
  text: string
  /** Own numbers that would be set. */
  numbers: { path: string; value: number }[]
  reasons: Reason[]
}

type Batch = Extract<Supply, { kind: 'batch' }>

/** What is learnt from: the cultures that are old enough, and the numbers as shipped and as they stand. */
interface Seen {
  cultures: readonly CultureState[]
  usual: Batch
  now: Batch
  context: SeasonContext
}

/** What one number comes to. */
interface Learnt {
  /** Cultures that speak for it, and what they say. */
  of: number
  seen: string
  rule: string
  value: number
  was: number
  text: string
  numbers: Lesson['numbers']
}

const percent = (share: number) => `${Math.round(100 * share)} %`
const three = (n: number) => Number(n.toPrecision(3))
const times = (n: number) => `${n.toFixed(2)} ×`
const sum = (row: ArrayLike<number>) => Array.from(row).reduce((a, b) => a + b, 0)

/** What is usual: as it was shipped, so that a number once taken is not drawn towards itself. */
const usualOf = (feeder: Feeder, now: Batch): Batch => {
  const { supply } = shipped.base.feeders[feeder.id] ?? feeder
  return supply.kind === 'batch' && !supply.boughtProducing ? supply : now
}

/** Nearly all produce by this part of their wait: of younger ones the quick and the failed are known first. */
const SETTLED = 0.99

const isSettled = (culture: CultureState, usual: Batch, context: SeasonContext): boolean => {
  const wait = quantile(timeToProducing(usual, cultureTempC(culture, context)), SETTLED)
  return wait !== null && context.today - culture.startDay >= wait
}

/**
 * What the batch cultures of a feeder teach: how many fail, how long they take at the temperature of their shelf, what
 * they give; each drawn towards the Almanac by the number of cultures seen.
 */
export function cultureLessons(feederId: string, context: SeasonContext): Lesson[] {
  const feeder = feederOf(context.almanac, feederId)
  const now = feeder.supply
  if (now.kind !== 'batch' || now.boughtProducing) return []
  const usual = usualOf(feeder, now)
  const own = Object.values(context.house.cultures).filter(c => c.feederId === feederId && !c.bought)
  const seen: Seen = { cultures: own.filter(c => isSettled(c, usual, context)), usual, now, context }
  const path = `feeders.${feederId}.supply`
  return [failing(seen, path), waiting(seen, path), yielding(seen, path)].flatMap(learnt => told(learnt, context))
}

/** Told when enough cultures speak for it, and it differs from what the plan goes by. */
function told({ of, seen, rule, value, was, text, numbers }: Learnt, { almanac }: SeasonContext): Lesson[] {
  const { cultureShrink, lessonFrom, lessonDiffers } = almanac.common
  if (of < lessonFrom!.value || Math.abs(value - was) < lessonDiffers!.value * was) return []
  const inputs = [
    computedInput('Seen here', seen),
    factInput('The Almanac weighs as so many cultures', 'common.cultureShrink.value', cultureShrink!),
    computedInput('Weight of what was seen', percent(of / (of + cultureShrink!.value))),
  ]
  return [{ text, numbers, reasons: [{ rule, inputs, change: 'Each further culture of the house' }] }]
}

const weighsAs = ({ almanac }: SeasonContext): number => almanac.common.cultureShrink!.value

function failing({ cultures, usual, now, context }: Seen, path: string): Learnt {
  // one that produced and failed later has not failed to start
  const failed = cultures.filter(c => c.failed && !c.producing).length
  const of = failed + cultures.filter(c => c.producing).length
  const was = now.failure.value
  const value = three(learntShare(usual.failure.value, weighsAs(context), failed, of))
  return {
    of,
    seen: `${failed} of ${of}`,
    rule: 'Share that fails: those that failed before they produced, of all of which it is known',
    value,
    was,
    text: `${failed} of ${of} failed here: ${percent(value)} are to be expected, not ${percent(was)}`,
    numbers: [{ path: `${path}.failure.value`, value }],
  }
}

function waiting({ cultures, usual, now, context }: Seen, path: string): Learnt {
  const seen = cultures.flatMap(c => {
    const days = c.producing ? c.producing.day - c.startDay : 0
    const expected = mean(timeToProducing(usual, cultureTempC(c, context)))
    return days > 0 && expected ? [days / expected] : []
  })
  const factor = learntWait(weighsAs(context), seen)
  const { earliest, likely, latest } = usual.toProducing
  const [value, was] = [likely * factor, now.toProducing.likely]
  const days = `${Math.round(value)} days, not ${was}`
  return {
    of: seen.length,
    seen: seen.map(times).join(', '),
    rule: 'Days to the first yield against those expected at the shelf',
    value,
    was,
    text: `${seen.length} took ${times(factor)} the usual time to produce, drawn to the usual: ${days}`,
    numbers: Object.entries({ earliest, likely, latest }).map(([end, usually]) => ({
      path: `${path}.toProducing.${end}`,
      value: three(usually * factor),
    })),
  }
}

function yielding({ cultures, usual, now, context }: Seen, path: string): Learnt {
  const span = Math.round(usual.producingDays.value)
  const expected = sum(yieldCurve(usual, span))
  const often = Math.max(1, span / context.almanac.common.harvestEvery!.value / 2)
  // only what is over has given all; and only where most harvests were counted
  const seen = cultures
    .filter(c => c.producing && context.today - c.producing.day >= span && c.takes.length >= often)
    .map(c => sum(c.takes.map(t => t.count)) / expected)
  const factor = learntYield(weighsAs(context), seen)
  const [value, was] = [three(usual.yieldTotal.value * factor), now.yieldTotal.value]
  return {
    of: seen.length,
    seen: seen.map(times).join(', '),
    rule: 'Counted harvest against the expected yield, of cultures that are over',
    value,
    was,
    text: `${seen.length} that were counted gave ${times(factor)} the usual yield, drawn to the usual: ${Math.round(value)}, not ${was}`,
    numbers: [{ path: `${path}.yieldTotal.value`, value }],
  }
}
