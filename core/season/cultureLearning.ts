import { feederOf, shipped, type Feeder, type Supply } from '../almanac'
import { mean } from '../chance'
import { computedInput, factInput, type Reason } from '../judgement'
import { learntShare, learntWait, learntYield } from '../learning'
import type { CultureState } from '../subjects'
import { cultureStage, cultureWay, timeToProducing, yieldCurve } from '../supply'
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
/** A lesson is told from so many cultures on, when it differs by so much. */
const FROM_CULTURES = 3
const DIFFERS = 0.1

const percent = (share: number) => `${Math.round(100 * share)} %`
const three = (n: number) => Number(n.toPrecision(3))
const times = (n: number) => `${n.toFixed(2)} ×`

/** What is usual: as it was shipped, so that a number once taken is not drawn towards itself. */
const usualOf = (feeder: Feeder, now: Batch): Batch => {
  const { supply } = shipped.base.feeders[feeder.id] ?? feeder
  return supply.kind === 'batch' && !supply.boughtProducing ? supply : now
}

/**
 * What the batch cultures of a feeder teach: how many fail, how long they take at the temperature of their shelf, what
 * they give; each drawn towards the Almanac by the number of cultures seen.
 */
export function cultureLessons(feederId: string, context: SeasonContext): Lesson[] {
  const { house, almanac, today } = context
  const feeder = feederOf(almanac, feederId)
  const { supply } = feeder
  if (supply.kind !== 'batch' || supply.boughtProducing) return []
  const own = Object.values(house.cultures).filter(c => c.feederId === feederId && !c.bought)
  const usual = usualOf(feeder, supply)
  const weighsAs = almanac.common.cultureShrink!
  const path = `feeders.${feederId}.supply`
  const drawn = (rule: string, seen: string, of: number): Reason[] => [
    {
      rule,
      inputs: [
        computedInput('Seen here', seen),
        factInput('The Almanac weighs as so many cultures', 'common.cultureShrink.value', weighsAs),
        computedInput('Weight of what was seen', percent(of / (of + weighsAs.value))),
      ],
      change: 'Each further culture of the house',
    },
  ]
  return [
    failing(own, usual, supply, path, weighsAs.value, drawn),
    waiting(own, usual, supply, path, weighsAs.value, context, drawn),
    yielding(own, feeder, usual, supply, path, weighsAs.value, today, drawn),
  ].filter(lesson => lesson !== null)
}

type Drawn = (rule: string, seen: string, of: number) => Reason[]

function failing(
  own: readonly CultureState[],
  usual: Batch,
  now: Batch,
  path: string,
  weighsAs: number,
  drawn: Drawn,
): Lesson | null {
  // one that produced and failed later has not failed to start
  const failed = own.filter(c => c.failed && !c.producing).length
  const of = failed + own.filter(c => c.producing).length
  const value = three(learntShare(usual.failure.value, weighsAs, failed, of))
  if (of < FROM_CULTURES || Math.abs(value - now.failure.value) < DIFFERS * now.failure.value) return null
  return {
    text: `${failed} of ${of} failed here: ${percent(value)} are to be expected, not ${percent(now.failure.value)}`,
    numbers: [{ path: `${path}.failure.value`, value }],
    reasons: drawn(
      'Share that fails: those that failed before they produced, of all of which it is known',
      `${failed} of ${of}`,
      of,
    ),
  }
}

function waiting(
  own: readonly CultureState[],
  usual: Batch,
  now: Batch,
  path: string,
  weighsAs: number,
  context: SeasonContext,
  drawn: Drawn,
): Lesson | null {
  const seen = own.flatMap(c => {
    const days = c.producing ? c.producing.day - c.startDay : 0
    const expected = mean(timeToProducing(usual, cultureTempC(c, context)))
    return days > 0 && expected ? [days / expected] : []
  })
  const factor = learntWait(weighsAs, seen)
  const { earliest, likely, latest } = usual.toProducing
  if (seen.length < FROM_CULTURES || Math.abs(likely * factor - now.toProducing.likely) < DIFFERS * likely) return null
  return {
    text: `${seen.length} took ${times(factor)} the usual time to produce: ${Math.round(likely * factor)} days, not ${now.toProducing.likely}`,
    numbers: Object.entries({ earliest, likely, latest }).map(([end, days]) => ({
      path: `${path}.toProducing.${end}`,
      value: three(days * factor),
    })),
    reasons: drawn(
      'Days to the first yield against those expected at the shelf',
      seen.map(times).join(', '),
      seen.length,
    ),
  }
}

function yielding(
  own: readonly CultureState[],
  feeder: Feeder,
  usual: Batch,
  now: Batch,
  path: string,
  weighsAs: number,
  today: number,
  drawn: Drawn,
): Lesson | null {
  const expected = yieldCurve(usual, Math.round(usual.producingDays.value)).reduce((a, b) => a + b, 0)
  // only what is over has given all; and only where harvests were counted
  const seen = own.flatMap(c => {
    const way = cultureWay(feeder, c)
    const over = c.producing && way && (c.finished || cultureStage(c, way, today) === 'spent')
    return over && c.takes.length >= FROM_CULTURES ? [c.takes.reduce((n, t) => n + t.count, 0) / expected] : []
  })
  const factor = learntYield(weighsAs, seen)
  const value = three(usual.yieldTotal.value * factor)
  if (seen.length < FROM_CULTURES || Math.abs(value - now.yieldTotal.value) < DIFFERS * now.yieldTotal.value)
    return null
  return {
    text: `${seen.length} that were counted gave ${times(factor)} the usual yield: ${Math.round(value)}, not ${Math.round(now.yieldTotal.value)}`,
    numbers: [{ path: `${path}.yieldTotal.value`, value }],
    reasons: drawn(
      'Counted harvest against the expected yield, of cultures that are over',
      seen.map(times).join(', '),
      seen.length,
    ),
  }
}
