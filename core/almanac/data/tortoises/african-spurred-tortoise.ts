import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const africanSpurredTortoise = relative(
  'african-spurred-tortoise',
  'African spurred tortoise',
  'Centrochelys sulcata',
  'radiated-tortoise',
  {
    matureDays: memory(4500, 'days'),
    adultMassG: memory(45_000, 'g'),
    youngMassG: memory(30, 'g'),
    clutchSize: memorySpread(10, 18, 32, 'eggs'),
    fertility: memory(0.75, 'share'),
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(1, 14, 45), 0.85],
      ['copulation', 'laid', memorySpread(40, 60, 100), 0.85],
      ['hatched', 'firstMeal', memorySpread(5, 10, 18), 0.97],
    ),
    incubation: {
      shell: 'hard',
      points: [
        { tempC: 28, days: 105, mark: 'memory' },
        { tempC: 30, days: 92, mark: 'memory' },
        { tempC: 32, days: 82, mark: 'memory' },
      ],
      usualTempC: memory(30, '°C'),
      lethalAboveC: memory(35, '°C'),
      spreadShare: memory(0.12, 'of the likely time'),
    },
    ladder: [step(0, 1, ['greens', 1]), step(300, 1, ['greens', 2]), step(1500, 1, ['greens', 12])],
    cautions: [
      'Protected: permits and papers, by local law. Grows very large: know where it will live before it hatches.',
      SALMONELLA,
    ],
  },
)
