import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const carpetChameleon = relative(
  'carpet-chameleon',
  'Carpet chameleon',
  'Furcifer lateralis',
  'panther-chameleon',
  {
    matureDays: memory(130, 'days'),
    adultMassG: memory(18, 'g'),
    youngMassG: memory(0.3, 'g'),
    clutchSize: memorySpread(8, 14, 23, 'eggs'),
    incubation: {
      points: [
        { tempC: 21, days: 240, mark: 'memory' },
        { tempC: 23, days: 205, mark: 'memory' },
        { tempC: 25, days: 180, mark: 'memory' },
      ],
      usualTempC: memory(23, '°C'),
      lethalAboveC: memory(28, '°C'),
      spreadShare: memory(0.18, 'of the likely time'),
    },
    ladder: [
      step(0, 1, ['fly.small', 25]),
      step(10, 1, ['fly.large', 12], ['beanBeetle', 2]),
      step(30, 1, ['cricket.quarter', 3]),
      step(120, 2, ['cricket.quarter', 6]),
    ],
  },
)
