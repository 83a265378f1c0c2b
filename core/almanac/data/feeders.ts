import type { BatchSigns, Fact, Feeder, Supply } from '../schema'
import { memory, memorySpread, practice, practiceSpread } from './marks'
import { liveRowId } from '../livePrey'
import { boxes } from './boxes'
import { otherWays, waysOfUse } from './otherWays'
import { colonies } from './colonies'
import { recipes } from './recipes'
import { grows } from './grows'
import { standIns } from './standIns'
import { upkeepOf } from './upkeep'

const ALLERGY = 'Frass and dust of feeders cause allergies: ventilate, and wash hands after every culture.'
const ESCAPE = 'Feeders that are not native fall under local law; never release them.'
const FROZEN =
  'Thaw in the cold, warm in a bag, never in a kitchen; what was left overnight is thrown away. Wash hands.'
const LIVE = [
  'Whether vertebrates may be fed alive is for the local law; elsewhere only to young that take nothing else yet.',
  'A mouse with teeth bites: never alone with a snake. Wild mice carry mites and disease, and are not used.',
]

const bought = (
  unit: string,
  packCount: number,
  leadDays: number,
  keepDays: number,
  fedFirst = false,
): Extract<Supply, { kind: 'bought' }> => ({
  kind: 'bought',
  unit,
  packCount: practice(packCount, 'each'),
  leadDays: practice(leadDays, 'days'),
  ...(fedFirst && { fedFirstDays: practice(1, 'days', 'at least 24 hours on good food before they are fed out') }),
  keepDays: practice(keepDays, 'days'),
})

/** Day of the first larvae, wandering ones turned pupae, and dark pupae, of 14 to the first flies at 24 °C. */
const flySigns: BatchSigns = {
  seen: [
    { name: 'larvae', share: memory(0.3, 'share') },
    { name: 'pupae', share: memory(0.6, 'share') },
    { name: 'dark pupae', share: memory(0.88, 'share') },
  ],
  spread: memory(0.1, 'share'),
  shownByFailing: memory(0.5, 'share'),
}
const beetleSigns: BatchSigns = {
  seen: [
    { name: 'eggs on the beans', share: memory(0.1, 'share') },
    { name: 'windows in the beans', share: memory(0.8, 'share') },
  ],
  spread: memory(0.1, 'share'),
  shownByFailing: memory(0.5, 'share'),
}

/** Larvae of the mealworm beetle rest at that warmth; superworms and most others die of it. */
const FRIDGE = practice(5, '°C', 'they rest in the fridge; out of it for a meal of greens now and then')
const COOL_CUPBOARD = memory(13, '°C', 'cooler they die')

const cricket = (
  id: string,
  size: string,
  massG: [number, number, number],
  keepDays: number,
  packCount: number,
): Feeder => ({
  id: `cricket.${id}`,
  name: `Cricket, ${size}`,
  one: `${size} cricket`,
  many: `${size} crickets`,
  latin: 'Acheta domesticus',
  massG: memorySpread(...massG, 'g'),
  // pinheads are wanted at once, and hold next to nothing
  supply: bought(`tub of ${packCount}`, packCount, 2, keepDays, id !== 'pinhead'),
  care: 'Quick to get, dear to keep. Gut-load at least 24 hours on greens, grain and a protein before feeding out.',
  cautions: [ALLERGY],
})

/** What keeps the longer the cooler, further down than others. */
const RESTS: Record<string, Fact> = { 'mealworm.tiny': FRIDGE, 'waxworm': COOL_CUPBOARD }
/** What eats before it is eaten; waxworms, silkworms and larvae come on their own food, or take none. */
const FED_FIRST = new Set(['locust.small', 'locust.large', 'superworm', 'roach.nymph', 'roach.small', 'roach.adult'])

const insect = (
  id: string,
  name: string,
  one: string,
  many: string,
  latin: string,
  massG: [number, number, number],
  packCount: number,
  keepDays: number,
  care: string,
): Feeder => ({
  id,
  name,
  one,
  many,
  latin,
  massG: memorySpread(...massG, 'g'),
  supply: {
    ...bought(`tub of ${packCount}`, packCount, 2, keepDays, FED_FIRST.has(id)),
    ...(RESTS[id] && { coolestC: RESTS[id] }),
  },
  care,
  cautions: [ALLERGY],
})

