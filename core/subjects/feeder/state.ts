import type { OwnFeeder } from '../../almanac'

export type FeederState = OwnFeeder

/** One that is shipped, of which the house says nothing. */
export const unsaidFeeder = (id: string): FeederState => ({
  id,
  added: false,
  from: null,
  name: null,
  one: null,
  many: null,
  parts: {},
  retired: false,
})

/** One that the house adds. */
export const addedFeeder = (
  id: string,
  said: Pick<FeederState, 'name' | 'one' | 'many' | 'from'> & { parts: object },
): FeederState => ({
  ...unsaidFeeder(id),
  ...said,
  added: true,
})

declare module '../../log/house' {
  interface StateOf {
    feeder: OwnFeeder
  }
  interface House {
    /** What the house says of feeders, shipped ones and its own. */
    feeders: Record<string, OwnFeeder>
  }
}
