import type { Day } from '../../chance'
import type { Observed } from '../../log'

/** What a lamp is: it says whether it gives UV, and how its light spreads. */
export const LAMP_SOURCES = {
  tube: 'UVB tube',
  compact: 'UVB compact',
  vapour: 'mercury or metal halide',
  halogen: 'halogen heat',
  ceramic: 'ceramic heater',
  mat: 'heat mat or cable',
  led: 'LED',
} as const
export type LampSource = keyof typeof LAMP_SOURCES
export const LAMP_SOURCE_IDS = Object.keys(LAMP_SOURCES) as [LampSource, ...LampSource[]]

/** These heat without giving light: nobody sees that one stays on. */
export const HEATS: readonly LampSource[] = ['ceramic', 'mat', 'halogen']

export interface LampState {
  id: string
  tag: string
  placeId: string | null
  lamp: string
  fittedDay: Day
  lifeDays: number
  replaced: Observed | null
  source?: LampSource
  /** Lamp to the spot where the animal sits, cm. */
  distanceCm?: number
  powerW?: number
  /** Share of the UV that the mesh between lets through; none where nothing is between. */
  mesh?: number | null
  /** Whether a thermostat switches it; not said where nobody looked. */
  thermostat?: boolean
  /** Since when it hangs as it does: readings before that say nothing of it. */
  hungDay?: Day
}

declare module '../../log/house' {
  interface StateOf {
    lamp: LampState
  }
  interface House {
    lamps: Record<string, LampState>
  }
}
