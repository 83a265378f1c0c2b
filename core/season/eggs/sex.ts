import { speciesOf } from '../../almanac'
import { computedInput, factInput, type Judgement } from '../../judgement'
import { sexPrior, tellPrior } from '../../sexing'
import type { ClutchState } from '../../subjects'
import type { SeasonContext } from '../context'
import { eggTempC, eggWarmth } from '../warmth'

type Asked = Pick<SeasonContext, 'house' | 'almanac' | 'today' | 'memory'>

/**
 * The constant temperature that sets the sex of a clutch as its readings did and will, °C; where nothing is read, what
 * was written of its box or place.
 */
export function sexTempC(clutch: ClutchState, context: Asked): number | null {
  if (clutch.kind !== 'eggs') return null
  return eggWarmth(clutch, context)?.sex?.tempC ?? eggTempC(clutch, context)
}

export interface SexOutlook {
  /** Share of females to be expected, 0..1. */
  female: number
  tempC: number
  /** Share of the time that sets the sex which is over; null where nothing is read. */
  over: number | null
}

/** What the warmth makes of a clutch; null where it does not set the sex, or is not known. */
export function sexOutlook(clutch: ClutchState, context: Asked): Judgement<SexOutlook> | null {
  const { almanac } = context
  const species = speciesOf(almanac, clutch.speciesId)
  const tempC = sexTempC(clutch, context)
  if (!species.sexByTemperature || tempC === null) return null
  const prior = sexPrior(species, tempC)
  const told = eggWarmth(clutch, context)?.sex
  const { sexFrom, sexTo } = almanac.common
  return {
    value: { female: 1 - prior.male, tempC, over: told?.over ?? null },
    reasons: [
      {
        rule: told
          ? 'The temperature above which half of development happened while the sex was set (Georges 1989), hour by hour; then the table of the species'
          : 'By the temperature that is written, since nothing is read; then the table of the species',
        inputs: [
          ...tellPrior(prior, species).inputs,
          factInput('Sex is set from', 'common.sexFrom.value', sexFrom!),
          factInput('To', 'common.sexTo.value', sexTo!),
          ...(told ? [computedInput('Of that time over', `${Math.round(told.over * 100)} %`)] : []),
        ],
        change: 'Another temperature while the sex is being set: before and after, it changes nothing',
      },
    ],
  }
}
