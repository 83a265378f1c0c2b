import type { MouthSource } from '../../nursery'
import type { Lane } from '../contracts'

/** A lane, and the mouths that it brings. */
export interface MadeLane {
  lane: Lane
  mouths: MouthSource[]
}
