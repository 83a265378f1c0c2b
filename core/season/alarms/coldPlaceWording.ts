import type { ColdTrouble } from '../../brumation'
import { formatReading } from '../../channels'
import { tellSome, type TempUnit } from '../../units'
import type { ColdPlaceView } from '../contracts'
import type { Told } from './told'

export interface ColdPlaceTrouble {
  name: string
  trouble: ColdPlaceView['troubles'][number]
  /** Who is in it. */
  tags: readonly string[]
  tempUnit: TempUnit
}

const WORDS: Record<ColdTrouble, { text: (hours: number, read: string) => string; todo: string }> = {
  tooCold: {
    text: (_, read) => `fell to ${read}`,
    todo: 'Raise it or move them now; look at each. Frozen tissue does not come back.',
  },
  tooWarm: {
    text: (hours, read) => `is too warm, up to ${read} over ${hours} hours`,
    todo: 'Look at the cooling and the door. Warm and unfed they burn reserves: cool it today, or wake them.',
  },
  silent: {
    text: (hours, read) => `sends no reading since ${hours} hours${read && `; last ${read}`}`,
    todo: 'Look at the probe and its battery, and at a second thermometer; what happens in there is not known.',
  },
}

export function tellColdPlace({ name, trouble, tags, tempUnit }: ColdPlaceTrouble): Omit<Told, 'reasons'> {
  const { text, todo } = WORDS[trouble.kind]
  const read = trouble.tempC === null ? '' : formatReading('temperature', trouble.tempC, tempUnit)
  return { text: `${name} ${text(trouble.hours, read)}; in it ${tellSome(tags)}`, todo }
}
