import { summarise } from '../../chance'
import { computedInput, factInput } from '../../judgement'
import { eggsLeft, livingByPlace, tadpolesLeft, youngInGroup } from '../../subjects'
import { formatRange } from '../../units'
import type { Alarm, Lane } from '../contracts'
import { laneById } from '../indexes'
import type { TaskContext } from '../tasks'
import { tellSome } from './tellSome'

/** What is told of tags before it is cut. */
const TAGS_TOLD = 4

/** When young come out of eggs that lie among animals; null where that is far off, or unknown. */
function comesOut(lane: Lane, today: number, within: number): string | null {
  const hatch = lane.events.find(e => e.event === 'hatched')
  if (!hatch || hatch.observed) return null
  const when = summarise(hatch.dist)
  return when && when.low <= today + within ? formatRange(when) : null
}

/** Eggs that hatch, or young that are, in a place where grown animals live: many eat eggs and young, their own too. */
export function hatchCompanyAlarms({ house, almanac, today, lanes }: TaskContext): Alarm[] {
  const within = almanac.common.hatchCompanyDays!
  const living = livingByPlace(house)
  return Object.values(house.clutches).flatMap((clutch): Alarm[] => {
    const place = clutch.placeId ? house.places[clutch.placeId] : undefined
    const tags = [...new Set((living.get(clutch.placeId ?? '') ?? []).map(a => a.tag))].sort()
    if (clutch.ended || !place || place.kind !== 'tub' || !tags.length) return []
    const lane = laneById(lanes, `clutch:${clutch.id}`)
    const young = youngInGroup(clutch) + tadpolesLeft(clutch)
    const when = lane && eggsLeft(clutch) > 0 ? comesOut(lane, today, within.value) : null
    const id = `hatchCompany:${place.id}:${clutch.id}:${young ? 'young' : 'eggs'}`
    if ((!young && when === null) || place.answered?.[id]) return []
    const who = tellSome(tags, TAGS_TOLD)
    return [
      {
        id,
        level: 'watch',
        subject: { type: 'place', id: place.id },
        text: young
          ? `${place.name}: ${young} ${tadpolesLeft(clutch) === young ? 'tadpoles' : 'young'} of ${clutch.tag} are with ${who}, who may eat them`
          : `${place.name}: ${clutch.tag} hatches ${when} beside ${who}, who may eat eggs and young`,
        todo: 'Give eggs and young a place of their own, the perch with glued eggs too. Where the parents care for them, answer it and look daily.',
        reasons: [
          {
            rule: 'Grown animals of many kinds eat eggs and young, their own too: told before they come out',
            inputs: [
              computedInput('Lives there', who),
              ...(when ? [computedInput('Hatch', when)] : []),
              factInput('Told from so long before', 'common.hatchCompanyDays.value', within),
            ],
            change: 'Another place for the clutch, or for who lives there',
          },
        ],
        answerable: true,
      },
    ]
  })
}
