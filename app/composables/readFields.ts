import type { FieldHint } from '#core/subjects'
import { UnitError, parseAs, parseNumber, type Unit } from '#core/units'

interface Read {
  data: Record<string, unknown>
  /** What cannot be read, by field. */
  problems: Record<string, string>
}

/** What was typed into the further fields of an entry, as it is written; what is left empty is left out. */
export function readFurther(
  hints: Readonly<Record<string, FieldHint>>,
  typed: Readonly<Record<string, string | number | undefined>>,
  units: { tempUnit: Unit; massUnit: Unit },
): Read {
  const read: Read = { data: {}, problems: {} }
  for (const [name, { as }] of Object.entries(hints)) {
    const text = String(typed[name] ?? '').trim()
    if (!text) continue
    try {
      read.data[name] =
        as === 'temperature'
          ? Number(parseAs('temperature', text, units.tempUnit).toFixed(2))
          : as === 'mass'
            ? Number(parseAs('mass', text, units.massUnit).toFixed(2))
            : as === 'count'
              ? wholeNumber(text)
              : as === 'number'
                ? anyNumber(text)
                : text
    } catch (error) {
      if (!(error instanceof UnitError)) throw error
      read.problems[name] = error.message
    }
  }
  return read
}

/** @throws UnitError for what is less than nothing */
export function notNegative(value: number): number {
  if (value < 0) throw new UnitError('It cannot be negative')
  return value
}

/** @throws UnitError */
function anyNumber(text: string): number {
  const value = parseNumber(text)
  if (value === null) throw new UnitError('Write a number')
  return notNegative(value)
}

/** @throws UnitError */
export function wholeNumber(text: string): number {
  const value = Number(text)
  if (!text.trim() || !Number.isFinite(value)) throw new UnitError('Write a number')
  if (!Number.isInteger(value)) throw new UnitError('Write a whole number')
  return notNegative(value)
}
