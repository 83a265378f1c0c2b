import type { LampState } from '../../subjects'
import { formatDistance } from '../../units'
import type { LampStanding } from '../lampStanding'
import type { Told } from './told'

export const LABELS = { replaced: 'Replaced' } as const

export const tellLamp = ({ lamp, fittedDay }: LampState, { by, reasons }: LampStanding, today: number): Told => ({
  what: `Replace ${lamp}`,
  detail: by === 'meter' ? 'by the meter' : `fitted ${formatDistance(fittedDay, today)}`,
  caution: 'Cold and unplugged first. Guard, thermostat and smoke alarm: lamps burn houses.',
  reasons,
})
