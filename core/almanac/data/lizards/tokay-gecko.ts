import { SALMONELLA } from '../cautions'
import { memory, step } from '../marks'
import { relative } from '../relative'

export const tokayGecko = relative('tokay-gecko', 'Tokay gecko', 'Gekko gecko', 'giant-day-gecko', {
  adultMassG: memory(200, 'g'),
  youngMassG: memory(5, 'g'),
  matureDays: memory(550, 'days'),
  incubation: {
    shell: 'hard',
    points: [
      { tempC: 26, days: 130, mark: 'memory' },
      { tempC: 28, days: 110, mark: 'memory' },
      { tempC: 30, days: 95, mark: 'memory' },
    ],
    usualTempC: memory(28, '°C'),
    lethalAboveC: memory(33, '°C'),
    spreadShare: memory(0.12, 'of the likely time'),
  },
  ladder: [
    step(0, 1, ['cricket.quarter', 6]),
    step(60, 2, ['cricket.half', 5]),
    step(240, 3, ['roach.nymph', 5]),
    step(600, 4, ['roach.adult', 3]),
  ],
  cautions: ['Bites hard and holds on: gloves, and leave glued eggs where they are, under a cup.', SALMONELLA],
})
