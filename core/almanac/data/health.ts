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
  oftenUntil: memory(
    60,
    'days',
    'Meals twice as often to regain what the cold took end by then, also where nobody weighs',
  ),
  wakeWeightWithin: memory(14, 'days', 'A weight out of the cold is asked for so long after it'),
  hatchHardlyAhead: memory(0.05, 'share', 'A hatch that still comes less often than this is no longer waited for'),
  leanShare: memory(0.92, 'share', 'Of its own best weight: lean under it'),
  thinShare: memory(0.85, 'share', 'Of its own best weight: thin under it'),
  ownCurve: memory(540, 'days', 'The best weight of so long is what an animal is measured by'),
  leanStay: memory(0.6, 'share', 'Of the usual length of the cold: the most for a lean animal'),
  bathEvery: practice(3, 'days', 'Baths of tortoises while they fast'),
  mealAfterWarm: practice(2, 'days', 'Full warmth before the first meal is offered'),
  gravidShare: memory(0.5, 'share', 'Of the usual prey while gravid: smaller meals'),
  gravidLateShare: memory(
    0.33,
    'share',
    'Of the usual prey in the last month: a large prey late has brought premature births',
  ),
  nearlyGrown: memory(0.85, 'share', 'Of the age at which they breed: shown on the bench from it'),
  startWeightFresh: practice(30, 'days', 'What is cooled was weighed within so long'),
  regained: memory(0.97, 'share', 'Of the starting weight: regained after the cold'),
  firstMealShare: memory(0.5, 'share', 'Of a usual meal: the first after the cold is smaller, to restart the gut'),
  weightTrusted: memory(60, 'days', 'A meal goes by a weight for so long, then by age'),
  inbreedingLoad: memory(
    3,
    'lethal equivalents',
    'A gamete, in captive vertebrates (Ralls et al. 1988, to be rechecked): exp(−B·F) of the vigour is left',
  ),
  fertilityShrink: memory(12, 'eggs', 'The usual fertility of the species weighs as much as so many eggs of her own'),
  rejectionCounts: memory(45, 'days', 'A rejection speaks against a pair for so long'),
  injuryHeals: practice(30, 'days', 'Not together again for so long after an injury'),
  wakeEarliest: practice(32, 'day of the year', 'Cooled a month earlier, to sell hatchlings earlier: about 1 February'),
  wakeLikely: practice(
    64,
    'day of the year',
    'Woken in the first week of March; half a year later south of the equator',
  ),
  wakeLatest: memory(95, 'day of the year', 'About 5 April'),
}
