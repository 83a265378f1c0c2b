import { residentsOf } from '../../climate'
import { waysUp } from '../../places'
import { careLines, jobsAt, type CareLine, type JobDue } from '../../jobs'
import type { Place } from '../../subjects'
import type { SeasonContext } from '../context'
import { remembering } from '../remember'

const jobs = remembering<Place, JobDue[]>()

/** The care that is due today; what stands at a place is worked out anew only where something has changed. */
export function careOutlook(context: SeasonContext): CareLine[] {
  const { house, almanac, today } = context
  return careLines(house, almanac, today, placeId => {
    const place = house.places[placeId]
    if (!place) return []
    const species = [...new Set((residentsOf(house).get(placeId) ?? []).map(r => r.speciesId))].sort().join()
    const dependsOn = [...waysUp(house.places, placeId), species, almanac, today]
    return jobs(context, place, dependsOn, () => jobsAt(house, almanac, placeId, today))
  })
}
