import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const crestedGecko = relative('crested-gecko', 'Crested gecko', 'Correlophus ciliatus', 'fat-tailed-gecko', {
  winter: 'none',
  cold: null,
  matureDays: memory(450, 'days'),
  adultMassG: memory(45, 'g'),
  youngMassG: memory(1.8, 'g'),
  clocks: clocks(
    ['introduced', 'copulation', memorySpread(1, 7, 30), 0.8],
    ['copulation', 'laid', memorySpread(25, 35, 60), 0.85],
    ['hatched', 'firstMeal', memorySpread(3, 5, 8), 0.97],
  ),
  nextClutch: {
    days: memorySpread(25, 33, 45),
    perSeason: memorySpread(4, 6, 9, 'clutches'),
    comes: memory(0.85, 'share'),
  },
  incubation: {
    points: [
      { tempC: 21, days: 105, mark: 'memory' },
      { tempC: 23, days: 80, mark: 'memory' },
      { tempC: 25, days: 66, mark: 'memory' },
    ],
    usualTempC: memory(23, '°C'),
    lethalAboveC: memory(29, '°C'),
    spreadShare: memory(0.12, 'of the likely time'),
  },
  ladder: [
    step(0, 2, ['fruitDiet', 1], ['cricket.pinhead', 8]),
    step(60, 2, ['fruitDiet', 2], ['cricket.quarter', 3]),
    step(200, 2, ['fruitDiet', 3], ['cricket.half', 2]),
    step(450, 2, ['fruitDiet', 5], ['cricket.half', 3]),
  ],
  cautions: ['A tail that is dropped does not grow again. Warmth above 28 °C for long harms it.', SALMONELLA],
})
