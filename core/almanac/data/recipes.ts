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
}
