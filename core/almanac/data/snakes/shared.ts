import { clocks, memory, memorySpread, practice, practiceSpread, step } from '../marks'

export const weighing = { young: practice(14, 'days'), adult: practice(30, 'days'), cold: practice(21, 'days') }

/** Egg-laying colubrids of the king, milk and rat snake kind share their clocks and incubation. */
export const colubridClocks = clocks(
  ['warmUp', 'ready', memorySpread(12, 22, 36), 0.97],
  ['ready', 'copulation', memorySpread(2, 9, 20), 0.87],
  ['copulation', 'laid', practiceSpread(35, 48, 65), 0.85],
  ['ovulation', 'laid', memorySpread(18, 25, 33), 0.92],
  ['copulation', 'preLayShed', memorySpread(26, 38, 52), 0.88],
  ['preLayShed', 'laid', practiceSpread(7, 10, 16), 0.97],
  ['hatched', 'firstMeal', practiceSpread(7, 10, 16), 0.97],
)
export const colubridEggs = {
  points: [
    { tempC: 27, days: 65, mark: 'practice' as const },
    { tempC: 28, days: 60, mark: 'practice' as const },
    { tempC: 29, days: 55, mark: 'practice' as const },
  ],
  usualTempC: practice(28, '°C'),
  lethalAboveC: practice(32, '°C'),
  spreadShare: memory(0.08, 'of the likely time'),
}
export const secondClutch = {
  days: practiceSpread(45, 60, 80),
  perSeason: memorySpread(1, 1, 2, 'clutches'),
  comes: memory(0.25, 'share'),
}

export const mouseLadder = [
  step(0, 6, ['mouse.pinky', 1]),
  step(70, 7, ['mouse.fuzzy', 1]),
  step(180, 7, ['mouse.hopper', 1]),
  step(300, 8, ['mouse.weaned', 1]),
  step(480, 10, ['mouse.adult', 1]),
]
