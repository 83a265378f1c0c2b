import type { LocusData } from '../../genetics'
import type { Observed } from '../../log'

/** A locus that the keeper named. */
export interface LocusState extends LocusData {
  id: string
  dropped: Observed | null
}

declare module '../../log/house' {
  interface StateOf {
    locus: LocusState
  }
  interface House {
    loci: Record<string, LocusState>
  }
}
