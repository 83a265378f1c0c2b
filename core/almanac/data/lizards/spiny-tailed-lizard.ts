import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const spinyTailedLizard = relative(
  'spiny-tailed-lizard',
  'Spiny-tailed lizard',
  'Uromastyx acanthinura',
  'bearded-dragon',
  {
    matureDays: memory(1200, 'days'),
    adultMassG: memory(450, 'g'),
    youngMassG: memory(6, 'g'),
    clutchSize: memorySpread(8, 14, 22, 'eggs'),
    nextClutch: null,
    incubation: {
      points: [
        { tempC: 29, days: 100, mark: 'memory' },
        { tempC: 31, days: 85, mark: 'memory' },
        { tempC: 33, days: 74, mark: 'memory' },
      ],
      usualTempC: memory(32, '°C'),
      lethalAboveC: memory(36, '°C'),
      spreadShare: memory(0.1, 'of the likely time'),
    },
    eats: 'plants',
    ladder: [step(0, 1, ['greens', 1]), step(800, 1, ['greens', 1], ['pellet', 1])],
    cautions: [
      'Protected: check papers and permits. No water bowl: it drinks with its food. Hot basking lamps burn houses.',
      SALMONELLA,
    ],
  },
)