const roach = (
  id: string,
  size: string,
  massG: [number, number, number],
  keepDays: number,
  packCount: number,
): Feeder => ({
  ...insect(
    `roach.${id}`,
    `Roach, ${size}`,
    `${size} roach`,
    `${size} roaches`,
    'Blaptica dubia',
    massG,
    packCount,
    keepDays,
    'From the colony, sorted by size, or bought. Feed off nymphs, never the breeders.',
  ),
  cautions: [ALLERGY, ESCAPE],
})

/** What is bought dry and kept, and served by the portion. */
const larder = (
  id: string,
  name: string,
  one: string,
  many: string,
  massG: [number, number, number],
  packCount: number,
  care: string,
): Feeder => ({
  id,
  name,
  one,
  many,
  massG: memorySpread(...massG, 'g'),
  supply: bought(`bag of ${packCount}`, packCount, 5, 300),
  care,
  cautions: [],
})

/** Sizes at which a colony of one's own is culled. */
const BRED_HERE = new Set(['mouse.pinky', 'rat.pup'])
const BREEDING =
  'Keeping, breeding and killing rodents falls under animal welfare law: be shown how by a vet or someone licensed. They bite and carry disease: gloves, and wash hands.'

const rodent = (id: string, name: string, massG: [number, number, number], pack: number): Feeder => ({
  id,
  name,
  one: name.toLowerCase(),
  many: `${name.toLowerCase()}s`.replace('pinkys', 'pinkies').replace('fuzzys', 'fuzzies').replace('mouses', 'mice'),
  massG: practiceSpread(...massG, 'g'),
  supply: { ...bought(`bag of ${pack}`, pack, 5, 180), frozen: true },
  care: 'Frozen. Thawed the day it is offered.',
  cautions: BRED_HERE.has(id) ? [FROZEN, BREEDING] : [FROZEN],
})

/** The same alive, for young that take nothing else yet: sucklings come as a litter with its mother, and stay with her. */
const alive = (dead: Feeder, unit: string, pack: number, keepDays: number): Feeder => ({
  ...dead,
  id: liveRowId(dead.id),
  name: `Live ${dead.one}`,
  one: `live ${dead.one}`,
  many: `live ${dead.many}`,
  supply: {
    kind: 'bought',
    unit,
    packCount: memory(pack, 'each'),
    leadDays: memory(3, 'days'),
    keepDays: memory(keepDays, 'days'),
  },
  care: 'Warm, with bedding and food. What is not taken goes back to its mother, or to the adults.',
  cautions: LIVE,
})

const RODENTS = [
  rodent('mouse.pinky', 'Mouse pinky', [1, 2, 3], 25),
  rodent('mouse.fuzzy', 'Mouse fuzzy', [3, 4.5, 6], 25),
  rodent('mouse.hopper', 'Mouse hopper', [6, 9, 12], 25),
  rodent('mouse.weaned', 'Weaned mouse', [12, 15, 18], 25),
  rodent('mouse.adult', 'Adult mouse', [18, 24, 30], 25),
  rodent('rat.pup', 'Rat pup', [5, 7.5, 10], 20),
  rodent('rat.fuzzy', 'Rat fuzzy', [10, 15, 20], 20),
  rodent('rat.weaned', 'Weaned rat', [25, 37, 50], 10),
  rodent('rat.small', 'Small rat', [50, 70, 90], 10),
  rodent('rat.medium', 'Medium rat', [90, 120, 150], 10),
  rodent('rat.large', 'Large rat', [150, 220, 320], 5),
]
/** How they come, how many, and days until half of them are of no use any more; most grow out of their size before. */
const KEPT_ALIVE: Record<string, [string, number, number]> = {
  'mouse.pinky': ['litter of 8', 8, 20],
  'mouse.fuzzy': ['litter of 8', 8, 20],
  'mouse.hopper': ['litter of 8', 8, 20],
  'mouse.weaned': ['box of 4', 4, 30],
  'mouse.adult': ['box of 2', 2, 30],
  'rat.pup': ['litter of 8', 8, 20],
  'rat.fuzzy': ['litter of 8', 8, 5],
}

