import { companyProblems, livingByPlace } from '../../subjects'
import type { SeasonContext } from '../context'
import type { Alarm } from '../contracts'
import { tellCrowded, tellManyCrowded, type Crowded } from './companyWording'

/** So many places with the same trouble are told as one. */
const TOLD_APART = 3

interface CrowdedPlace extends Crowded {
  placeId: string
  count: number
}

/** Another number of animals is another matter: what was answered before does not cover it. */
const idOf = ({ placeId, problem, count }: CrowdedPlace): string => `company:${placeId}:${problem.why}:${count}`

/** Places in which sit who should not sit together, but for those of which the keeper has said that it is meant. */
function crowdedPlaces({ house, almanac }: SeasonContext): CrowdedPlace[] {
  return [...livingByPlace(house)].flatMap(([placeId, animals]): CrowdedPlace[] => {
    const place = house.places[placeId]
    // a rack or a room holds many, each behind its own glass
    if (place?.kind !== 'tub') return []
    const [problem] = companyProblems(house, almanac, animals)
    if (!problem) return []
    const tags = [...new Set(animals.map(a => a.tag))].sort()
    const one = { placeId, name: place.name, tags, count: animals.length, problem }
    return place.answered?.[idOf(one)] ? [] : [one]
  })
}

/** Who sits with whom against what their species bear. */
export function companyAlarms(context: SeasonContext): Alarm[] {
  const { almanac } = context
  const crowded = crowdedPlaces(context)
  const kinds = [...new Set(crowded.map(c => c.problem.why))]
  return kinds.flatMap((why): Alarm[] => {
    const same = crowded.filter(c => c.problem.why === why)
    if (same.length > TOLD_APART)
      return [{ id: `company:many:${why}`, level: 'watch', subject: null, ...tellManyCrowded(same, almanac) }]
    return same.map(c => ({
      id: idOf(c),
      level: 'watch',
      subject: { type: 'place', id: c.placeId },
      ...tellCrowded(c, almanac),
      answerable: true,
    }))
  })
}
