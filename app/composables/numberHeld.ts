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

/** A number as a field shows it, thousands parted by commas; null where it is none. */
export function numberTyped(text: string): number | null {
  const bare = text.replace(/[\s,]/g, '').replace('−', '-')
  const n = Number(bare)
  return bare && Number.isFinite(n) ? n : null
}
