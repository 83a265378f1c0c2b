import type { Species } from '../../schema'
import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from '../marks'
import { weighing } from './shared'

export const dyeingDartFrog: Species = {
  id: 'dyeing-dart-frog',
  name: 'Dyeing dart frog',
  latin: 'Dendrobates tinctorius',
  group: 'frog',
  mode: 'larval',
  winter: 'none',
  matureDays: practice(500, 'days'),
  adultMassG: memory(4, 'g'),
  youngMassG: memory(0.3, 'g'),
  clocks: clocks(
    ['introduced', 'copulation', memorySpread(5, 20, 60), 0.7],
    ['copulation', 'laid', memorySpread(0, 1, 4), 0.9],
    ['laid', 'hatched', practiceSpread(10, 13, 16), 0.9],
    ['hatched', 'metamorphosed', practiceSpread(55, 68, 85), 0.95],
    ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.98],
  ),
  nextClutch: {
    days: practiceSpread(7, 9, 14),
    perSeason: memorySpread(2, 5, 9, 'clutches'),
    comes: memory(0.85, 'share'),
  },
  clutchSize: practiceSpread(2, 5, 9, 'eggs'),
  fertility: memory(0.65, 'share'),
  hatchRate: memory(0.85, 'share'),
  larvalSurvival: memory(0.85, 'share'),
  survival90: memory(0.9, 'share'),
  keptDays: memory(100, 'days'),
  eats: 'insects',
  ladder: [
    step(0, 1, ['springtail', 60], ['fly.small', 8]),
    step(21, 1, ['fly.small', 24]),
    step(180, 2, ['fly.small', 50]),
    step(365, 3, ['fly.large', 40]),
  ],
  weighEveryDays: weighing,
  cautions: ['Protected: check papers and permits.', 'Soft-bodied prey only: hard shells block the gut.', HYGIENE],
}
