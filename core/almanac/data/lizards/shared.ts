import { clocks, memory, practice, practiceSpread, step } from '../marks'

export const weighing = { young: practice(7, 'days'), adult: practice(30, 'days'), cold: practice(14, 'days') }

export const geckoClocks = clocks(
  ['warmUp', 'copulation', practiceSpread(1, 7, 21), 0.85],
  ['copulation', 'laid', practiceSpread(16, 24, 35), 0.88],
  ['hatched', 'firstMeal', practiceSpread(2, 3, 4), 0.98],
)
export const geckoNext = {
  days: practiceSpread(14, 21, 35),
  perSeason: practiceSpread(3, 5, 7, 'clutches'),
  comes: memory(0.85, 'share'),
}
export const geckoEggs = {
  pipToOut: practiceSpread(0, 1, 2),
  points: [
    { tempC: 26, days: 60, mark: 'practice' as const },
    { tempC: 29, days: 50, mark: 'practice' as const },
    { tempC: 32, days: 40, mark: 'practice' as const },
  ],
  usualTempC: practice(29, '°C'),
  lethalAboveC: memory(35, '°C'),
  spreadShare: memory(0.1, 'of the likely time'),
}
export const geckoLadder = [
  step(0, 1, ['cricket.quarter', 4]),
  step(60, 2, ['cricket.half', 5]),
  step(240, 3, ['roach.nymph', 4]),
]

export const leopardSex = [
  ...[
    [26, 0.98],
    [30, 0.8],
    [32.5, 0.25],
  ].map(([tempC, femaleShare]) => ({
    tempC: tempC!,
    femaleShare: femaleShare!,
    mark: 'published' as const,
    source: 'viets-1993',
  })),
  {
    tempC: 34.5,
    femaleShare: 0.9,
    mark: 'memory' as const,
    note: 'Again nearly all female above 34 °C; the row is from memory, to be rechecked in Viets 1993',
  },
]
