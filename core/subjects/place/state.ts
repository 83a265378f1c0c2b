import type { Fitting, Substrate } from '../../almanac'
import type { Channel, Zone } from '../../channels'
import type { Day } from '../../chance'
import type { CareDone, Finding } from '../care'

export const PLACE_KINDS = ['room', 'rack', 'shelf', 'tub', 'incubator', 'cold'] as const

/** One reading by hand. */
export interface Measured {
  entryId: string
  day: Day
  /** Milliseconds since 1970. */
  at: number
  channel: Channel
  zone: Zone
  /** In the unit of the channel. */
  value: number
}

/** Something that was found while caring for a place. */
export interface Found {
  entryId: string
  day: Day
  what: readonly Finding[]
  note: string | null
}

/** Lamps on and off, in hours of the clock; over midnight when `off` is before `on`. */
export interface LightHours {
  on: number
  off: number
  /** They are those of the longest day: through the year they shorten and lengthen with the sun outside. */
  bySun?: true
}

/** A room, rack, shelf, tub, incubator or cold place; they nest, and `order` is the order in which one walks. */
/** What a home is like inside. */
export interface HomeSize {
  widthCm: number
  depthCm: number
  /** Not said: what climbs is then not asked about. */
  heightCm: number | null
}

export interface Place {
  id: string
  name: string
  kind: (typeof PLACE_KINDS)[number]
  parentId: string | null
  order: number
  tempC: number | null
  /** How many animals (or tubs) a cold place takes; null = not said. */
  capacity: number | null
  /** Inside; of a rack or shelf, that of each home in it. */
  size?: HomeSize | null
  /** What stands in it, and what it is floored with; of a rack or shelf, each home in it. */
  fittings?: readonly Fitting[] | null
  substrate?: Substrate | null
  /** What comes new stands here, and in what stands in it: own tools, last in the round. */
  quarantine?: boolean
  /** Hours of light; those of what it stands in, where nothing is said. */
  light?: LightHours | null
  /** Read by hand, oldest first. */
  measured?: readonly Measured[]
  /** Jobs that were done here, or in what stands in it. */
  care?: CareDone
  /** Own rhythms of jobs, here and in what stands in it: days, or null for a job that is not done. */
  rhythms?: Readonly<Record<string, number | null>>
  /** What was found and is not settled yet, oldest first. */
  found?: readonly Found[]
  /** Alarms of the place that the keeper has answered: when, and why they may be silent. */
  answered?: Readonly<Record<string, { at: number; why: string }>>
}

declare module '../../log/house' {
  interface StateOf {
    place: Place
  }
  interface House {
    places: Record<string, Place>
  }
}
