import type { Species } from '../../schema'
import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { weighing } from './shared'
import { toadCold } from '../winters'

export const fireBelliedToad: Species = {
  id: 'fire-bellied-toad',
  name: 'Fire-bellied toad',
  latin: 'Bombina orientalis',
  group: 'frog',
  mode: 'larval',
  winter: 'brumation',
  cold: toadCold,
  matureDays: memory(540, 'days'),
  adultMassG: memory(7, 'g'),
  youngMassG: memory(0.4, 'g'),
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(4, 10, 24), 0.97],
    ['ready', 'copulation', memorySpread(1, 8, 18), 0.87],
    ['copulation', 'laid', practiceSpread(1, 2, 3), 0.92],
    ['laid', 'hatched', practiceSpread(2, 4, 8), 0.95],
    ['hatched', 'metamorphosed', practiceSpread(45, 55, 80), 0.95],
    ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.98],
  ),
  nextClutch: {
    days: memorySpread(10, 18, 35),
    perSeason: memorySpread(1, 2, 4, 'spawnings'),
    comes: memory(0.6, 'share'),
  },
  clutchSize: practiceSpread(40, 70, 110, 'eggs'),
  fertility: memory(0.75, 'share'),
  hatchRate: memory(0.85, 'share'),
  larvalSurvival: memory(0.6, 'share'),
  survival90: memory(0.8, 'share'),
  keptDays: memory(90, 'days'),
  eats: 'insects',
  ladder: [
    step(0, 1, ['fly.small', 8], ['springtail', 10], ['cricket.pinhead', 7]),
    step(21, 1, ['fly.large', 6], ['cricket.pinhead', 6]),
    step(60, 2, ['cricket.quarter', 4]),
    step(200, 3, ['cricket.half', 4]),
  ],
  weighEveryDays: weighing,
  cautions: ['Skin secretions burn eyes and are a danger to other species: keep alone, wash hands at once.', HYGIENE],
}
