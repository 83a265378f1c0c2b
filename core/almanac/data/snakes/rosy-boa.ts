import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from '../marks'
import { weighing } from './shared'
import { colubridCold } from '../winters'

export const rosyBoa: Species = {
  id: 'rosy-boa',
  name: 'Rosy boa',
  latin: 'Lichanura trivirgata',
  group: 'snake',
  mode: 'live',
  winter: 'brumation',
  cold: colubridCold,
  matureDays: practice(1100, 'days'),
  adultMassG: memory(350, 'g'),
  youngMassG: memory(14, 'g'),
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(12, 22, 36), 0.97],
    ['ready', 'copulation', memorySpread(2, 9, 20), 0.82],
    ['copulation', 'born', memorySpread(105, 130, 155), 0.75],
    ['ovulation', 'born', memorySpread(95, 112, 128), 0.9],
    ['postOvulationShed', 'born', practiceSpread(98, 105, 118), 0.94],
    ['born', 'firstMeal', practiceSpread(7, 10, 18), 0.95],
  ),
  clutchSize: memorySpread(2, 5, 9, 'young'),
  fertility: memory(0.9, 'share'),
  hatchRate: memory(0.92, 'share'),
  survival90: memory(0.95, 'share'),
  keptDays: memory(120, 'days'),
  eats: 'rodents',
  ladder: [
    step(0, 8, ['mouse.pinky', 1]),
    step(120, 9, ['mouse.fuzzy', 1]),
    step(270, 10, ['mouse.hopper', 1]),
    step(540, 12, ['mouse.weaned', 1]),
  ],
  weighEveryDays: weighing,
  cautions: ['A large meal late in the gravid months has brought premature births: keep them small.', SALMONELLA],
}
