import { feederOf, type Almanac } from '../../almanac'
import type { Day } from '../../chance'
import type { House } from '../../subjects'
import { packWay, plannedSupply } from '../../supply'
import type { Decided } from './contracts'

/** Units of a feeder that were started or ordered on a day, as they are written. */
function doneOn(prey: string, day: Day, house: Pick<House, 'cultures' | 'stocks'>, almanac: Pick<Almanac, 'feeders'>) {
  const feeder = feederOf(almanac, prey)
  if (plannedSupply(feeder)?.kind !== 'bought') {
    const producing = feeder.supply.kind === 'batch' && feeder.supply.boughtProducing === true
    return Object.values(house.cultures).filter(
      c => c.feederId === prey && c.startDay === day && Boolean(c.bought) === producing,
    ).length
  }
  const stock = house.stocks[prey]
  const pieces = [...(stock?.onOrder ?? []), ...(stock?.arrivals ?? [])]
    .filter(lot => lot.day === day)
    .reduce((n, lot) => n + lot.count, 0)
  return Math.round(pieces / Math.max(1, packWay(feeder)?.packCount.value ?? 1))
}

/**
 * What the keeper has decided to start or order of a feeder from today on: that number, no more and no less. What was
 * done of it today is taken off.
 */
export function decidedOf(
  prey: string,
  house: Pick<House, 'cultures' | 'stocks'>,
  almanac: Pick<Almanac, 'feeders'>,
  today: Day,
): Decided[] {
  return (house.stocks[prey]?.decided ?? [])
    .filter(d => d.day >= today)
    .map(({ day, units, entryId, on }) => ({
      day,
      units: day === today ? Math.max(0, units - doneOn(prey, day, house, almanac)) : units,
      said: units,
      entryId,
      on,
    }))
    .sort((a, b) => a.day - b.day)
}
