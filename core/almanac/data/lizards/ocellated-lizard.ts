import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { weighing } from './shared'
import { lizardCold } from '../winters'

export const ocellatedLizard: Species = {
  id: 'ocellated-lizard',
  name: 'Ocellated lizard',
  latin: 'Timon lepidus',
  group: 'lizard',
  mode: 'egg',
  winter: 'brumation',
  cold: lizardCold(practiceSpread(8, 10, 12, 'weeks')),
  matureDays: memory(730, 'days'),
  adultMassG: memory(200, 'g'),
  youngMassG: memory(3.5, 'g'),
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(10, 18, 30), 0.97],
    ['ready', 'copulation', memorySpread(2, 8, 16), 0.87],
    ['copulation', 'laid', memorySpread(24, 33, 46), 0.85],
    ['hatched', 'firstMeal', memorySpread(1, 3, 5), 0.98],
  ),
  nextClutch: {
    days: memorySpread(30, 40, 55),
    perSeason: memorySpread(1, 2, 3, 'clutches'),
    comes: memory(0.5, 'share'),
  },
  clutchSize: memorySpread(6, 13, 22, 'eggs'),
  fertility: memory(0.8, 'share'),
  hatchRate: memory(0.85, 'share'),
  incubation: {
    points: [
      { tempC: 26, days: 100, mark: 'memory' },
      { tempC: 28, days: 82, mark: 'memory' },
      { tempC: 30, days: 71, mark: 'memory' },
    ],
    usualTempC: memory(28, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.09, 'of the likely time'),
  },
  survival90: memory(0.9, 'share'),
  keptDays: memory(100, 'days'),
  eats: 'insects',
  ladder: [
    step(0, 1, ['fly.large', 14], ['beanBeetle', 4], ['cricket.quarter', 3]),
    step(14, 1, ['beanBeetle', 4], ['cricket.quarter', 6]),
    step(50, 2, ['cricket.half', 7]),
    step(180, 2, ['roach.nymph', 5]),
    step(500, 3, ['roach.nymph', 7]),
  ],
  weighEveryDays: weighing,
  cautions: [
    'Protected in its range: check papers and permits before breeding or moving.',
    'Hot basking lamps burn houses: guard, thermostat, smoke alarm.',
    SALMONELLA,
  ],
}
