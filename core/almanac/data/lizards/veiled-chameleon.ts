import { SALMONELLA } from '../cautions'
import { memory, memorySpread, practiceSpread, step } from '../marks'
import { relative } from '../relative'

export const veiledChameleon = relative(
  'veiled-chameleon',
  'Veiled chameleon',
  'Chamaeleo calyptratus',
  'panther-chameleon',
  {
    matureDays: memory(200, 'days'),
    adultMassG: memory(130, 'g'),
    youngMassG: memory(0.9, 'g'),
    clutchSize: memorySpread(20, 38, 70, 'eggs'),
    incubation: {
      pipToOut: practiceSpread(0, 1, 2),
      points: [
        { tempC: 24, days: 215, mark: 'practice' },
        { tempC: 26, days: 185, mark: 'practice' },
        { tempC: 28, days: 160, mark: 'practice' },
      ],
      usualTempC: memory(26, '°C'),
      lethalAboveC: memory(31, '°C'),
      spreadShare: memory(0.15, 'of the likely time'),
    },
    ladder: [
      step(0, 1, ['fly.large', 25], ['cricket.pinhead', 10]),
      step(10, 1, ['fly.large', 15], ['cricket.quarter', 4]),
      step(60, 1, ['cricket.half', 6]),
      step(180, 2, ['roach.nymph', 5], ['greens', 1]),
    ],
    cautions: [
      'A female lays with or without a male, and more the more she eats: feed her lean. UVB by the meter.',
      SALMONELLA,
    ],
  },
)
