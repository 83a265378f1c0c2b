import type { Day } from '../../chance'
import type { Reason } from '../../judgement'

/** From when an animal may go to pairing, and what that hangs on. */
export type Pairable =
  /** A male that is put in before the rest ends. */
  | { is: 'restEnds'; day: Day; restEnds: Day }
  /** It is ready since then, or will be about then. */
  | { is: 'readySince' | 'readyAbout'; day: Day; tag: string; reasons: Reason[] }
  | { is: 'any'; day: Day }

/** What is wrong with a visit now, as its own rule told it. */
export interface Hindrance {
  /** She rests; she bears no more as she stands; the bench does not let them meet. */
  is: 'rests' | 'load' | 'bench'
  told: string
  reasons: Reason[]
}

/** Why a pair is visited as it is, or not at all. */
export type WhyVisit =
  | { is: 'carries' }
  /** The cycle has no more use for it. */
  | { is: 'over' }
  | { is: 'hindered'; by: Hindrance; together: boolean }
  | { is: 'laid'; on: { day: Day; entryId: string } }
  | { is: 'notReady'; tag: string }
  /** Somebody is not ready in sight, and yet they are together. */
  | { is: 'together' }
  /** Both may go: since when is told of the later one. */
  | { is: 'both'; later: Pairable; locks: number }
