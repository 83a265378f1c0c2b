import type { Channel } from '#core/channels'
import type { Fault } from '#shared/contracts/devices'

/** What a device reads at one instant. */
export type Reads = Partial<Record<Channel, number>>

/** A simulated device: stepped through time, with faults that can be set. */
export interface SimulatedDevice {
  readonly faults: Set<Fault>
  /** What can go wrong with it. */
  readonly canFail: readonly Fault[]
  /** Every minute after `fromMs` up to `toMs`. */
  run: (fromMs: number, toMs: number, take: (ms: number, reads: Reads) => void) => void
}
