import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const greenTreePython = relative('green-tree-python', 'Green tree python', 'Morelia viridis', 'royal-python', {
  matureDays: memory(1300, 'days'),
  adultMassG: memory(1200, 'g'),
  youngMassG: memory(9, 'g'),
  clutchSize: memorySpread(8, 14, 24, 'eggs'),
  incubation: {
    points: [
      { tempC: 29.5, days: 53, mark: 'memory' },
      { tempC: 30.5, days: 49, mark: 'memory' },
      { tempC: 31.5, days: 46, mark: 'memory' },
    ],
    usualTempC: memory(30.5, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.07, 'of the likely time'),
  },
  survival90: memory(0.88, 'share'),
  keptDays: memory(200, 'days'),
  ladder: [
    step(0, 8, ['mouse.pinky', 1]),
    step(150, 10, ['mouse.fuzzy', 1]),
    step(330, 11, ['mouse.hopper', 1]),
    step(600, 14, ['mouse.weaned', 1]),
    step(900, 16, ['mouse.adult', 1]),
  ],
  cautions: [
    'Young are not probed nor popped: their tails break. Moved with their perch, never pulled off it.',
    SALMONELLA,
  ],
})
