import type { Species } from '../schema'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from './marks'
import { geckoRest, lizardCold, testudoCold } from './winters'

const SALMONELLA = 'Wash hands after every animal, tub and feeder: reptiles carry Salmonella.'
const weighing = { young: practice(7, 'days'), adult: practice(30, 'days'), cold: practice(14, 'days') }

const geckoClocks = clocks(
  ['warmUp', 'copulation', practiceSpread(1, 7, 21), 0.85],
  ['copulation', 'laid', practiceSpread(16, 24, 35), 0.88],
  ['hatched', 'firstMeal', practiceSpread(2, 3, 4), 0.98],
)
const geckoNext = { days: practiceSpread(14, 21, 35), perSeason: practiceSpread(3, 5, 7, 'clutches'), comes: memory(0.85, 'share') }
const geckoEggs = {
  points: [
    { tempC: 26, days: 60, mark: 'practice' as const }, { tempC: 29, days: 50, mark: 'practice' as const }, { tempC: 32, days: 40, mark: 'practice' as const },
  ],
  usualTempC: practice(29, '°C'), lethalAboveC: memory(35, '°C'), spreadShare: memory(0.1, 'of the likely time'),
}
const geckoLadder = [step(0, 1, ['cricket.quarter', 4]), step(60, 2, ['cricket.half', 5]), step(240, 3, ['roach.nymph', 4])]

const leopardSex = [
  ...[[26, 0.98], [30, 0.8], [32.5, 0.25]].map(([tempC, femaleShare]) => ({ tempC: tempC!, femaleShare: femaleShare!, mark: 'published' as const, source: 'viets-1993' })),
  { tempC: 34.5, femaleShare: 0.9, mark: 'memory' as const, note: 'Again nearly all female above 34 °C; the row is from memory, to be rechecked in Viets 1993' },
]

