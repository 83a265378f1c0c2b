import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from '../marks'
import { testudoCold } from '../winters'

export const hermannsTortoise: Species = {
  id: 'hermanns-tortoise',
  name: 'Hermann’s tortoise',
  latin: 'Testudo hermanni',
  group: 'tortoise',
  mode: 'egg',
  winter: 'brumation',
  cold: testudoCold,
  shellMass: {
    gPerCm3: { ...memory(0.191, 'g/cm³'), source: 'jackson-1980' },
    lowShare: memory(0.85, 'share'),
    highShare: memory(1.2, '× the curve'),
  },
  matureDays: memory(3650, 'days'),
  adultMassG: memory(1400, 'g'),
  youngMassG: memory(11, 'g'),
  clocks: clocks(
    ['warmUp', 'ready', memorySpread(3, 10, 24), 0.97],
    ['ready', 'copulation', memorySpread(1, 8, 18), 0.92],
    ['warmUp', 'laid', practiceSpread(30, 45, 75), 0.85],
    ['copulation', 'laid', practiceSpread(30, 45, 75), 0.87],
    ['hatched', 'firstMeal', practiceSpread(8, 14, 20), 0.98],
  ),
  nextClutch: {
    days: practiceSpread(20, 24, 30),
    perSeason: practiceSpread(1, 2, 3, 'clutches'),
    comes: memory(0.6, 'share'),
  },
  clutchSize: memorySpread(3, 5, 8, 'eggs'),
  fertility: practice(0.55, 'share', 'some lay five eggs of which one or two are good'),
  hatchRate: memory(0.88, 'share'),
  incubation: {
    shell: 'hard',
    pipToOut: memorySpread(1, 2, 5),
    points: [
      { tempC: 26, days: 75, mark: 'memory' },
      { tempC: 28, days: 66, mark: 'memory' },
      { tempC: 31, days: 58, mark: 'memory' },
      { tempC: 33, days: 55, mark: 'memory' },
    ],
    usualTempC: memory(31, '°C'),
    lethalAboveC: practice(35, '°C'),
    spreadShare: memory(0.07, 'of the likely time'),
  },
  sexByTemperature: [{ tempC: 31.5, femaleShare: 0.5, mark: 'published', source: 'eendebak-1995' }],
  survival90: memory(0.97, 'share'),
  keptDays: memory(240, 'days'),
  eats: 'plants',
  ladder: [step(0, 1, ['greens', 1])],
  weighEveryDays: { young: practice(30, 'days'), adult: practice(60, 'days'), cold: practice(21, 'days') },
  cautions: [
    'Protected: permits and papers before breeding or moving, by local law.',
    'Never below 2 °C, never long above 9 °C in the cold.',
    SALMONELLA,
  ],
}
