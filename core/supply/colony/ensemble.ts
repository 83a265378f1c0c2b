import type { Almanac, ColonyRates } from '../../almanac'
import { normal, seedFrom, seededRandom, type Day, type Random } from '../../chance'
import type { CultureState } from '../../subjects'
import { dayOf, speedAt, stageSpans, type ColonyLuck } from './rates'

/** One way in which the colony may stand: its numbers by step, and how it differs from the usual. */
export interface Member {
  numbers: Float64Array
  luck: ColonyLuck
}

/** Many ways in which a colony may stand, all as likely. */
export interface Colony {
  rates: ColonyRates
  common: Almanac['common']
  speed: number
  members: Member[]
}

const MEMBERS = 64
/** Older colonies are taken to have been crowded this long ago. */
const HISTORY_DAYS = 400

const spread = (random: Random, width: number) => Math.exp(width * normal(random))
const totalOf = (numbers: Float64Array, from = 0, to = numbers.length) => {
  let all = 0
  for (let i = from; i < to; i++) all += numbers[i]!
  return all
}

/** Numbers of the stages that may be fed off, and of the grown ones. */
export function countsOf({ rates }: Pick<Colony, 'rates'>, { numbers }: Pick<Member, 'numbers'>) {
  const spans = stageSpans(rates)
  const fed = spans.reduce((n, s) => n + (s.fed ? totalOf(numbers, s.from, s.to) : 0), 0)
  return { fed, grown: numbers[numbers.length - 1]!, all: totalOf(numbers) }
}

/** Takes animals of the stages that are fed off, of each as many as its share. What was taken must have been there. */
export function take(colony: Pick<Colony, 'rates'>, member: Member, count: number): void {
  const { fed } = countsOf(colony, member)
  for (const { from, to, fed: isFed } of stageSpans(colony.rates)) {
    if (!isFed) continue
    for (let i = from; i < to; i++) member.numbers[i]! *= Math.max(0, 1 - count / fed) || 0
  }
}

/** One that had fewer than were taken was wrong by so much: it had a few more. */
function hadThem(colony: Colony, member: Member, count: number): void {
  const { fed } = countsOf(colony, member)
  const factor = fed > 0 ? (1.1 * count) / fed : 1
  if (factor > 1) for (let i = 0; i < member.numbers.length; i++) member.numbers[i]! *= factor
}

type Look = CultureState['looks'][number]

/**
 * A count moves each member towards what was counted, by how sure the count is against how far the members differ
 * (ensemble Kalman filter on logarithms, with perturbed observations; Evensen 2003, Ocean Dynamics 53:343–367).
 */
function counted(colony: Colony, from: number, to: number, number: number, share: number, random: Random, cv: number) {
  const logs = colony.members.map(m => Math.log(totalOf(m.numbers, from, to) + 0.5))
  const mean = logs.reduce((a, b) => a + b, 0) / logs.length
  const variance = logs.reduce((n, l) => n + (l - mean) ** 2, 0) / logs.length
  // few counted in a small part say little; animals sit in heaps
  const noise = cv ** 2 + 1 / (number + 1)
  const gain = variance / (variance + noise)
  colony.members.forEach(({ numbers }, k) => {
    const seen = Math.log(number / share + 0.5) + Math.sqrt(noise) * normal(random)
    const factor = Math.exp(gain * (seen - logs[k]!))
    for (let i = from; i < to; i++) numbers[i]! *= factor
  })
}

/** Members are drawn anew by how well they fit what was seen. */
function weigh(colony: Colony, fits: (member: Member) => number, random: Random): void {
  const weights = colony.members.map(m => fits(m) + 1e-6)
  const all = weights.reduce((a, b) => a + b, 0)
  const start = random() / colony.members.length
  let [at, sum] = [0, weights[0]! / all]
  colony.members = colony.members.map((_, i) => {
    while (sum < start + i / colony.members.length && at < weights.length - 1) sum += weights[++at]! / all
    const { numbers, luck } = colony.members[at]!
    const stir = spread(random, 0.05)
    return { numbers: numbers.map(n => n * stir), luck: { ...luck } }
  })
}

