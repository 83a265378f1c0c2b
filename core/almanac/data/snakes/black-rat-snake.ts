import { memory, memorySpread, practice, step } from '../marks'
import { relative } from '../relative'

export const blackRatSnake = relative('black-rat-snake', 'Black rat snake', 'Pantherophis obsoletus', 'corn-snake', {
  adultMassG: memory(900, 'g'),
  youngMassG: memory(11, 'g'),
  clutchSize: memorySpread(8, 14, 24, 'eggs'),
  incubation: {
    points: [
      { tempC: 27, days: 68, mark: 'memory' },
      { tempC: 28, days: 63, mark: 'memory' },
      { tempC: 29, days: 58, mark: 'memory' },
    ],
    usualTempC: practice(28, '°C'),
    lethalAboveC: practice(32, '°C'),
    spreadShare: memory(0.08, 'of the likely time'),
  },
  ladder: [
    step(0, 6, ['mouse.pinky', 1]),
    step(50, 7, ['mouse.fuzzy', 1]),
    step(120, 7, ['mouse.hopper', 1]),
    step(250, 8, ['mouse.weaned', 1]),
    step(420, 10, ['mouse.adult', 1]),
    step(800, 12, ['rat.weaned', 1]),
  ],
})
