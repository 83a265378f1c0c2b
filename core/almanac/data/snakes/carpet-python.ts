import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const carpetPython = relative('carpet-python', 'Carpet python', 'Morelia spilota', 'royal-python', {
  matureDays: memory(1100, 'days'),
  adultMassG: memory(3500, 'g'),
  youngMassG: memory(25, 'g'),
  clutchSize: memorySpread(10, 20, 35, 'eggs'),
  incubation: {
    points: [
      { tempC: 30, days: 58, mark: 'memory' },
      { tempC: 31, days: 54, mark: 'memory' },
      { tempC: 32, days: 50, mark: 'memory' },
    ],
    usualTempC: memory(31, '°C'),
    lethalAboveC: memory(34, '°C'),
    spreadShare: memory(0.07, 'of the likely time'),
  },
  ladder: [
    step(0, 7, ['mouse.fuzzy', 1]),
    step(90, 8, ['mouse.hopper', 1]),
    step(200, 9, ['mouse.weaned', 1]),
    step(360, 11, ['rat.weaned', 1]),
    step(700, 14, ['rat.small', 1]),
    step(1200, 18, ['rat.medium', 1]),
  ],
})
