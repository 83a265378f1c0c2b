import type { Fact, Home, Species } from '../almanac'
import { Z80, type Day } from '../chance'
import { massAfter, type Pace } from './growth'
import type { HomeSize } from '../subjects'
import { homeNeed, isEnough, type HomeNeed } from './need'

/** One that lives in a home and grows there. */
export interface Grower {
  species: Pick<Species, 'adultMassG' | 'youngMassG' | 'matureDays'>
  home: Home
  /** Its weight on the day it was last weighed, or reckoned from. */
  massG: number
  /** Days of growth since then, up to a day from today on: what is in the cold does not grow. */
  grown: (day: Day) => number
  pace: Pace
}

/** When a home becomes too small. */
export interface Outgrown {
  /** 80 % range and middle; null = not within the days looked ahead. A day before today: it has been since then. */
  low: Day | null
  mid: Day | null
  high: Day | null
  /** What they need today, by the likely weights. */
  need: HomeNeed
}

/** What growers need on a day, each growing by its own pace, so many standard deviations over the likely one. */
function needOn(
  growers: readonly Grower[],
  day: Day,
  over: number,
  room: number,
  common: Readonly<Record<string, Fact>>,
): HomeNeed {
  return homeNeed(
    growers.map(({ species, home, massG, grown, pace }) => ({
      home,
      share:
        massAfter(species, massG, grown(day) * pace.likely * Math.exp(over * pace.sd), common) /
        species.adultMassG.value,
    })),
    room,
    common,
  )!
}

/**
 * The day on which a home becomes too small for those who live in it, with its spread: those that grow quickly reach it
 * early. Who lives together is taken to grow alike, which makes the spread wide rather than narrow.
 * @param growers at least one
 * @param from the first day looked at, commonly the day of the oldest weight
 * @param to the last one
 * @param room share of the stated floor that the house gives
 */
export function outgrows(
  growers: readonly Grower[],
  size: HomeSize,
  today: Day,
  from: Day,
  to: Day,
  room: number,
  common: Readonly<Record<string, Fact>>,
): Outgrown {
  const first = (over: number): Day | null => {
    const isSmall = (day: Day) => !isEnough(size, needOn(growers, day, over, room, common), common)
    if (!isSmall(to)) return null
    // need never falls, so that halving finds the first day
    let [enough, small] = [from - 1, to]
    while (small - enough > 1) {
      const middle = Math.floor((enough + small) / 2)
      if (isSmall(middle)) small = middle
      else enough = middle
    }
    return small
  }
  return {
    low: first(Z80),
    mid: first(0),
    high: first(-Z80),
    need: needOn(growers, today, 0, room, common),
  }
}
