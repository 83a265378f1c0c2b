import type { Almanac, Feeder, Supply } from './schema'

/** The pack of a feeder that the house orders, by the price list of a supplier. */
export interface BoughtOffer {
  prey: string
  pieces: number
  /** In the money of the house. */
  price: number
  /** From culture day until it is there. */
  leadDays: number
  /** Days of the week on which parcels leave; null = every day. */
  sendsOn: readonly number[] | null
  supplierId: string
  supplier: string
}

function offered(way: Supply, { pieces, price, leadDays, sendsOn, supplierId, supplier }: BoughtOffer): Supply {
  if (way.kind !== 'bought' || way.gathered) return way
  const own = (value: number, unit: string) => ({
    value,
    unit,
    mark: 'own' as const,
    note: `by the list of ${supplier}`,
  })
  return {
    ...way,
    packCount: own(pieces, way.packCount.unit),
    leadDays: own(leadDays, 'days'),
    price: own(price, 'money'),
    supplierId,
    ...(sendsOn && { sendsOn: [...sendsOn] }),
  }
}

/** The almanac with packs, prices and days of what is ordered; they stand over its numbers, since only they can be had. */
export function withOffers(almanac: Almanac, offers: readonly BoughtOffer[]): Almanac {
  if (!offers.length) return almanac
  const feeders = offers.flatMap(offer => {
    const feeder = Object.hasOwn(almanac.feeders, offer.prey) ? almanac.feeders[offer.prey] : undefined
    if (!feeder) return []
    const { supply, otherWays } = feeder
    const made: Feeder = {
      ...feeder,
      supply: offered(supply, offer),
      ...(otherWays && { otherWays: otherWays.map(way => offered(way, offer)) }),
    }
    return [[offer.prey, made] as const]
  })
  return { ...almanac, feeders: { ...almanac.feeders, ...Object.fromEntries(feeders) } }
}
