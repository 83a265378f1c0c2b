import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { weighing } from './shared'
import { lizardCold } from '../winters'

export const beardedDragon: Species = {
  id: 'bearded-dragon',
  name: 'Bearded dragon',
  latin: 'Pogona vitticeps',
  group: 'lizard',
  mode: 'egg',
  winter: 'brumation',
  cold: lizardCold(practiceSpread(6, 9, 12, 'weeks')),
  matureDays: memory(450, 'days'),
  adultMassG: memory(400, 'g'),
  youngMassG: memory(2.7, 'g'),
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(10, 18, 30), 0.97],
    ['ready', 'copulation', memorySpread(2, 8, 16), 0.87],
    ['copulation', 'laid', memorySpread(20, 28, 40), 0.88],
    ['hatched', 'firstMeal', memorySpread(1, 2, 4), 0.98],
  ),
  nextClutch: {
    days: memorySpread(21, 28, 42),
    perSeason: memorySpread(1, 3, 5, 'clutches'),
    comes: memory(0.7, 'share'),
  },
  clutchSize: memorySpread(12, 20, 30, 'eggs'),
  fertility: memory(0.85, 'share'),
  hatchRate: memory(0.88, 'share'),
  incubation: {
    points: [
      { tempC: 27, days: 75, mark: 'memory' },
      { tempC: 29, days: 62, mark: 'memory' },
      { tempC: 31, days: 54, mark: 'memory' },
    ],
    usualTempC: memory(29, '°C'),
    lethalAboveC: memory(34, '°C'),
    spreadShare: memory(0.1, 'of the likely time'),
  },
  survival90: memory(0.93, 'share'),
  keptDays: memory(70, 'days'),
  eats: 'insects',
  ladder: [
    step(0, 1, ['cricket.quarter', 18], ['greens', 1]),
    step(60, 1, ['cricket.half', 12], ['greens', 1]),
    step(240, 1, ['greens', 1], ['roach.nymph', 3]),
  ],
  weighEveryDays: weighing,
  cautions: ['Hot basking lamps burn houses: guard, thermostat, smoke alarm.', SALMONELLA],
}
