import type { HourlyLog } from '../channels'
import { endOf, hourOf } from './span'

/** What readings come to for something that develops with warmth. */
export interface Warmth {
  /** The constant temperature at which it would be just as far, and go on as it now does, °C. */
  tempC: number
  /** Mean of what was read since it began, °C. */
  meanC: number | null
  /** What it is taken to be from now on, °C. */
  goesOnAtC: number
  hours: number
  /** Hours for which something was read; the others are counted at what the place is set to. */
  read: number
  /** Share of its development that is behind it, 0..1. */
  done: number
}

/** Where something lay from an hour on: what was read there, and what counts where nothing was. */
export interface Stretch {
  log: HourlyLog | null
  /** First hour, since 1970, UTC. */
  fromHour: number
  setC: number
}

/** Development per hour in a straight line with warmth: nothing up to `baseC`, no quicker over `bestC`. */
export interface Development {
  baseC: number
  bestC: number
  /** Degree-days from beginning to end. */
  degreeDays: number
  /** Readings of so many hours say what the place does from now on. */
  latelyHours: number
}

/** The mean of the last so many hours, where at least half of them were read. */
export function latelyOf(log: HourlyLog, latelyHours: number): number | null {
  const now = endOf(log)
  let [sum, read] = [0, 0]
  for (let hour = now - latelyHours; hour < now; hour++) {
    const mean = hourOf(log, hour)
    if (!Number.isNaN(mean)) [sum, read] = [sum + mean, read + 1]
  }
  return read >= latelyHours / 2 ? sum / read : null
}

/** Development in one hour (degree-hours) at a temperature. */
export const degreesAbove = (tempC: number, { baseC, bestC }: Pick<Development, 'baseC' | 'bestC'>): number =>
  Math.max(0, Math.min(tempC, bestC) - baseC)

/** Every hour of stretches that follow each other, with its temperature and whether that was read. O(hours). */
export function eachHour(
  stretches: readonly Stretch[],
  toHour: number,
  tell: (tempC: number, read: boolean, hour: number) => void,
): void {
  stretches.forEach(({ log, fromHour, setC }, i) => {
    const end = Math.min(toHour, stretches[i + 1]?.fromHour ?? toHour)
    for (let hour = fromHour; hour < end; hour++) {
      const mean = log ? hourOf(log, hour) : Number.NaN
      const read = !Number.isNaN(mean)
      tell(read ? mean : setC, read, hour)
    }
  })
}

/**
 * What is so far after so many hours, and goes on at another temperature: as one constant temperature that gives the same
 * day, since development is a straight line.
 * @param done development behind it, degree-hours
 */
export function goingOn(
  hours: number,
  done: number,
  goesOnAtC: number,
  development: Development,
): Pick<Warmth, 'tempC' | 'goesOnAtC' | 'hours' | 'done'> {
  const { baseC, degreeDays } = development
  const goesOn = degreesAbove(goesOnAtC, development)
  const whole = degreeDays * 24
  // past its end already: as quick as it was; standing still: never
  const totalHours = done >= whole ? (hours * whole) / done : goesOn > 0 ? hours + (whole - done) / goesOn : Infinity
  return { tempC: baseC + whole / totalHours, goesOnAtC, hours, done: Math.min(1, done / whole) }
}

/**
 * Sums development over the places that something lay in: hours read at what was read, the others at what the place is
 * set to, and from now on at what the last place lately was. O(hours).
 * @param stretches at least one, each from the end of the one before
 * @param nowHour the present hour, since 1970, UTC
 */
export function warmthAlong(stretches: readonly Stretch[], nowHour: number, development: Development): Warmth {
  const last = stretches.at(-1)!
  const goesOnAtC = (last.log && latelyOf(last.log, development.latelyHours)) ?? last.setC
  const hours = Math.max(0, nowHour - stretches[0]!.fromHour)
  let [done, sum, read] = [0, 0, 0]
  eachHour(stretches, nowHour, (tempC, has) => {
    if (has) [sum, read] = [sum + tempC, read + 1]
    done += degreesAbove(tempC, development)
  })
  return { ...goingOn(hours, done, goesOnAtC, development), meanC: read ? sum / read : null, read }
}

