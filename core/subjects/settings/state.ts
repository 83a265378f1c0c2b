import type { HouseSettings } from '../../settings'
import type { CareDone } from '../care'

/** The settings of the house; there is one of them. */
export interface SettingsState {
  id: string
  settings: HouseSettings
  /** Tests of the house that were done. */
  care?: CareDone
}

/** Its id. */
export const THE_HOUSE = 'house'

declare module '../../log/house' {
  interface StateOf {
    settings: SettingsState
  }
  interface House {
    settings: Record<string, SettingsState>
  }
}
