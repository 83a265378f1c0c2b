import type { Mating } from '../schema'
import { memory, memorySpread, practice } from './marks'

type Own = Partial<Mating>

/** What most species have in common; a species names what differs. */
function mates(own: Own): Mating {
  return {
    maleFromDays: practice(900, 'days'),
    femaleFromDays: practice(1000, 'days', 'usually the third spring'),
    femaleMassShare: memory(0.6, 'of a usual adult'),
    sizeRatio: memory(2, '× the smaller'),
    visitDays: memory(2, 'days'),
    restDays: memory(2, 'days'),
    locksWanted: memory(2, 'confirmed locks'),
    females: memory(4, 'females to a male'),
    social: false,
    afterClutch: false,
    restBelow: memory(0.6, 'of the weight before the season'),
    againFrom: memory(0.85, 'of the weight before the season'),
    ...own,
  }
}

const colubrid = {
  follicles: { ovulateMm: memorySpread(14, 18, 24, 'mm'), mmPerDay: memorySpread(0.2, 0.4, 0.7, 'mm a day') },
}
const gecko = mates({
  maleFromDays: practice(330, 'days'),
  femaleFromDays: practice(400, 'days'),
  femaleMassShare: memory(0.75, 'of a usual adult'),
  sizeRatio: memory(1.8, '× the smaller'),
  visitDays: practice(2, 'days', '1–3 days, also after every clutch'),
  afterClutch: true,
  locksWanted: memory(1, 'confirmed locks'),
  females: memory(5, 'females to a male'),
  restBelow: memory(0.8, 'of the weight before the season'),
  againFrom: memory(0.9, 'of the weight before the season'),
})
const frog = mates({
  maleFromDays: practice(365, 'days'),
  femaleFromDays: practice(450, 'days', '14–20 months'),
  femaleMassShare: memory(0.7, 'of a usual adult'),
  social: true,
  restBelow: memory(0.75, 'of the weight before the season'),
  againFrom: memory(0.9, 'of the weight before the season'),
})

export const mating: Record<string, Mating> = {
  'california-kingsnake': mates({ ...colubrid, eatsMates: true, sizeRatio: memory(1.6, '× the smaller') }),
  'milk-snake': mates({ ...colubrid, eatsMates: true, sizeRatio: memory(1.6, '× the smaller') }),
  'corn-snake': mates(colubrid),
  'rosy-boa': mates({
    maleFromDays: practice(1000, 'days'),
    femaleFromDays: practice(1100, 'days'),
    visitDays: memory(3, 'days'),
  }),
  'boa-constrictor': mates({
    maleFromDays: practice(1200, 'days', '3–4 years when grown slowly'),
    femaleFromDays: practice(1600, 'days', '4–5 years when grown slowly'),
    visitDays: memory(4, 'days'),
    sizeRatio: memory(3, '× the smaller'),
    follicles: { ovulateMm: memorySpread(30, 38, 48, 'mm'), mmPerDay: memorySpread(0.2, 0.4, 0.8, 'mm a day') },
  }),
  'eyelash-viper': mates({ visitDays: memory(3, 'days') }),
  'fat-tailed-gecko': gecko,
  'leopard-gecko': gecko,
  'mourning-gecko': { ...gecko, social: true },
  'ocellated-lizard': mates({
    maleFromDays: memory(650, 'days'),
    femaleFromDays: memory(730, 'days'),
    visitDays: memory(3, 'days'),
    sizeRatio: memory(1.8, '× the smaller'),
    restBelow: memory(0.7, 'of the weight before the season'),
  }),
  'panther-chameleon': mates({
    maleFromDays: memory(240, 'days'),
    femaleFromDays: memory(300, 'days'),
    visitDays: memory(1, 'days'),
  }),
  'bearded-dragon': mates({
    maleFromDays: memory(450, 'days'),
    femaleFromDays: memory(540, 'days'),
    restBelow: memory(0.75, 'of the weight before the season'),
  }),
  'hermanns-tortoise': mates({
    maleFromDays: memory(2900, 'days'),
    femaleFromDays: memory(3600, 'days'),
    visitDays: memory(2, 'days'),
    restDays: memory(4, 'days', 'males push and bite: keep visits short'),
    restBelow: memory(0.85, 'of the weight before the season'),
    againFrom: memory(0.93, 'of the weight before the season'),
  }),
  'golden-mantella': frog,
  'dyeing-dart-frog': frog,
  'fire-bellied-toad': { ...frog, femaleFromDays: memory(600, 'days') },
}
