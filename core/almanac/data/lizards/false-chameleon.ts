import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const falseChameleon = relative('false-chameleon', 'False chameleon', 'Anolis chamaeleonides', 'green-anole', {
  winter: 'none',
  cold: null,
  matureDays: memory(540, 'days'),
  adultMassG: memory(45, 'g'),
  youngMassG: memory(1.6, 'g'),
  clocks: clocks(
    ['introduced', 'copulation', memorySpread(2, 14, 45), 0.75],
    ['copulation', 'laid', memorySpread(20, 35, 60), 0.8],
    ['hatched', 'firstMeal', memorySpread(1, 3, 6), 0.95],
  ),
  nextClutch: {
    days: memorySpread(20, 30, 50),
    perSeason: memorySpread(3, 5, 8, 'clutches'),
    comes: memory(0.8, 'share'),
  },
  incubation: {
    points: [
      { tempC: 22, days: 190, mark: 'memory' },
      { tempC: 24, days: 165, mark: 'memory' },
      { tempC: 26, days: 145, mark: 'memory' },
    ],
    usualTempC: memory(24, '°C'),
    lethalAboveC: memory(29, '°C'),
    spreadShare: memory(0.15, 'of the likely time'),
  },
  ladder: [
    step(0, 1, ['fly.large', 15], ['cricket.pinhead', 10]),
    step(30, 2, ['cricket.quarter', 4]),
    step(150, 2, ['cricket.half', 3]),
    step(400, 3, ['roach.nymph', 4], ['snail', 1]),
  ],
  cautions: [
    'Protected in its range: check papers. Shade first, weak UVB; it gapes when stressed: put it back.',
    SALMONELLA,
  ],
})
