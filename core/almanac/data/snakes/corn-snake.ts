import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { memory, memorySpread, practice } from '../marks'
import { weighing, colubridClocks, colubridEggs, secondClutch, mouseLadder } from './shared'
import { colubridCold } from '../winters'

export const cornSnake: Species = {
  id: 'corn-snake',
  name: 'Corn snake',
  latin: 'Pantherophis guttatus',
  group: 'snake',
  mode: 'egg',
  winter: 'brumation',
  cold: colubridCold,
  matureDays: practice(1000, 'days'),
  adultMassG: memory(500, 'g'),
  youngMassG: memory(7, 'g'),
  clocks: colubridClocks,
  nextClutch: { ...secondClutch, comes: memory(0.4, 'share') },
  clutchSize: memorySpread(8, 15, 24, 'eggs'),
  fertility: memory(0.9, 'share'),
  hatchRate: practice(0.9, 'share'),
  incubation: colubridEggs,
  survival90: memory(0.96, 'share'),
  keptDays: memory(90, 'days'),
  eats: 'rodents',
  ladder: mouseLadder,
  weighEveryDays: weighing,
  cautions: [SALMONELLA],
}
