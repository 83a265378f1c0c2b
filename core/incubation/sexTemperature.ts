import { degreesAbove, eachHour, type Development, type Stretch } from '../climate'

/** Development that happened at a temperature, degree-hours. */
export interface AtTemperature {
  tempC: number
  development: number
}

/**
 * The temperature above which half of the development happens: eggs of a daily swing are sexed as if kept at it.
 * Source: Georges 1989, Oecologia 81:323–328.
 * @param parts development at each temperature, of a day or of what repeats itself; any order
 * @returns °C, or null where nothing developed
 */
export function constantEquivalentC(parts: readonly AtTemperature[]): number | null {
  const rising = parts.filter(p => p.development > 0).sort((a, b) => a.tempC - b.tempC)
  const half = rising.reduce((sum, p) => sum + p.development, 0) / 2
  let below = 0
  for (const { tempC, development } of rising) if ((below += development) >= half) return tempC
  return null
}

/** Days of development, each with its own equivalent, as one: by how much developed on each. */
class DayByDay {
  private day: AtTemperature[] = []
  private sum = 0
  private weight = 0

  add(tempC: number, development: number): void {
    this.day.push({ tempC, development })
    if (this.day.length === 24) this.close()
  }

  /** The equivalent of all days so far; null while nothing developed. */
  equivalent(): number | null {
    this.close()
    return this.weight ? this.sum / this.weight : null
  }

  /** A span at one temperature, however long. */
  addSpan(tempC: number, development: number): void {
    this.close()
    this.addDay(tempC, development)
  }

  private close(): void {
    const developed = this.day.reduce((sum, p) => sum + p.development, 0)
    const of = constantEquivalentC(this.day)
    if (of !== null) this.addDay(of, developed)
    this.day = []
  }

  private addDay(tempC: number, development: number): void {
    this.sum += tempC * development
    this.weight += development
  }
}

export interface SexTemperature {
  /** The constant temperature that sets the sex as what was, and what goes on, does. */
  equivalentC: number | null
  /** The same of what is over alone; null while nothing is. */
  pastC: number | null
  /** Share of the time that sets the sex which is over, 0..1. */
  over: number
}

/**
 * The constant temperature that eggs were at while their sex was set: the equivalent of each day by its hours, and of
 * these the mean by what developed on each, so that a warm spell of some days counts by its length. The span is a share
 * of development and not of days. What is still to come counts at the temperature at which it goes on.
 * @param span from and to, as shares of development
 * @param endHour the hour in which they hatched, when they have: development was whole then
 */
export function sexTemperature(
  stretches: readonly Stretch[],
  nowHour: number,
  development: Development & { goesOnAtC: number },
  span: { from: number; to: number },
  endHour: number | null,
): SexTemperature {
  const end = endHour === null ? nowHour : Math.min(nowHour, endHour)
  let whole = development.degreeDays * 24
  if (endHour !== null) {
    whole = 0
    eachHour(stretches, end, tempC => (whole += degreesAbove(tempC, development)))
  }
  const [first, last] = [span.from * whole, span.to * whole]
  const days = new DayByDay()
  let done = 0
  let within = 0
  eachHour(stretches, end, tempC => {
    const more = degreesAbove(tempC, development)
    const inside = Math.min(done + more, last) - Math.max(done, first)
    if (inside > 0) {
      days.add(tempC, inside)
      within += inside
    }
    done += more
  })
  const pastC = days.equivalent()
  const ahead = last - first - within
  if (ahead > 1e-9 && degreesAbove(development.goesOnAtC, development) > 0) days.addSpan(development.goesOnAtC, ahead)
  return {
    equivalentC: days.equivalent(),
    pastC,
    over: last > first ? Math.min(1, within / (last - first)) : 0,
  }
}
