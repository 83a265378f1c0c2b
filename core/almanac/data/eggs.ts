import type { Fact } from '../schema'
import { memory, practice } from './marks'

/** What holds for eggs of every species. */
export const eggs: Record<string, Fact> = {
  sexFrom: practice(0.333, 'share', 'Of development: warmth sets the sex from then, where it does; the middle third'),
  sexTo: practice(0.667, 'share', 'Of development: warmth no longer sets the sex from then'),
  doubtfulHatch: memory(0.25, 'share', 'Of sound eggs’ chance: a doubtful egg hatches so much less often'),
  pipComes: memory(0.92, 'share', 'Of pipped eggs: so many come out alive'),
  pipWait: memory(2, 'days', 'From pip to out, where the species does not say: looked at from then, never pulled'),
  pipAsk: memory(3, 'days', 'Pipped so much longer than usual: someone trained, or the vet, is asked'),
  nestEvery: practice(7, 'days', 'Where a group lays all season, its places for eggs are looked through'),
  sameClutch: memory(21, 'days', 'Eggs that follow within so long are of one clutch, later ones of the next'),
  eggsMostly: memory(1, 'days', 'Most of a clutch come out so long after the first'),
  eggsLate: memory(0.04, 'share', 'Of the eggs that follow their mates: so many come later than nearly all'),
  pipLate: memory(0.1, 'share', 'Of pipped eggs: so many take longer than the species usually does'),
  whereAsked: memory(7, 'days', 'It is asked so long where eggs lie of which nothing is said'),
  eggsHarm: memory(12, 'hours', 'Eggs that stand still so soon are harm, not only to be watched'),
  eggsColdKills: memory(
    10,
    '°C',
    'Eggs that develop die of so much cold within hours; those in a pause of theirs do not',
  ),
  eggsNearHot: memory(1, '°C', 'So near under what kills them eggs are harmed when it lasts'),
  eggsNearHotLate: memory(2, '°C', 'The same in the last third of development, in which they bear less'),
  eggsNearHotFor: memory(6, 'hours', 'So long near what kills, of the last two days, before it is told'),
  eggsBehind: practice(3, 'days', 'Eggs that are whole so long after the first came out are told, and left to lie'),
  eggsCold: memory(2, '°C', 'Under what eggs usually lie at: the heat may be off, and is told'),
  eggsColdFor: memory(2, 'hours', 'So cold for so long before it is told'),
  eggsOff: memory(1, '°C', 'An incubator that reads so far from what it is set to for a day is told'),
  eggsSwing: memory(
    3,
    '°C',
    'Between the coldest and warmest hour of a day: the thermostat hunts, where no night drop is meant',
  ),
  clutchSizeShrink: memory(2, 'clutches', 'The usual size of a clutch weighs as much as so many of her own'),
  hatchShrink: memory(10, 'eggs', 'The usual hatch of the species weighs as much as so many good eggs of her own'),
  eggsFell: memory(0.1, 'share', 'Of their weight at laying: eggs that lost so much lie too dry'),
  eggsSwelled: memory(0.6, 'share', 'Of their weight at laying: soft eggs that gained so much lie too wet'),
  waterPerMedium: practice(1, 'times', 'Water by weight to vermiculite or perlite, for soft-shelled eggs'),
  waterHard: memory(0.5, 'times', 'Water by weight to the medium for hard-shelled eggs, which lie drier'),
  mediumPerEgg: memory(15, 'times', 'Dry medium to what one egg weighs'),
  boxDried: memory(0.25, 'share', 'Of the water of a box gone: it is given back'),
}
