import { memory, memorySpread, practice, step } from '../marks'
import { relative } from '../relative'

export const gopherSnake = relative('gopher-snake', 'Gopher snake', 'Pituophis catenifer', 'corn-snake', {
  adultMassG: memory(700, 'g'),
  youngMassG: memory(25, 'g'),
  clutchSize: memorySpread(4, 8, 14, 'eggs'),
  nextClutch: {
    days: memorySpread(45, 60, 80),
    perSeason: memorySpread(1, 1, 2, 'clutches'),
    comes: memory(0.1, 'share'),
  },
  incubation: {
    points: [
      { tempC: 27, days: 70, mark: 'memory' },
      { tempC: 28, days: 65, mark: 'memory' },
      { tempC: 29, days: 60, mark: 'memory' },
    ],
    usualTempC: memory(28, '°C'),
    lethalAboveC: practice(32, '°C'),
    spreadShare: memory(0.08, 'of the likely time'),
  },
  ladder: [
    step(0, 6, ['mouse.fuzzy', 1]),
    step(70, 7, ['mouse.hopper', 1]),
    step(160, 7, ['mouse.weaned', 1]),
    step(300, 9, ['mouse.adult', 1]),
    step(600, 12, ['rat.weaned', 1]),
  ],
})
