import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'
import { lizardCold } from '../winters'

export const sandLizard = relative('sand-lizard', 'Sand lizard', 'Lacerta agilis', 'ocellated-lizard', {
  matureDays: memory(650, 'days'),
  adultMassG: memory(14, 'g'),
  youngMassG: memory(0.6, 'g'),
  clutchSize: memorySpread(4, 8, 14, 'eggs'),
  cold: {
    ...lizardCold(memorySpread(12, 16, 22, 'weeks')),
    lowC: memory(3, '°C'),
    highC: memory(8, '°C'),
    holdC: memory(5, '°C'),
    floorC: memory(1, '°C'),
    ceilingC: memory(11, '°C'),
  },
  incubation: {
    points: [
      { tempC: 24, days: 60, mark: 'memory' },
      { tempC: 27, days: 42, mark: 'memory' },
      { tempC: 29, days: 36, mark: 'memory' },
    ],
    usualTempC: memory(27, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.1, 'of the likely time'),
  },
  ladder: [
    step(0, 1, ['fly.large', 8], ['cricket.pinhead', 8]),
    step(30, 1, ['cricket.quarter', 3]),
    step(180, 2, ['cricket.quarter', 5]),
    step(500, 2, ['cricket.half', 3]),
  ],
})
