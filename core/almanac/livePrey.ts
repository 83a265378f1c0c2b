import type { Almanac, Feeder } from './schema'

const ALIVE = '.live'

/** Whether a row is prey that is bought or kept alive, of a sort that is usually fed dead. */
export const isLiveRow = (feederId: string): boolean => feederId.endsWith(ALIVE)

/** Where the same prey stands alive; there may be no such row. */
export const liveRowId = (feederId: string): string => `${feederId}${ALIVE}`

/** The same prey alive; undefined for what is always fed alive, or never. */
export const liveRowOf = ({ feeders }: Pick<Almanac, 'feeders'>, feederId: string): Feeder | undefined =>
  Object.hasOwn(feeders, liveRowId(feederId)) ? feeders[liveRowId(feederId)] : undefined
