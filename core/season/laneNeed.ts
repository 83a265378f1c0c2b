import type { Almanac } from '../almanac'
import { MeanNeed } from '../nursery'
import { foodOfSource } from './need'
import type { HouseSettings } from '../settings'
import type { Season } from './contracts'

/** The mean need that one lane brings, by prey and day from today: what lights up when one points at it. */
export function laneNeed(
  season: Season,
  laneId: string,
  almanac: Almanac,
  settings: HouseSettings,
): Map<string, number[]> {
  const need = new MeanNeed(season.today, season.days)
  for (const source of season.mouths) {
    if (source.laneId === laneId) need.add(source, foodOfSource(source, almanac, settings))
  }
  return new Map([...need.need()].map(([prey, row]) => [prey, Array.from(row)]))
}
