import type { Species } from '../schema'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from './marks'
import { boaRest, colubridCold, snakeEaterCold } from './winters'

const SALMONELLA = 'Wash hands after every animal, tub and feeder: reptiles carry Salmonella.'
const weighing = { young: practice(14, 'days'), adult: practice(30, 'days'), cold: practice(21, 'days') }

/** Egg-laying colubrids of the king, milk and rat snake kind share their clocks and incubation. */
const colubridClocks = clocks(
  ['warmUp', 'ready', memorySpread(12, 22, 36), 0.97],
  ['ready', 'copulation', memorySpread(2, 9, 20), 0.87],
  ['copulation', 'laid', practiceSpread(35, 48, 65), 0.85],
  ['ovulation', 'laid', memorySpread(18, 25, 33), 0.92],
  ['copulation', 'preLayShed', memorySpread(26, 38, 52), 0.88],
  ['preLayShed', 'laid', practiceSpread(7, 10, 16), 0.97],
  ['hatched', 'firstMeal', practiceSpread(7, 10, 16), 0.97],
)
const colubridEggs = {
  points: [
    { tempC: 27, days: 65, mark: 'practice' as const }, { tempC: 28, days: 60, mark: 'practice' as const }, { tempC: 29, days: 55, mark: 'practice' as const },
  ],
  usualTempC: practice(28, '°C'), lethalAboveC: practice(32, '°C'), spreadShare: memory(0.08, 'of the likely time'),
}
const secondClutch = { days: practiceSpread(45, 60, 80), perSeason: memorySpread(1, 1, 2, 'clutches'), comes: memory(0.25, 'share') }

const mouseLadder = [
  step(0, 6, ['mouse.pinky', 1]), step(70, 7, ['mouse.fuzzy', 1]), step(160, 7, ['mouse.hopper', 1]),
  step(300, 8, ['mouse.weaned', 1]), step(480, 10, ['mouse.adult', 1]),
]