/** A week of hours. */
const WEEK_HOURS = 7 * 24

/** From a day on it was so warm. */
export interface StoodAt {
  fromDay: number
  tempC: number
}

/**
 * What it was since the first stretch began, no finer than by the week, which is enough for what takes months. Weeks are
 * counted within each stretch, hours without a reading are at what the place is set to. O(hours).
 * @param stepC weeks that differ by less count as one, °C
 * @returns runs of days (UTC) at one temperature, in their order
 */
export function warmthByWeek(stretches: readonly Stretch[], nowHour: number, stepC: number): StoodAt[] {
  const runs: StoodAt[] = []
  const add = (hour: number, tempC: number) => {
    const fromDay = Math.floor(hour / 24)
    const last = runs.at(-1)
    // moved twice in a day: it is where it came to
    if (last?.fromDay === fromDay) last.tempC = tempC
    else if (last?.tempC !== tempC) runs.push({ fromDay, tempC })
  }
  stretches.forEach((stretch, i) => {
    const end = Math.min(nowHour, stretches[i + 1]?.fromHour ?? nowHour)
    // of the last one nothing may be over yet: it goes on as it is set
    if (end <= stretch.fromHour) add(stretch.fromHour, stretch.setC)
    for (let from = stretch.fromHour; from < end; from += WEEK_HOURS) {
      let [sum, read, hours] = [0, 0, 0]
      eachHour([{ ...stretch, fromHour: from }], Math.min(end, from + WEEK_HOURS), (tempC, has) => {
        sum += tempC
        hours++
        if (has) read++
      })
      // what is set is known exactly
      add(from, read ? Math.round(sum / hours / stepC) * stepC : stretch.setC)
    }
  })
  return runs
}

/** Days that were warmer or cooler than what was set, and what they were worth. */
export interface Spell {
  fromDay: number
  toDay: number
  meanC: number
  /** Days of development won, at what was set; lost, where negative. */
  won: number
}

/** Half of the hours of a day speak for it. */
export const DAY_READ = 12

/**
 * Runs of days (UTC) whose readings were apart from what was set, each with what it won or lost. O(hours).
 * @param byC apart by so much, °C
 */
export function spellsApart(
  stretches: readonly Stretch[],
  nowHour: number,
  byC: number,
  development: Pick<Development, 'baseC' | 'bestC'>,
): Spell[] {
  const spells: Spell[] = []
  for (const [i, { log, fromHour, setC }] of stretches.entries()) {
    const end = Math.min(nowHour, stretches[i + 1]?.fromHour ?? nowHour)
    const whole = degreesAbove(setC, development)
    if (!log || whole <= 0) continue
    for (let day = Math.floor(fromHour / 24); day * 24 < end; day++) {
      let [sum, read, won] = [0, 0, 0]
      for (let hour = Math.max(fromHour, day * 24); hour < Math.min(end, (day + 1) * 24); hour++) {
        const mean = hourOf(log, hour)
        if (Number.isNaN(mean)) continue
        sum += mean
        read++
        won += (degreesAbove(mean, development) / whole - 1) / 24
      }
      const apart = read >= DAY_READ ? sum / read - setC : 0
      if (Math.abs(apart) < byC) continue
      const last = spells.at(-1)
      const goesOn = last?.toDay === day - 1 && Math.sign(last.meanC - setC) === Math.sign(apart)
      if (!last || !goesOn) spells.push({ fromDay: day, toDay: day, meanC: sum / read, won })
      else {
        const days = last.toDay - last.fromDay + 1
        last.meanC = (last.meanC * days + sum / read) / (days + 1)
        last.toDay = day
        last.won += won
      }
    }
  }
  return spells
}
