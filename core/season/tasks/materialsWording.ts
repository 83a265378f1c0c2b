import { formatDay } from '../../units'
import { manyOf, tellAmount, type MaterialAhead } from '../materials'
import type { Told } from './told'

export const LABELS = { bought: 'Bought', count: 'Count' } as const

type MaterialUnit = MaterialAhead['unit']
export const whatCame = (unit: MaterialUnit): string => `what came, ${manyOf(unit)}`
export const whatIsLeft = (unit: MaterialUnit): string => `what is left, ${manyOf(unit)}`

/** @param ends how much is left, and from when that is too little */
export const tellMaterial = (
  { unit, soon, reasons }: MaterialAhead,
  ends: { left: number; shortOn: number },
  today: number,
): Told => ({
  what: `Get more: ${tellAmount({ amount: ends.left, unit })} left, short for the starts of ${formatDay(ends.shortOn, today)}`,
  detail: soon > 0 ? `four weeks take ${tellAmount({ amount: soon, unit })}` : undefined,
  reasons,
})
