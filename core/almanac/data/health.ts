import type { Fact } from '../schema'
import { memory, practice } from './marks'

/** What holds for the health and the year of every species. */
export const health: Record<string, Fact> = {
  lossWatch: memory(0.1, 'share', 'Of the best weight in half a year, awake and not bred'),
  lossHarm: memory(0.2, 'share', 'Of the best weight in half a year, awake and not bred'),
  wakeEarliest: practice(32, 'day of the year', 'Cooled a month earlier, to sell hatchlings earlier: about 1 February'),
  wakeLikely: practice(64, 'day of the year', 'Woken in the first week of March; half a year later south of the equator'),
  wakeLatest: memory(95, 'day of the year', 'About 5 April'),
}
