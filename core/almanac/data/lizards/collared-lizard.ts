import { SALMONELLA } from '../cautions'
import { memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const collaredLizard = relative('collared-lizard', 'Collared lizard', 'Crotaphytus collaris', 'bearded-dragon', {
  matureDays: memory(350, 'days'),
  adultMassG: memory(45, 'g'),
  youngMassG: memory(1.8, 'g'),
  clutchSize: memorySpread(3, 6, 11, 'eggs'),
  nextClutch: {
    days: memorySpread(25, 35, 50),
    perSeason: memorySpread(1, 2, 3, 'clutches'),
    comes: memory(0.6, 'share'),
  },
  incubation: {
    points: [
      { tempC: 27, days: 78, mark: 'memory' },
      { tempC: 29, days: 63, mark: 'memory' },
      { tempC: 31, days: 53, mark: 'memory' },
    ],
    usualTempC: memory(29, '°C'),
    lethalAboveC: memory(35, '°C'),
    spreadShare: memory(0.1, 'of the likely time'),
  },
  ladder: [
    step(0, 1, ['roach.newborn', 4], ['cricket.pinhead', 15]),
    step(30, 1, ['cricket.quarter', 6]),
    step(90, 2, ['cricket.half', 4]),
    step(270, 2, ['roach.nymph', 3]),
    step(500, 3, ['roach.nymph', 4]),
  ],
  cautions: [
    'Basking surface 40–46 °C under a desert-class UVB tube: guard, thermostat, smoke alarm. Superworms weekly at most.',
    SALMONELLA,
  ],
})