export const lizards: Species[] = [
  {
    id: 'fat-tailed-gecko', name: 'African fat-tailed gecko', latin: 'Hemitheconyx caudicinctus', group: 'lizard', mode: 'egg', winter: 'dormancy',
    cold: geckoRest, matureDays: practice(400, 'days'), adultMassG: memory(60, 'g'), youngMassG: memory(3, 'g'),
    clocks: geckoClocks, nextClutch: geckoNext, clutchSize: practiceSpread(1, 2, 2, 'eggs'), fertility: memory(0.78, 'share'), hatchRate: memory(0.88, 'share'),
    incubation: geckoEggs, survival90: memory(0.94, 'share'), keptDays: memory(110, 'days'), eats: 'insects', ladder: geckoLadder, weighEveryDays: weighing,
    cautions: [SALMONELLA],
  },
  {
    id: 'leopard-gecko', name: 'Leopard gecko', latin: 'Eublepharis macularius', group: 'lizard', mode: 'egg', winter: 'dormancy',
    cold: geckoRest, matureDays: practice(330, 'days'), adultMassG: memory(65, 'g'), youngMassG: memory(3, 'g'),
    clocks: geckoClocks, nextClutch: geckoNext, clutchSize: practiceSpread(1, 2, 2, 'eggs'), fertility: memory(0.82, 'share'), hatchRate: memory(0.9, 'share'),
    incubation: geckoEggs, sexByTemperature: leopardSex, survival90: memory(0.95, 'share'), keptDays: memory(90, 'days'), eats: 'insects', ladder: geckoLadder, weighEveryDays: weighing,
    cautions: [SALMONELLA],
  },
  {
    id: 'mourning-gecko', name: 'Mourning gecko', latin: 'Lepidodactylus lugubris', group: 'lizard', mode: 'egg', winter: 'none',
    matureDays: memory(270, 'days'), adultMassG: memory(2.2, 'g'), youngMassG: memory(0.3, 'g'),
    clocks: clocks(['introduced', 'laid', memorySpread(5, 20, 45), 0.9], ['hatched', 'firstMeal', practiceSpread(2, 3, 4), 0.97]),
    nextClutch: { days: memorySpread(14, 25, 40), perSeason: memorySpread(4, 6, 9, 'clutches'), comes: memory(0.85, 'share') },
    clutchSize: practiceSpread(1, 2, 2, 'eggs'), fertility: memory(0.9, 'share'), hatchRate: memory(0.85, 'share'),
    incubation: { points: [{ tempC: 24, days: 80, mark: 'memory' }, { tempC: 28, days: 62, mark: 'memory' }], usualTempC: memory(26, '°C'), lethalAboveC: memory(33, '°C'), spreadShare: memory(0.15, 'of the likely time') },
    survival90: memory(0.85, 'share'), keptDays: memory(100, 'days'), eats: 'insects', ladder: [step(0, 1, ['fly.small', 15]), step(120, 2, ['fly.large', 24])], weighEveryDays: weighing,
    cautions: ['All are females and breed without a male: keep at least four together.', SALMONELLA],
  },
  {
    id: 'ocellated-lizard', name: 'Ocellated lizard', latin: 'Timon lepidus', group: 'lizard', mode: 'egg', winter: 'brumation',
    cold: lizardCold(practiceSpread(8, 10, 12, 'weeks')),
    matureDays: memory(730, 'days'), adultMassG: memory(200, 'g'), youngMassG: memory(3.5, 'g'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(10, 18, 30), 0.97],
      ['ready', 'copulation', memorySpread(2, 8, 16), 0.87],
      ['copulation', 'laid', memorySpread(24, 33, 46), 0.85],
      ['hatched', 'firstMeal', memorySpread(1, 3, 5), 0.98],
    ),
    nextClutch: { days: memorySpread(30, 40, 55), perSeason: memorySpread(1, 2, 3, 'clutches'), comes: memory(0.5, 'share') },
    clutchSize: memorySpread(6, 13, 22, 'eggs'), fertility: memory(0.8, 'share'), hatchRate: memory(0.85, 'share'),
    incubation: {
      points: [{ tempC: 26, days: 100, mark: 'memory' }, { tempC: 28, days: 82, mark: 'memory' }, { tempC: 30, days: 71, mark: 'memory' }],
      usualTempC: memory(28, '°C'), lethalAboveC: memory(33, '°C'), spreadShare: memory(0.09, 'of the likely time'),
    },
    survival90: memory(0.9, 'share'), keptDays: memory(100, 'days'), eats: 'insects',
    ladder: [
      step(0, 1, ['fly.large', 14], ['beanBeetle', 4], ['cricket.quarter', 3]), step(14, 1, ['beanBeetle', 4], ['cricket.quarter', 6]), step(50, 2, ['cricket.half', 7]),
      step(180, 2, ['roach.nymph', 5]), step(500, 3, ['roach.nymph', 7]),
    ],
    weighEveryDays: weighing, cautions: ['Protected in its range: check papers and permits before breeding or moving.', 'Hot basking lamps burn houses: guard, thermostat, smoke alarm.', SALMONELLA],
  },
  {
    id: 'panther-chameleon', name: 'Panther-type chameleon', latin: 'Furcifer pardalis', group: 'lizard', mode: 'egg', winter: 'none',
    matureDays: memory(270, 'days'), adultMassG: memory(110, 'g'), youngMassG: memory(0.5, 'g'),
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(0, 1, 10), 0.8],
      ['copulation', 'laid', memorySpread(24, 32, 45), 0.85],
      ['hatched', 'firstMeal', practiceSpread(1, 2, 3), 0.97],
    ),
    nextClutch: { days: memorySpread(90, 120, 180), perSeason: memorySpread(1, 2, 3, 'clutches'), comes: memory(0.6, 'share') },
    clutchSize: memorySpread(12, 22, 35, 'eggs'), fertility: memory(0.75, 'share'), hatchRate: memory(0.8, 'share'),
    incubation: {
      points: [{ tempC: 22, days: 270, mark: 'practice' }, { tempC: 24, days: 225, mark: 'practice' }, { tempC: 26, days: 190, mark: 'practice' }],
      usualTempC: memory(24, '°C'), lethalAboveC: memory(30, '°C'), spreadShare: memory(0.15, 'of the likely time'),
    },
    survival90: memory(0.85, 'share'), keptDays: memory(100, 'days'), eats: 'insects',
    ladder: [
      step(0, 1, ['fly.large', 18]), step(8, 1, ['fly.large', 12], ['beanBeetle', 4]), step(16, 1, ['fly.large', 6], ['cricket.quarter', 6]),
      step(60, 1, ['cricket.half', 7]), step(180, 2, ['roach.nymph', 6]),
    ],
    weighEveryDays: weighing, cautions: ['UVB for hatchlings by the meter: read the index where they bask, not the age of the tube.', SALMONELLA],
  },
  {
    id: 'bearded-dragon', name: 'Bearded dragon', latin: 'Pogona vitticeps', group: 'lizard', mode: 'egg', winter: 'brumation',
    cold: lizardCold(practiceSpread(6, 9, 12, 'weeks')),
    matureDays: memory(450, 'days'), adultMassG: memory(400, 'g'), youngMassG: memory(2.7, 'g'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(10, 18, 30), 0.97],
      ['ready', 'copulation', memorySpread(2, 8, 16), 0.87],
      ['copulation', 'laid', memorySpread(20, 28, 40), 0.88],
      ['hatched', 'firstMeal', memorySpread(1, 2, 4), 0.98],
    ),
    nextClutch: { days: memorySpread(21, 28, 42), perSeason: memorySpread(1, 3, 5, 'clutches'), comes: memory(0.7, 'share') },
    clutchSize: memorySpread(12, 20, 30, 'eggs'), fertility: memory(0.85, 'share'), hatchRate: memory(0.88, 'share'),
    incubation: {
      points: [{ tempC: 27, days: 75, mark: 'memory' }, { tempC: 29, days: 62, mark: 'memory' }, { tempC: 31, days: 54, mark: 'memory' }],
      usualTempC: memory(29, '°C'), lethalAboveC: memory(34, '°C'), spreadShare: memory(0.1, 'of the likely time'),
    },
    survival90: memory(0.93, 'share'), keptDays: memory(70, 'days'), eats: 'insects',
    ladder: [step(0, 1, ['cricket.quarter', 18], ['greens', 1]), step(60, 1, ['cricket.half', 12], ['greens', 1]), step(240, 1, ['greens', 1], ['roach.nymph', 3])],
    weighEveryDays: weighing, cautions: ['Hot basking lamps burn houses: guard, thermostat, smoke alarm.', SALMONELLA],
  },
]

