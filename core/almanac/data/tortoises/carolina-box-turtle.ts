import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const carolinaBoxTurtle = relative(
  'carolina-box-turtle',
  'Carolina box turtle',
  'Terrapene carolina',
  'hermanns-tortoise',
  {
    shellMass: null,
    sexByTemperature: null,
    matureDays: memory(2600, 'days'),
    adultMassG: memory(450, 'g'),
    youngMassG: memory(8, 'g'),
    clutchSize: memorySpread(2, 4, 7, 'eggs'),
    fertility: memory(0.7, 'share'),
    incubation: {
      points: [
        { tempC: 25, days: 75, mark: 'memory' },
        { tempC: 28, days: 58, mark: 'memory' },
        { tempC: 30, days: 51, mark: 'memory' },
      ],
      usualTempC: memory(28, '°C'),
      lethalAboveC: memory(33, '°C'),
      spreadShare: memory(0.1, 'of the likely time'),
    },
    eats: 'insects',
    ladder: [
      step(0, 1, ['redWorm', 2]),
      step(120, 2, ['redWorm', 6], ['greens', 1]),
      step(700, 3, ['nightcrawler', 4], ['fruit', 1], ['greens', 1]),
    ],
    cautions: ['Protected in its range: never from the wild; papers by local law.', SALMONELLA],
  },
)
