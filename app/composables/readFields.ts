import type { FieldHint } from '#core/subjects'
import { readHomeSize } from '#core/homes'
import { UnitError, parseAs, parseNumber, type Unit } from '#core/units'

/** The fields of a form by their names, in their order. */
export type Fields = Readonly<Record<string, FieldHint>>
/** What stands in them, as it was typed or picked. */
export type Typed = Readonly<Record<string, string | undefined>>

/** What the fields of a form are picked from, by their names. */
export type Offered = Readonly<Record<string, readonly { value: string; label: string }[]>>

interface Read {
  data: Record<string, unknown>
  /** What cannot be read, by field. */
  problems: Record<string, string>
}

/** What is said of a field that is needed and empty, where it does not go without saying. */
const NOT_SAID: Partial<Record<FieldHint['as'], string>> = {
  place: 'Choose a place',
  species: 'Choose a species',
  choice: 'Choose one',
  one: 'Choose one',
  day: 'Say on which day',
}

/** Lengths of a hand's breadth and more are written in cm or inches, as weights are in g or ounces. */
export const lengthUnitOf = ({ massUnit }: { massUnit: Unit }) =>
  massUnit === 'oz' ? ('in' as const) : ('cm' as const)

/** @throws UnitError */
function readField({ as, below }: FieldHint, text: string, units: { tempUnit: Unit; massUnit: Unit }): unknown {
  switch (as) {
    case 'temperature':
      return Number(parseAs('temperature', text, units.tempUnit).toFixed(2))
    case 'mass':
      return Number(parseAs('mass', text, units.massUnit).toFixed(2))
    case 'count':
      return wholeNumber(text)
    case 'number':
    case 'money':
      return below ? someNumber(text) : anyNumber(text)
    case 'share':
      return Number((anyNumber(text.replace(/\s*%$/, '')) / 100).toFixed(6))
    case 'size':
      return readHomeSize(text, lengthUnitOf(units))
    case 'several':
      return severalOf(text)
    case 'flag':
      return true
    default:
      return text
  }
}

/** Of several choices those that were picked, as they stand in a form. */
export const severalOf = (text: string | undefined): string[] => (text ? text.split(',') : [])
export const asSeveral = (picked: readonly string[]): string => picked.join()

/** What was typed into the fields of a form, as it is written; what is left empty and may be is left out. */
export function readFields(fields: Fields, typed: Typed, units: { tempUnit: Unit; massUnit: Unit }): Read {
  const read: Read = { data: {}, problems: {} }
  for (const [name, field] of Object.entries(fields)) {
    const { as, needed } = field
    const text = (typed[name] ?? '').trim()
    if (!text && !needed) continue
    const empty = text ? undefined : NOT_SAID[as]
    if (empty) {
      read.problems[name] = empty
      // what else is wrong is said as well
      read.data[name] = ''
      continue
    }
    try {
      read.data[name] = readField(field, text, units)
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
function someNumber(text: string): number {
  const value = parseNumber(text)
  if (value === null) throw new UnitError('Write a number')
  return value
}

/** @throws UnitError */
const anyNumber = (text: string): number => notNegative(someNumber(text))

/** @throws UnitError */
export function wholeNumber(text: string): number {
  const value = Number(text)
  if (!text.trim() || !Number.isFinite(value)) throw new UnitError('Write a number')
  if (!Number.isInteger(value)) throw new UnitError('Write a whole number')
  return notNegative(value)
}
