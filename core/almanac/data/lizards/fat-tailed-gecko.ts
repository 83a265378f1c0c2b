import type { Species } from '../../schema'
import { SALMONELLA } from '../cautions'
import { memory, practice, practiceSpread } from '../marks'
import { weighing, geckoClocks, geckoNext, geckoEggs, geckoLadder } from './shared'
import { geckoRest } from '../winters'

export const fatTailedGecko: Species = {
  id: 'fat-tailed-gecko',
  name: 'African fat-tailed gecko',
  latin: 'Hemitheconyx caudicinctus',
  group: 'lizard',
  mode: 'egg',
  winter: 'dormancy',
  cold: geckoRest,
  matureDays: practice(400, 'days'),
  adultMassG: memory(60, 'g'),
  youngMassG: memory(3, 'g'),
  clocks: geckoClocks,
  nextClutch: geckoNext,
  clutchSize: practiceSpread(1, 2, 2, 'eggs'),
  fertility: memory(0.78, 'share'),
  hatchRate: memory(0.88, 'share'),
  incubation: geckoEggs,
  survival90: memory(0.94, 'share'),
  keptDays: memory(110, 'days'),
  eats: 'insects',
  ladder: geckoLadder,
  weighEveryDays: weighing,
  cautions: [SALMONELLA],
}
