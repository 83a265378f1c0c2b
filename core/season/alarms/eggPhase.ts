import { DAY_READ, endOf, watchSpan } from '../../climate'
import type { HourlyLog } from '../../channels'
import type { ClutchState } from '../../subjects'
import type { Alarm } from '../contracts'
import type { SeasonContext } from '../context'
import { eggPhase } from '../eggs'
import { tellEggPhase } from './eggPhaseWording'

/** Eggs that are to lie cool before they develop, and did not for a day. */
export function phaseAlarm(
  placeId: string,
  log: HourlyLog,
  clutches: readonly ClutchState[],
  context: SeasonContext,
): Alarm[] {
  const { house, settings } = context
  const day = watchSpan(log, endOf(log) - 24, endOf(log))
  if (day.read < DAY_READ) return []
  const place = house.places[placeId]?.name ?? null
  return clutches.flatMap((clutch): Alarm[] => {
    const standing = eggPhase(clutch, context)
    const phase = standing?.phase
    const mean = day.mean!
    if (!phase || (mean >= phase.lowC.value && mean <= phase.highC.value)) return []
    const found = { clutch, phase, index: standing.index, mean, place, tempUnit: settings.tempUnit }
    return [
      {
        id: `eggPhase:${clutch.id}`,
        level: 'watch',
        subject: { type: 'clutch', id: clutch.id },
        ...tellEggPhase(found),
      },
    ]
  })
}
