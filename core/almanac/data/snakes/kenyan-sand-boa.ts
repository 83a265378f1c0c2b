import { clocks, memory, memorySpread } from '../marks'
import { relative } from '../relative'
import { boaRest } from '../winters'

export const kenyanSandBoa = relative('kenyan-sand-boa', 'Kenyan sand boa', 'Eryx colubrinus', 'rosy-boa', {
  matureDays: memory(1000, 'days'),
  adultMassG: memory(450, 'g', 'females; males stay under 120 g'),
  youngMassG: memory(9, 'g'),
  clutchSize: memorySpread(5, 12, 20, 'young'),
  winter: 'dormancy',
  cold: boaRest,
  clocks: clocks(
    ['warmUp', 'copulation', memorySpread(5, 20, 50), 0.75],
    ['copulation', 'born', memorySpread(120, 150, 190), 0.75],
    ['postOvulationShed', 'born', memorySpread(95, 110, 130), 0.9],
    ['born', 'firstMeal', memorySpread(7, 12, 25), 0.93],
  ),
})
