import { feederOf, type Almanac } from '../../almanac'
import type { Day } from '../../chance'
import { cultureWay } from '../../supply'
import type { CultureState } from '../../subjects'
import type { Alarm } from '../contracts'
import { tellFailed } from './cultureWording'

/** A culture that failed a few days ago. */
export function cultureAlarm(culture: CultureState, almanac: Almanac, today: Day): Alarm | null {
  const feeder = feederOf(almanac, culture.feederId)
  const { failed, finished } = culture
  const told = almanac.common.failedTold!
  if (!cultureWay(feeder) || !failed || finished || today - failed.day > told.value) return null
  return {
    id: `failed:${culture.id}`,
    level: 'watch',
    subject: { type: 'culture', id: culture.id },
    ...tellFailed({ tag: culture.tag, feeder, failed, told }, today),
  }
}