export const tortoises: Species[] = [
  {
    id: 'hermanns-tortoise', name: 'Hermann’s tortoise', latin: 'Testudo hermanni', group: 'tortoise', mode: 'egg', winter: 'brumation',
    cold: testudoCold,
    shellMass: { gPerCm3: { ...memory(0.191, 'g/cm³'), source: 'jackson-1980' }, lowShare: memory(0.85, 'share'), highShare: memory(1.2, '× the curve') },
    matureDays: memory(3650, 'days'), adultMassG: memory(1400, 'g'), youngMassG: memory(11, 'g'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(3, 10, 24), 0.97],
      ['ready', 'copulation', memorySpread(1, 8, 18), 0.92],
      ['warmUp', 'laid', practiceSpread(30, 45, 75), 0.85],
      ['copulation', 'laid', practiceSpread(30, 45, 75), 0.87],
      ['hatched', 'firstMeal', practiceSpread(8, 14, 20), 0.98],
    ),
    nextClutch: { days: practiceSpread(20, 24, 30), perSeason: practiceSpread(1, 2, 3, 'clutches'), comes: memory(0.6, 'share') },
    clutchSize: memorySpread(3, 5, 8, 'eggs'), fertility: practice(0.55, 'share', 'some lay five eggs of which one or two are good'), hatchRate: memory(0.88, 'share'),
    incubation: {
      points: [{ tempC: 26, days: 75, mark: 'memory' }, { tempC: 28, days: 66, mark: 'memory' }, { tempC: 31, days: 58, mark: 'memory' }, { tempC: 33, days: 55, mark: 'memory' }],
      usualTempC: memory(31, '°C'), lethalAboveC: practice(35, '°C'), spreadShare: memory(0.07, 'of the likely time'),
    },
    sexByTemperature: [{ tempC: 31.5, femaleShare: 0.5, mark: 'published', source: 'eendebak-1995' }],
    survival90: memory(0.97, 'share'), keptDays: memory(240, 'days'), eats: 'plants', ladder: [step(0, 1, ['greens', 1])],
    weighEveryDays: { young: practice(30, 'days'), adult: practice(60, 'days'), cold: practice(21, 'days') },
    cautions: ['Protected: permits and papers before breeding or moving, by local law.', 'Never below 2 °C, never long above 9 °C in the cold.', SALMONELLA],
  },
]
