import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { weighing } from './shared'

export const pantherChameleon: Species = {
  id: 'panther-chameleon',
  name: 'Panther-type chameleon',
  latin: 'Furcifer pardalis',
  group: 'lizard',
  mode: 'egg',
  winter: 'none',
  matureDays: memory(270, 'days'),
  adultMassG: memory(110, 'g'),
  youngMassG: memory(0.5, 'g'),
  clocks: clocks(
    ['introduced', 'copulation', memorySpread(0, 1, 10), 0.8],
    ['copulation', 'laid', memorySpread(24, 32, 45), 0.85],
    ['hatched', 'firstMeal', practiceSpread(1, 2, 3), 0.97],
  ),
  nextClutch: {
    days: memorySpread(90, 120, 180),
    perSeason: memorySpread(1, 2, 3, 'clutches'),
    comes: memory(0.6, 'share'),
  },
  clutchSize: memorySpread(12, 22, 35, 'eggs'),
  fertility: memory(0.75, 'share'),
  hatchRate: memory(0.8, 'share'),
  incubation: {
    pipToOut: practiceSpread(0, 1, 2),
    points: [
      { tempC: 22, days: 270, mark: 'practice' },
      { tempC: 24, days: 225, mark: 'practice' },
      { tempC: 26, days: 190, mark: 'practice' },
    ],
    usualTempC: memory(24, '°C'),
    lethalAboveC: memory(30, '°C'),
    spreadShare: memory(0.15, 'of the likely time'),
  },
  survival90: memory(0.85, 'share'),
  keptDays: memory(100, 'days'),
  eats: 'insects',
  ladder: [
    step(0, 1, ['fly.large', 18]),
    step(8, 1, ['fly.large', 12], ['beanBeetle', 4]),
    step(16, 1, ['fly.large', 6], ['cricket.quarter', 6]),
    step(60, 1, ['cricket.half', 7]),
    step(180, 2, ['roach.nymph', 6]),
  ],
  weighEveryDays: weighing,
  cautions: ['UVB for hatchlings by the meter: read the index where they bask, not the age of the tube.', SALMONELLA],
}
