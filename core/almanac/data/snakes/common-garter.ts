import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'
import { colubridCold } from '../winters'

export const commonGarter = relative('common-garter', 'Common garter snake', 'Thamnophis sirtalis', 'rosy-boa', {
  matureDays: memory(700, 'days'),
  adultMassG: memory(120, 'g', 'females'),
  youngMassG: memory(2, 'g'),
  clutchSize: memorySpread(8, 18, 40, 'young'),
  cold: {
    ...colubridCold,
    lowC: memory(5, '°C'),
    highC: memory(12, '°C'),
    holdC: memory(8, '°C'),
    floorC: memory(3, '°C'),
    ceilingC: memory(15, '°C'),
  },
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(2, 8, 20), 0.97],
    ['ready', 'copulation', memorySpread(1, 5, 15), 0.88],
    ['copulation', 'born', memorySpread(80, 105, 135), 0.8],
    ['born', 'firstMeal', memorySpread(2, 5, 10), 0.96],
  ),
  sexing: { system: 'ZW', systemFrom: { mark: 'practice' }, signs: ['tailShape'] },
  eats: 'insects',
  ladder: [
    step(0, 3, ['redWorm', 1]),
    step(60, 4, ['redWorm', 3]),
    step(180, 5, ['nightcrawler', 2]),
    step(500, 7, ['nightcrawler', 5]),
  ],
  cautions: [
    'Worms and thawed fish only of safe kinds: some fish destroy vitamin B1. Window paper comes off after the cold.',
    SALMONELLA,
  ],
})
