import type { Fact, Feeder } from '../schema'
import { memory, published } from './marks'

type Minerals = NonNullable<Feeder['minerals']>

/** Calcium and phosphorus as fed, mg/kg. */
const minerals = (calcium: number, phosphorus: number, fact: (value: number) => Fact): Minerals => ({
  calcium: fact(calcium),
  phosphorus: fact(phosphorus),
})
const finke2002 = (value: number) => published(value, 'mg/kg', 'finke-2002')
const recalled = (value: number) => memory(value, 'mg/kg')

/** What is not named here is not known. Insects by Finke 2002 and, from memory, 2013; whole mice from memory. */
const OF: Record<string, Minerals> = {
  'cricket.adult': minerals(407, 2950, finke2002),
  'cricket.half': minerals(275, 2520, recalled),
  'mealworm': minerals(169, 2850, finke2002),
  'superworm': minerals(177, 2370, finke2002),
  'waxworm': minerals(243, 1950, finke2002),
  'roach.adult': minerals(700, 2600, recalled),
  'redRunner': minerals(385, 1760, recalled),
  'bsfLarva': minerals(9340, 3560, recalled),
  'nightcrawler': minerals(444, 1590, recalled),
  'mouse.pinky': minerals(2500, 3400, recalled),
  'mouse.adult': minerals(9700, 5700, recalled),
}
/** Sizes of one insect hold much the same. */
const AS: Record<string, string> = {
  'cricket.quarter': 'cricket.half',
  'cricket.eighth': 'cricket.half',
  'cricket.pinhead': 'cricket.half',
  'mealworm.tiny': 'mealworm',
  'roach.nymph': 'roach.adult',
  'roach.small': 'roach.adult',
  'roach.newborn': 'roach.adult',
}

const alike = (value: Minerals): Minerals => ({
  calcium: memory(value.calcium.value, 'mg/kg', 'As of another size of it'),
  phosphorus: memory(value.phosphorus.value, 'mg/kg', 'As of another size of it'),
})

export const mineralsOf = (id: string): Minerals | undefined => OF[id] ?? (AS[id] ? alike(OF[AS[id]]!) : undefined)
