import { summarise, type DaySummary } from '../../chance'
import { eggsLeft, livingByPlace, tadpolesLeft, youngInGroup } from '../../subjects'
import type { Alarm, Lane } from '../contracts'
import { laneById } from '../indexes'
import type { TaskContext } from '../tasks'
import { tellHatchCompany } from './hatchCompanyWording'

/** When young come out of eggs that lie among animals; null where that is far off, or unknown. */
function comesOut(lane: Lane, today: number, within: number): DaySummary | null {
  const hatch = lane.events.find(e => e.event === 'hatched')
  if (!hatch || hatch.observed) return null
  const when = summarise(hatch.dist)
  return when && when.low <= today + within ? when : null
}

/** Eggs that hatch, or young that are, in a place where grown animals live: many eat eggs and young, their own too. */
export function hatchCompanyAlarms({ house, almanac, today, lanes }: TaskContext): Alarm[] {
  const living = livingByPlace(house)
  return Object.values(house.clutches).flatMap((clutch): Alarm[] => {
    const place = clutch.placeId ? house.places[clutch.placeId] : undefined
    const beside = [...new Set((living.get(clutch.placeId ?? '') ?? []).map(a => a.tag))].sort()
    if (clutch.ended || !place || place.kind !== 'tub' || !beside.length) return []
    const lane = laneById(lanes, `clutch:${clutch.id}`)
    const tadpoles = tadpolesLeft(clutch)
    const young = youngInGroup(clutch) + tadpoles
    const hatch = lane && eggsLeft(clutch) > 0 ? comesOut(lane, today, almanac.common.hatchCompanyDays!.value) : null
    const id = `hatchCompany:${place.id}:${clutch.id}:${young ? 'young' : 'eggs'}`
    if ((!young && hatch === null) || place.answered?.[id]) return []
    const found = { name: place.name, tag: clutch.tag, beside, young, larvae: tadpoles === young, hatch }
    return [
      {
        id,
        level: 'watch',
        subject: { type: 'place', id: place.id },
        ...tellHatchCompany(found, almanac),
        answerable: true,
      },
    ]
  })
}
