/** What a number field holds instead of what was typed, in a sentence; null where it holds just that. */
export function numberHeld(typed: string, { min, max }: { min?: number; max?: number }, held: string): string | null {
  const [wished, stands] = [numberTyped(typed), numberTyped(held)]
  if (wished === null || stands === null || wished === stands) return null
  const why =
    max !== undefined && wished > max
      ? `At most ${tell(max)} here`
      : min !== undefined && wished < min
        ? `At least ${tell(min)} here`
        : 'Rounded here'
  return `${why}: ${tell(stands)} stands, not ${tell(wished)}`
}

const tell = (n: number): string => n.toLocaleString('en-GB', { maximumFractionDigits: 6 })

/** Three digits after a comma are thousands: the field itself shows them so. Any other comma is a decimal one. */
const DECIMAL_COMMA = /^(?![-−+]?[1-9]\d{0,2},\d{3}$)[-−+]?\d*,\d+$/

/** What was typed with a point for a decimal comma, which the field would pass over: 2,5 would be 25. */
export const withPoint = (text: string): string =>
  DECIMAL_COMMA.test(text.trim()) ? text.trim().replace(',', '.') : text

/** A number as a field shows it, and so not as one writes it elsewhere (`parseNumber`); null where it is none. */
export function numberTyped(text: string): number | null {
  const bare = withPoint(text).replace(/[\s,]/g, '').replace('−', '-')
  const n = Number(bare)
  return bare && Number.isFinite(n) ? n : null
}
