import type { Species } from '../../almanac'
import { mealAfterWarm, hasWinter, judgeReadiness, programmeOf, usualPerDay, type WinterContext } from '../../brumation'
import { certain, shift, summarise, type Day, type DayDist } from '../../chance'
import { incubationTime } from '../../incubation'
import { computedInput, type Reason } from '../../judgement'
import type { WinterWays } from '../../subjects'
import { forecastChain } from '../../pairing'
import { formatDay } from '../../units'

/** An animal of which nothing is known but its species. */
const NOTHING_YET = { weights: [], meals: [], lastShed: null }
/** So far in the past that nothing is conditioned on today. */
const LONG_AGO = -1000

export interface CoolingWindow {
  /**
   * Cool on `likely` and half of first hatches come by the wished day; on `early`, nine in ten; on `late`, one in ten.
   */
  early: Day
  likely: Day
  late: Day
  /** First hatch or birth when cooled on `likely`. */
  hatch: DayDist
  reasons: Reason[]
}

/**
 * When to start cooling, so that the first young come about a wished day: the clocks from cooling to hatching, with
 * their spread, counted backwards. Null for a species without a winter, or whose clocks do not reach to the young.
 * @param wished day of the first hatch (or birth)
 */
export function coolingWindow(
  species: Species,
  wished: Day,
  context: WinterContext,
  ways: WinterWays = {},
): CoolingWindow | null {
  if (!hasWinter(species)) return null
  const programme = programmeOf(species, context, 0, ways)
  const incubation = species.incubation
    ? {
        ...incubationTime(species.id, species.incubation, species.incubation.usualTempC.value, context.almanac),
        comes: context.almanac.common.hatchComes!,
      }
    : null
  const ready =
    species.winter === 'brumation'
      ? judgeReadiness(
          species,
          NOTHING_YET,
          { cooled: { day: 0, entryId: '' }, warmed: null, placeId: null, incidents: [] },
          { warm: certain(programme.warmDay), seen: null, firstMealAfterDays: mealAfterWarm(context.almanac) },
          usualPerDay(species.cold) * programme.wakeDay,
          LONG_AGO,
          context,
          ways.pairAfterCold,
        )
      : null
  const given = {
    warmUp: { dist: certain(programme.wakeDay), reasons: [] },
    ...(ready && { ready: { dist: ready.dist, reasons: ready.reasons } }),
  }
  const events = forecastChain({
    late: context.almanac.common.clockLate!,
    species,
    observed: {},
    given,
    incubation,
    today: LONG_AGO,
  })
  const young = events.find(e => e.event === (species.mode === 'live' ? 'born' : 'hatched'))
  const span = young && summarise(young.dist)
  if (!span) return null
  const likely = wished - span.median
  return {
    early: wished - span.high,
    likely,
    late: wished - span.low,
    hatch: shift(young.dist, likely),
    reasons: [
      {
        rule: 'Cooling, hold, warming, readiness, lock, laying and incubation added up with their spread, and counted back from the wished day',
        inputs: [
          computedInput('Wished', formatDay(wished)),
          computedInput('Cooling to first young', `${span.median} days (${span.low}–${span.high})`),
          computedInput('Of it in the cold', `${programme.wakeDay} days`),
          computedInput('Chance that it comes at all', `${Math.round((1 - young.dist.never) * 100)} %`),
        ],
        change: 'A shorter hold, another warming school, or other clocks in the almanac',
      },
      ...(ready?.reasons ?? []),
      ...programme.reasons,
    ],
  }
}
