import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const westernHognose = relative('western-hognose', 'Western hognose', 'Heterodon nasicus', 'corn-snake', {
  matureDays: memory(750, 'days'),
  adultMassG: memory(200, 'g', 'females; males are about half of it'),
  youngMassG: memory(6, 'g'),
  clutchSize: memorySpread(6, 12, 22, 'eggs'),
  survival90: memory(0.92, 'share', 'some young do not start by themselves'),
  incubation: {
    points: [
      { tempC: 26, days: 62, mark: 'memory' },
      { tempC: 28, days: 54, mark: 'memory' },
      { tempC: 30, days: 48, mark: 'memory' },
    ],
    usualTempC: memory(28, '°C'),
    lethalAboveC: memory(32, '°C'),
    spreadShare: memory(0.09, 'of the likely time'),
  },
  ladder: [
    step(0, 5, ['mouse.pinky', 1]),
    step(100, 6, ['mouse.fuzzy', 1]),
    step(240, 7, ['mouse.hopper', 1]),
    step(480, 9, ['mouse.weaned', 1]),
  ],
  cautions: [
    'Its saliva is mildly venomous: a bite that is held on can swell. Wash it, watch it, and see a doctor if it spreads.',
    SALMONELLA,
  ],
})
