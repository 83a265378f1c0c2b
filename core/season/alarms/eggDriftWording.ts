import type { Almanac } from '../../almanac'
import { formatDifference, formatReading } from '../../channels'
import { computedInput, computedTemp, factInput } from '../../judgement'
import { tellSome, type TempUnit } from '../../units'
import type { Told } from './told'

/** A place with eggs that was warmer than it is set to. Temperatures in °C. */
export interface TooWarm {
  name: string
  mean: number
  /** Hours of the last day that were read. */
  read: number
  setC: number
  /** Days of development that such a day gains each clutch; null where at what is set nothing develops. */
  gained: readonly { tag: string; days: number | null }[]
  tempUnit: TempUnit
}

export function tellTooWarm({ name, mean, read, setC, gained, tempUnit }: TooWarm, { common }: Almanac): Told {
  const shown = (tempC: number) => formatReading('temperature', tempC, tempUnit)
  const told = tellSome(gained.map(({ tag, days }) => `${tag} ${days === null ? '0' : days.toFixed(2)}`))
  return {
    text: `${name} read ${shown(mean)} over the last day and is set to ${shown(setC)}. Each such day brings the hatch forward, in days: ${told}`,
    todo: 'Check it with a second thermometer, then the thermostat. Dates and sexes count with what is read; where the setting was changed, write it in Places.',
    reasons: [
      {
        rule: 'Mean of the last 24 hours against what the place is set to',
        inputs: [
          computedInput('Mean', `${shown(mean)} of ${read} hours`),
          computedTemp('Set to', setC),
          factInput('Told from', 'common.eggsOff.value', common.eggsOff!),
        ],
        change: 'The next readings; another temperature set of the place',
      },
    ],
  }
}

/** A place with eggs whose warmest hour of the day was far from its coldest, °C. */
export interface Swing {
  name: string
  lowest: number
  highest: number
  /** Whose eggs are in it. */
  tags: readonly string[]
  tempUnit: TempUnit
}

export function tellSwing({ name, lowest, highest, tags, tempUnit }: Swing, { common }: Almanac): Told {
  const shown = (tempC: number) => formatReading('temperature', tempC, tempUnit)
  return {
    text: `${name} went from ${shown(lowest)} to ${shown(highest)} within a day; in it ${tellSome(tags)}`,
    todo: 'Look at the thermostat, its probe and the lid. Where a cooler night is meant, answer this.',
    reasons: [
      {
        rule: 'Warmest against coldest of the last 24 hours',
        inputs: [
          computedInput('Apart', formatDifference('temperature', highest - lowest, tempUnit)),
          factInput('Told from', 'common.eggsSwing.value', common.eggsSwing!),
        ],
        change: 'A steady day',
      },
    ],
  }
}
