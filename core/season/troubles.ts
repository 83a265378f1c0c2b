import { feederOf } from '../almanac'
import { causeNamed, causesOf, type CausesFound } from '../supply'
import { CARRIED, TROUBLE_WORDS, foundedFrom, type CultureState } from '../subjects'
import { formatDistance, upperFirst } from '../units'
import type { SeasonContext } from './context'
import { cultureTempC, placeHumidityPct } from './warmth'

/** What was found in a culture, and what it may come from. */
export interface TroubleView extends CausesFound {
  /** What was found, and when. */
  answer: string
  /** Tags of those that were founded from it and still stand, where it goes with the founders. */
  carriedTo: string[]
  /** What it came from, once that is known, and what to do. */
  cause: { name: string; remedy: string } | null
}

/** What is done when nothing of what is usual is left. */
export const NO_CAUSE = 'none of what is usual: keep it apart from the others, and ask someone who keeps them'

/** A finding with its likely causes, or the one that was found. */
export function troubleOf(
  culture: CultureState,
  trouble: CultureState['troubles'][number],
  { house, almanac, today }: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
): TroubleView {
  const found = causesOf(culture, trouble, {
    feeder: feederOf(almanac, culture.feederId),
    tempC: cultureTempC(culture, { house, almanac }),
    humidityPct: placeHumidityPct(culture.placeId, { house, almanac }),
    cultures: Object.values(house.cultures),
    almanac,
    today,
  })
  return {
    ...found,
    carriedTo: CARRIED.includes(trouble.what)
      ? foundedFrom(culture, house.cultures)
          .filter(c => !c.finished && !c.failed)
          .map(c => c.tag)
      : [],
    answer: `${upperFirst(TROUBLE_WORDS[trouble.what])}, found ${formatDistance(trouble.day, today)}`,
    cause: (trouble.cause && causeNamed(trouble.what, trouble.cause)) || null,
  }
}
