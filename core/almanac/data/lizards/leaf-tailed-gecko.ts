import { SALMONELLA } from '../cautions'
import { memory, memorySpread, practiceSpread, step } from '../marks'
import { relative } from '../relative'

export const leafTailedGecko = relative(
  'leaf-tailed-gecko',
  'Leaf-tailed gecko',
  'Uroplatus henkeli',
  'crested-gecko',
  {
    adultMassG: memory(45, 'g'),
    youngMassG: memory(1.6, 'g'),
    matureDays: memory(600, 'days'),
    nextClutch: {
      days: memorySpread(25, 32, 45),
      perSeason: practiceSpread(3, 5, 7, 'clutches'),
      comes: memory(0.8, 'share'),
    },
    incubation: {
      shell: 'hard',
      points: [
        { tempC: 22, days: 110, mark: 'memory' },
        { tempC: 24, days: 93, mark: 'memory' },
        { tempC: 25.5, days: 82, mark: 'memory' },
      ],
      usualTempC: memory(23, '°C'),
      lethalAboveC: memory(29, '°C'),
      spreadShare: memory(0.12, 'of the likely time'),
    },
    ladder: [
      step(0, 1, ['cricket.pinhead', 25]),
      step(30, 2, ['cricket.quarter', 6]),
      step(200, 2, ['cricket.half', 5]),
      step(500, 2, ['cricket.half', 6], ['snail', 1]),
    ],
    cautions: [
      'Protected: check papers and permits. Good eggs lie hidden under leaves, slugs stick to walls; snails give a laying female her calcium.',
      SALMONELLA,
    ],
  },
)
