import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { memory, memorySpread, practice } from '../marks'
import { weighing, colubridClocks, colubridEggs, secondClutch, mouseLadder } from './shared'
import { snakeEaterCold } from '../winters'

export const californiaKingsnake: Species = {
  id: 'california-kingsnake',
  name: 'California kingsnake',
  latin: 'Lampropeltis californiae',
  group: 'snake',
  mode: 'egg',
  winter: 'brumation',
  cold: snakeEaterCold,
  matureDays: practice(1000, 'days'),
  adultMassG: memory(600, 'g'),
  youngMassG: memory(11, 'g'),
  clocks: colubridClocks,
  nextClutch: secondClutch,
  clutchSize: memorySpread(4, 8, 14, 'eggs'),
  fertility: memory(0.88, 'share'),
  hatchRate: practice(0.9, 'share'),
  incubation: colubridEggs,
  survival90: memory(0.96, 'share'),
  keptDays: memory(100, 'days'),
  eats: 'rodents',
  ladder: mouseLadder,
  weighEveryDays: weighing,
  cautions: ['Eats snakes: never two together unattended.', SALMONELLA],
}
