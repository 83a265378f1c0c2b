import { UNITS, UnitError, fromBase, toBase, unitNamed, type Dimension, type Unit } from './conversion'

export interface Quantity {
  value: number
  unit: Unit
}

const FRACTIONS: Record<string, number> = { '¼': 0.25, '½': 0.5, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3, '⅛': 0.125 }

/** Three digits after a mark: thousands to some, thousandths to others. */
const DOUBTFUL = /^[-−+]?[1-9]\d{0,2}(?:[.,]\d{3})+$/

/** `312`, `1.5`, `1,5`, `.5`, `2/3`, `1 1/2`, `½`, `1½`; null when it is no number. */
export function parseNumber(text: string): number | null {
  const t = text.trim()
  const mixed = /^(\d+)?\s*([¼½¾⅓⅔⅛])$/.exec(t)
  if (mixed) return Number(mixed[1] ?? 0) + FRACTIONS[mixed[2]!]!
  const ratio = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(t)
  if (ratio) return Number(ratio[3]) === 0 ? null : Number(ratio[1] ?? 0) + Number(ratio[2]) / Number(ratio[3])
  return /^[-−+]?(?:\d+(?:[.,]\d+)?|[.,]\d+)$/.test(t) ? Number(t.replace('−', '-').replace(',', '.')) : null
}

/**
 * Reads a quantity as one writes it: `312 g`, `11 oz`, `84.5 °F`, `2/3 cup`.
 * @param text what was written
 * @param fallback unit meant when none is written
 * @throws UnitError that says what was not understood
 */
export function parseQuantity(text: string, fallback?: Unit): Quantity {
  const match = /^\s*([-−+]?[\d.,/\s¼½¾⅓⅔⅛]*[\d¼½¾⅓⅔⅛])\s*(\D*)$/.exec(text)
  if (match && DOUBTFUL.test(match[1]!.trim())) {
    const written = match[1]!.trim()
    throw new UnitError(
      `Is ${written} ${written.replace(/[.,]/g, '')}, or ${written.replace(/[.,](\d+)$/, '.$1')}? Write it without the mark.`,
    )
  }
  const value = match ? parseNumber(match[1]!) : null
  if (!match || value === null) throw new UnitError(`“${text.trim()}” is not a number with a unit.`)
  const named = match[2]!.trim()
  const unit = named ? unitNamed(named) : fallback
  if (!unit) throw new UnitError(named ? `The unit “${named}” is not known.` : `“${text.trim()}” needs a unit.`)
  return { value, unit }
}

/**
 * Reads a quantity of one dimension into its base unit (g, mm, °C, L).
 * @throws UnitError also when the unit measures something else
 */
export function parseAs(dimension: Dimension, text: string, fallback: Unit): number {
  const { value, unit } = parseQuantity(text, fallback)
  if (UNITS[unit].dimension !== dimension) throw new UnitError(`${unit} does not measure ${dimension}.`)
  return toBase(value, unit)
}

/** Digits that a keeper's instrument could have shown: three significant, none after the point from 100 up. */
function sensibleDecimals(value: number): number {
  const size = Math.abs(value)
  if (size >= 100 || Number.isInteger(value)) return 0
  if (size >= 10) return 1
  // half a gram in ounces is 0.018, not 0.02
  return size >= 0.1 || size < 0.005 ? 2 : 3
}

/** A base value in the keeper's unit with sensible digits and a space: `312 g`, `84.5 °F`. */
export function formatQuantity(base: number, unit: Unit): string {
  const value = fromBase(base, unit)
  const rounded = Number(value.toFixed(UNITS[unit].dimension === 'temperature' ? 1 : sensibleDecimals(value)))
  return `${rounded === 0 ? 0 : rounded} ${unit}`
}
