import type { Fact } from '../../almanac'
import { computedInput, factInput } from '../../judgement'
import { LAMP_SOURCES, type LampState } from '../../subjects'
import { counted } from '../../units'
import type { LampStanding } from '../lampStanding'
import type { Told } from './told'

type Named = Pick<LampState, 'tag' | 'lamp'>

export interface WornLamp extends Pick<LampStanding, 'by' | 'reasons'> {
  /** Days past the day on which it was to be replaced. */
  over: number
  /** From so many days it is told. */
  told: Fact
}

export const tellWornLamp = ({ tag, lamp }: Named, { over, by, told, reasons }: WornLamp): Told => ({
  text: `${tag} (${lamp}) is ${over} days past ${by === 'meter' ? 'the day on which the meter found it too weak' : 'its life'}`,
  todo: 'Replace it, or measure its UV index.',
  reasons: [
    ...reasons,
    {
      rule: 'Long past the day on which it was to be replaced',
      inputs: [computedInput('Past it', counted(over, 'day')), factInput('Told after', 'common.lampOver.value', told)],
    },
  ],
})

export const tellNoThermostat = ({ tag, lamp }: Named, source: keyof typeof LAMP_SOURCES): Told => ({
  text: `${tag} (${lamp}) heats without a thermostat`,
  todo: 'A thermostat with its sensor fixed in place, a guard and a smoke alarm before it is left alone: mats and lamps burn animals and houses.',
  reasons: [
    {
      rule: 'What heats is switched by a thermostat (common practice)',
      inputs: [computedInput('Kind', LAMP_SOURCES[source]), computedInput('Thermostat', 'none, as written')],
      change: 'Write that it has one',
    },
  ],
})