/** About how many fall out at once. */
const shaken = (light: number, usual: number, hard: number, what: string) => ({
  light: memory(light, what),
  usual: memory(usual, what),
  hard: memory(hard, what, 'Nearly all that fly or walk about'),
})

const list: Feeder[] = [
  {
    id: 'fly.small',
    name: 'Small fruit fly',
    one: 'small fly',
    many: 'small flies',
    latin: 'Drosophila melanogaster',
    massG: memorySpread(0.0006, 0.0008, 0.001, 'g'),
    supply: {
      kind: 'batch',
      unit: 'cup',
      toProducing: practiceSpread(11, 14, 18),
      atTempC: practice(24, '°C'),
      baseTempC: memory(11, '°C', 'from 19 d at 18 °C and 9–10 d at 25 °C'),
      producingDays: practice(14, 'days'),
      yieldTotal: memory(1100, 'flies'),
      failure: memory(0.07, 'share'),
      keepDays: memory(4, 'days'),
      outAfterDays: practice(35, 'days'),
      signs: flySigns,
      shake: shaken(20, 60, 150, 'flies'),
    },
    care: '950 mL cup, 25 mm medium, climbing fibre, cloth lid, date label, 50–100 seed flies. Keep one spare.',
    cautions: [ALLERGY],
  },
  {
    id: 'fly.large',
    name: 'Large fruit fly',
    one: 'large fly',
    many: 'large flies',
    latin: 'Drosophila hydei',
    massG: memorySpread(0.0018, 0.0022, 0.0026, 'g'),
    supply: {
      kind: 'batch',
      unit: 'cup',
      toProducing: practiceSpread(17, 20, 25),
      atTempC: practice(24, '°C'),
      baseTempC: memory(11, '°C', 'taken as for the small fly'),
      producingDays: practice(14, 'days'),
      yieldTotal: memory(700, 'flies'),
      failure: memory(0.07, 'share'),
      keepDays: memory(4, 'days'),
      outAfterDays: practice(35, 'days'),
      signs: flySigns,
      shake: shaken(15, 40, 100, 'flies'),
    },
    care: 'As the small fly, a week slower. Start a month before the earliest hatch.',
    cautions: [ALLERGY],
  },
  {
    id: 'beanBeetle',
    name: 'Bean beetle',
    one: 'bean beetle',
    many: 'bean beetles',
    latin: 'Callosobruchus maculatus',
    massG: memorySpread(0.003, 0.004, 0.006, 'g'),
    supply: {
      kind: 'batch',
      unit: 'cup',
      toProducing: practiceSpread(21, 25, 30),
      atTempC: practice(28, '°C'),
      baseTempC: memory(14, '°C'),
      producingDays: memory(16, 'days'),
      yieldTotal: memory(450, 'beetles'),
      failure: memory(0.05, 'share'),
      keepDays: memory(6, 'days'),
      outAfterDays: memory(60, 'days'),
      signs: beetleSigns,
      shake: shaken(5, 15, 40, 'beetles'),
    },
    care: '5–8 cm dry black-eyed peas and a paper tube, 27–30 °C. Needs no water.',
    cautions: [ALLERGY, ESCAPE],
  },
  cricket('pinhead', 'pinhead', [0.001, 0.002, 0.005], 5, 1000),
  cricket('eighth', 'three-millimetre', [0.004, 0.007, 0.012], 6, 1000),
  cricket('quarter', 'quarter-inch', [0.02, 0.04, 0.08], 9, 500),
  cricket('half', 'half-inch', [0.1, 0.18, 0.25], 10, 250),
  cricket('adult', 'adult', [0.35, 0.45, 0.6], 7, 100),
  {
    id: 'roach.nymph',
    name: 'Roach nymph',
    one: 'roach nymph',
    many: 'roach nymphs',
    latin: 'Blaptica dubia',
    massG: memorySpread(0.1, 0.4, 0.9, 'g'),
    supply: {
      kind: 'colony',
      unit: 'tub',
      toProducing: practiceSpread(120, 150, 180),
      yieldPerDay: memory(14, 'nymphs a day'),
      failure: memory(0.03, 'share'),
      keepDays: practice(60, 'days'),
    },
    care: '28–32 °C. Feed off nymphs to 19 mm, never the breeders.',
    cautions: [ALLERGY, ESCAPE],
  },
  roach('newborn', 'newborn', [0.01, 0.02, 0.04], 45, 500),
  roach('small', 'small', [0.06, 0.1, 0.2], 60, 250),
  roach('adult', 'adult', [1.5, 2, 2.6], 90, 50),
  {
    id: 'redRunner',
    name: 'Red runner',
    one: 'red runner',
    many: 'red runners',
    latin: 'Shelfordella lateralis',
    massG: memorySpread(0.02, 0.15, 0.4, 'g'),
    supply: {
      kind: 'colony',
      unit: 'tub',
      toProducing: memorySpread(90, 120, 160),
      yieldPerDay: memory(20, 'nymphs a day'),
      failure: memory(0.03, 'share'),
      keepDays: memory(40, 'days'),
    },
    care: '28–32 °C, dry, egg trays; cannot climb glass but runs fast. Feed off nymphs, never the breeders.',
    cautions: [ALLERGY, ESCAPE],
  },
  insect(
    'locust.small',
    'Small locust',
    'small locust',
    'small locusts',
    'Locusta migratoria',
    [0.05, 0.12, 0.25],
    100,
    7,
    'A roomy cage beyond two days, fresh grass daily.',
  ),
  insect(
    'locust.large',
    'Large locust',
    'large locust',
    'large locusts',
    'Locusta migratoria',
    [0.6, 1.1, 2],
    50,
    10,
    'A roomy cage beyond two days, fresh grass daily.',
  ),
  insect(
    'mealworm.tiny',
    'Tiny mealworm',
    'tiny mealworm',
    'tiny mealworms',
    'Tenebrio molitor',
    [0.005, 0.012, 0.03],
    1000,
    30,
    'Bran bed. Newly shed ones are softer.',
  ),
  insect(
    'superworm',
    'Superworm',
    'superworm',
    'superworms',
    'Zophobas morio',
    [0.4, 0.6, 0.9],
    100,
    60,
    'Bran bed at room warmth; crowded they do not pupate. Fatty: spoils the appetite for other prey.',
  ),
  insect(
    'waxworm',
    'Waxworm',
    'waxworm',
    'waxworms',
    'Galleria mellonella',
    [0.15, 0.25, 0.35],
    50,
    10,
    'Use first: pupates in one to two weeks. Fatty: a treat.',
  ),
  insect(
    'hornworm',
    'Hornworm',
    'hornworm',
    'hornworms',
    'Manduca sexta',
    [0.5, 2, 6],
    25,
    10,
    'Grows by the day when warm: keep cool. Watery, little calcium.',
  ),
  insect(
    'beetleGrub',
    'Beetle grub',
    'beetle grub',
    'beetle grubs',
    'Pachnoda marginata',
    [0.8, 2, 3],
    25,
    45,
    'Leaf litter and rotten wood, soaked cat food now and then.',
  ),
  insect(
    'bsfLarva',
    'Black soldier fly larva',
    'soldier fly larva',
    'soldier fly larvae',
    'Hermetia illucens',
    [0.05, 0.12, 0.2],
    250,
    21,
    'At 10–13 °C. Rich in calcium by itself.',
  ),
  insect(
    'silkworm',
    'Silkworm',
    'silkworm',
    'silkworms',
    'Bombyx mori',
    [0.2, 1, 3],
    50,
    14,
    'Mulberry leaf or its paste; dry, clean hands.',
  ),
  {
    id: 'mealworm',
    name: 'Mealworm',
    one: 'mealworm',
    many: 'mealworms',
    latin: 'Tenebrio molitor',
    massG: memorySpread(0.05, 0.1, 0.15, 'g'),
    supply: { ...bought('tub of 500', 500, 2, 42, true), coolestC: FRIDGE },
    care: 'Bran bed changed weekly. Fatty and hard: a snack, or for some the standing cup.',
    cautions: [ALLERGY],
  },
  {
    id: 'springtail',
    name: 'Springtail',
    one: 'springtail',
    many: 'springtails',
    massG: memorySpread(0.00005, 0.0001, 0.0002, 'g'),
    supply: {
      kind: 'colony',
      unit: 'box',
      toProducing: practiceSpread(28, 38, 48),
      yieldPerDay: memory(60, 'springtails a day'),
      failure: memory(0.05, 'share'),
      keepDays: memory(10, 'days'),
    },
    care: 'Moist, mist and do not pour. Feed a flake only when the last is gone.',
    cautions: [],
  },
  {
    id: 'isopod.dwarf',
    name: 'Dwarf tropical isopod',
    one: 'dwarf isopod',
    many: 'dwarf isopods',
    massG: memorySpread(0.001, 0.002, 0.003, 'g'),
    supply: {
      kind: 'colony',
      unit: 'tub',
      toProducing: memorySpread(60, 80, 110),
      yieldPerDay: memory(12, 'isopods a day'),
      failure: memory(0.04, 'share'),
      keepDays: memory(20, 'days'),
    },
    care: '24–28 °C, one moist side, leaf litter, rotten wood, a protein. Split when they crowd the surface.',
    cautions: [ESCAPE],
  },
  {
    id: 'isopod.large',
    name: 'Larger isopod',
    one: 'larger isopod',
    many: 'larger isopods',
    latin: 'Porcellio scaber',
    massG: memorySpread(0.03, 0.07, 0.12, 'g'),
    supply: {
      kind: 'colony',
      unit: 'tub',
      toProducing: memorySpread(100, 140, 200),
      yieldPerDay: memory(4, 'isopods a day'),
      failure: memory(0.04, 'share'),
      keepDays: memory(40, 'days'),
    },
    care: 'One moist side, one dry, leaf litter, bark, a calcium source.',
    cautions: [ESCAPE],
  },
  {
    id: 'grindal',
    name: 'Grindal worm',
    one: 'grindal worm',
    many: 'grindal worms',
    latin: 'Enchytraeus buchholzi',
    massG: memorySpread(0.0002, 0.0004, 0.0007, 'g'),
    supply: {
      kind: 'colony',
      unit: 'box',
      toProducing: memorySpread(14, 21, 35),
      yieldPerDay: memory(150, 'worms a day'),
      failure: memory(0.06, 'share'),
      keepDays: memory(5, 'days'),
    },
    care: 'Moist sponge or soil at 20–23 °C, oat flakes, no light; reseed a second box.',
    cautions: [],
  },
  {
    id: 'redWorm',
    name: 'Red worm',
    one: 'red worm',
    many: 'red worms',
    latin: 'Eisenia fetida',
    massG: memorySpread(0.15, 0.3, 0.6, 'g'),
    supply: {
      kind: 'colony',
      unit: 'bin',
      toProducing: memorySpread(70, 100, 150),
      yieldPerDay: memory(6, 'worms a day'),
      failure: memory(0.04, 'share'),
      keepDays: memory(30, 'days'),
    },
    care: 'Scraps and leaves at 15–25 °C. Gives off a bitter slime when hurt: some animals refuse it.',
    cautions: [ESCAPE],
  },
  {
    id: 'snail',
    name: 'Snail',
    one: 'snail',
    many: 'snails',
    massG: memorySpread(0.3, 0.8, 2, 'g'),
    supply: {
      kind: 'colony',
      unit: 'tub',
      toProducing: memorySpread(90, 130, 180),
      yieldPerDay: memory(1.5, 'snails a day'),
      failure: memory(0.05, 'share'),
      keepDays: memory(60, 'days'),
    },
    care: 'Best calcium for laying females. Bred in the house: those from outdoors carry parasites.',
    cautions: [ESCAPE],
  },
  {
    id: 'nightcrawler',
    name: 'Nightcrawler',
    one: 'nightcrawler',
    many: 'nightcrawlers',
    massG: memorySpread(1, 2, 4, 'g'),
    supply: {
      kind: 'colony',
      unit: 'bin',
      toProducing: practiceSpread(120, 200, 300),
      yieldPerDay: memory(1.2, 'worms a day'),
      failure: memory(0.05, 'share'),
      keepDays: memory(30, 'days'),
    },
    care: 'About 5 °C, not above 10. Take adults, leave young. Trying to leave means too hot, wet, dry or rotten.',
    cautions: [
      ESCAPE,
      'Gathered ones carry parasites and what was sprayed: only from ground that is known, where law allows.',
    ],
  },
  {
    id: 'greens',
    name: 'Weeds and greens',
    one: 'portion of greens',
    many: 'portions of greens',
    massG: memorySpread(5, 20, 60, 'g'),
    supply: { kind: 'fresh', unit: 'portion' },
    care: 'Gathered away from roads and sprays, washed.',
    cautions: [],
  },
  {
    id: 'flake',
    name: 'Tadpole flake',
    one: 'pinch of flake',
    many: 'pinches of flake',
    massG: memorySpread(0.02, 0.05, 0.1, 'g'),
    supply: { kind: 'fresh', unit: 'pinch' },
    care: 'Good flake food, little and often; foul water kills.',
    cautions: [],
  },
  {
    id: 'fruit',
    name: 'Fruit',
    one: 'portion of fruit',
    many: 'portions of fruit',
    massG: memorySpread(2, 5, 15, 'g'),
    supply: { kind: 'fresh', unit: 'portion' },
    care: 'Ripe, washed; a small share of the bowl.',
    cautions: [],
  },
  larder(
    'pellet',
    'Pellet',
    'portion of pellets',
    'portions of pellets',
    [1, 3, 8],
    200,
    'Soaked for what does not drink.',
  ),
  larder(
    'fruitDiet',
    'Prepared fruit diet',
    'portion of fruit diet',
    'portions of fruit diet',
    [0.1, 0.25, 0.5],
    500,
    'Stirred fresh, in a small cap on a ledge; out after a day.',
  ),
  larder(
    'geckoDiet',
    'Insect-free gecko diet',
    'portion of gecko diet',
    'portions of gecko diet',
    [0.1, 0.25, 0.5],
    500,
    'Stirred fresh; out after a day.',
  ),
  larder(
    'pollen',
    'Pollen',
    'pinch of pollen',
    'pinches of pollen',
    [0.02, 0.05, 0.1],
    500,
    'Half and half with calcium for hatchling chameleons.',
  ),
  ...RODENTS,
  ...RODENTS.flatMap(r => (KEPT_ALIVE[r.id] ? alive(r, ...KEPT_ALIVE[r.id]!) : [])),
  rodent('quail', 'Quail chick', [6, 9, 14], 20),
  rodent('rabbit', 'Small rabbit', [350, 500, 800], 2),
]

