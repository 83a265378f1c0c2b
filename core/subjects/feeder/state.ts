import type { OwnFeeder } from '../../almanac'

export type FeederState = OwnFeeder

declare module '../../log/house' {
  interface StateOf {
    feeder: OwnFeeder
  }
  interface House {
    /** What the house says of feeders, shipped ones and its own. */
    feeders: Record<string, OwnFeeder>
  }
}
