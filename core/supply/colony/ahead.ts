import { countsOf, take, type Colony, type Member } from './ensemble'
import { dayOf, stageSpans } from './rates'

/** Low, middle and high of many values: the 80 % band. */
export interface BandAt {
  low: number
  mid: number
  high: number
}

const bandOf = (values: readonly number[]): BandAt => {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (q: number) => sorted[Math.round(q * (sorted.length - 1))]!
  return { low: at(0.1), mid: at(0.5), high: at(0.9) }
}

const copy = (members: readonly Member[]): Member[] => members.map(m => ({ ...m, numbers: m.numbers.slice() }))

/** How a colony goes on, week by week. */
export interface ColonyAhead {
  /** Stages by name, in the order of life; of each a band a week, the first is today. */
  stages: { name: string; fed: boolean; bands: BandAt[] }[]
  /** Days until it is crowded in the middle case; null within the weeks looked at. */
  crowdedIn: number | null
  /** Chance that fewer than a fifth of today's grown ones are left at the end. */
  collapse: number
  /** Chance that each week's take was there. */
  given: number
}

/**
 * A colony ahead, when so many are taken a week.
 * @param once taken today, before that
 */
export function colonyAhead(colony: Colony, weeks: number, perWeek: number, once = 0): ColonyAhead {
  const members = copy(colony.members)
  const spans = stageSpans(colony.rates)
  const before = members.map(m => countsOf(colony, m).grown)
  const stages = spans.map(({ name, fed }) => ({ name, fed, bands: [] as BandAt[] }))
  const given = members.map(m => countsOf(colony, m).fed >= once)
  for (const m of members) if (once) take(colony, m, once)
  let crowdedIn: number | null = null
  const look = () =>
    spans.forEach(({ from, to }, s) => {
      stages[s]!.bands.push(bandOf(members.map(m => m.numbers.slice(from, to).reduce((a, b) => a + b, 0))))
    })
  look()
  const days = members.map(m => dayOf(colony.rates, colony.speed, m.luck))
  for (let w = 1; w <= weeks; w++) {
    members.forEach((m, k) => {
      for (let d = 0; d < 7; d++) days[k]!(m.numbers)
      if (!perWeek) return
      if (countsOf(colony, m).fed < perWeek) given[k] = false
      take(colony, m, perWeek)
    })
    look()
    const full = bandOf(members.map(m => countsOf(colony, m).all / (colony.rates.capacity.value * m.luck.capacity))).mid
    if (crowdedIn === null && full >= colony.common.colonyFull!.value) crowdedIn = w * 7
  }
  const share = (is: (m: Member, k: number) => boolean) => members.filter(is).length / members.length
  return {
    stages,
    crowdedIn,
    collapse: share((m, k) => countsOf(colony, m).grown < before[k]! / 5),
    given: share((_, k) => given[k]!),
  }
}

/**
 * A take must be kept up so long at least, and twice the time from a birth to the end of a grown one: as long as that old
 * ones, and young that are there already, hide that too few follow.
 */
const SUSTAINED_WEEKS = 26
const LONGEST_WEEKS = 104
/** Slower than that next to nothing grows. */
const LEAST_SPEED = 0.1
/** Members that are tried: the answer is a round number of animals. */
const TRIED = 24

/**
 * Most that may be taken a week so that, in so many of 100 ways in which the colony may stand, the take is there each
 * week and grown ones follow for two generations. Grown ones are never taken.
 * @param sure chance (0..1)
 */
export function sustainableTake(colony: Colony, sure: number): number {
  const { rates, speed } = colony
  const { colonyMayLose, colonyMayShrink } = colony.common
  const every = Math.max(1, Math.floor(colony.members.length / TRIED))
  const members = colony.members.filter((_, k) => k % every === 0)
  const toGrow = rates.stages.reduce((n, stage) => n + stage.days.value, 0) / Math.max(speed, LEAST_SPEED)
  const hidden = Math.ceil((2 * (rates.adultDays.value + toGrow)) / 7)
  const weeks = Math.min(LONGEST_WEEKS, Math.max(SUSTAINED_WEEKS, hidden))
  const may = Math.floor((1 - sure) * members.length)
  const days = new Map(members.map(m => [m, dayOf(rates, speed, m.luck)]))
  const goesOn = (m: Member, perWeek: number): boolean => {
    const day = days.get(m)!
    const least = Math.min(
      countsOf(colony, m).grown * (1 - colonyMayLose!.value),
      colonyMayShrink!.value * rates.capacity.value * m.luck.capacity,
    )
    const tried = { ...m, numbers: m.numbers.slice() }
    for (let w = 1; w <= weeks; w++) {
      for (let d = 0; d < 7; d++) day(tried.numbers)
      if (countsOf(colony, tried).fed < perWeek) return false
      take(colony, tried, perWeek)
    }
    return countsOf(colony, tried).grown >= least
  }
  const holds = (perWeek: number) => {
    let fails = 0
    for (const m of members) if (!goesOn(m, perWeek) && ++fails > may) return false
    return true
  }
  let low = 0
  let high = Math.max(1, ...members.map(m => countsOf(colony, m).all))
  for (let i = 0; i < 10; i++) {
    const mid = (low + high) / 2
    if (holds(mid)) low = mid
    else high = mid
  }
  return low
}
