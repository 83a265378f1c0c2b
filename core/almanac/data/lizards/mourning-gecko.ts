import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { weighing } from './shared'

export const mourningGecko: Species = {
  id: 'mourning-gecko',
  name: 'Mourning gecko',
  latin: 'Lepidodactylus lugubris',
  group: 'lizard',
  mode: 'egg',
  winter: 'none',
  matureDays: memory(270, 'days'),
  adultMassG: memory(2.2, 'g'),
  youngMassG: memory(0.3, 'g'),
  clocks: clocks(
    ['introduced', 'laid', memorySpread(5, 20, 45), 0.9],
    ['hatched', 'firstMeal', practiceSpread(2, 3, 4), 0.97],
  ),
  nextClutch: {
    days: memorySpread(14, 25, 40),
    perSeason: memorySpread(4, 6, 9, 'clutches'),
    comes: memory(0.85, 'share'),
  },
  clutchSize: practiceSpread(1, 2, 2, 'eggs'),
  fertility: memory(0.9, 'share'),
  hatchRate: memory(0.85, 'share'),
  incubation: {
    shell: 'hard',
    points: [
      { tempC: 24, days: 80, mark: 'memory' },
      { tempC: 28, days: 62, mark: 'memory' },
    ],
    usualTempC: memory(26, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.15, 'of the likely time'),
  },
  survival90: memory(0.85, 'share'),
  keptDays: memory(100, 'days'),
  eats: 'insects',
  ladder: [step(0, 1, ['fly.small', 15]), step(120, 2, ['fly.large', 24])],
  weighEveryDays: weighing,
  cautions: ['All are females and breed without a male: keep at least four together.', SALMONELLA],
}
