import type { Species } from '../../schema'
import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from '../marks'
import { weighing } from './shared'
import { frogDrySeason } from '../winters'

export const goldenMantella: Species = {
  id: 'golden-mantella',
  name: 'Golden mantella',
  latin: 'Mantella aurantiaca',
  group: 'frog',
  mode: 'larval',
  winter: 'dormancy',
  cold: frogDrySeason,
  matureDays: practice(400, 'days'),
  adultMassG: memory(1.2, 'g'),
  youngMassG: memory(0.1, 'g'),
  clocks: clocks(
    ['warmUp', 'copulation', memorySpread(5, 16, 40), 0.85],
    ['copulation', 'laid', memorySpread(1, 4, 10), 0.9],
    ['laid', 'hatched', practiceSpread(5, 9, 14), 0.92],
    ['hatched', 'metamorphosed', practiceSpread(45, 60, 80), 0.95],
    ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.98],
  ),
  nextClutch: {
    days: memorySpread(20, 35, 60),
    perSeason: practiceSpread(1, 2, 3, 'clutches'),
    comes: memory(0.55, 'share'),
  },
  clutchSize: practiceSpread(12, 24, 40, 'eggs'),
  fertility: memory(0.75, 'share'),
  hatchRate: memory(0.9, 'share'),
  larvalSurvival: memory(0.7, 'share'),
  survival90: memory(0.8, 'share'),
  keptDays: memory(120, 'days'),
  eats: 'insects',
  ladder: [
    step(0, 1, ['springtail', 30], ['isopod.dwarf', 1]),
    step(30, 1, ['fly.small', 10], ['springtail', 10]),
    step(100, 1, ['fly.small', 14]),
    step(220, 2, ['fly.small', 16], ['cricket.pinhead', 6]),
  ],
  weighEveryDays: weighing,
  cautions: ['Threatened and protected: check papers and permits.', HYGIENE],
}
