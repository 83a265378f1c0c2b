import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const rainbowBoa = relative('rainbow-boa', 'Rainbow boa', 'Epicrates cenchria', 'boa-constrictor', {
  matureDays: memory(1200, 'days'),
  adultMassG: memory(2000, 'g'),
  youngMassG: memory(25, 'g'),
  clutchSize: memorySpread(8, 15, 28, 'young'),
  clocks: clocks(
    ['warmUp', 'copulation', memorySpread(10, 35, 80), 0.75],
    ['copulation', 'postOvulationShed', memorySpread(25, 50, 90), 0.75],
    ['ovulation', 'postOvulationShed', memorySpread(12, 17, 24), 0.95],
    ['postOvulationShed', 'born', memorySpread(120, 137, 155), 0.95],
    ['born', 'firstMeal', memorySpread(7, 12, 20), 0.96],
  ),
  ladder: [
    step(0, 8, ['mouse.fuzzy', 1]),
    step(90, 9, ['mouse.hopper', 1]),
    step(220, 10, ['mouse.weaned', 1]),
    step(420, 12, ['mouse.adult', 1]),
    step(800, 16, ['rat.weaned', 1]),
    step(1300, 18, ['rat.small', 1]),
  ],
  cautions: ['Damp at all times: dry air brings stuck sheds within days.', SALMONELLA],
})
