import type { BoughtOffer } from '../../almanac'
import type { House } from '../../log'
import type { SupplierState } from './state'

/** Days from one day of the week to the next on which parcels leave; none when one leaves that day. */
export function daysToSend(weekday: number, sendsOn: SupplierState['sendsOn']): number {
  return sendsOn ? Math.min(...sendsOn.map(day => (day - weekday + 7) % 7)) : 0
}

/**
 * Of each feeder the pack that is ordered: the usual one, or else the cheapest by the piece, of all suppliers. How long
 * it takes is reckoned from the culture day, on which orders go out.
 * @param cultureWeekday 0 = Sunday
 */
export function bestOffers(suppliers: House['suppliers'], cultureWeekday: number): BoughtOffer[] {
  const best = new Map<string, BoughtOffer & { usual: boolean }>()
  for (const { id, name, leadDays, sendsOn, offers, ended } of Object.values(suppliers)) {
    if (ended) continue
    for (const { prey, pieces, price, usual = false } of offers) {
      const before = best.get(prey)
      const cheaper = !before || price / pieces < before.price / before.pieces
      if (before && (before.usual !== usual ? before.usual : !cheaper)) continue
      const days = daysToSend(cultureWeekday, sendsOn) + leadDays
      best.set(prey, { prey, pieces, price, leadDays: days, sendsOn, supplierId: id, supplier: name, usual })
    }
  }
  return [...best.values()].map(({ usual: _, ...offer }) => offer).sort((a, b) => (a.prey < b.prey ? -1 : 1))
}
