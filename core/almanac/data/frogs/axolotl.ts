import { HYGIENE } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const axolotl = relative('axolotl', 'Axolotl', 'Ambystoma mexicanum', 'fire-bellied-toad', {
  winter: 'none',
  cold: null,
  matureDays: memory(500, 'days'),
  adultMassG: memory(120, 'g'),
  youngMassG: memory(0.5, 'g'),
  clutchSize: memorySpread(150, 450, 900, 'eggs'),
  clocks: clocks(
    ['introduced', 'copulation', memorySpread(1, 4, 20), 0.7],
    ['copulation', 'laid', memorySpread(0.5, 1, 3), 0.9],
    ['laid', 'hatched', memorySpread(12, 17, 24), 0.92],
    ['hatched', 'metamorphosed', memorySpread(20, 30, 45), 0.95],
    ['metamorphosed', 'firstMeal', memorySpread(0, 1, 2), 0.98],
  ),
  larvalSurvival: memory(0.5, 'share'),
  nextClutch: {
    days: memorySpread(60, 100, 180),
    perSeason: memorySpread(1, 2, 3, 'spawnings'),
    comes: memory(0.5, 'share'),
  },
  sexing: { system: 'ZW', systemFrom: { mark: 'memory' }, signs: ['bulge'] },
  ladder: [
    step(0, 1, ['grindal', 60]),
    step(40, 1, ['grindal', 200]),
    step(80, 1, ['redWorm', 1]),
    step(160, 2, ['redWorm', 4]),
    step(365, 3, ['nightcrawler', 2]),
  ],
  cautions: [
    'It keeps its gills: “turned” here is when all four legs stand and it takes moved food. Until then live food only, and sorted by size: they bite off limbs. Cool, clean water. Protected: papers.',
    HYGIENE,
  ],
})
