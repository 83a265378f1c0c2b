import type { Recipe } from '../schema'
import { memory, practice } from './marks'

const part = (what: string, amount: Recipe['parts'][number]['amount']) => ({ what, amount })

const flyCup: Recipe = {
  founders: practice(75, 'flies'),
  parts: [
    part('cup of 950 mL with a cloth lid', practice(1, 'each')),
    part('boiling water', practice(160, 'mL')),
    part('dry mix', practice(45, 'mL')),
    part('climbing fibre', practice(1, 'handful')),
  ],
  minutes: memory(6, 'minutes'),
  how: 'Stir the mix into the boiling water, about 25 mm deep. Cool before flies go in. Date label; about 24 °C.',
}

/** A tub of roaches on egg cartons. */
const roachTub = (founders: number): Recipe => ({
  founders: memory(founders, 'roaches', 'grown ones'),
  foundersGrown: true,
  parts: [
    part('tub of about 40 L with a mesh lid', memory(1, 'each')),
    part('egg carton', memory(12, 'each')),
    part('dry gut-load', memory(300, 'mL')),
    part('carrot or greens', memory(200, 'g')),
    part('water crystals', memory(100, 'mL')),
  ],
  minutes: memory(30, 'minutes'),
  room: memory(20, 'cups'),
  how: 'At 28–32 °C, cartons on edge, dark. Breeders are never fed off; it takes four to six months.',
})

/** Larvae in a bed of bran. */
const branTub = (founders: number, litres: number, branMl: number): Recipe => ({
  founders: memory(founders, 'beetles', 'or as many pupae'),
  foundersGrown: true,
  parts: [
    part(`tub of about ${litres} L`, memory(1, 'each')),
    part('bran', memory(branMl, 'mL')),
    part('carrot or greens', memory(50, 'g')),
  ],
  minutes: memory(15, 'minutes'),
  room: memory(litres, 'cups'),
  how: 'At 25–28 °C. Beetles move to fresh bran every few weeks, so that the small larvae are left in peace.',
})

/** One male and females; the unit is a rack of such boxes. */
const rodents = (what: string, founders: number, box: string): Recipe => ({
  founders: memory(founders, what, 'one male, the others female'),
  foundersGrown: true,
  parts: [
    part(box, memory(1, 'each')),
    part('bedding and nesting paper', memory(5, 'L')),
    part('rodent food', memory(500, 'g')),
    part('water bottle', memory(1, 'each')),
  ],
  minutes: memory(30, 'minutes'),
  room: memory(20, 'cups'),
  how: 'At 20–24 °C, water always there, a nest for every female. What the law and a vet ask for comes first.',
})

