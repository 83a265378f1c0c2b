import { SALMONELLA } from '../cautions'
import { memory, step } from '../marks'
import { relative } from '../relative'

export const westernBandedGecko = relative(
  'western-banded-gecko',
  'Western banded gecko',
  'Coleonyx variegatus',
  'leopard-gecko',
  {
    matureDays: memory(300, 'days'),
    adultMassG: memory(5, 'g'),
    youngMassG: memory(0.5, 'g'),
    sexByTemperature: null,
    sexing: { system: 'unknown', systemFrom: { mark: 'memory' }, signs: ['spurs', 'bulge'] },
    incubation: {
      points: [
        { tempC: 26, days: 60, mark: 'memory' },
        { tempC: 28, days: 49, mark: 'memory' },
        { tempC: 30, days: 43, mark: 'memory' },
      ],
      usualTempC: memory(28, '°C'),
      lethalAboveC: memory(33, '°C'),
      spreadShare: memory(0.1, 'of the likely time'),
    },
    ladder: [
      step(0, 1, ['fly.large', 6], ['isopod.dwarf', 2]),
      step(30, 2, ['mealworm.tiny', 4], ['fly.large', 8]),
      step(120, 3, ['cricket.quarter', 5]),
      step(240, 3, ['mealworm', 3], ['cricket.quarter', 3]),
    ],
    cautions: [
      'Dry kind; the nest is the damp spot under the hide: look there weekly. It runs: have the lid at hand.',
      SALMONELLA,
    ],
  },
)
