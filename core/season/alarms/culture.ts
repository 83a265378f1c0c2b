import { feederOf, type Almanac } from '../../almanac'
import type { Day } from '../../chance'
import { cultureWay } from '../../supply'
import { entryInput } from '../../judgement'
import type { CultureState } from '../../subjects'
import { formatDay, formatDistance } from '../../units'
import type { Alarm } from '../contracts'

/** A culture that failed a few days ago. */
export function cultureAlarm(culture: CultureState, almanac: Almanac, today: Day): Alarm | null {
  const feeder = feederOf(almanac, culture.feederId)
  if (!cultureWay(feeder) || !culture.failed || culture.finished || today - culture.failed.day > 10) return null
  return {
    id: `failed:${culture.id}`,
    level: 'watch',
    subject: { type: 'culture', id: culture.id },
    text: `${culture.tag} (${feeder.name.toLowerCase()}) failed ${formatDistance(culture.failed.day, today)}`,
    todo: 'Clear it away from the others; the plan already counts without it.',
    reasons: [
      {
        rule: 'A failed culture gives nothing',
        inputs: [entryInput('Failed', formatDay(culture.failed.day, today), culture.failed)],
      },
    ],
  }
}