/** What one culture is made of, and how many animals found it. */
export const recipes: Readonly<Record<string, Recipe>> = {
  'fly.small': flyCup,
  'fly.large': flyCup,
  'beanBeetle': {
    founders: memory(50, 'beetles'),
    parts: [
      part('cup of 950 mL with a cloth lid', practice(1, 'each')),
      part('dry black-eyed peas, 50–75 mm deep', memory(450, 'mL')),
      part('paper tube', practice(1, 'each')),
    ],
    minutes: memory(5, 'minutes'),
    how: 'Peas that were frozen for some days bring in no mites. 27–30 °C, no water.',
  },
  'isopod.dwarf': {
    founders: practice(25, 'isopods'),
    parts: [
      part('tub of about 3.8 L', practice(1, 'each')),
      part('worm-cast soil', practice(1200, 'mL', '4 parts of 6, about 60 mm deep')),
      part('planting mix', practice(300, 'mL', '1 part of 6')),
      part('wood pellets', practice(300, 'mL', '1 part of 6')),
      part('bark', practice(100, 'mL', 'a little')),
      part('leaf litter', memory(1, 'handful')),
    ],
    minutes: memory(20, 'minutes'),
    room: memory(3, 'cups'),
    how: 'Squeezed in the hand it barely drips. One side moist, leaves on top, a little protein weekly; 24–28 °C.',
  },
  'isopod.large': {
    founders: memory(20, 'isopods'),
    parts: [
      part('tub of about 6 L', memory(1, 'each')),
      part('worm-cast soil', memory(1600, 'mL')),
      part('wood pellets', memory(400, 'mL')),
      part('bark', memory(500, 'mL')),
      part('leaf litter', memory(2, 'handfuls')),
    ],
    minutes: memory(25, 'minutes'),
    room: memory(5, 'cups'),
    how: 'One moist and one dry side; bark to hide under, leaves always there.',
  },
  'springtail': {
    founders: memory(200, 'springtails'),
    parts: [
      part('box of 1 L with a tight lid', memory(1, 'each')),
      part('foam, charcoal or moss', practice(600, 'mL')),
      part('water without chlorine', memory(150, 'mL')),
      part('flake or yeast', memory(1, 'pinch')),
    ],
    minutes: memory(10, 'minutes'),
    room: memory(1, 'cups'),
    how: 'Moist; mist and do not pour. Half a flake when the last is gone. Thick at six weeks.',
  },
  'nightcrawler': {
    founders: practice(36, 'worms'),
    parts: [
      part('bin of about 40 L', memory(1, 'each')),
      part('moist bedding of fibre and leaves', memory(25, 'L')),
      part('scraps, spent coffee, leaves', memory(200, 'mL')),
    ],
    minutes: memory(40, 'minutes'),
    room: memory(30, 'cups'),
    how: 'About 5 °C, never above 10. A ball pressed of it holds and does not drip. Unchlorinated water, no meat.',
  },
  'roach.nymph': roachTub(30),
  'redRunner': roachTub(60),
  'mealworm': branTub(200, 4, 2000),
  'superworm': branTub(60, 8, 4000),
  'cricket.pinhead': {
    founders: memory(60, 'crickets', 'grown ones'),
    foundersGrown: true,
    parts: [
      part('tub of about 40 L with a mesh lid', memory(1, 'each')),
      part('egg carton', memory(8, 'each')),
      part('moist sand or fibre to lay in', memory(1, 'L')),
      part('dry gut-load', memory(300, 'mL')),
      part('carrot or greens', memory(200, 'g')),
    ],
    minutes: memory(30, 'minutes'),
    room: memory(20, 'cups'),
    how: 'At 28–30 °C. The dish they lay in goes to a box of its own after a few days, kept moist: they eat their eggs.',
  },
  'waxworm': {
    founders: memory(40, 'moths'),
    foundersGrown: true,
    parts: [
      part('jar of about 2 L with a wire lid', memory(1, 'each')),
      part('bran, honey and glycerine, stirred to a crumb', memory(1000, 'mL')),
      part('folded paper to lay in', memory(2, 'each')),
    ],
    minutes: memory(20, 'minutes'),
    room: memory(3, 'cups'),
    how: 'At 28 °C in the dark. A wire lid: they chew through cloth and plastic. Moths get into bee hives: let none out.',
  },
  'grindal': {
    founders: memory(300, 'worms'),
    parts: [
      part('box of 1 L with a tight lid', memory(1, 'each')),
      part('moist fibre or foam', memory(600, 'mL')),
      part('oats or flake', memory(1, 'pinch')),
    ],
    minutes: memory(10, 'minutes'),
    room: memory(1, 'cups'),
    how: 'Moist and dark at room warmth. A pinch when the last is gone; what moulds comes out.',
  },
  'snail': {
    founders: memory(10, 'snails'),
    parts: [
      part('tub of about 10 L with a tight lid', memory(1, 'each')),
      part('moist soil without fertiliser, 80 mm deep', memory(5, 'L')),
      part('cuttlebone or lime', memory(1, 'each')),
      part('carrot or greens', memory(150, 'g')),
    ],
    minutes: memory(25, 'minutes'),
    room: memory(8, 'cups'),
    how: 'Only kinds that local law lets one keep. Never from gardens: poison and parasites go with them.',
  },
  'redWorm': {
    founders: practice(36, 'worms'),
    parts: [
      part('bin of about 20 L', memory(1, 'each')),
      part('moist bedding of fibre and leaves', memory(12, 'L')),
      part('scraps, spent coffee, leaves', memory(200, 'mL')),
    ],
    minutes: memory(30, 'minutes'),
    room: memory(15, 'cups'),
    how: 'At room warmth. A ball pressed of it holds and does not drip. No meat, no citrus; little at a time.',
  },
  'mouse.pinky': rodents('mice', 4, 'box of about 20 L'),
  'rat.pup': rodents('rats', 3, 'box of about 60 L'),
}
