import { feederOf, type Almanac, type Species } from '../../almanac'
import type { Gravid, NextMeal, Portion } from '../../feeding'
import { entryInput, type Judgement } from '../../judgement'
import { MANNER_WORDS, POWDER_WORDS, PREY_STATE_WORDS, type AnimalState } from '../../subjects'
import { formatDay, lowerFirst } from '../../units'
import type { NextOfferSaid } from '../eating'
import type { Told } from './told'

export const LABELS = {
  took: 'Took',
  refused: 'Refused',
  leftIn: 'Left in',
  struck: 'Struck',
  gone: 'Gone',
  stillThere: 'Still there',
} as const

export function tellPortion(almanac: Almanac, { prey, count }: Portion): string {
  const feeder = feederOf(almanac, prey)
  return `${count} ${count === 1 ? feeder.one : feeder.many}`
}

type LeftIn = NonNullable<AnimalState['leftIn']>

export function tellLeft(left: LeftIn, almanac: Almanac, today: number): Told {
  const is = left.length === 1 && left[0]!.offered === 1 ? 'is' : 'are'
  const prey = left.map(l => tellPortion(almanac, { prey: l.prey, count: l.offered })).join(' and ')
  return {
    what: `Look whether ${prey} left in ${is} gone`,
    caution: 'What is still there is thrown away, and not given to another. Wash hands.',
    reasons: [
      {
        rule: 'Prey that was left in overnight is looked for next morning: what lies longer spoils, and a refusal that nobody saw is one',
        inputs: left.map(l => entryInput('Left in', formatDay(l.day, today), l)),
        change: 'Gone, or still there',
      },
    ],
  }
}

/** What is particular about a meal: the first of all, a try after refusals, the first or the last of a winter. */
export type MealOccasion = 'first' | 'refused' | 'afterCold' | 'beforeCold' | 'usual'

export interface MealDue {
  species: Species
  meal: Judgement<NextMeal>
  offer: Pick<NextOfferSaid, 'said' | 'tried' | 'reasons'>
  occasion: MealOccasion
  /** In a row, and whether they are so many that the next try is proposed. */
  refusals: number
  isRefusing: boolean
  /** Tag of the one it is together with. */
  mate: string | null
  gravid: Gravid
}

function occasionOf({ species, meal, offer, occasion, refusals }: MealDue): string | undefined {
  switch (occasion) {
    case 'first':
      return 'no meal written yet'
    case 'refused':
      return [`refused ${refusals} in a row`, offer.tried && lowerFirst(offer.tried.of.how)].filter(Boolean).join('; ')
    case 'afterCold':
      return 'first meal after the cold, smaller than usual'
    case 'beforeCold':
      return `last meal before the ${species.winter === 'dormancy' ? 'rest' : 'cold'}`
    case 'usual':
      return meal.value.note ?? undefined
  }
}

function cautionOf({ species, offer, isRefusing, mate, gravid }: MealDue): string | undefined {
  const rodents = species.eats === 'rodents'
  if (mate !== null) return `Together with ${mate}: apart first, never fed side by side.`
  if (isRefusing && rodents)
    return 'Leave it alone between tries; never force. Falling weight with refusals is for a reptile vet.'
  if (offer.said.state === 'live' && rodents)
    return 'Live prey only where the law allows it, and never left alone with the snake: it bites.'
  return gravid ? 'Gravid: small meals, never a large one in the last month.' : undefined
}

export function tellMeal(found: MealDue, almanac: Almanac): Told {
  const { meal, offer } = found
  const { state, manner, dusted } = offer.said
  // what is usual and needs no word is not said
  const how = [state && PREY_STATE_WORDS[state], manner && manner !== 'left' && MANNER_WORDS[manner]].filter(Boolean)
  const prey = meal.value.portions.map(p => tellPortion(almanac, p)).join(' and ')
  const detail = [occasionOf(found), dusted && `dusted with ${POWDER_WORDS[dusted]}`].filter(Boolean)
  return {
    what: `Feed ${[prey, ...how].join(', ')}`,
    detail: detail.length ? detail.join('; ') : undefined,
    caution: cautionOf(found),
    reasons: [...meal.reasons, ...offer.reasons],
  }
}
