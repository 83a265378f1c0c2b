import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { clocks, memory, memorySpread, step } from '../marks'
import { weighing } from './shared'

export const eyelashViper: Species = {
  id: 'eyelash-viper',
  name: 'Eyelash viper',
  latin: 'Bothriechis schlegelii',
  group: 'snake',
  mode: 'live',
  winter: 'none',
  matureDays: memory(1000, 'days'),
  adultMassG: memory(250, 'g'),
  youngMassG: memory(4, 'g'),
  clocks: clocks(
    ['introduced', 'copulation', memorySpread(1, 12, 40), 0.7],
    ['copulation', 'born', memorySpread(140, 165, 200), 0.75],
    ['born', 'firstMeal', memorySpread(7, 12, 25), 0.9],
  ),
  clutchSize: memorySpread(4, 10, 18, 'young'),
  fertility: memory(0.85, 'share'),
  hatchRate: memory(0.9, 'share'),
  survival90: memory(0.85, 'share'),
  keptDays: memory(150, 'days'),
  eats: 'rodents',
  ladder: [step(0, 10, ['mouse.pinky', 1]), step(200, 12, ['mouse.fuzzy', 1]), step(500, 14, ['mouse.hopper', 1])],
  weighEveryDays: weighing,
  cautions: [
    'Venomous: trained and licensed keepers only, never alone, with a protocol and an antivenom plan, as local law asks. Mantel teaches no handling of it.',
    SALMONELLA,
  ],
}
