import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { relative } from '../relative'

export const royalPython = relative('royal-python', 'Royal python', 'Python regius', 'boa-constrictor', {
  mode: 'egg',
  matureDays: memory(900, 'days'),
  adultMassG: memory(1800, 'g', 'females'),
  youngMassG: memory(60, 'g'),
  clutchSize: memorySpread(3, 6, 10, 'eggs'),
  clocks: clocks(
    ['warmUp', 'copulation', memorySpread(5, 30, 90), 0.8],
    ['copulation', 'ovulation', memorySpread(30, 75, 150), 0.7],
    ['ovulation', 'preLayShed', memorySpread(12, 18, 26), 0.95],
    ['preLayShed', 'laid', memorySpread(24, 30, 38), 0.96],
    ['hatched', 'firstMeal', memorySpread(8, 14, 28), 0.93],
  ),
  incubation: {
    points: [
      { tempC: 30, days: 64, mark: 'memory' },
      { tempC: 31.5, days: 58, mark: 'memory' },
      { tempC: 32.5, days: 54, mark: 'memory' },
    ],
    usualTempC: memory(31.5, '°C'),
    lethalAboveC: memory(34, '°C'),
    spreadShare: memory(0.07, 'of the likely time'),
  },
  mating: {
    maleFromDays: memory(500, 'days'),
    femaleFromDays: memory(1000, 'days'),
    femaleMassShare: memory(0.8, 'of a usual adult'),
    sizeRatio: memory(3.5, '× the smaller'),
    visitDays: memory(3, 'days'),
    restDays: memory(6, 'days'),
    locksWanted: memory(4, 'confirmed locks'),
    females: memory(5, 'females to a male'),
    social: false,
    afterClutch: false,
    follicles: { ovulateMm: memorySpread(32, 38, 45, 'mm'), mmPerDay: memorySpread(0.2, 0.4, 0.8, 'mm a day') },
    restBelow: memory(0.6, 'of the weight before the season'),
    againFrom: memory(0.85, 'of the weight before the season'),
  },
  sexing: {
    system: 'XY',
    systemFrom: { mark: 'memory', note: 'By analogy with the python of Gamble 2017' },
    probe: {
      female: { mean: 3, sd: 0.8, unit: 'scales', mark: 'practice' },
      male: { mean: 9, sd: 1.4, unit: 'scales', mark: 'practice' },
    },
    probeFromG: memory(120, 'g'),
    signs: ['spurs'],
  },
  keptDays: memory(60, 'days'),
  fertility: memory(0.9, 'share'),
  hatchRate: memory(0.93, 'share'),
  ladder: [
    step(0, 7, ['mouse.hopper', 1]),
    step(60, 8, ['mouse.weaned', 1]),
    step(200, 9, ['rat.weaned', 1]),
    step(500, 12, ['rat.small', 1]),
    step(1000, 16, ['rat.medium', 1]),
  ],
  cautions: ['Long fasts out of season are usual: watch the weight, not the meals.', SALMONELLA],
})
