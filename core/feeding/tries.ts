import type { Species } from '../almanac'
import type { Manner, PreyState } from '../subjects'

/** One way to offer prey to who does not eat, and what must hold before it. */
export interface Try {
  manner: Manner
  state?: PreyState
  how: string
  /** Days from birth before it, by its number in the Almanac. */
  from?: string
  /** Only once it has lost weight. */
  whenLosing?: true
  /** By someone who was shown, never by the book alone. */
  trained?: true
}

const QUIET: Try = { manner: 'quiet', how: 'In a small dark box with a hide, left alone for a night' }
const SMALLER: Try = { manner: 'smaller', how: 'Smaller prey than usual' }
const WARMED: Try = { manner: 'warmed', how: 'The animal warm first, the prey warm too' }
const OTHER: Try = { manner: 'otherPrey', how: 'Another kind of prey' }

const RODENTS: readonly Try[] = [
  QUIET,
  SMALLER,
  { manner: 'overnight', how: 'Left in overnight; what is left in the morning is thrown away' },
  WARMED,
  { manner: 'scented', how: 'Scented with another prey, such as a lizard or chick' },
  OTHER,
  { manner: 'moved', state: 'live', how: 'Live and small; never left alone with it' },
  { manner: 'boiled', state: 'thawed', from: 'boiledFrom', how: 'A pinky dipped in hot water, for another smell' },
  {
    manner: 'teased',
    from: 'teaseFrom',
    how: 'Tail and head touched with the prey till it bites and holds, 5 to 30 minutes; once a week',
  },
  {
    manner: 'assisted',
    from: 'assistFrom',
    whenLosing: true,
    trained: true,
    how: 'A mouse tail put between its jaws, by someone trained; force injures, and teaches fear',
  },
]
const INSECTS: readonly Try[] = [
  QUIET,
  { manner: 'moved', how: 'Prey that moves where it sees it, for about a quarter of an hour' },
  SMALLER,
  OTHER,
  WARMED,
]
const PLANTS: readonly Try[] = [QUIET, OTHER, WARMED]

const BY_HAND: readonly Manner[] = ['teased', 'assisted', 'tube']

/** The tries of a species in their order. Hands stay away from a bite that can kill. */
export function triesOf({ eats, sexing }: Pick<Species, 'eats' | 'sexing'>): readonly Try[] {
  const tries = eats === 'rodents' ? RODENTS : eats === 'insects' ? INSECTS : PLANTS
  return sexing?.venomous ? tries.filter(t => !BY_HAND.includes(t.manner)) : tries
}