const damp = (low: number, high: number, note?: string): NonNullable<Feeder['humidity']> => ({
  low: memory(low, '%', note),
  high: memory(high, '%', note),
})
/** How damp the air beside cultures is to be. */
const DAMP: Readonly<Record<string, Feeder['humidity']>> = {
  'fly.small': damp(50, 75, 'about 65 % is common practice'),
  'fly.large': damp(50, 75, 'about 65 % is common practice'),
  'beanBeetle': damp(35, 65),
  'roach.nymph': damp(40, 70),
}

function waysBeside({ id, supply }: Feeder): Pick<Feeder, 'otherWays'> {
  const ways = [...(otherWays[id] ?? []), ...waysOfUse(id, supply)]
  return ways.length ? { otherWays: ways } : {}
}

export const feeders: Record<string, Feeder> = Object.fromEntries(
  list.map(f => [
    f.id,
    {
      ...f,
      ...waysBeside(f),
      ...(colonies[f.id] && { colony: colonies[f.id]! }),
      ...(recipes[f.id] && { recipe: recipes[f.id]! }),
      ...(boxes[f.id] && { box: boxes[f.id]! }),
      ...(DAMP[f.id] && { humidity: DAMP[f.id]! }),
      ...(upkeepOf(f.id).length && { upkeep: upkeepOf(f.id) }),
      ...(standIns[f.id] && { standIns: standIns[f.id]! }),
      ...(grows[f.id] && { grows: grows[f.id]! }),
    },
  ]),
)
