import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, practiceSpread, step } from '../marks'
import { relative } from '../relative'
import { toadCold } from '../winters'

export const midwifeToad = relative('midwife-toad', 'Common midwife toad', 'Alytes obstetricans', 'fire-bellied-toad', {
  matureDays: memory(730, 'days'),
  adultMassG: memory(9, 'g'),
  youngMassG: memory(0.8, 'g'),
  clutchSize: memorySpread(15, 35, 60, 'eggs'),
  cold: {
    ...toadCold,
    lowC: memory(3, '°C'),
    highC: memory(10, '°C'),
    holdC: memory(6, '°C'),
    ceilingC: memory(13, '°C'),
  },
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(5, 14, 30), 0.97],
    ['ready', 'copulation', memorySpread(2, 14, 40), 0.8],
    ['copulation', 'laid', memorySpread(0, 1, 2), 0.95],
    ['laid', 'hatched', memorySpread(20, 30, 45), 0.85],
    ['hatched', 'metamorphosed', memorySpread(60, 130, 330), 0.9],
    ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.97],
  ),
  ladder: [
    step(0, 1, ['fly.large', 10], ['springtail', 20]),
    step(30, 1, ['cricket.quarter', 2]),
    step(150, 2, ['cricket.quarter', 6]),
    step(400, 3, ['cricket.half', 4]),
  ],
  cautions: [
    'The male carries the string: laid is the day he took it, hatched the day he brought it to water. Protected: check papers.',
    HYGIENE,
  ],
})
