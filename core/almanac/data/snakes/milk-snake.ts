import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { memory, memorySpread, practice } from '../marks'
import { weighing, colubridClocks, colubridEggs, secondClutch, mouseLadder } from './shared'
import { snakeEaterCold } from '../winters'

export const milkSnake: Species = {
  id: 'milk-snake',
  name: 'Milk snake',
  latin: 'Lampropeltis triangulum',
  group: 'snake',
  mode: 'egg',
  winter: 'brumation',
  cold: snakeEaterCold,
  matureDays: practice(1000, 'days'),
  adultMassG: memory(450, 'g'),
  youngMassG: memory(7, 'g'),
  clocks: colubridClocks,
  nextClutch: secondClutch,
  clutchSize: memorySpread(4, 7, 12, 'eggs'),
  fertility: memory(0.85, 'share'),
  hatchRate: practice(0.9, 'share'),
  incubation: colubridEggs,
  survival90: memory(0.93, 'share'),
  keptDays: memory(120, 'days'),
  eats: 'rodents',
  ladder: mouseLadder,
  weighEveryDays: weighing,
  cautions: ['Eats snakes: never two together unattended.', SALMONELLA],
}
