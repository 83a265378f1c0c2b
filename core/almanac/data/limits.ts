import type { Fact } from '../schema'
import { memory, practice } from './marks'

/** What bounds what can be, and where one thing ends and the next begins. */
export const limits: Record<string, Fact> = {
  breedsFrom: memory(120, 'days', 'No animal kept here breeds younger: small geckos and mantellas at half a year'),
  afterDam: practice(
    300,
    'days',
    'Young hatch so long after their dam died: the longest incubation of some chameleons',
  ),
  afterSire: memory(1825, 'days', 'Females of many reptiles keep sperm for years: about five are reported'),
  coldFirstWeighed: memory(14, 'days', 'From cooling to the first weighing in the cold'),
  coldFirstWeighedLate: memory(7, 'days', 'The same of one that was first weighed in the cold, from that weighing'),
  unstatedShare: memory(
    0.005,
    'share',
    'Of an allele that is named, in animals of which nothing is known: it is rare; a locus may say its own',
  ),
  leaving: memory(30, 'days', 'Young of one litter leave within so long round the usual age'),
  grownFrom: memory(0.6, 'share', 'Of maturity by age, or of adult weight: signs of grown animals can be read'),
  folliclesApart: memory(4, 'days', 'Between two looks at follicles that tell a speed'),
  meterCounts: memory(6, 'readings', 'What is usual for a UV meter counts as so many readings'),
  afterWaking: memory(7, 'days', 'A weight so long after waking still ends the winter'),
  seasonBefore: memory(210, 'days', 'A pair set longer before the next waking breeds before it'),
  unwrittenCycles: memory(8, 'cycles', 'What usually goes unwritten counts as so many cycles of the house'),
  eggsLateThird: memory(0.667, 'share', 'Of development: from then eggs bear less heat, since they need more air'),
  coldGain: memory(0.015, 'share', 'In the cold nothing is eaten: without a drink a larger gain is the scale'),
  coldDrank: memory(0.04, 'share', 'Gained by a drink in the cold'),
  coldFirstGain: memory(0.004, 'share', 'A day, from the last weight before it was cooled'),
  coldLossOnce: memory(0.02, 'share', 'Lost in the cold between two weighings, however near'),
  coldLossDay: memory(0.012, 'share', 'Lost a day in the cold: more is not survived long'),
  youngGainOnce: memory(0.35, 'log of the ratio', 'Gained by a young one between two weighings, by one meal'),
  youngGainDay: memory(0.03, 'log of the ratio', 'Gained by a young one a day: it may double in two months'),
  adultGainOnce: memory(0.3, 'log of the ratio', 'Gained by a grown one between two weighings, by one meal'),
  adultGainDay: memory(0.008, 'log of the ratio', 'Gained by a grown one a day'),
  awakeLossOnce: memory(0.15, 'log of the ratio', 'Lost awake between two weighings'),
  awakeLossDay: memory(0.01, 'log of the ratio', 'Lost awake a day'),
  bredLoss: memory(0.55, 'log of the ratio', 'Lost by a laying or birth: up to nearly half'),
  survivalShrink: memory(15, 'young', 'The usual survival of a species weighs as much as so many young of the house'),
  lossesMore: memory(0.05, 'share', 'Losses of a clutch that are less likely than this are more than usual'),
  lossesFar: memory(0.01, 'share', 'Less likely than this: something is wrong with all of them, and it is told'),
  lossesAlike: memory(
    2,
    'shape',
    'How alike clutches are in their losses: of a gamma distribution, larger is more alike',
  ),
  lossesEarly: memory(
    30,
    'days',
    'At once as many may be lost as usually in so many days: weak ones die as they hatch',
  ),
  lossesLately: memory(21, 'days', 'Losses of a clutch are told while the last one is so fresh'),
}
