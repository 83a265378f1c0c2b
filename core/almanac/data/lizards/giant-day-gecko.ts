import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const giantDayGecko = relative('giant-day-gecko', 'Giant day gecko', 'Phelsuma grandis', 'crested-gecko', {
  adultMassG: memory(55, 'g'),
  youngMassG: memory(1.8, 'g'),
  matureDays: memory(450, 'days'),
  nextClutch: {
    days: memorySpread(20, 28, 40),
    perSeason: memorySpread(4, 6, 9, 'clutches'),
    comes: memory(0.85, 'share'),
  },
  incubation: {
    shell: 'hard',
    points: [
      { tempC: 25, days: 75, mark: 'memory' },
      { tempC: 27, days: 62, mark: 'memory' },
      { tempC: 29, days: 52, mark: 'memory' },
    ],
    usualTempC: memory(28, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.1, 'of the likely time'),
  },
  ladder: [
    step(0, 1, ['fly.large', 15], ['cricket.pinhead', 14]),
    step(30, 2, ['cricket.quarter', 5], ['fruitDiet', 1]),
    step(180, 2, ['cricket.half', 4], ['fruitDiet', 2]),
    step(450, 3, ['cricket.half', 6], ['fruitDiet', 1]),
  ],
  cautions: ['Protected: check papers and permits. Its skin tears when held: guide it, do not grip it.', SALMONELLA],
})
