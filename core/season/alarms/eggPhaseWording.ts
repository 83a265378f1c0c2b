import type { Fact } from '../../almanac'
import { formatReading, formatTempRange } from '../../channels'
import { computedInput, computedTemp, factInput } from '../../judgement'
import type { ClutchState } from '../../subjects'
import type { TempUnit } from '../../units'
import type { Told } from './told'

export interface OutOfPhase {
  clutch: ClutchState
  phase: { name: string; lowC: Fact; highC: Fact }
  /** Which phase of its species it is. */
  index: number
  /** Of the last day, °C. */
  mean: number
  /** Name of its place; null where it is not known. */
  place: string | null
  tempUnit: TempUnit
}

export function tellEggPhase({ clutch, phase, index, mean, place, tempUnit }: OutOfPhase): Told {
  const path = `species.${clutch.speciesId}.incubation.phases.${index}`
  const range = formatTempRange(phase.lowC.value, phase.highC.value, tempUnit)
  const side = mean > phase.highC.value ? 'over' : 'under'
  return {
    text: `${clutch.tag} is in its ${phase.name.toLowerCase()} and lay at ${formatReading('temperature', mean, tempUnit)} over the last day, ${side} ${range}`,
    todo: `Move it in ${place ?? 'its place'} or out of it; where the phase is over, write that the next began.`,
    reasons: [
      {
        rule: 'Mean of the last 24 hours against what the phase asks for',
        inputs: [
          ...(clutch.programme
            ? [computedInput(clutch.programme.name, range)]
            : [
                factInput('At least', `${path}.lowC.value`, phase.lowC),
                factInput('At most', `${path}.highC.value`, phase.highC),
              ]),
          computedTemp('Mean', mean),
        ],
        change: 'Another place, or the next phase',
      },
    ],
  }
}
