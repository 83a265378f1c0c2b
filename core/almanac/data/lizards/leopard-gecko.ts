import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { memory, practice, practiceSpread } from '../marks'
import { weighing, geckoClocks, geckoNext, geckoEggs, geckoLadder, leopardSex } from './shared'
import { geckoRest } from '../winters'

export const leopardGecko: Species = {
  id: 'leopard-gecko',
  name: 'Leopard gecko',
  latin: 'Eublepharis macularius',
  group: 'lizard',
  mode: 'egg',
  winter: 'dormancy',
  cold: geckoRest,
  matureDays: practice(330, 'days'),
  adultMassG: memory(65, 'g'),
  youngMassG: memory(3, 'g'),
  clocks: geckoClocks,
  nextClutch: geckoNext,
  clutchSize: practiceSpread(1, 2, 2, 'eggs'),
  fertility: memory(0.82, 'share'),
  hatchRate: memory(0.9, 'share'),
  incubation: geckoEggs,
  sexByTemperature: leopardSex,
  survival90: memory(0.95, 'share'),
  keptDays: memory(90, 'days'),
  eats: 'insects',
  ladder: geckoLadder,
  weighEveryDays: weighing,
  cautions: [SALMONELLA],
}
