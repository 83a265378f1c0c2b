import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'
import { anoleRest } from '../winters'

export const greenAnole = relative('green-anole', 'Green anole', 'Anolis carolinensis', 'ocellated-lizard', {
  winter: 'dormancy',
  cold: anoleRest,
  matureDays: memory(300, 'days'),
  adultMassG: memory(5, 'g'),
  youngMassG: memory(0.3, 'g'),
  clutchSize: memorySpread(1, 1, 2, 'eggs'),
  clocks: clocks(
    ['warmUp', 'copulation', memorySpread(7, 20, 45), 0.85],
    ['copulation', 'laid', memorySpread(10, 18, 30), 0.88],
    ['hatched', 'firstMeal', memorySpread(1, 2, 3), 0.96],
  ),
  nextClutch: {
    days: memorySpread(7, 12, 20),
    perSeason: memorySpread(5, 9, 15, 'clutches'),
    comes: memory(0.9, 'share'),
  },
  incubation: {
    points: [
      { tempC: 25, days: 52, mark: 'memory' },
      { tempC: 27, days: 43, mark: 'memory' },
      { tempC: 29, days: 36, mark: 'memory' },
    ],
    usualTempC: memory(27, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.12, 'of the likely time'),
  },
  sexing: { system: 'XY', systemFrom: { mark: 'memory' }, signs: ['ventScales', 'behaviour'] },
  ladder: [
    step(0, 1, ['fly.small', 20]),
    step(30, 1, ['fly.large', 12]),
    step(90, 2, ['cricket.quarter', 3]),
    step(240, 2, ['cricket.quarter', 5]),
  ],
  cautions: ['Drinks drops from leaves: mist daily.', SALMONELLA],
})
