import { incubationTime } from '../../incubation'
import { computedInput, factInput, type Reason } from '../../judgement'
import { eggIncubation, type ClutchState, type House } from '../../subjects'
import type { SeasonContext } from '../context'
import { remembering } from '../remember'
import { eggTempC } from '../warmth'

type Asked = Pick<SeasonContext, 'house' | 'almanac' | 'settings' | 'today' | 'memory'>

/** How long eggs of a species take in this house, against its table. */
export interface HatchPace {
  /** Times the days of the table; 1 where nothing has hatched yet. */
  times: number
  /** Clutches that it follows from. */
  clutches: number
  inputs: Reason['inputs']
}

/**
 * Days to the hatch of one clutch over those of the table at the warmth that its eggs had, less 1; null where one of
 * the two is not known, or where they lie so far apart that a day is written wrongly.
 */
function lateBy(clutch: ClutchState, context: Asked): number | null {
  const { almanac, settings } = context
  const incubation = eggIncubation(clutch, almanac)
  const first = clutch.hatched[0]
  // phases before development have lengths of their own; what lies in two boxes would count twice
  if (clutch.kind !== 'eggs' || !incubation || incubation.phases || !first || clutch.startGive || clutch.partOf)
    return null
  const tempC = (eggTempC(clutch, context) ?? incubation.usualTempC.value) + settings.incubationShiftC
  const { likelyDays } = incubationTime(clutch.speciesId, incubation, tempC, almanac)
  const late = (first.day - clutch.startDay) / likelyDays - 1
  return Math.abs(late) <= almanac.common.paceBelieved!.value * incubation.spreadShare.value ? late : null
}

const paces = remembering<House['clutches'], Map<string, { sum: number; clutches: number }>>()

/** By species, how late all clutches came together, as shares of the time of the table. O(clutches). */
function latenessOf(context: Asked): Map<string, { sum: number; clutches: number }> {
  const { house, almanac, settings, today } = context
  const dependsOn = [almanac, settings, today, house.climate, house.warmth, house.places]
  return paces(context, house.clutches, dependsOn, () => {
    const by = new Map<string, { sum: number; clutches: number }>()
    for (const clutch of Object.values(house.clutches)) {
      const late = clutch.hatched.length ? lateBy(clutch, context) : null
      const before = by.get(clutch.speciesId) ?? { sum: 0, clutches: 0 }
      if (late !== null) by.set(clutch.speciesId, { sum: before.sum + late, clutches: before.clutches + 1 })
    }
    return by
  })
}

/**
 * How long eggs of a species take in this house: the mean of a normal posterior, in which the table weighs as much as
 * so many clutches (Gelman et al., Bayesian Data Analysis). A thermometer that reads too high, or a line that is slow,
 * shows in it.
 */
export function hatchPace(speciesId: string, context: Asked): HatchPace {
  const weight = context.almanac.common.paceShrink!
  const { sum, clutches } = latenessOf(context).get(speciesId) ?? { sum: 0, clutches: 0 }
  if (!clutches) return { times: 1, clutches, inputs: [] }
  const times = 1 + sum / (clutches + weight.value)
  const percent = (share: number) => `${share >= 0 ? '+' : '−'}${Math.abs(100 * share).toFixed(1)} %`
  return {
    times,
    clutches,
    inputs: [
      computedInput(`Hatches here: ${clutches}`, `${percent(sum / clutches)} of the time of the table`),
      factInput('The table weighs as', 'common.paceShrink.value', weight),
      computedInput('So counted', percent(times - 1)),
    ],
  }
}

/** What lanes depend on of it. */
export function paceKey(speciesId: string, context: Asked): string {
  const { times, clutches } = hatchPace(speciesId, context)
  return `${times} ${clutches}`
}
