import type { Day } from '../../chance'
import { computedInput } from '../../judgement'
import type { LampState } from '../../subjects'
import { formatDay } from '../../units'
import type { Alarm } from '../contracts'

/** A lamp long past its life. */
export function lampAlarm(lamp: LampState, today: Day): Alarm | null {
  const over = today - lamp.fittedDay - lamp.lifeDays
  if (over <= 14) return null
  return {
    id: `lamp:${lamp.id}`,
    level: 'watch',
    subject: { type: 'lamp', id: lamp.id },
    text: `${lamp.tag} (${lamp.lamp}) is ${over} days past its life`,
    todo: 'Replace it, or measure its UV index.',
    reasons: [
      {
        rule: 'Lamps fade (common practice)',
        inputs: [
          computedInput('Life', `${lamp.lifeDays} days`),
          computedInput('Fitted', formatDay(lamp.fittedDay, today)),
        ],
      },
    ],
  }
}
