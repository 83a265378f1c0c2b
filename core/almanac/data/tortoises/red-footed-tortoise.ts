import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const redFootedTortoise = relative(
  'red-footed-tortoise',
  'Red-footed tortoise',
  'Chelonoidis carbonarius',
  'radiated-tortoise',
  {
    matureDays: memory(3000, 'days'),
    adultMassG: memory(6000, 'g'),
    youngMassG: memory(25, 'g'),
    clutchSize: memorySpread(2, 5, 9, 'eggs'),
    fertility: memory(0.7, 'share'),
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(1, 14, 45), 0.85],
      ['copulation', 'laid', memorySpread(35, 55, 90), 0.85],
      ['hatched', 'firstMeal', memorySpread(5, 10, 18), 0.97],
    ),
    incubation: {
      shell: 'hard',
      points: [
        { tempC: 27, days: 165, mark: 'memory' },
        { tempC: 29, days: 140, mark: 'memory' },
        { tempC: 31, days: 122, mark: 'memory' },
      ],
      usualTempC: memory(29, '°C'),
      lethalAboveC: memory(34, '°C'),
      spreadShare: memory(0.14, 'of the likely time'),
    },
    ladder: [
      step(0, 1, ['greens', 1], ['fruit', 1]),
      step(400, 1, ['greens', 1], ['fruit', 1]),
      step(1500, 1, ['greens', 4], ['fruit', 4]),
    ],
    cautions: ['Protected: permits and papers, by local law.', SALMONELLA],
  },
)
