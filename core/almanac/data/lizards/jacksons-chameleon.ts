import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const jacksonsChameleon = relative(
  'jacksons-chameleon',
  'Jackson’s chameleon',
  'Trioceros jacksonii',
  'panther-chameleon',
  {
    mode: 'live',
    matureDays: memory(300, 'days'),
    adultMassG: memory(90, 'g'),
    youngMassG: memory(0.6, 'g'),
    clutchSize: memorySpread(8, 20, 35, 'young'),
    incubation: null,
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(0, 2, 14), 0.75],
      ['copulation', 'born', memorySpread(150, 180, 215), 0.75],
      ['born', 'firstMeal', memorySpread(1, 1, 2), 0.97],
    ),
    nextClutch: {
      days: memorySpread(120, 180, 240),
      perSeason: memorySpread(1, 1, 2, 'clutches'),
      comes: memory(0.3, 'share'),
    },
    ladder: [
      step(0, 1, ['fly.small', 35]),
      step(10, 1, ['fly.large', 14], ['beanBeetle', 3]),
      step(30, 1, ['cricket.quarter', 5]),
      step(120, 2, ['cricket.half', 4]),
    ],
    cautions: ['Cool nights; above 28 °C it suffers. UVB for the newborn by the meter.', SALMONELLA],
  },
)
