import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { relative } from '../relative'

export const redEyedTreeFrog = relative(
  'red-eyed-tree-frog',
  'Red-eyed tree frog',
  'Agalychnis callidryas',
  'whites-tree-frog',
  {
    matureDays: memory(550, 'days'),
    adultMassG: memory(10, 'g'),
    youngMassG: memory(0.4, 'g'),
    clutchSize: memorySpread(20, 45, 90, 'eggs'),
    clocks: clocks(
      ['warmUp', 'copulation', memorySpread(3, 12, 35), 0.75],
      ['copulation', 'laid', memorySpread(0, 1, 3), 0.9],
      ['laid', 'hatched', memorySpread(5, 7, 10), 0.92],
      ['hatched', 'metamorphosed', memorySpread(45, 60, 80), 0.95],
      ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.97],
    ),
    ladder: [step(0, 1, ['fly.large', 6]), step(60, 1, ['cricket.quarter', 3]), step(240, 2, ['cricket.half', 2])],
    cautions: ['Leaves and glass above water carry the eggs: keep them wet until the tadpoles drop.', HYGIENE],
  },
)
