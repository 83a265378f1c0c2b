import { feederOf, shipped, type Feeder, type Supply } from '../almanac'
import { mean, quantile } from '../chance'
import { computedInput, factInput, type Reason } from '../judgement'
import { learntApart, learntShare, learntWait, learntYield, type Sorted } from '../learning'
import {
  APART,
  CULTURE_SORTS,
  type ApartNumber,
  type CultureApart,
  type CultureSort,
  type CultureState,
} from '../subjects'
import { groupsOf, timeToProducing, yieldCurve } from '../supply'
import type { SeasonContext } from './context'
import { cultureTempC } from './warmth'

/** A number of a feeder that the house has seen to be another than the Almanac says. */
export interface Lesson {
  /** What was seen, as one says it. */
  text: string
  /** Own numbers that would be set. */
  numbers: { path: string; value: number }[]
  /** Or which cultures of it would be counted apart from the others. */
  apart?: CultureApart
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
  const { supply, otherWays = [] } = shipped.base.feeders[feeder.id] ?? feeder
  const isLike = (way: Supply): way is Batch =>
    way.kind === 'batch' && !way.boughtProducing && Boolean(way.secondFlush) === Boolean(now.secondFlush)
  return [supply, ...otherWays].find(isLike) ?? now
}

/** Nearly all produce by this part of their wait: of younger ones the quick and the failed are known first. */
const SETTLED = 0.99

const isSettled = (culture: CultureState, usual: Batch, context: SeasonContext): boolean => {
  const wait = quantile(timeToProducing(usual, cultureTempC(culture, context)), SETTLED)
  return wait !== null && context.today - culture.startDay >= wait
}

/**
 * What the batch cultures of a feeder teach: how many fail, how long they take at the temperature of their shelf, what
 * they give; each drawn towards the Almanac by the number of cultures seen. And in what those of one shelf, strain, recipe
 * or quarter differ from the others.
 */
