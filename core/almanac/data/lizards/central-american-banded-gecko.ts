import { SALMONELLA } from '../cautions'
import { memory, step } from '../marks'
import { relative } from '../relative'

export const centralAmericanBandedGecko = relative(
  'central-american-banded-gecko',
  'Central American banded gecko',
  'Coleonyx mitratus',
  'western-banded-gecko',
  {
    adultMassG: memory(11, 'g'),
    youngMassG: memory(0.8, 'g'),
    ladder: [
      step(0, 1, ['fly.large', 8], ['isopod.dwarf', 5]),
      step(30, 2, ['cricket.quarter', 3], ['isopod.dwarf', 4]),
      step(120, 3, ['cricket.quarter', 6]),
      step(240, 3, ['cricket.half', 3]),
    ],
    cautions: ['Damp kind: mist often. The nest is the damp spot under the hide: look there weekly.', SALMONELLA],
  },
)
