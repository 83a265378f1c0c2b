import type { Fact } from '../schema'
import { memory } from './marks'

const share = (value: number, note: string): Fact => memory(value, 'share', note)

/**
 * How often something happens in a house and is not written: what silence is worth. Learnt from there by each house.
 */
export const unwritten: Record<string, Fact> = {
  unwrittenLaid: share(0.03, 'Eggs are hardly overlooked for long'),
  unwrittenBorn: share(0.03, 'Young are hardly overlooked'),
  unwrittenHatched: share(0.03, 'A box is opened when it is due'),
  unwrittenMetamorphosed: share(0.15, 'Froglets hide among plants'),
  unwrittenIntroduced: share(0.5, 'Pairs that live together are not introduced by an entry'),
  unwrittenCopulation: share(0.6, 'Locks at night and in hides are mostly not seen'),
  unwrittenOvulation: share(0.8, 'Seen by few'),
  unwrittenPreLayShed: share(0.4, 'The shed skin is found, its meaning is not always written'),
  unwrittenPostOvulationShed: share(0.4, 'The shed skin is found, its meaning is not always written'),
  unwrittenFirstMeal: share(0.4, 'Meals of young are often given and not written'),
  unwrittenReady: share(0.5, 'Meals, sheds and weights after the cold are often not written'),
  unwrittenWarmUp: share(0.1, 'Waking is a date in the calendar, and mostly written'),
  unwrittenProducing: share(0.05, 'A cup that produces is seen when it is due'),
}
