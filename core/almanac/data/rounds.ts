import type { Rounds, Species } from '../schema'
import { memory, practice } from './marks'

type Rhythm = NonNullable<Rounds['water']>
type Marked = typeof memory

const rhythm = (every: number, tolerance: number, mark: Marked = practice): Rhythm => ({
  everyDays: mark(every, 'days'),
  toleranceDays: mark(tolerance, 'days'),
})

const GECKOS = [
  'leopard-gecko',
  'fat-tailed-gecko',
  'western-banded-gecko',
  'central-american-banded-gecko',
  'crested-gecko',
  'gargoyle-gecko',
  'mourning-gecko',
  'leaf-tailed-gecko',
  'giant-day-gecko',
  'tokay-gecko',
]
/** Misted twice a day: at first light and half an hour before dark. */
const MISTED = [
  'central-american-banded-gecko',
  'crested-gecko',
  'gargoyle-gecko',
  'leaf-tailed-gecko',
  'mourning-gecko',
  'giant-day-gecko',
  'tokay-gecko',
  'green-anole',
  'false-chameleon',
  'panther-chameleon',
  'veiled-chameleon',
  'carpet-chameleon',
  'jacksons-chameleon',
  'golden-mantella',
  'dyeing-dart-frog',
  'green-and-black-dart-frog',
  'bumblebee-dart-frog',
  'red-eyed-tree-frog',
  'green-tree-python',
]
/** A day without mist does them no harm. */
const ROBUST = ['mourning-gecko', 'crested-gecko', 'gargoyle-gecko', 'tokay-gecko', 'golden-mantella']
/** Moisture comes with the food: they get no bowl. */
const WITHOUT_BOWL = ['spiny-tailed-lizard']
const SUN_BASKERS = [
  'collared-lizard',
  'bearded-dragon',
  'spiny-tailed-lizard',
  'ocellated-lizard',
  'sand-lizard',
  'blue-tongued-skink',
  'giant-day-gecko',
  'green-anole',
  'false-chameleon',
  'panther-chameleon',
  'veiled-chameleon',
  'carpet-chameleon',
  'jacksons-chameleon',
]

const byGroup: Record<Species['group'], Rounds> = {
  snake: { water: rhythm(7, 2), spotClean: rhythm(7, 2), fullChange: rhythm(105, 21) },
  lizard: { water: rhythm(1, 1), spotClean: rhythm(1, 2), fullChange: rhythm(90, 21, memory) },
  tortoise: {
    water: rhythm(1, 1),
    spotClean: rhythm(1, 2),
    fullChange: rhythm(90, 21, memory),
    uvReading: rhythm(30, 14),
  },
  frog: { water: rhythm(1, 1, memory), spotClean: rhythm(7, 3, memory), fullChange: rhythm(315, 28) },
}

/** Care that comes round, by the sort of animal. */
export function roundsOf(id: string, group: Species['group']): Rounds {
  const { water, ...rest } = byGroup[group]
  return {
    ...(MISTED.includes(id) && { mist: rhythm(0.5, ROBUST.includes(id) ? 2 : 1) }),
    ...(!WITHOUT_BOWL.includes(id) && { water }),
    ...rest,
    ...(GECKOS.includes(id) && { lightClean: rhythm(14, 4), fullChange: rhythm(60, 14) }),
    ...(SUN_BASKERS.includes(id) && { uvReading: rhythm(30, 14) }),
  }
}
