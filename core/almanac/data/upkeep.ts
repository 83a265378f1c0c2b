import type { Upkeep } from '../schema'
import { memory, practice } from './marks'

const every = (
  id: string,
  what: string,
  of: Upkeep['of'],
  everyDays: number,
  toleranceDays: number,
  mark = practice,
): Upkeep => ({
  ...{ id, what, of },
  everyDays: mark(everyDays, 'days'),
  toleranceDays: mark(toleranceDays, 'days'),
})

const deadOut = every('deadOut', 'Dead out, moist fruit renewed', 'stock', 1, 1)
const bran = (of: Upkeep['of']) => every('bran', 'Bran renewed', of, 7, 1)
const roaches = [every('vegetables', 'Vegetables', 'culture', 1, 1), every('protein', 'Protein food', 'culture', 7, 3)]
const flake = every('flake', 'Look: half a flake where the last is gone, misted', 'culture', 1, 2)
const worms = every('ballTest', 'Ball test; food where the last is gone', 'culture', 7, 7)

const layingBox = every('layingBox', 'Laying box moist; a full one out into the warm', 'culture', 2, 1, memory)
const pupaeApart = every('pupaeApart', 'Some large larvae apart, each alone, to pupate', 'culture', 30, 14, memory)
const rodents = [
  every('water', 'Water and food; look at each', 'culture', 1, 1, memory),
  every('bedding', 'Bedding, nests with young left alone', 'culture', 7, 3, memory),
]

/** What comes round for feeders while they are kept. */
export function upkeepOf(id: string): Upkeep[] {
  const [kind] = id.split('.')
  switch (kind) {
    case 'cricket':
      return id === 'cricket.pinhead' ? [deadOut, layingBox] : [deadOut]
    case 'locust':
      return [deadOut]
    case 'mouse':
    case 'rat':
      return id === 'mouse.pinky' || id === 'rat.pup' ? rodents : []
    case 'roach':
    case 'redRunner':
      return id === 'roach.nymph' || id === 'redRunner' ? [deadOut, ...roaches] : [deadOut]
    case 'mealworm':
      return id === 'mealworm' ? [bran('stock'), { ...bran('culture'), id: 'branOfColony' }] : [bran('stock')]
    case 'superworm':
      return [bran('stock'), { ...bran('culture'), id: 'branOfColony' }, pupaeApart]
    case 'waxworm':
      return [every('freshFood', 'Fresh bran and honey, mould and dead moths out', 'culture', 14, 4, memory)]
    case 'springtail':
    case 'grindal':
      return [flake]
    case 'isopod':
      return [every('moist', 'Wet side moist, leaves, a little protein', 'culture', 7, 4)]
    case 'nightcrawler':
    case 'redWorm':
      return [worms]
    case 'snail':
      return [every('greens', 'Greens and chalk, walls wiped', 'culture', 2, 1, memory)]
    default:
      return []
  }
}