export const snakes: Species[] = [
  {
    id: 'california-kingsnake', name: 'California kingsnake', latin: 'Lampropeltis californiae', group: 'snake', mode: 'egg', winter: 'brumation',
    cold: snakeEaterCold, matureDays: practice(1000, 'days'), adultMassG: memory(600, 'g'), youngMassG: memory(11, 'g'),
    clocks: colubridClocks, nextClutch: secondClutch, clutchSize: memorySpread(4, 8, 14, 'eggs'), fertility: memory(0.88, 'share'), hatchRate: practice(0.9, 'share'),
    incubation: colubridEggs, survival90: memory(0.96, 'share'), keptDays: memory(100, 'days'), eats: 'rodents', ladder: mouseLadder, weighEveryDays: weighing,
    cautions: ['Eats snakes: never two together unattended.', SALMONELLA],
  },
  {
    id: 'milk-snake', name: 'Milk snake', latin: 'Lampropeltis triangulum', group: 'snake', mode: 'egg', winter: 'brumation',
    cold: snakeEaterCold, matureDays: practice(1000, 'days'), adultMassG: memory(450, 'g'), youngMassG: memory(7, 'g'),
    clocks: colubridClocks, nextClutch: secondClutch, clutchSize: memorySpread(4, 7, 12, 'eggs'), fertility: memory(0.85, 'share'), hatchRate: practice(0.9, 'share'),
    incubation: colubridEggs, survival90: memory(0.93, 'share'), keptDays: memory(120, 'days'), eats: 'rodents', ladder: mouseLadder, weighEveryDays: weighing,
    cautions: ['Eats snakes: never two together unattended.', SALMONELLA],
  },
  {
    id: 'corn-snake', name: 'Corn snake', latin: 'Pantherophis guttatus', group: 'snake', mode: 'egg', winter: 'brumation',
    cold: colubridCold, matureDays: practice(1000, 'days'), adultMassG: memory(500, 'g'), youngMassG: memory(7, 'g'),
    clocks: colubridClocks, nextClutch: { ...secondClutch, comes: memory(0.4, 'share') }, clutchSize: memorySpread(8, 15, 24, 'eggs'), fertility: memory(0.9, 'share'), hatchRate: practice(0.9, 'share'),
    incubation: colubridEggs, survival90: memory(0.96, 'share'), keptDays: memory(90, 'days'), eats: 'rodents', ladder: mouseLadder, weighEveryDays: weighing,
    cautions: [SALMONELLA],
  },
  {
    id: 'rosy-boa', name: 'Rosy boa', latin: 'Lichanura trivirgata', group: 'snake', mode: 'live', winter: 'brumation',
    cold: colubridCold, matureDays: practice(1100, 'days'), adultMassG: memory(350, 'g'), youngMassG: memory(14, 'g'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(12, 22, 36), 0.97],
      ['ready', 'copulation', memorySpread(2, 9, 20), 0.82],
      ['copulation', 'born', memorySpread(105, 130, 155), 0.75],
      ['ovulation', 'born', memorySpread(95, 112, 128), 0.9],
      ['postOvulationShed', 'born', practiceSpread(98, 105, 118), 0.94],
      ['born', 'firstMeal', practiceSpread(7, 10, 18), 0.95],
    ),
    clutchSize: memorySpread(2, 5, 9, 'young'), fertility: memory(0.9, 'share'), hatchRate: memory(0.92, 'share'),
    survival90: memory(0.95, 'share'), keptDays: memory(120, 'days'), eats: 'rodents',
    ladder: [step(0, 8, ['mouse.pinky', 1]), step(120, 9, ['mouse.fuzzy', 1]), step(270, 10, ['mouse.hopper', 1]), step(540, 12, ['mouse.weaned', 1])],
    weighEveryDays: weighing,
    cautions: ['A large meal late in the gravid months has brought premature births: keep them small.', SALMONELLA],
  },
  {
    id: 'boa-constrictor', name: 'Boa', latin: 'Boa constrictor', group: 'snake', mode: 'live', winter: 'dormancy',
    cold: boaRest, matureDays: practice(1500, 'days'), adultMassG: memory(5000, 'g'), youngMassG: memory(55, 'g'),
    clocks: clocks(
      ['warmUp', 'copulation', memorySpread(10, 40, 90), 0.7],
      ['copulation', 'postOvulationShed', memorySpread(30, 60, 110), 0.75],
      ['ovulation', 'postOvulationShed', memorySpread(12, 17, 24), 0.95],
      ['postOvulationShed', 'born', practiceSpread(98, 105, 118), 0.95],
      ['born', 'firstMeal', practiceSpread(7, 11, 20), 0.97],
    ),
    clutchSize: memorySpread(8, 20, 35, 'young'), fertility: memory(0.8, 'share'), hatchRate: memory(0.94, 'share'),
    survival90: memory(0.97, 'share'), keptDays: memory(120, 'days'), eats: 'rodents',
    ladder: [step(0, 10, ['mouse.fuzzy', 1]), step(60, 11, ['mouse.hopper', 1]), step(150, 12, ['mouse.weaned', 1]), step(300, 14, ['rat.weaned', 1]), step(700, 20, ['rat.medium', 1])],
    weighEveryDays: weighing,
    cautions: ['Large snakes: two people for every handling of an adult.', SALMONELLA],
  },
  {
    id: 'eyelash-viper', name: 'Eyelash viper', latin: 'Bothriechis schlegelii', group: 'snake', mode: 'live', winter: 'none',
    matureDays: memory(1000, 'days'), adultMassG: memory(250, 'g'), youngMassG: memory(4, 'g'),
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(1, 12, 40), 0.7],
      ['copulation', 'born', memorySpread(140, 165, 200), 0.75],
      ['born', 'firstMeal', memorySpread(7, 12, 25), 0.9],
    ),
    clutchSize: memorySpread(4, 10, 18, 'young'), fertility: memory(0.85, 'share'), hatchRate: memory(0.9, 'share'),
    survival90: memory(0.85, 'share'), keptDays: memory(150, 'days'), eats: 'rodents',
    ladder: [step(0, 10, ['mouse.pinky', 1]), step(200, 12, ['mouse.fuzzy', 1]), step(500, 14, ['mouse.hopper', 1])],
    weighEveryDays: weighing,
    cautions: ['Venomous: trained and licensed keepers only, never alone, with a protocol and an antivenom plan, as local law asks. Mantel teaches no handling of it.', SALMONELLA],
  },
]
