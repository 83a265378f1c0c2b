import type { Almanac, Fact } from '../../almanac'
import { formatReading } from '../../channels'
import type { SpanWatch } from '../../climate'
import { computedTemp, factInput } from '../../judgement'
import type { ClutchState } from '../../subjects'
import { tellSome, type TempUnit } from '../../units'
import type { Told } from './told'

export interface NearHeat {
  /** Name of the place, and whose eggs in it were near what kills. */
  name: string
  tags: readonly string[]
  /** The most tender of them: from which warmth it is near, °C, and whether it is in its last third. */
  clutch: ClutchState
  from: number
  kills: Fact
  late: boolean
  span: SpanWatch
  tempUnit: TempUnit
}

export function tellNearHeat(
  { name, tags, clutch, from, kills, late, span, tempUnit }: NearHeat,
  { common }: Almanac,
): Told {
  const shown = (tempC: number) => formatReading('temperature', tempC, tempUnit)
  const nearly = late ? `, and ${clutch.tag} is in the last third, in which eggs bear less` : ''
  return {
    text: `${name} was over ${shown(from)} for ${span.hoursAbove} of the last ${span.hours} hours; eggs die over ${shown(kills.value)}${nearly}. In it ${tellSome(tags)}`,
    todo: 'Set it lower, or find what warms it. Give the box air: warm eggs that are nearly ready need more of it.',
    reasons: [
      {
        rule: 'Hours of the last two days near what kills; nearer to the hatch from a lower warmth',
        inputs: [
          factInput('Kills above', `species.${clutch.speciesId}.incubation.lethalAboveC.value`, kills),
          factInput('Near it, under that by', 'common.eggsNearHot.value', common.eggsNearHot!),
          factInput('Near it, in the last third', 'common.eggsNearHotLate.value', common.eggsNearHotLate!),
          factInput('Which begins at, of development', 'common.eggsLateThird.value', common.eggsLateThird!),
          factInput('Told after', 'common.eggsNearHotFor.value', common.eggsNearHotFor!),
          computedTemp('Highest', span.highest, 'nothing read'),
        ],
        change: 'Two cooler days; the clutch moved',
      },
    ],
  }
}
