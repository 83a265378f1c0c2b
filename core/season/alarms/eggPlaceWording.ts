import type { Almanac, Fact } from '../../almanac'
import { formatReading } from '../../channels'
import type { SpanWatch } from '../../climate'
import { computedInput, computedTemp, factInput, type Reason } from '../../judgement'
import { tellSome, type TempUnit } from '../../units'
import type { Told } from './told'

/** What the probe of a place with eggs has read. */
export interface EggPlaceRead {
  name: string
  /** Whose eggs are in it. */
  tags: readonly string[]
  /** What kills the most tender of them, °C, and of which species these are. */
  kills: Fact
  speciesId: string
  /** The last two days. */
  lately: SpanWatch
  /** Since the first was laid. */
  hoursAbove: number
  tempUnit: TempUnit
}

const reasonOf = ({ kills, speciesId, lately, hoursAbove }: EggPlaceRead, { common }: Almanac): Reason => ({
  rule: 'What the probe of the eggs read in the last two days, against what kills the most tender of them',
  inputs: [
    factInput('Kills above', `species.${speciesId}.incubation.lethalAboveC.value`, kills),
    computedTemp('Highest', lately.highest, 'nothing read'),
    computedInput('Hours above, since the first was laid', `${hoursAbove}`),
    factInput('Silence told after', 'common.coldSilent.value', common.coldSilent!),
  ],
  change: 'The probe moved, the clutch moved, another limit set in the Almanac',
})

/** Hours in which it was so warm that eggs die. */
export function tellHeat(read: EggPlaceRead, almanac: Almanac): Told {
  const { name, tags, kills, lately, tempUnit } = read
  const shown = (tempC: number) => formatReading('temperature', tempC, tempUnit)
  return {
    text: `${name} was over ${shown(kills.value)} for ${lately.hoursAbove} of the last ${lately.hours} hours, up to ${shown(lately.highest!)}: eggs die of that; in it ${tellSome(tags)}`,
    todo: 'Cool it now: lid off, heat off, check the thermostat against a second thermometer. Candle in a week.',
    reasons: [reasonOf(read, almanac)],
  }
}

/** @param hours for so long nothing was read */
export const tellSilent = (read: EggPlaceRead, hours: number, almanac: Almanac): Told => ({
  text: `${read.name} sends no reading since ${hours} hours; in it ${tellSome(read.tags)}`,
  todo: 'Look at the probe, its battery and the plug, and at a second thermometer: a cold incubator is silent too.',
  reasons: [reasonOf(read, almanac)],
})
