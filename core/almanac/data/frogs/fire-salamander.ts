import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const fireSalamander = relative(
  'fire-salamander',
  'Fire salamander',
  'Salamandra salamandra',
  'fire-bellied-toad',
  {
    mode: 'live',
    nextClutch: null,
    larvalSurvival: null,
    matureDays: memory(1100, 'days'),
    adultMassG: memory(28, 'g'),
    youngMassG: memory(0.2, 'g'),
    clutchSize: memorySpread(10, 30, 60, 'young'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(2, 10, 30), 0.97],
      ['ready', 'copulation', memorySpread(5, 60, 180), 0.6],
      ['copulation', 'born', memorySpread(150, 240, 330), 0.75],
      ['born', 'firstMeal', memorySpread(0, 1, 3), 0.98],
    ),
    survival90: memory(0.7, 'share'),
    ladder: [
      step(0, 1, ['grindal', 20]),
      step(60, 2, ['grindal', 40]),
      step(120, 3, ['redWorm', 1], ['isopod.dwarf', 6]),
      step(400, 4, ['redWorm', 4]),
    ],
    cautions: [
      'Born as larvae into shallow, clean water; out of it when the gills are gone. Its skin gives off poison: gloves, wash hands, away from eyes. Protected: papers. A fungus from one collection can kill another: quarantine.',
      HYGIENE,
    ],
  },
)
