import type { Band, Climate, Supplements } from '../schema'
import { memory, practice } from './marks'

type Marked = typeof memory
const band = (low: number, high: number, unit = '°C', mark: Marked = memory): Band => ({
  low: mark(low, unit),
  high: mark(high, unit),
})
const humid = (low: number, high: number) => band(low, high, '%')
const uv = (low: number, high: number) => band(low, high, 'UV index')

/** How places of one sort should be, and who lives so; a type follows its species. */
const HABITATS: readonly { who: readonly string[]; climate: Climate }[] = [
  {
    who: ['california-kingsnake', 'milk-snake', 'corn-snake', 'black-rat-snake', 'texas-rat-snake', 'gopher-snake'],
    climate: { warm: band(28, 31), cool: band(21, 24), night: band(18, 23), humidity: humid(40, 60) },
  },
  {
    who: ['western-hognose', 'rosy-boa', 'kenyan-sand-boa', 'western-diamondback'],
    climate: { warm: band(30, 33), cool: band(21, 25), night: band(18, 23), humidity: humid(25, 50) },
  },
  {
    who: ['common-garter'],
    climate: { warm: band(27, 30), cool: band(20, 23), night: band(16, 21), humidity: humid(40, 60) },
  },
  {
    who: ['boa-constrictor', 'rainbow-boa'],
    climate: { warm: band(29, 32), cool: band(24, 27), night: band(22, 25), humidity: humid(50, 75) },
  },
  {
    who: ['royal-python', 'carpet-python', 'childrens-python'],
    climate: { warm: band(30, 33), cool: band(24, 27), night: band(22, 26), humidity: humid(45, 65) },
  },
  {
    who: ['green-tree-python', 'eyelash-viper'],
    climate: { air: band(25, 30), night: band(21, 24), humidity: humid(60, 85) },
  },
  {
    who: ['leopard-gecko', 'fat-tailed-gecko'],
    climate: {
      warm: band(31, 32, '°C', practice),
      cool: band(23, 26, '°C', practice),
      night: band(20, 24),
      humidity: band(45, 55, '%', practice),
    },
  },
  {
    who: ['western-banded-gecko', 'central-american-banded-gecko'],
    climate: {
      warm: band(32, 34, '°C', practice),
      air: band(25, 27, '°C', practice),
      night: band(19, 23),
      humidity: humid(30, 70),
    },
  },
  {
    who: ['mourning-gecko', 'giant-day-gecko', 'tokay-gecko'],
    climate: {
      spot: band(29, 35, '°C', practice),
      air: band(26, 31),
      night: band(21, 24, '°C', practice),
      humidity: humid(50, 80),
      uvIndex: uv(0.7, 2.5),
    },
  },
  {
    who: ['crested-gecko', 'gargoyle-gecko', 'leaf-tailed-gecko'],
    climate: { air: band(21, 26), night: band(17, 22), humidity: humid(55, 90) },
  },
  {
    who: ['collared-lizard', 'bearded-dragon', 'spiny-tailed-lizard'],
    climate: {
      spot: band(40, 46, '°C', practice),
      air: band(24, 29, '°C', practice),
      night: band(17, 22),
      humidity: humid(15, 40),
      uvIndex: uv(2.6, 5),
    },
  },
  {
    who: ['ocellated-lizard', 'sand-lizard'],
    climate: {
      spot: band(35, 42),
      air: band(22, 28),
      night: band(14, 20),
      humidity: humid(35, 65),
      uvIndex: uv(1.5, 4),
    },
  },
  {
    who: ['blue-tongued-skink'],
    climate: {
      spot: band(35, 39),
      cool: band(22, 26),
      night: band(18, 23),
      humidity: humid(30, 55),
      uvIndex: uv(1, 3),
    },
  },
  {
    who: ['green-anole', 'false-chameleon'],
    climate: {
      spot: band(29, 32),
      air: band(24, 28),
      night: band(18, 22),
      humidity: humid(60, 80),
      uvIndex: uv(0.7, 2),
    },
  },
  {
    who: ['panther-chameleon', 'veiled-chameleon'],
    climate: {
      spot: band(28, 33),
      air: band(23, 27),
      night: band(16, 22),
      humidity: humid(45, 80),
      uvIndex: uv(1, 3),
    },
  },
  {
    who: ['carpet-chameleon', 'jacksons-chameleon'],
    climate: {
      spot: band(26, 29),
      air: band(20, 25),
      night: band(12, 18),
      humidity: humid(50, 85),
      uvIndex: uv(1, 3),
    },
  },
  {
    who: ['hermanns-tortoise', 'greek-tortoise', 'marginated-tortoise', 'horsfields-tortoise'],
    climate: {
      spot: band(33, 38),
      air: band(20, 28),
      night: band(12, 20),
      humidity: humid(40, 70),
      uvIndex: uv(2, 5),
    },
  },
  {
    who: ['african-spurred-tortoise', 'radiated-tortoise'],
    climate: {
      spot: band(35, 40),
      air: band(25, 31),
      night: band(19, 24),
      humidity: humid(40, 75),
      uvIndex: uv(2, 5),
    },
  },
  {
    who: ['red-footed-tortoise', 'carolina-box-turtle'],
    climate: {
      spot: band(29, 33),
      air: band(23, 28),
      night: band(18, 24),
      humidity: humid(70, 90),
      uvIndex: uv(0.7, 2.5),
    },
  },
  {
    who: ['dyeing-dart-frog', 'green-and-black-dart-frog', 'bumblebee-dart-frog'],
    climate: { air: band(22, 27), night: band(18, 23), humidity: humid(75, 100) },
  },
  {
    who: ['golden-mantella', 'fire-bellied-toad', 'common-midwife-toad', 'midwife-toad'],
    climate: { air: band(18, 24), night: band(14, 20), humidity: humid(60, 95) },
  },
  {
    who: ['whites-tree-frog', 'red-eyed-tree-frog', 'ornate-horned-frog', 'tomato-frog'],
    climate: { air: band(24, 28), night: band(19, 24), humidity: humid(50, 85) },
  },
  { who: ['axolotl'], climate: { water: band(14, 18) } },
  { who: ['fire-salamander'], climate: { air: band(10, 18), night: band(6, 15), humidity: humid(70, 95) } },
]

export const climates: Readonly<Record<string, Climate>> = Object.fromEntries(
  HABITATS.flatMap(({ who, climate }) => who.map(id => [id, climate])),
)

/**
 * Rotation: calcium at every second meal, vitamins at every third; D3 where no UVB gives it (common practice, no
 * source).
 */
export const INSECT_SUPPLEMENTS: Supplements = {
  calciumEvery: practice(2, 'meals'),
  vitaminsEvery: practice(3, 'meals'),
  d3Every: memory(3, 'meals', 'only where no UVB gives it: one source of D3 at a time'),
}
