import type { Fact } from '../../almanac'
import { DAY_READ, endOf, watchSpan } from '../../climate'
import { formatReading, formatTempRange, type HourlyLog } from '../../channels'
import { computedInput, computedTemp, factInput } from '../../judgement'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'

/** Eggs that are to lie cool before they develop, and did not for a day. */
export function phaseAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { house, settings } = context
  const range = ({ lowC, highC }: { lowC: Fact; highC: Fact }) =>
    formatTempRange(lowC.value, highC.value, settings.tempUnit)
  const shown = (tempC: number) => formatReading('temperature', tempC, settings.tempUnit)
  const day = watchSpan(log, endOf(log) - 24, endOf(log))
  if (day.read < DAY_READ) return []
  return clutches.flatMap((clutch): Alarm[] => {
    const standing = eggPhase(clutch, context)
    const phase = standing?.phase
    if (!phase || (day.mean! >= phase.lowC.value && day.mean! <= phase.highC.value)) return []
    const path = `species.${clutch.speciesId}.incubation.phases.${standing.index}`
    return [
      {
        id: `eggPhase:${clutch.id}`,
        level: 'watch',
        subject: { type: 'clutch', id: clutch.id },
        text: `${clutch.tag} is in its ${phase.name.toLowerCase()} and lay at ${shown(day.mean!)} over the last day, ${day.mean! > phase.highC.value ? 'over' : 'under'} ${range(phase)}`,
        todo: `Move it in ${house.places[placeId]?.name ?? 'its place'} or out of it; where the phase is over, write that the next began.`,
        reasons: [
          {
            rule: 'Mean of the last 24 hours against what the phase asks for',
            inputs: [
              ...(clutch.programme
                ? [computedInput(clutch.programme.name, range(phase))]
                : [
                    factInput('At least', `${path}.lowC.value`, phase.lowC),
                    factInput('At most', `${path}.highC.value`, phase.highC),
                  ]),
              computedTemp('Mean', day.mean),
            ],
            change: 'Another place, or the next phase',
          },
        ],
      },
    ]
  })
}
