import type { FieldHint } from '#core/subjects'
import { parseAs, type Unit } from '#core/units'

/**
 * What was typed into the further fields of an entry, as it is written; what is left empty is left out.
 * @throws UnitError for what cannot be read
 */
export function readFurther(
  hints: Readonly<Record<string, FieldHint>>,
  typed: Readonly<Record<string, string | number | undefined>>,
  tempUnit: Unit,
): Record<string, unknown> {
  const read = Object.entries(hints).flatMap(([name, { as }]): [string, unknown][] => {
    const text = String(typed[name] ?? '').trim()
    if (!text) return []
    if (as === 'temperature') return [[name, Number(parseAs('temperature', text, tempUnit).toFixed(2))]]
    return [[name, as === 'count' ? Number(text) : text]]
  })
  return Object.fromEntries(read)
}
