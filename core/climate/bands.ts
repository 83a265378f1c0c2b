import type { Climate, Fact, Species } from '../almanac'
import type { Channel, Zone } from '../channels'
import type { Limits } from './span'

/** One end of a band, with the row of the almanac that it is from. */
export interface BandEnd {
  fact: Fact
  /** Path below the species. */
  path: string
}

export interface ZoneBand {
  low: BandEnd | null
  high: BandEnd | null
}

const endOfBand = (climate: Climate, key: keyof Climate, end: 'low' | 'high'): BandEnd | null => {
  const band = climate[key]
  return band ? { fact: band[end], path: `climate.${key}.${end}.value` } : null
}

const bandOf = (climate: Climate, lowKey: keyof Climate, highKey: keyof Climate): ZoneBand => ({
  low: endOfBand(climate, lowKey, 'low'),
  high: endOfBand(climate, highKey, 'high'),
})

function temperatureBand(climate: Climate, zone: Zone, light: boolean): ZoneBand | null {
  const night = climate.night ? 'night' : null
  switch (zone) {
    case 'water':
      return climate.water ? bandOf(climate, 'water', 'water') : null
    case 'spot':
    case 'warm':
    case 'cool': {
      if (!climate[zone]) return null
      // by night nothing need be warm; a mat that stays on is no fault
      return bandOf(climate, light ? zone : (night ?? zone), zone)
    }
    case 'air': {
      if (!light && night) return bandOf(climate, night, night)
      if (climate.air) return bandOf(climate, 'air', 'air')
      return climate.cool && climate.warm ? bandOf(climate, 'cool', 'warm') : null
    }
    // what lies in a nest or an egg box is watched as eggs
    case 'nest':
    case 'box':
      return null
  }
}

/**
 * The band in which a species is well in a zone, by light or by night; null where none is known or none holds. Air of a
 * species that is known by its two ends lies between them.
 */
export function zoneBand(species: Species, channel: Channel, zone: Zone, light: boolean): ZoneBand | null {
  const { climate } = species
  if (!climate) return null
  if (channel === 'temperature') return temperatureBand(climate, zone, light)
  if (channel === 'humidity')
    return climate.humidity && zone !== 'nest' && zone !== 'box' ? bandOf(climate, 'humidity', 'humidity') : null
  return climate.uvIndex && light && (zone === 'spot' || zone === 'air') ? bandOf(climate, 'uvIndex', 'uvIndex') : null
}

/**
 * What a room may be at most for a species that lives in it behind its own glass: heat inside only adds to the room, so
 * the room may be cooler than the animal needs, and never warmer than its cool end.
 */
export function roomCeiling(species: Species, light: boolean): BandEnd | null {
  const { climate } = species
  if (!climate) return null
  if (climate.water) return endOfBand(climate, 'water', 'high')
  const key = climate.air ? 'air' : climate.cool ? 'cool' : null
  if (!key) return null
  const ofDay = endOfBand(climate, key, 'high')
  const ofNight = endOfBand(climate, 'night', 'high')
  // a night as warm as the day harms nobody by itself
  return light || !ofNight ? ofDay : ofDay && ofDay.fact.value > ofNight.fact.value ? ofDay : ofNight
}

/** One end of the band that holds for a place: whose it is. */
export interface HeldBy extends BandEnd {
  speciesId: string
}

/** The band in force: the strictest of all who live there. */
export interface PlaceBand {
  low: HeldBy | null
  high: HeldBy | null
}

/** The strictest of bands, each of a species. Null for none. */
export function strictest(bands: readonly { speciesId: string; band: ZoneBand }[]): PlaceBand | null {
  let low: HeldBy | null = null
  let high: HeldBy | null = null
  for (const { speciesId, band } of bands) {
    if (band.low && (!low || band.low.fact.value > low.fact.value)) low = { ...band.low, speciesId }
    if (band.high && (!high || band.high.fact.value < high.fact.value)) high = { ...band.high, speciesId }
  }
  return low || high ? { low, high } : null
}

/** A band that nothing can keep: what one needs is too much for another. */
export const conflicts = (band: PlaceBand): boolean =>
  band.low !== null && band.high !== null && band.low.fact.value > band.high.fact.value

export const limitsOf = (band: PlaceBand | null): Limits | null =>
  band && { low: band.low?.fact.value ?? -Infinity, high: band.high?.fact.value ?? Infinity }
