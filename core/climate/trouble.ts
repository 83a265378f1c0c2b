import type { Almanac } from '../almanac'
import type { Channel, HourlyLog, Zone } from '../channels'
import { endOf, hourOf, silentFor, watchSpan, type Limits } from './span'

export type SeriesFault = 'high' | 'low' | 'silent' | 'stuck' | 'jump' | 'apart'

/** What is wrong with one row of readings. */
export interface SeriesTrouble {
  fault: SeriesFault
  level: 'harm' | 'watch'
  /** The hour (since 1970, UTC) in which it began. */
  since: number
  hours: number
  /** The value that speaks: the furthest from the band, the last heard, the step, or how far two devices are apart. */
  value: number | null
  limit: number | null
}

const LOOKED_BACK_HOURS = 48
const DAY = 24

interface RunNow {
  since: number
  hours: number
  worst: number
  limit: number
}

/** The run of hours outside on one side that lasts to the latest reading; null when that lies inside. */
function runNow(
  log: HourlyLog,
  now: number,
  limitsAt: (hour: number) => Limits | null,
  side: 'low' | 'high',
): RunNow | null {
  let run = null as RunNow | null
  for (let hour = now - 1; hour >= log.from; hour--) {
    const mean = hourOf(log, hour)
    if (Number.isNaN(mean)) {
      // a gap is bridged: a reading before it that was outside too belongs to the same trouble
      if (now - hour > LOOKED_BACK_HOURS && !run) return null
      continue
    }
    const limits = limitsAt(hour)
    const limit = limits?.[side]
    const outside = limit !== undefined && (side === 'high' ? mean > limit : mean < limit)
    if (!outside) return run
    const worst: number = run ? (side === 'high' ? Math.max(run.worst, mean) : Math.min(run.worst, mean)) : mean
    run = { since: hour, hours: (run?.hours ?? 0) + 1, worst, limit: run?.limit ?? limit }
  }
  return run
}

function outsideNow(
  log: HourlyLog,
  channel: Channel,
  limitsAt: (hour: number) => Limits | null,
  common: Almanac['common'],
): SeriesTrouble[] {
  const now = endOf(log)
  const tolerance =
    channel === 'temperature'
      ? { low: common.bandTolerance!.value, high: common.bandTolerance!.value }
      : { low: common.dryFor!.value * DAY, high: common.dampFor!.value * DAY }
  return (['high', 'low'] as const).flatMap((side): SeriesTrouble[] => {
    const run = runNow(log, now, limitsAt, side)
    if (!run) return []
    const beyond = side === 'high' ? run.worst - run.limit : run.limit - run.worst
    const harms = channel === 'temperature' && beyond >= common[side === 'high' ? 'heatHarm' : 'coldHarm']!.value
    if (!harms && run.hours < tolerance[side]) return []
    const { since, hours, worst, limit } = run
    return [{ fault: side, level: harms ? 'harm' : 'watch', since, hours, value: worst, limit }]
  })
}

function deviceFaults(log: HourlyLog, channel: Channel, zone: Zone, common: Almanac['common']): SeriesTrouble[] {
  const now = endOf(log)
  const found: SeriesTrouble[] = []
  const silent = silentFor(log, common.coldSilent!.value)
  if (silent !== null) {
    const last = hourOf(log, now - silent - 1)
    found.push({
      fault: 'silent',
      level: 'watch',
      since: now - silent,
      hours: silent,
      value: Number.isNaN(last) ? null : last,
      limit: null,
    })
  }
  const stuckHours = Math.max(DAY, Math.ceil(common.stuckFor!.value))
  const same = watchSpan(log, now - stuckHours, now)
  // a meter held by hand and a sun lamp that is off are rightly the same all day
  const { lowest, highest, read } = same
  if (channel !== 'uvIndex' && read >= common.stuckFor!.value && highest === lowest && lowest !== 100)
    found.push({
      fault: 'stuck',
      level: 'watch',
      since: now - stuckHours,
      hours: stuckHours,
      value: lowest,
      limit: null,
    })
  // a spot under a lamp rightly jumps
  if (channel === 'temperature' && zone !== 'spot' && zone !== 'warm') {
    for (let hour = now - DAY + 1; hour < now; hour++) {
      const step = hourOf(log, hour) - hourOf(log, hour - 1)
      // beside a gap there is no step
      if (Number.isNaN(step) || Math.abs(step) < common.jumpOf!.value) continue
      found.push({ fault: 'jump', level: 'watch', since: hour, hours: now - hour, value: step, limit: null })
      break
    }
  }
  const apart = devicesApart(log, now)
  const most = channel === 'humidity' ? common.apartHumidity! : common.apartTemperature!
  if (apart !== null && channel !== 'uvIndex' && apart >= most.value)
    found.push({ fault: 'apart', level: 'watch', since: now - DAY, hours: DAY, value: apart, limit: most.value })
  return found
}

/** How far the means of devices that read the same lie apart over the hours of a day that all of them read. */
function devicesApart(log: HourlyLog, now: number): number | null {
  const rows = Object.values(log.apart ?? {})
  const shared: number[][] = []
  for (let hour = Math.max(log.from, now - DAY); hour < now; hour++) {
    const values = rows.map(row => row[hour - log.from] ?? Number.NaN)
    if (values.length > 1 && values.every(v => !Number.isNaN(v))) shared.push(values)
  }
  if (shared.length < DAY / 4) return null
  const means = rows.map((_, i) => shared.reduce((sum, values) => sum + values[i]!, 0) / shared.length)
  return Math.max(...means) - Math.min(...means)
}

/**
 * What is wrong with a row of readings now. Short trips outside the band are let pass; heat or cold far beyond it is
 * told at once.
 * @param limitsAt what holds in an hour (since 1970, UTC); null: nothing does
 * @param common how long and how far: `bandTolerance`, `dampFor`, `dryFor`, `heatHarm`, `coldHarm`, `coldSilent`,
 * `stuckFor`, `jumpOf`, `apartTemperature`, `apartHumidity`
 */
export function seriesTroubles(
  log: HourlyLog,
  channel: Channel,
  zone: Zone,
  limitsAt: (hour: number) => Limits | null,
  common: Almanac['common'],
): SeriesTrouble[] {
  const faults = deviceFaults(log, channel, zone, common)
  // what a silent or stuck device read last says nothing of now
  const blind = faults.some(f => f.fault === 'silent' || f.fault === 'stuck')
  return [...(blind ? [] : outsideNow(log, channel, limitsAt, common)), ...faults]
}
