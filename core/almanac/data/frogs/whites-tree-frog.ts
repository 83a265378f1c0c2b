import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { relative } from '../relative'
import { frogDrySeason } from '../winters'

export const whitesTreeFrog = relative(
  'whites-tree-frog',
  'White’s tree frog',
  'Ranoidea caerulea',
  'fire-bellied-toad',
  {
    winter: 'dormancy',
    cold: frogDrySeason,
    matureDays: memory(600, 'days'),
    adultMassG: memory(60, 'g'),
    youngMassG: memory(0.8, 'g'),
    clutchSize: memorySpread(200, 800, 2000, 'eggs'),
    clocks: clocks(
      ['warmUp', 'copulation', memorySpread(3, 12, 35), 0.7],
      ['copulation', 'laid', memorySpread(0, 1, 3), 0.9],
      ['laid', 'hatched', memorySpread(1, 2, 4), 0.95],
      ['hatched', 'metamorphosed', memorySpread(35, 48, 70), 0.95],
      ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.97],
    ),
    ladder: [
      step(0, 1, ['fly.large', 12]),
      step(30, 1, ['cricket.quarter', 3]),
      step(120, 2, ['cricket.half', 4]),
      step(400, 3, ['roach.nymph', 4]),
    ],
    cautions: ['Spawn comes in hundreds: decide how many are raised before they hatch.', HYGIENE],
  },
)