export function cultureLessons(feederId: string, context: SeasonContext): Lesson[] {
  const feeder = feederOf(context.almanac, feederId)
  const now = feeder.supply
  if (now.kind !== 'batch' || now.boughtProducing) return []
  const usual = usualOf(feeder, now)
  const own = Object.values(context.house.cultures).filter(c => c.feederId === feederId && !c.bought)
  const seen: Seen = { cultures: own.filter(c => isSettled(c, usual, context)), usual, now, context }
  const path = `feeders.${feederId}.supply`
  const ofAll = [failing(seen, path), waiting(seen, path), yielding(seen, path)]
  return [...ofAll.flatMap(learnt => told(learnt, context)), ...apartLessons(feederId, seen)]
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

/** What a culture says of a number: what was seen, against what is usual. */
interface Case {
  culture: CultureState
  expected: number
  seen: number
}

function failures({ cultures, usual }: Seen): Case[] {
  // one that produced and failed later has not failed to start
  return cultures.flatMap(culture =>
    culture.producing || culture.failed
      ? [{ culture, expected: usual.failure.value, seen: culture.producing ? 0 : 1 }]
      : [],
  )
}

function waits({ cultures, usual, context }: Seen): Case[] {
  return cultures.flatMap(culture => {
    const seen = culture.producing ? culture.producing.day - culture.startDay : 0
    const expected = mean(timeToProducing(usual, cultureTempC(culture, context)))
    return seen > 0 && expected ? [{ culture, expected, seen }] : []
  })
}

function yieldsOf({ cultures, usual, now, context }: Seen): Case[] {
  const { today, almanac } = context
  const span = Math.round(usual.producingDays.value)
  const expected = sum(yieldCurve(usual, span))
  const often = Math.max(1, span / almanac.common.harvestEvery!.value / 2)
  // what falls out at a shake is as many as the house says, once it has said so
  const shakes = now.shake && Object.values(now.shake).some(fact => fact.mark === 'own')
  const counted = ({ takes }: CultureState) => takes.length >= often && (shakes || !takes.some(t => t.shaken))
  // only what is over has given all; and only where most harvests were counted
  return cultures
    .filter(c => c.producing && today - c.producing.day >= span && counted(c))
    .map(culture => ({ culture, expected, seen: sum(culture.takes.map(t => t.count)) }))
}

function failing(seen: Seen, path: string): Learnt {
  const { usual, now, context } = seen
  const cases = failures(seen)
  const failed = sum(cases.map(c => c.seen))
  const was = now.failure.value
  const value = three(learntShare(usual.failure.value, weighsAs(context), failed, cases.length))
  return {
    of: cases.length,
    seen: `${failed} of ${cases.length}`,
    rule: 'Share that fails: those that failed before they produced, of all of which it is known',
    value,
    was,
    text: `${failed} of ${cases.length} failed here: ${percent(value)} are to be expected, not ${percent(was)}`,
    numbers: [{ path: `${path}.failure.value`, value }],
  }
}

const timesOf = (cases: readonly Case[]): number[] => cases.map(c => c.seen / c.expected)

function waiting(seen: Seen, path: string): Learnt {
  const { usual, now, context } = seen
  const ratios = timesOf(waits(seen))
  const factor = learntWait(weighsAs(context), ratios)
  const { earliest, likely, latest } = usual.toProducing
  const [value, was] = [likely * factor, now.toProducing.likely]
  const days = `${Math.round(value)} days, not ${was}`
  return {
    of: ratios.length,
    seen: ratios.map(times).join(', '),
    rule: 'Days to the first yield against those expected at the shelf',
    value,
    was,
    text: `${ratios.length} took ${times(factor)} the usual time to produce, drawn to the usual: ${days}`,
    numbers: Object.entries({ earliest, likely, latest }).map(([end, usually]) => ({
      path: `${path}.toProducing.${end}`,
      value: three(usually * factor),
    })),
  }
}

function yielding(seen: Seen, path: string): Learnt {
  const { usual, now, context } = seen
  const ratios = timesOf(yieldsOf(seen))
  const factor = learntYield(weighsAs(context), ratios)
  const [value, was] = [three(usual.yieldTotal.value * factor), now.yieldTotal.value]
  return {
    of: ratios.length,
    seen: ratios.map(times).join(', '),
    rule: 'Counted harvest against the expected yield, of cultures that are over',
    value,
    was,
    text: `${ratios.length} that were counted gave ${times(factor)} the usual yield, drawn to the usual: ${Math.round(value)}, not ${was}`,
    numbers: [{ path: `${path}.yieldTotal.value`, value }],
  }
}

/** A number in which groups of cultures may differ. */
interface Measure {
  number: ApartNumber
  how: Parameters<typeof learntApart>[0]
  casesOf: (seen: Seen) => Case[]
  says: (factor: number) => string
  rule: string
}

const MEASURES: readonly Measure[] = [
  {
    ...{ number: 'fails', how: 'amounts', casesOf: failures },
    says: factor => `fail ${times(factor)} as often as the house’s on the whole`,
    rule: 'How many failed before they produced, against the share that fails here',
  },
  {
    ...{ number: 'waits', how: 'waits', casesOf: waits },
    says: factor => `take ${times(factor)} as long as the house’s on the whole`,
    rule: 'Days to the first yield against those expected at the shelf, as the house’s cultures take them',
  },
  {
    ...{ number: 'yields', how: 'amounts', casesOf: yieldsOf },
    says: factor => `give ${times(factor)} the mean of the house`,
    rule: 'Counted harvest of those that are over, against what the house’s cultures give',
  },
]

/** What all come to here, in times of what is expected: of waits so that twice and half as long weigh alike. */
const allOf = (how: Measure['how'], cases: readonly Case[]): number =>
  how === 'amounts'
    ? sum(cases.map(c => c.seen)) / sum(cases.map(c => c.expected))
    : Math.exp(sum(timesOf(cases).map(Math.log)) / cases.length)

/** What the cultures of a group do otherwise than others of their kind: of one shelf, strain, recipe or quarter. */
function apartLessons(feederId: string, seen: Seen): Lesson[] {
  const { house, almanac } = seen.context
  const { cultureShrink, lessonFrom, lessonDiffers, lessonSure } = almanac.common
  const taken = house.stocks[feederId]?.apart ?? []
  return MEASURES.flatMap(({ number, how, casesOf, says, rule }) => {
    const cases = casesOf(seen)
    const all = allOf(how, cases)
    // nothing was seen, or not one failed: groups cannot differ
    if (!(all > 0)) return []
    const sorted = cases.map(({ culture, expected, seen }): Sorted => {
      const groups = groupsOf(culture, house.cultures)
      return { groups: CULTURE_SORTS.map(by => groups[by]), expected: expected * all, seen }
    })
    return learntApart(how, cultureShrink!.value, sorted).flatMap((groups, i) => {
      const by = CULTURE_SORTS[i]!
      return [...groups].flatMap(([of, { factor, of: count, off }]): Lesson[] => {
        const value = Math.min(APART.most, Math.max(APART.least, Number(factor.toFixed(2))))
        const known = taken.find(a => a.by === by && a.of === of)?.[number]
        const was = known ?? 1
        if (count < lessonFrom!.value || Math.abs(value - was) < lessonDiffers!.value * was) return []
        // few of what is seldom seen differ by chance alone; what is counted apart already is brought up to date
        if (known === undefined && off < lessonSure!.value) return []
        const members = sorted.filter(s => s.groups[i] === of)
        const inputs = [
          computedInput(
            'Seen in them, × what all come to here',
            members
              .slice(0, NAMED)
              .map(m => times(m.seen / m.expected))
              .join(', '),
          ),
          computedInput('All of the kind here, × the usual', times(all)),
          computedInput('Shelf, strain, recipe and quarter', 'found together: what always goes together is shared'),
          factInput('That they are as the others weighs as', 'common.cultureShrink.value', cultureShrink!),
          computedInput('Weight of what was seen', percent(count / (count + cultureShrink!.value))),
          computedInput('Off the house’s, in standard errors', Number.isFinite(off) ? off.toFixed(1) : 'all alike'),
          factInput('Told from', 'common.lessonSure.value', lessonSure!),
          computedInput('Counted now', times(was)),
        ]
        return [
          {
            text: `Those ${groupWords(by, of, house)} ${says(value)}, as far as ${count} of them tell`,
            numbers: [],
            apart: { by, of, [number]: value },
            reasons: [{ rule, inputs, change: 'Each further culture of the house' }],
          },
        ]
      })
    })
  })
}
/** So many cultures stand in a working. */
const NAMED = 12

/** Which cultures of a kind are meant: `on Shelf 2`. */
export function groupWords(by: CultureSort, of: string, { places }: Pick<SeasonContext['house'], 'places'>): string {
  if (by === 'place') return `on ${places[of]?.name ?? 'a place that is gone'}`
  if (by === 'strain') return `of strain ${of}`
  return by === 'recipe' ? `made as ${of}` : `started ${of}`
}
