import type { Reason } from '../../judgement'
import type { Sex } from '../../subjects'
import type { Told } from './told'

export const labelOf = (sex: Sex): string => `Take as ${sex}`

/** @param chance that it is so, 0..1 */
export const tellSettle = (sex: Sex, chance: number, reasons: Reason[]): Told => ({
  what: `Settle its sex: ${sex}`,
  detail: `${(chance * 100).toFixed(1)} % by what was seen`,
  reasons,
})
