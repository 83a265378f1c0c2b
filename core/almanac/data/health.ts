import type { Fact } from '../schema'
import { memory, practice } from './marks'

/** What holds for the health and the year of every species. */
export const health: Record<string, Fact> = {
  lossWatch: memory(0.1, 'share', 'Of the best weight in half a year, awake and not bred'),
  lossHarm: memory(0.2, 'share', 'Of the best weight in half a year, awake and not bred'),
  lossLookedBack: memory(180, 'days', 'Weights longer ago are of another season'),
  eggsOpenEvery: practice(7, 'days', 'Boxes are opened weekly for air'),
  eggsCandledAt: practice(7, 'days', 'Eggs are candled once at 5–10 days'),
  harvestEvery: practice(2, 'days', 'Old flies stop breeding and the cup fouls: every second day at least'),
  sizeKnown: memory(90, 'days', 'A weight of a snake-eater tells its size for so long before it meets a mate'),
  mealRest: practice(2, 'days', 'After a meal no snake is put with a mate: not within two days'),
  largePrey: practice(0.25, 'share', 'Of the body weight; 10–15 % is usual, a quarter the most'),
  oftenUntil: memory(60, 'days', 'Meals twice as often to regain what the cold took end by then, also where nobody weighs'),
  wakeWeightWithin: memory(14, 'days', 'A weight out of the cold is asked for so long after it'),
  hatchHardlyAhead: memory(0.05, 'share', 'A hatch that still comes less often than this is no longer waited for'),
  wakeEarliest: practice(32, 'day of the year', 'Cooled a month earlier, to sell hatchlings earlier: about 1 February'),
  wakeLikely: practice(64, 'day of the year', 'Woken in the first week of March; half a year later south of the equator'),
  wakeLatest: memory(95, 'day of the year', 'About 5 April'),
}
