import { HYGIENE } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const tomatoFrog = relative('tomato-frog', 'Tomato frog', 'Dyscophus guineti', 'whites-tree-frog', {
  matureDays: memory(700, 'days'),
  adultMassG: memory(90, 'g', 'females'),
  youngMassG: memory(0.3, 'g'),
  clutchSize: memorySpread(400, 1000, 1800, 'eggs'),
  ladder: [
    step(0, 1, ['fly.small', 10], ['springtail', 40]),
    step(30, 1, ['fly.large', 12]),
    step(90, 2, ['cricket.quarter', 6]),
    step(400, 4, ['roach.nymph', 6]),
  ],
  cautions: ['Its skin gives off a glue that burns eyes: wet gloves. Protected: check papers.', HYGIENE],
})
