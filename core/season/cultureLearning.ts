import { feederOf, shipped, type Feeder, type Supply } from '../almanac'
import { mean, quantile } from '../chance'
import { learntApart, learntShare, learntWait, learntYield, type Sorted } from '../learning'
import { APART, CULTURE_SORTS, type ApartNumber, type CultureApart, type CultureState } from '../subjects'
import { groupsOf, timeToProducing, yieldCurve } from '../supply'
import type { SeasonContext } from './context'
import type { Learnt, LearntApart, Lesson } from './cultureLearningFindings'
import { tellLearntApart, tellLearnt } from './cultureLearningWording'
import { cultureTempC } from './warmth'

type Batch = Extract<Supply, { kind: 'batch' }>

/** What is learnt from: the cultures that are old enough, and the numbers as shipped and as they stand. */
interface Seen {
  cultures: readonly CultureState[]
  usual: Batch
  now: Batch
  context: SeasonContext
}

const three = (n: number) => Number(n.toPrecision(3))
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
  const ofAll = [failing(seen), waiting(seen), yielding(seen)]
  return [
    ...ofAll
      .filter(learnt => isTold(learnt, context))
      .map(learnt => ({ ...tellLearnt(learnt, context.almanac), numbers: numbersOf(learnt, feederId, usual) })),
    ...apartLessons(feederId, seen),
  ]
}

/** Told when enough cultures speak for it, and it differs from what the plan goes by. */
function isTold({ of, value, was }: Pick<Learnt, 'of' | 'value' | 'was'>, { almanac }: SeasonContext): boolean {
  const { lessonFrom, lessonDiffers } = almanac.common
  return of >= lessonFrom!.value && Math.abs(value - was) >= lessonDiffers!.value * was
}

/** Own numbers that say the same. */
function numbersOf(learnt: Learnt, feederId: string, usual: Batch): Lesson['numbers'] {
  const path = `feeders.${feederId}.supply`
  if (learnt.number === 'fails') return [{ path: `${path}.failure.value`, value: learnt.value }]
  if (learnt.number === 'yields') return [{ path: `${path}.yieldTotal.value`, value: learnt.value }]
  const { earliest, likely, latest } = usual.toProducing
  return Object.entries({ earliest, likely, latest }).map(([end, usually]) => ({
    path: `${path}.toProducing.${end}`,
    value: three(usually * learnt.factor),
  }))
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

function failing(seen: Seen): Learnt {
  const { usual, now, context } = seen
  const cases = failures(seen)
  const failed = sum(cases.map(c => c.seen))
  const value = three(learntShare(usual.failure.value, weighsAs(context), failed, cases.length))
  return { number: 'fails', of: cases.length, failed, value, was: now.failure.value }
}

const timesOf = (cases: readonly Case[]): number[] => cases.map(c => c.seen / c.expected)

function waiting(seen: Seen): Learnt {
  const { usual, now, context } = seen
  const ratios = timesOf(waits(seen))
  const factor = learntWait(weighsAs(context), ratios)
  const [value, was] = [usual.toProducing.likely * factor, now.toProducing.likely]
  return { number: 'waits', of: ratios.length, ratios, factor, value, was }
}

function yielding(seen: Seen): Learnt {
  const { usual, now, context } = seen
  const ratios = timesOf(yieldsOf(seen))
  const factor = learntYield(weighsAs(context), ratios)
  const [value, was] = [three(usual.yieldTotal.value * factor), now.yieldTotal.value]
  return { number: 'yields', of: ratios.length, ratios, factor, value, was }
}

/** A number in which groups of cultures may differ. */
interface Measure {
  number: ApartNumber
  how: Parameters<typeof learntApart>[0]
  casesOf: (seen: Seen) => Case[]
}

const MEASURES: readonly Measure[] = [
  { number: 'fails', how: 'amounts', casesOf: failures },
  { number: 'waits', how: 'waits', casesOf: waits },
  { number: 'yields', how: 'amounts', casesOf: yieldsOf },
]

/** What all come to here, in times of what is expected: of waits so that twice and half as long weigh alike. */
const allOf = (how: Measure['how'], cases: readonly Case[]): number =>
  how === 'amounts'
    ? sum(cases.map(c => c.seen)) / sum(cases.map(c => c.expected))
    : Math.exp(sum(timesOf(cases).map(Math.log)) / cases.length)

/** What the cultures of a group do otherwise than others of their kind: of one shelf, strain, recipe or quarter. */
function apartLessons(feederId: string, seen: Seen): Lesson[] {
  const { house, almanac } = seen.context
  const taken = house.stocks[feederId]?.apart ?? []
  return MEASURES.flatMap(measure =>
    apartIn(measure, taken, seen).map(found => ({
      ...tellLearntApart(found, house, almanac),
      numbers: [],
      apart: { by: found.by, of: found.of, [found.number]: found.value },
    })),
  )
}

const bounded = (factor: number): number => Math.min(APART.most, Math.max(APART.least, Number(factor.toFixed(2))))

function apartIn({ number, how, casesOf }: Measure, taken: readonly CultureApart[], seen: Seen): LearntApart[] {
  const { house, almanac } = seen.context
  const { cultureShrink, lessonSure } = almanac.common
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
    return [...groups].flatMap(([of, { factor, of: count, off }]): LearntApart[] => {
      const known = taken.find(a => a.by === by && a.of === of)?.[number]
      const [value, was] = [bounded(factor), known ?? 1]
      if (!isTold({ of: count, value, was }, seen.context)) return []
      // few of what is seldom seen differ by chance alone; what is counted apart already is brought up to date
      if (known === undefined && off < lessonSure!.value) return []
      const ratios = sorted.filter(s => s.groups[i] === of).map(m => m.seen / m.expected)
      return [{ number, by, of, count, ratios, all, value, was, off }]
    })
  })
}
