import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const ornateHornedFrog = relative(
  'ornate-horned-frog',
  'Ornate horned frog',
  'Ceratophrys ornata',
  'whites-tree-frog',
  {
    matureDays: memory(600, 'days'),
    adultMassG: memory(350, 'g'),
    youngMassG: memory(3, 'g'),
    clutchSize: memorySpread(300, 1000, 2000, 'eggs'),
    clocks: clocks(
      ['warmUp', 'copulation', memorySpread(2, 10, 30), 0.6],
      ['copulation', 'laid', memorySpread(0, 1, 2), 0.9],
      ['laid', 'hatched', memorySpread(1, 2, 3), 0.95],
      ['hatched', 'metamorphosed', memorySpread(25, 35, 50), 0.95],
      ['metamorphosed', 'firstMeal', memorySpread(2, 4, 7), 0.98],
    ),
    larvalSurvival: memory(0.4, 'share', 'tadpoles eat each other: one to a cup'),
    ladder: [
      step(0, 1, ['cricket.quarter', 4]),
      step(30, 2, ['cricket.half', 5]),
      step(120, 4, ['roach.nymph', 8]),
      step(400, 8, ['nightcrawler', 6]),
    ],
    cautions: ['Eats whatever fits, its kind too: always alone, from the tadpole on. Bites.', HYGIENE],
  },
)
