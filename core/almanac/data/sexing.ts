import type { Fact, Measure, Sexing, SexSign, SignRow } from '../schema'
import { memory } from './marks'

const scales = (mean: number, sd: number, mark: Measure['mark'] = 'memory'): Measure => ({
  mean,
  sd,
  unit: 'scales',
  mark,
})
const share = (mean: number, sd: number): Measure => ({ mean, sd, unit: '% of total length', mark: 'memory' })

/** Numbers of sexing that hold for every species. */
export const common: Record<string, Fact> = {
  sexSlip: memory(0.02, 'share', 'How often a measurement is simply wrong: miscounted, wrong animal, wrong side'),
  sexStated: memory(0.99, 'share', 'How often the sex on a card from elsewhere is right'),
}

const sign = (id: SexSign, name: string, how: string, grown: Fact, young: Fact | null): SignRow => ({
  id,
  name,
  how,
  rightGrown: grown,
  rightYoung: young,
})

/** Signs read by eye. That they speak is common practice; how often they are right is from memory. */
export const signs: Record<SexSign, SignRow> = {
  tailShape: sign(
    'tailShape',
    'Tail shape',
    'Behind the vent the tail tapers at once in females; in males it stays as wide for a stretch. Needs a trained eye.',
    memory(0.9, 'share'),
    memory(0.7, 'share'),
  ),
  bulge: sign(
    'bulge',
    'Bulge behind the vent',
    'Grown males show two swellings behind the vent.',
    memory(0.97, 'share'),
    null,
  ),
  pores: sign(
    'pores',
    'Pores before the vent or along the thigh',
    'A row of open, waxy pores in grown males; small and closed in females.',
    memory(0.96, 'share'),
    null,
  ),
  spurs: sign(
    'spurs',
    'Spurs beside the vent',
    'Long, hooked and used by males; short or hidden in females.',
    memory(0.92, 'share'),
    memory(0.7, 'share'),
  ),
  ventScales: sign(
    'ventScales',
    'Two enlarged scales behind the vent',
    'In some lizards males have two large scales behind the vent, from hatching on.',
    memory(0.97, 'share'),
    memory(0.95, 'share'),
  ),
  shell: sign(
    'shell',
    'Hollow belly shell and long tail',
    'Grown males: hollow belly shell, long thick tail, the vent far out. Females: flat, short tail.',
    memory(0.97, 'share'),
    null,
  ),
  behaviour: sign(
    'behaviour',
    'Calling, clasping or combat',
    'Males call, clasp or fight over females in season; the other sex is rarely seen to.',
    memory(0.93, 'share'),
    null,
  ),
}

const ZW = { system: 'ZW', systemFrom: { mark: 'practice' } } as const
const boaXY = { system: 'XY', systemFrom: { mark: 'published', source: 'gamble-2017' } } as const
/** By analogy with its relative: the paper did not look at it. */
const boaLikeXY = {
  system: 'XY',
  systemFrom: { mark: 'memory', note: 'By analogy with the boa of Gamble 2017' },
} as const
const byTemperature = { system: 'temperature', systemFrom: { mark: 'practice' } } as const

const kingLike: Sexing = {
  ...ZW,
  probe: { female: scales(2.2, 0.8, 'practice'), male: scales(8.5, 1.6, 'practice') },
  probeFromG: memory(60, 'g'),
  subcaudals: { female: scales(47, 3.5), male: scales(52, 3.5) },
  tailShare: { female: share(12.3, 0.8), male: share(13.8, 0.8) },
  signs: ['tailShape', 'bulge'],
}
const leopardLike: Sexing = { ...byTemperature, signs: ['pores', 'bulge'] }

/** By species: probe depths from common practice (females about 1–3, males 6–15 by species), the rest from memory. */
export const sexing: Record<string, Sexing> = {
  'california-kingsnake': kingLike,
  'milk-snake': {
    ...kingLike,
    subcaudals: { female: scales(42, 4), male: scales(47, 4) },
    tailShare: { female: share(13, 0.9), male: share(14.5, 0.9) },
    probeFromG: memory(45, 'g'),
  },
  'corn-snake': {
    ...kingLike,
    probe: { female: scales(2.5, 0.8, 'practice'), male: scales(9.5, 1.8, 'practice') },
    subcaudals: { female: scales(62, 4), male: scales(69, 4) },
    tailShare: { female: share(14.2, 0.9), male: share(16.2, 0.9) },
    probeFromG: memory(50, 'g'),
  },
  'rosy-boa': {
    ...boaLikeXY,
    probe: { female: scales(2.3, 0.9, 'practice'), male: scales(7.5, 1.4, 'practice') },
    probeFromG: memory(60, 'g'),
    subcaudals: { female: scales(42, 2.5), male: scales(46, 2.5) },
    tailShare: { female: share(12.2, 0.8), male: share(13.8, 0.8) },
    signs: ['spurs', 'tailShape'],
  },
  'boa-constrictor': {
    ...boaXY,
    probe: { female: scales(2.8, 0.9, 'practice'), male: scales(10.5, 1.8, 'practice') },
    probeFromG: memory(120, 'g'),
    subcaudals: { female: scales(50, 3.5), male: scales(56, 3.5) },
    tailShare: { female: share(11, 0.8), male: share(12.8, 0.8) },
    signs: ['spurs', 'tailShape'],
  },
  'eyelash-viper': {
    ...ZW,
    subcaudals: { female: scales(49, 3), male: scales(54, 3) },
    tailShare: { female: share(14.5, 1), male: share(17, 1) },
    signs: ['tailShape'],
    venomous: true,
  },
  'fat-tailed-gecko': leopardLike,
  'leopard-gecko': leopardLike,
  'mourning-gecko': { system: 'clonal', systemFrom: { mark: 'practice' }, signs: [] },
  'ocellated-lizard': { ...ZW, systemFrom: { mark: 'memory' }, signs: ['pores', 'bulge', 'behaviour'] },
  'hermanns-tortoise': { ...byTemperature, signs: ['shell', 'behaviour'] },
  'golden-mantella': { system: 'unknown', systemFrom: { mark: 'memory' }, signs: ['behaviour'] },
  'fire-bellied-toad': { system: 'unknown', systemFrom: { mark: 'memory' }, signs: ['behaviour'] },
}
