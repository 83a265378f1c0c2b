import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const blueTonguedSkink = relative(
  'blue-tongued-skink',
  'Blue-tongued skink',
  'Tiliqua scincoides',
  'bearded-dragon',
  {
    mode: 'live',
    matureDays: memory(700, 'days'),
    adultMassG: memory(500, 'g'),
    youngMassG: memory(17, 'g'),
    clutchSize: memorySpread(5, 10, 18, 'young'),
    nextClutch: null,
    incubation: null,
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(10, 20, 35), 0.97],
      ['ready', 'copulation', memorySpread(2, 10, 25), 0.8],
      ['copulation', 'born', memorySpread(95, 115, 145), 0.8],
      ['born', 'firstMeal', memorySpread(1, 3, 6), 0.98],
    ),
    ladder: [
      step(0, 1, ['roach.small', 6], ['greens', 1]),
      step(90, 2, ['roach.nymph', 4], ['greens', 1]),
      step(300, 3, ['roach.adult', 3], ['greens', 1], ['snail', 2]),
    ],
    cautions: ['Bites hard. Young are kept apart from the first days: they bite off toes and tails.', SALMONELLA],
  },
)
