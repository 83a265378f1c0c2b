import { judgeLampAt, type LampHere } from '../light'
import { computedInput, entryInput, factInput, type Reason } from '../judgement'
import type { LampState } from '../subjects'
import type { Day } from '../chance'
import { formatDay } from '../units'
import type { SeasonContext } from './context'
import { uvBandAt } from './places'

/** Until when a lamp is good, and how that is known. */
export interface LampStanding {
  /** The day on which it is to be replaced; null: the meter says that it is good, and not yet until when. */
  due: Day | null
  /** By the meter where one was held to it lately, else by its age. */
  by: 'meter' | 'age'
  here: LampHere | null
  reasons: Reason[]
}

/** By the meter, never by the age, where a reading is fresh: a worn tube may be good, and a new one too weak. */
export function lampStanding(
  lamp: LampState,
  { house, almanac, today }: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
): LampStanding {
  const { common } = almanac
  const place = lamp.placeId ? house.places[lamp.placeId] : undefined
  const band = place ? uvBandAt(house, place, almanac) : null
  const here = place ? judgeLampAt(house, place, band, common) : null
  const fresh = common.meterFresh!
  if (here?.lamp.id === lamp.id && here.readDay !== null && today - here.readDay <= fresh.value) {
    const { action, uvIndex, fadesIn } = here.verdict
    const fades = fadesIn && Number.isFinite(fadesIn.mid) ? here.readDay + Math.round(fadesIn.mid) : null
    const read = place!.measured?.findLast(m => m.channel === 'uvIndex')
    return {
      due: action === 'replace' ? here.readDay : fades,
      by: 'meter',
      here,
      reasons: [
        {
          rule: 'The meter decides, not the age: good while the spot is within the band, replaced on the day on which it has faded out of it, as far as the readings say',
          inputs: [
            ...(read ? [entryInput('Read at the spot', `UV index ${uvIndex!.toFixed(1)}`, read)] : []),
            computedInput('Should be there', `${band?.low ?? 0} to ${band?.high ?? '–'}`),
            ...(fades === null ? [] : [computedInput('Too weak from about', formatDay(fades, today))]),
            factInput('A reading speaks for', 'common.meterFresh.value', fresh),
          ],
          change: 'A new reading at the spot',
        },
      ],
    }
  }
  return {
    due: lamp.fittedDay + lamp.lifeDays,
    by: 'age',
    here,
    reasons: [
      {
        rule: 'Lamps fade: without a reading of late it is replaced after its life (common practice)',
        inputs: [
          computedInput('Life', `${lamp.lifeDays} days`),
          computedInput('Fitted', formatDay(lamp.fittedDay, today)),
        ],
        change: 'A reading of the UV index where the animal sits: then the meter decides',
      },
    ],
  }
}
