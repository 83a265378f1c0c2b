import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'
import { colubridCold } from '../winters'

export const westernDiamondback = relative(
  'western-diamondback',
  'Western diamondback',
  'Crotalus atrox',
  'eyelash-viper',
  {
    winter: 'brumation',
    cold: colubridCold,
    matureDays: memory(1200, 'days'),
    adultMassG: memory(1300, 'g'),
    youngMassG: memory(20, 'g'),
    clutchSize: memorySpread(4, 10, 18, 'young'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(10, 20, 40), 0.97],
      ['ready', 'copulation', memorySpread(2, 12, 30), 0.75],
      ['copulation', 'born', memorySpread(140, 160, 185), 0.75],
      ['born', 'firstMeal', memorySpread(8, 12, 20), 0.95],
    ),
    survival90: memory(0.92, 'share'),
    ladder: [
      step(0, 8, ['mouse.fuzzy', 1]),
      step(150, 10, ['mouse.hopper', 1]),
      step(360, 12, ['mouse.adult', 1]),
      step(800, 16, ['rat.small', 1]),
    ],
  },
)
