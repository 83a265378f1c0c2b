import type { Home, Species } from '../schema'
import { memory, practice } from './marks'

type Row = [widthCm: number, depthCm: number, heightCm?: number]

/** Floor, and height for those that climb, of a home for one grown animal: width, depth and height in cm. */
const HOMES: Record<string, Row> = {
  'california-kingsnake': [120, 45],
  'milk-snake': [90, 45],
  'corn-snake': [120, 60],
  'black-rat-snake': [150, 60, 90],
  'texas-rat-snake': [150, 60, 90],
  'gopher-snake': [150, 60],
  'bull-snake': [180, 60],
  'western-hognose': [90, 45],
  'common-garter': [90, 45],
  'rosy-boa': [90, 45],
  'boa-constrictor': [180, 75],
  'boa-dwarf': [120, 60],
  'kenyan-sand-boa': [75, 45],
  'rainbow-boa': [120, 60],
  'royal-python': [120, 60],
  'carpet-python': [150, 75, 90],
  'childrens-python': [90, 45],
  'green-tree-python': [75, 60, 75],
  'eyelash-viper': [60, 45, 60],
  'western-diamondback': [120, 60],
  'fat-tailed-gecko': [75, 32],
  'crested-gecko': [45, 45, 60],
  'gargoyle-gecko': [45, 45, 60],
  'leaf-tailed-gecko': [45, 45, 90],
  'giant-day-gecko': [45, 45, 60],
  'tokay-gecko': [60, 45, 60],
  'mourning-gecko': [30, 30, 45],
  'bearded-dragon': [120, 60],
  'spiny-tailed-lizard': [150, 60],
  'ocellated-lizard': [150, 75],
  'sand-lizard': [90, 45],
  'blue-tongued-skink': [120, 60],
  'green-anole': [45, 30, 45],
  'panther-chameleon': [60, 60, 90],
  'veiled-chameleon': [60, 60, 120],
  'carpet-chameleon': [45, 45, 60],
  'jacksons-chameleon': [60, 45, 90],
  'hermanns-tortoise': [200, 100],
  'greek-tortoise': [200, 100],
  'marginated-tortoise': [250, 120],
  'horsfields-tortoise': [150, 90],
  'radiated-tortoise': [300, 200],
  'african-spurred-tortoise': [500, 400],
  'red-footed-tortoise': [250, 200],
  'carolina-box-turtle': [120, 90],
  'golden-mantella': [45, 30],
  'fire-bellied-toad': [60, 45],
  'whites-tree-frog': [45, 45, 60],
  'red-eyed-tree-frog': [45, 45, 60],
  'ornate-horned-frog': [60, 30],
  'tomato-frog': [60, 45],
  'common-midwife-toad': [60, 30],
  'midwife-toad': [60, 30],
  'axolotl': [90, 30],
  'fire-salamander': [60, 45],
}

/** What each further one needs of the floor of the first. */
const FURTHER: Record<string, number> = {
  'mourning-gecko': 0.1,
  'golden-mantella': 0.2,
  'fire-bellied-toad': 0.25,
  'common-garter': 0.3,
}

const floor = (m2: number) => memory(Number(m2.toFixed(2)), 'm²', 'Floor of a home for one grown animal')

/** Those of which practice is told. */
const TOLD: Record<string, Home> = {
  'leopard-gecko': { floorM2: practice(0.24, 'm²', '75 L, long; 38 L while it is young') },
  'western-banded-gecko': { floorM2: practice(0.13, 'm²', '38 L') },
  'central-american-banded-gecko': { floorM2: practice(0.13, 'm²', '38 L') },
  'collared-lizard': { floorM2: practice(0.56, 'm²', '280–340 L') },
  'false-chameleon': {
    floorM2: practice(0.72, 'm²', '120 × 60 cm for one or two'),
    heightM: practice(0.6, 'm'),
    furtherShare: practice(0.25, 'share', 'Three or four in little more than one or two'),
  },
  'dyeing-dart-frog': { floorM2: practice(0.09, 'm²', 'Not under 30 × 30 cm') },
  'green-and-black-dart-frog': { floorM2: practice(0.09, 'm²', 'Not under 30 × 30 cm') },
  'bumblebee-dart-frog': { floorM2: practice(0.09, 'm²', 'Not under 30 × 30 cm') },
}

/** A damp hide, else sheds stick and toes are lost. */
const DAMP_HIDE = [
  'leopard-gecko',
  'fat-tailed-gecko',
  'western-banded-gecko',
  'central-american-banded-gecko',
  'rainbow-boa',
  'fire-salamander',
]
/** They dig themselves in. */
const DIGS = [
  'kenyan-sand-boa',
  'western-hognose',
  'spiny-tailed-lizard',
  'horsfields-tortoise',
  'african-spurred-tortoise',
  'carolina-box-turtle',
  'ornate-horned-frog',
  'tomato-frog',
]
const AT_WATER = ['fire-bellied-toad', 'common-midwife-toad', 'midwife-toad', 'axolotl']
const ON_TOES = [...DAMP_HIDE.slice(0, 4), 'bearded-dragon', 'collared-lizard']

/** What must be in a home, and what it is not floored with (common practice; lists from memory). */
function fittingsOf(id: string, group: Species['group'], climbs: boolean): Pick<Home, 'musts' | 'notOn'> {
  const musts: Home['musts'] = [
    ...(group === 'snake' || group === 'lizard' ? (['hide'] as const) : []),
    ...(DAMP_HIDE.includes(id) ? (['dampHide'] as const) : []),
    ...(climbs ? (['climbing'] as const) : []),
    ...(DIGS.includes(id) ? (['digging'] as const) : []),
    ...(AT_WATER.includes(id) ? (['waterArea'] as const) : []),
  ]
  const notOn: Home['notOn'] = [
    'cedar',
    ...(ON_TOES.includes(id) ? (['carpet', 'calciumSand'] as const) : []),
    ...(group === 'frog' ? (['gravel'] as const) : []),
  ]
  return { ...(musts.length && { musts }), notOn }
}

/** The home of a grown one; the young need less, by their size. Null where nothing is known of the species. */
export function homeOf(id: string, group: Species['group']): Home | null {
  const row = HOMES[id]
  const home =
    TOLD[id] ??
    (row && {
      floorM2: floor((row[0] * row[1]) / 10_000),
      ...(row[2] !== undefined && { heightM: memory(row[2] / 100, 'm', 'It climbs') }),
    })
  if (!home) return null
  const share = FURTHER[id] ?? (group === 'tortoise' ? 0.3 : 0.5)
  return {
    furtherShare: memory(share, 'share', 'Floor for each further one, of that of the first'),
    ...home,
    ...fittingsOf(id, group, Boolean(home.heightM)),
  }
}
