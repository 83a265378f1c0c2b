import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const childrensPython = relative(
  'childrens-python',
  'Children’s python',
  'Antaresia childreni',
  'royal-python',
  {
    matureDays: memory(850, 'days'),
    adultMassG: memory(450, 'g'),
    youngMassG: memory(7, 'g'),
    clutchSize: memorySpread(5, 9, 15, 'eggs'),
    incubation: {
      points: [
        { tempC: 30, days: 54, mark: 'memory' },
        { tempC: 31, days: 50, mark: 'memory' },
        { tempC: 32, days: 47, mark: 'memory' },
      ],
      usualTempC: memory(31, '°C'),
      lethalAboveC: memory(34, '°C'),
      spreadShare: memory(0.08, 'of the likely time'),
    },
    ladder: [
      step(0, 6, ['mouse.pinky', 1]),
      step(90, 7, ['mouse.fuzzy', 1]),
      step(220, 8, ['mouse.hopper', 1]),
      step(420, 10, ['mouse.weaned', 1]),
      step(800, 14, ['mouse.adult', 1]),
    ],
    cautions: ['Young often start on skinks or scented prey only; patience, warmth and dark.', SALMONELLA],
  },
)
