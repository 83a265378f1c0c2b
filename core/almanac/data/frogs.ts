import type { Species } from '../schema'
import { clocks, memory, memorySpread, practice, practiceSpread, step } from './marks'
import { frogDrySeason, toadCold } from './winters'

const HYGIENE = 'Rinsed, wet gloves or hands: skin toxins and chytrid travel both ways. Wash hands after.'
const weighing = { young: practice(30, 'days'), adult: practice(60, 'days'), cold: practice(21, 'days') }

export const frogs: Species[] = [
  {
    id: 'golden-mantella', name: 'Golden mantella', latin: 'Mantella aurantiaca', group: 'frog', mode: 'larval', winter: 'dormancy',
    cold: frogDrySeason, matureDays: practice(400, 'days'), adultMassG: memory(1.2, 'g'), youngMassG: memory(0.1, 'g'),
    clocks: clocks(
      ['warmUp', 'copulation', memorySpread(5, 16, 40), 0.85],
      ['copulation', 'laid', memorySpread(1, 4, 10), 0.9],
      ['laid', 'hatched', practiceSpread(5, 9, 14), 0.92],
      ['hatched', 'metamorphosed', practiceSpread(45, 60, 80), 0.95],
      ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.98],
    ),
    nextClutch: { days: memorySpread(20, 35, 60), perSeason: practiceSpread(1, 2, 3, 'clutches'), comes: memory(0.55, 'share') },
    clutchSize: practiceSpread(12, 24, 40, 'eggs'), fertility: memory(0.75, 'share'), hatchRate: memory(0.9, 'share'), larvalSurvival: memory(0.7, 'share'),
    survival90: memory(0.8, 'share'), keptDays: memory(120, 'days'), eats: 'insects',
    ladder: [step(0, 1, ['springtail', 30], ['isopod.dwarf', 1]), step(30, 1, ['fly.small', 10], ['springtail', 10]), step(100, 1, ['fly.small', 14]), step(220, 2, ['fly.small', 16], ['cricket.pinhead', 6])],
    weighEveryDays: weighing, cautions: ['Threatened and protected: check papers and permits.', HYGIENE],
  },
  {
    id: 'dyeing-dart-frog', name: 'Dyeing dart frog', latin: 'Dendrobates tinctorius', group: 'frog', mode: 'larval', winter: 'none',
    matureDays: practice(500, 'days'), adultMassG: memory(4, 'g'), youngMassG: memory(0.3, 'g'),
    clocks: clocks(
      ['introduced', 'copulation', memorySpread(5, 20, 60), 0.7],
      ['copulation', 'laid', memorySpread(0, 1, 4), 0.9],
      ['laid', 'hatched', practiceSpread(10, 13, 16), 0.9],
      ['hatched', 'metamorphosed', practiceSpread(55, 68, 85), 0.95],
      ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.98],
    ),
    nextClutch: { days: practiceSpread(7, 9, 14), perSeason: memorySpread(2, 5, 9, 'clutches'), comes: memory(0.85, 'share') },
    clutchSize: practiceSpread(2, 5, 9, 'eggs'), fertility: memory(0.65, 'share'), hatchRate: memory(0.85, 'share'), larvalSurvival: memory(0.85, 'share'),
    survival90: memory(0.9, 'share'), keptDays: memory(100, 'days'), eats: 'insects',
    ladder: [step(0, 1, ['springtail', 60], ['fly.small', 8]), step(21, 1, ['fly.small', 24]), step(180, 2, ['fly.small', 50]), step(365, 3, ['fly.large', 40])],
    weighEveryDays: weighing, cautions: ['Protected: check papers and permits.', 'Soft-bodied prey only: hard shells block the gut.', HYGIENE],
  },
  {
    id: 'fire-bellied-toad', name: 'Fire-bellied toad', latin: 'Bombina orientalis', group: 'frog', mode: 'larval', winter: 'brumation',
    cold: toadCold,
    matureDays: memory(540, 'days'), adultMassG: memory(7, 'g'), youngMassG: memory(0.4, 'g'),
    clocks: clocks(
      ['warmUp', 'ready', memorySpread(4, 10, 24), 0.97],
      ['ready', 'copulation', memorySpread(1, 8, 18), 0.87],
      ['copulation', 'laid', practiceSpread(1, 2, 3), 0.92],
      ['laid', 'hatched', practiceSpread(2, 4, 8), 0.95],
      ['hatched', 'metamorphosed', practiceSpread(45, 55, 80), 0.95],
      ['metamorphosed', 'firstMeal', practiceSpread(3, 5, 7), 0.98],
    ),
    nextClutch: { days: memorySpread(10, 18, 35), perSeason: memorySpread(1, 2, 4, 'spawnings'), comes: memory(0.6, 'share') },
    clutchSize: practiceSpread(40, 70, 110, 'eggs'), fertility: memory(0.75, 'share'), hatchRate: memory(0.85, 'share'), larvalSurvival: memory(0.6, 'share'),
    survival90: memory(0.8, 'share'), keptDays: memory(90, 'days'), eats: 'insects',
    ladder: [step(0, 1, ['fly.small', 8], ['springtail', 10], ['cricket.pinhead', 7]), step(21, 1, ['fly.large', 6], ['cricket.pinhead', 6]), step(60, 2, ['cricket.quarter', 4]), step(200, 3, ['cricket.half', 4])],
    weighEveryDays: weighing, cautions: ['Skin secretions burn eyes and are a danger to other species: keep alone, wash hands at once.', HYGIENE],
  },
]
