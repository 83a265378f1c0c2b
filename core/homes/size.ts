import type { HomeSize, House, Place } from '../subjects'
import { UnitError, parseAs } from '../units'
import type { HomeNeed } from './need'

/** The rack or shelf that a home stands in, of which what is said holds for each home in it; null for none. */
export function holderOf(places: House['places'], { parentId }: Place): Place | null {
  const holder = parentId ? places[parentId] : undefined
  return holder && (holder.kind === 'rack' || holder.kind === 'shelf') ? holder : null
}

/**
 * The size of a place: its own, else what is said once of all that stands in its rack or shelf.
 * @returns null where nothing is said; a room, an incubator and a chest are no homes
 */
export function sizeOf(places: House['places'], place: Place): HomeSize | null {
  if (place.kind === 'room' || place.kind === 'incubator' || place.kind === 'cold') return null
  return place.size ?? holderOf(places, place)?.size ?? null
}

const SEPARATORS = /\s*(?:×|x|\*|\bby\b)\s*/i

/**
 * Reads the inside of a home, width × depth and, where it is said, × height: `120 × 60 × 60 cm`, `48 x 24 in`.
 * @param fallback the unit where none is written
 * @throws UnitError for what is no length, and for a volume: litres say nothing of the floor
 */
export function readHomeSize(text: string, fallback: 'cm' | 'in'): HomeSize {
  const parts = text.trim().split(SEPARATORS)
  if (parts.length < 2 || parts.length > 3)
    throw new UnitError(`“${text.trim()}” is not width × depth × height, such as 60 × 40 × 30 cm.`)
  const unit = /[a-z"″]+\.?$/i.exec(parts.at(-1)!)?.[0] ?? fallback
  const [widthCm, depthCm, heightCm] = parts.map(part => {
    const named = /[a-z"″]/i.test(part) ? part : `${part} ${unit}`
    return Number((parseAs('length', named, fallback) / 10).toFixed(1))
  })
  return { widthCm: widthCm!, depthCm: depthCm!, heightCm: heightCm ?? null }
}

const shown = (cm: number, unit: 'cm' | 'in') => Math.round(unit === 'in' ? cm / 2.54 : cm)

/** The inside of a home as it is written: `120 × 60 × 60 cm`. */
export const tellHomeSize = ({ widthCm, depthCm, heightCm }: HomeSize, unit: 'cm' | 'in'): string =>
  `${[widthCm, depthCm, ...(heightCm === null ? [] : [heightCm])].map(cm => shown(cm, unit)).join(' × ')} ${unit}`

/** What is needed, with a home that has it, five to three: `0.12 m², such as 45 × 27 cm`. */
export function tellNeed({ floorM2, heightM }: HomeNeed, unit: 'cm' | 'in'): string {
  const widthCm = Math.ceil(Math.sqrt((floorM2 * 10_000 * 5) / 3))
  const size = {
    widthCm,
    depthCm: Math.ceil((floorM2 * 10_000) / widthCm),
    heightCm: heightM === null ? null : Math.ceil(heightM * 100),
  }
  return `${floorM2.toFixed(floorM2 < 0.1 ? 3 : 2)} m², such as ${tellHomeSize(size, unit)}`
}
