import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practice, practiceSpread } from '../marks'
import { relative } from '../relative'

export const radiatedTortoise = relative(
  'radiated-tortoise',
  'Radiated tortoise',
  'Astrochelys radiata',
  'hermanns-tortoise',
  {
    winter: 'none',
    cold: null,
    shellMass: null,
    sexByTemperature: null,
    matureDays: memory(5500, 'days'),
    adultMassG: memory(9000, 'g'),
    youngMassG: memory(30, 'g'),
    clutchSize: practiceSpread(1, 4, 7, 'eggs'),
    fertility: practice(0.45, 'share', 'she may lay five with one or two good'),
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(1, 20, 60), 0.8],
      ['copulation', 'laid', memorySpread(35, 60, 110), 0.8],
      ['hatched', 'firstMeal', practiceSpread(14, 20, 28), 0.96],
    ),
    nextClutch: {
      days: memorySpread(25, 35, 60),
      perSeason: memorySpread(1, 3, 5, 'clutches'),
      comes: memory(0.6, 'share'),
    },
    incubation: {
      shell: 'hard',
      phases: [
        {
          name: 'Pause in the cool',
          days: practiceSpread(25, 30, 40),
          lowC: practice(15, '°C'),
          highC: practice(21, '°C'),
          how: 'About 30 days cool and rather dry; from cool to warm, or from dry to damp, ends it.',
        },
      ],
      pipToOut: practiceSpread(7, 14, 20),
      points: [
        { tempC: 28.5, days: 102, mark: 'practice', note: 'about 90 days in the warm, after the pause' },
        { tempC: 29, days: 94, mark: 'practice' },
        { tempC: 29.5, days: 88, mark: 'practice' },
      ],
      usualTempC: practice(29, '°C'),
      lethalAboveC: memory(34, '°C'),
      spreadShare: memory(0.12, 'of the likely time'),
    },
    cautions: [
      'Protected worldwide: papers by the keeper’s own law before breeding, selling or moving; a sale across an inner border may need permits of both sides.',
      SALMONELLA,
    ],
  },
)
