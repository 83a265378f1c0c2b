import { HEATS, type LampState } from '../../subjects'
import type { Alarm } from '../contracts'
import { lampStanding } from '../lampStanding'
import type { SeasonContext } from '../context'
import { tellNoThermostat, tellWornLamp } from './lampWording'

/** A lamp long past the day on which it was to be replaced. */
export function lampAlarm(lamp: LampState, context: SeasonContext): Alarm | null {
  const { due, by, reasons } = lampStanding(lamp, context)
  const over = due === null ? 0 : context.today - due
  const told = context.almanac.common.lampOver!
  if (over <= told.value) return null
  return {
    id: `lamp:${lamp.id}`,
    level: 'watch',
    subject: { type: 'lamp', id: lamp.id },
    ...tellWornLamp(lamp, { over, by, told, reasons }),
  }
}

/** What heats and is switched by nothing burns animals and houses. */
export function thermostatAlarm(lamp: LampState): Alarm | null {
  const { source } = lamp
  if (lamp.thermostat !== false || !source || !HEATS.includes(source)) return null
  return {
    id: `thermostat:${lamp.id}`,
    level: 'watch',
    subject: { type: 'lamp', id: lamp.id },
    ...tellNoThermostat(lamp, source),
  }
}
