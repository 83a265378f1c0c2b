import { computedInput } from '../../judgement'
import { HEATS, LAMP_SOURCES, type LampState } from '../../subjects'
import type { Alarm } from '../contracts'
import { lampStanding } from '../lampStanding'
import type { SeasonContext } from '../context'

/** A lamp long past the day on which it was to be replaced. */
export function lampAlarm(lamp: LampState, context: SeasonContext): Alarm | null {
  const { due, by, reasons } = lampStanding(lamp, context)
  const over = due === null ? 0 : context.today - due
  if (over <= 14) return null
  return {
    id: `lamp:${lamp.id}`,
    level: 'watch',
    subject: { type: 'lamp', id: lamp.id },
    text: `${lamp.tag} (${lamp.lamp}) is ${over} days past ${by === 'meter' ? 'the day on which the meter found it too weak' : 'its life'}`,
    todo: 'Replace it, or measure its UV index.',
    reasons,
  }
}

/** What heats and is switched by nothing burns animals and houses. */
export function thermostatAlarm(lamp: LampState): Alarm | null {
  if (lamp.thermostat !== false || !lamp.source || !HEATS.includes(lamp.source)) return null
  return {
    id: `thermostat:${lamp.id}`,
    level: 'watch',
    subject: { type: 'lamp', id: lamp.id },
    text: `${lamp.tag} (${lamp.lamp}) heats without a thermostat`,
    todo: 'A thermostat with its sensor fixed in place, a guard and a smoke alarm before it is left alone: mats and lamps burn animals and houses.',
    reasons: [
      {
        rule: 'What heats is switched by a thermostat (common practice)',
        inputs: [computedInput('Kind', LAMP_SOURCES[lamp.source]), computedInput('Thermostat', 'none, as written')],
        change: 'Write that it has one',
      },
    ],
  }
}
