import { memory, memorySpread, practice } from '../marks'
import { relative } from '../relative'

export const greekTortoise = relative('greek-tortoise', 'Greek tortoise', 'Testudo graeca', 'hermanns-tortoise', {
  adultMassG: memory(1800, 'g'),
  youngMassG: memory(12, 'g'),
  clutchSize: memorySpread(2, 4, 7, 'eggs'),
  incubation: {
    shell: 'hard',
    points: [
      { tempC: 28, days: 80, mark: 'memory' },
      { tempC: 30, days: 70, mark: 'memory' },
      { tempC: 32, days: 62, mark: 'memory' },
    ],
    usualTempC: memory(31, '°C'),
    lethalAboveC: practice(35, '°C'),
    spreadShare: memory(0.09, 'of the likely time'),
  },
})
