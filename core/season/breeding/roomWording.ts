import type { Species } from '../../almanac'
import { computedInput, factInput, spreadInput, type Reason } from '../../judgement'
import { FOOD_DAYS, type RoomFound } from './roomFindings'

function tellPlace({ left, freePlaces, expected }: RoomFound): string {
  return left <= 0
    ? `No place is left: ${freePlaces} free, ${expected} young expected already`
    : `You can place ${left}`
}

function tellFood({ prey, young }: RoomFound['fed']): string {
  if (young === null) return `${prey} is bought as needed`
  return young === 0 ? `${prey}: none to spare, start cultures first` : `${prey} feeds ${young} more`
}

/** Where the young of a pair would go and what they would eat, in a sentence or two. */
export function tellRoom(found: RoomFound): string {
  const { low, high } = found.brings
  const brings = low === high ? `about ${low}` : `${low}–${high}`
  return `${tellPlace(found)}; this pair brings ${brings} more, each for about ${found.weeksToSale} weeks. ${tellFood(found.fed)}.`
}

export function roomReasons({ freePlaces, expected, fed }: RoomFound, species: Species): Reason[] {
  const path = `species.${species.id}`
  const { nextClutch } = species
  return [
    {
      rule: 'Places count = places needed: boxes and tubs with nobody in them, less the young that pairs and eggs bring already',
      inputs: [
        computedInput('Free boxes and tubs', `${freePlaces}`),
        computedInput('Young expected already', `${expected}`),
      ],
      change: 'Young sold, places added, a pair ended',
    },
    {
      rule: 'Young of the pair in a season: clutch size times the usual clutches times what comes through',
      inputs: [
        spreadInput('Clutch', `${path}.clutchSize`, species.clutchSize),
        ...(nextClutch ? [spreadInput('Clutches a season', `${path}.nextClutch.perSeason`, nextClutch.perSeason)] : []),
        factInput('Good eggs', `${path}.fertility.value`, species.fertility),
        factInput('Hatch or birth', `${path}.hatchRate.value`, species.hatchRate),
        factInput('Kept before sale', `${path}.keptDays.value`, species.keptDays),
      ],
    },
    {
      rule: `Food of the first weeks: ${fed.prey.toLowerCase()} in stock and running, less what is needed in ${FOOD_DAYS} days`,
      inputs: [computedInput('Feeds beside', fed.young === null ? 'bought as needed' : `${fed.young} young`)],
      change: 'Cultures started',
    },
  ]
}
