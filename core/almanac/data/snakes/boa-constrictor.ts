import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from '../marks'
import { weighing } from './shared'
import { boaRest } from '../winters'

export const boaConstrictor: Species = {
  id: 'boa-constrictor',
  name: 'Boa',
  latin: 'Boa constrictor',
  group: 'snake',
  mode: 'live',
  winter: 'dormancy',
  cold: boaRest,
  matureDays: practice(1500, 'days'),
  adultMassG: memory(5000, 'g'),
  youngMassG: memory(55, 'g'),
  clocks: clocks(
    ['warmUp', 'copulation', memorySpread(10, 40, 90), 0.7],
    ['copulation', 'postOvulationShed', memorySpread(30, 60, 110), 0.75],
    ['ovulation', 'postOvulationShed', memorySpread(12, 17, 24), 0.95],
    ['postOvulationShed', 'born', practiceSpread(98, 105, 118), 0.95],
    ['born', 'firstMeal', practiceSpread(7, 11, 20), 0.97],
  ),
  clutchSize: memorySpread(8, 20, 35, 'young'),
  fertility: memory(0.8, 'share'),
  hatchRate: memory(0.94, 'share'),
  survival90: memory(0.97, 'share'),
  keptDays: memory(120, 'days'),
  eats: 'rodents',
  ladder: [
    step(0, 10, ['mouse.fuzzy', 1]),
    step(60, 11, ['mouse.hopper', 1]),
    step(150, 12, ['mouse.weaned', 1]),
    step(300, 14, ['rat.weaned', 1]),
    step(700, 20, ['rat.medium', 1]),
  ],
  weighEveryDays: weighing,
  cautions: ['Large snakes: two people for every handling of an adult.', SALMONELLA],
}
