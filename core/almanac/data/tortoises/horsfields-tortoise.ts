import { SALMONELLA } from '../cautions'
import { memory, memorySpread, practice } from '../marks'
import { relative } from '../relative'

export const horsfieldsTortoise = relative(
  'horsfields-tortoise',
  'Horsfield’s tortoise',
  'Testudo horsfieldii',
  'hermanns-tortoise',
  {
    adultMassG: memory(900, 'g'),
    youngMassG: memory(12, 'g'),
    clutchSize: memorySpread(2, 3, 5, 'eggs'),
    incubation: {
      shell: 'hard',
      points: [
        { tempC: 28, days: 90, mark: 'memory' },
        { tempC: 30, days: 79, mark: 'memory' },
        { tempC: 32, days: 70, mark: 'memory' },
      ],
      usualTempC: memory(30.5, '°C'),
      lethalAboveC: practice(35, '°C'),
      spreadShare: memory(0.1, 'of the likely time'),
    },
    cautions: [
      'Protected: permits and papers before breeding or moving, by local law. Digs deep, and climbs out.',
      SALMONELLA,
    ],
  },
)