function looked(colony: Colony, look: Look, random: Random, cv: number): void {
  const spans = stageSpans(colony.rates)
  const share = look.sharePercent / 100
  const fed = spans.filter(s => s.fed)
  const grown = spans.at(-1)!
  if (look.young !== undefined && fed.length)
    counted(colony, fed[0]!.from, fed.at(-1)!.to, look.young, share, random, cv)
  if (look.grown !== undefined) counted(colony, grown.from, grown.to, look.grown, share, random, cv)
  const { crowded } = look
  const { colonyFull, colonyEye } = colony.common
  if (crowded !== undefined)
    weigh(
      colony,
      m => {
        const full = countsOf(colony, m).all / (colony.rates.capacity.value * m.luck.capacity)
        const seen = 1 / (1 + Math.exp((colonyFull!.value - full) / colonyEye!.value))
        return crowded ? seen : 1 - seen
      },
      random,
    )
}

/** What a colony stands at, °C, and from which day on it stood at what before. */
export interface ColonyWarmth {
  tempC: number | null
  stood?: readonly { fromDay: Day; tempC: number }[]
}

/**
 * How a colony stands today, by what founded it, the days since, what was taken and what was seen. O(members · days).
 * @param founders grown animals that it was started with
 * @param warmth what it stands at, and what it stood at before where that is known; null = the almanac's own
 * @param uncounted taken a week since it produces, as long as nobody counted what was taken
 */
export function colonyToday(
  culture: Pick<CultureState, 'id' | 'startDay' | 'takes' | 'looks'>,
  rates: ColonyRates,
  founders: number,
  warmth: ColonyWarmth,
  { common }: Pick<Almanac, 'common'>,
  today: Day,
  uncounted: { from: Day; perWeek: number } | null = null,
): Colony {
  const random = seededRandom(seedFrom(culture.id))
  const width = common.colonySpread!.value
  const from = Math.max(culture.startDay, today - HISTORY_DAYS)
  const size = stageSpans(rates).at(-1)!.to
  const speedOf = (tempC: number | null) => speedAt(rates, tempC, common.colonyQuickest!.value)
  const speed = speedOf(warmth.tempC)
  const { stood = [] } = warmth
  const spells = stood.map(({ fromDay, tempC }) => ({ fromDay, speed: speedOf(tempC) }))
  /** Its speed on a day, and the day from which on it is another. */
  const speedOn = (day: Day) => {
    const i = spells.findLastIndex(s => s.fromDay <= day)
    return { speed: (spells[i] ?? spells[0])?.speed ?? speed, until: spells[i + 1]?.fromDay ?? today }
  }
  const colony: Colony = { rates, common, speed, members: [] }
  const crowdedBefore = culture.startDay < from ? fullGrown(rates, speedOn(from).speed) : null
  for (let m = 0; m < MEMBERS; m++) {
    const luck = {
      young: spread(random, width),
      deaths: spread(random, width / 2),
      capacity: spread(random, width / 2),
    }
    const numbers = new Float64Array(size)
    if (crowdedBefore) crowdedBefore.forEach((n, i) => (numbers[i] = n * luck.capacity))
    else numbers[size - 1] = founders * spread(random, width / 2)
    colony.members.push({ numbers, luck })
  }
  const events = [
    ...culture.takes.map(t => ({ day: t.day, take: t.count, look: null })),
    ...culture.looks.map(look => ({ day: look.day, take: 0, look })),
  ]
    .filter(e => e.day >= from && e.day <= today)
    .sort((a, b) => a.day - b.day)
  const usual = culture.takes.length ? null : uncounted
  let at = from
  /** Lives on to a day: each by what is known of it by then. */
  const live = (m: Member, until: Day) => {
    for (let d = at; d < until;) {
      const spell = speedOn(d)
      const day = dayOf(rates, spell.speed, m.luck)
      for (const end = Math.min(until, Math.max(d + 1, spell.until)); d < end; d++) {
        day(m.numbers)
        if (usual && d >= usual.from && (d - usual.from) % 7 === 6)
          take(colony, m, Math.min(usual.perWeek, countsOf(colony, m).fed / 2))
      }
    }
  }
  for (const { day, take: count, look } of [...events, { day: today, take: 0, look: null }]) {
    for (const m of colony.members) live(m, day)
    at = Math.max(at, day)
    if (look) looked(colony, look, random, common.colonyCount!.value)
    if (!count) continue
    for (const m of colony.members) {
      hadThem(colony, m, count)
      take(colony, m, count)
    }
  }
  return colony
}

/** A colony as it stands when nothing was ever taken: full. */
function fullGrown(rates: ColonyRates, speed: number): Float64Array {
  const numbers = new Float64Array(stageSpans(rates).at(-1)!.to)
  numbers[numbers.length - 1] = rates.capacity.value / 4
  const day = dayOf(rates, speed)
  for (let d = 0; d < HISTORY_DAYS; d++) day(numbers)
  return numbers
}
