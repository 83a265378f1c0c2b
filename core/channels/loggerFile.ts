import { instantsOf, parseNumber, toBase, type TempUnit } from '../units'
import { implausible } from './channels'

/** Which column of a logger's file says what; null = it has none. */
export interface LoggerColumns {
  at: number
  temperature: number | null
  humidity: number | null
  tempUnit: TempUnit
  /** Whether 03/04 is the third of April; where the file itself tells, it is not asked. */
  dayFirst: boolean
}

export interface LoggerReading {
  at: string
  tempC?: number
  humidityPct?: number
}

export interface LoggerFile {
  readings: LoggerReading[]
  /** Lines that cannot be read, by their number in the file, and why. */
  problems: { line: number; why: string }[]
  /** Lines without any value: gaps. */
  gaps: number
}

const TIME = /time|date|zeit|datum|heure|fecha|hora/i
const TEMPERATURE = /temp|°\s?[cf]\b|\bc\b|\bf\b/i
const HUMIDITY = /hum|rh\b|r\.h|feuchte|%/i
const FAHRENHEIT = /°\s?f\b|\bf\b|fahrenheit/i
const GAP = /^[-–—]+$|^n\/?a$/i
const NUMERIC_DATE = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})/

/**
 * What the columns of a file seem to be, by their names and what stands in the first lines.
 * @param rows of the file, the names first
 * @returns null where no column looks like a time
 */
export function guessColumns(rows: readonly (readonly string[])[]): LoggerColumns | null {
  const [names = [], ...lines] = rows
  const some = lines.slice(0, 200)
  // gaps tell nothing of what a column is
  const holds = (col: number, what: (cell: string) => boolean) => {
    const cells = some.map(r => (r[col] ?? '').trim()).filter(cell => cell && !GAP.test(cell))
    return cells.length > 0 && cells.filter(what).length >= cells.length / 2
  }
  const isTime = (cell: string) => NUMERIC_DATE.test(cell.trim())
  const named = (pattern: RegExp, not: readonly number[]) =>
    names.findIndex((n, i) => !not.includes(i) && pattern.test(n) && holds(i, c => parseNumber(c) !== null))
  const at = names.findIndex((n, i) => (TIME.test(n) || n.trim() === '') && holds(i, isTime))
  const anyAt = at >= 0 ? at : names.findIndex((_, i) => holds(i, isTime))
  if (anyAt < 0) return null
  const humidity = named(HUMIDITY, [anyAt])
  const temperature = named(TEMPERATURE, [anyAt, ...(humidity >= 0 ? [humidity] : [])])
  return {
    at: anyAt,
    temperature: temperature >= 0 ? temperature : null,
    humidity: humidity >= 0 ? humidity : null,
    tempUnit: temperature >= 0 && FAHRENHEIT.test(names[temperature]!) ? '°F' : '°C',
    dayFirst: dayComesFirst(some.map(r => r[anyAt] ?? '')) ?? true,
  }
}

/** Whether days come before months; null where no line tells, as when no day is over the twelfth. */
function dayComesFirst(cells: readonly string[]): boolean | null {
  for (const cell of cells) {
    const match = NUMERIC_DATE.exec(cell.trim())
    if (!match || match[1]!.length === 4) continue
    if (cell.includes('.')) return true
    if (Number(match[1]) > 12) return true
    if (Number(match[2]) > 12) return false
  }
  return null
}

/** An instant as a logger writes it, in the time zone of the house where it names none. */
function instantOf(cell: string, dayFirst: boolean, ofClock: (clockMs: number) => number): number | null {
  const text = cell.trim()
  if (/^\d{4}-\d{2}-\d{2}[T ].*(?:Z|[+-]\d{2}:?\d{2})$/.test(text)) {
    const ms = Date.parse(text.replace(' ', 'T'))
    return Number.isFinite(ms) ? ms : null
  }
  const match =
    /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})[T,\s]+(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*([ap])?\.?m?\.?$/i.exec(
      text,
    )
  if (!match) return null
  const [a, b, c] = [Number(match[1]), Number(match[2]), Number(match[3])]
  const [year, month, day] = match[1]!.length === 4 ? [a, b, c] : dayFirst ? [c, b, a] : [c, a, b]
  const half = match[7]?.toLowerCase()
  const hour = half ? (Number(match[4]) % 12) + (half === 'p' ? 12 : 0) : Number(match[4])
  if (month < 1 || month > 12 || hour > 23 || Number(match[5]) > 59 || (half && Number(match[4]) > 12)) return null
  const full = year < 100 ? 2000 + year : year
  const midnight = Date.UTC(full, month - 1, day)
  // 31.2. is no day
  if (new Date(midnight).getUTCDate() !== day) return null
  return ofClock(midnight + ((hour * 60 + Number(match[5])) * 60 + Number(match[6] ?? 0)) * 1000)
}

/**
 * The readings of a logger's file. Nothing is left out in silence: what cannot be read is a problem, by its line.
 * @param rows the names of the columns first
 * @param zone time zone of the house, for clocks that name none; an hour that comes twice counts as its first time
 * @param nowMs nothing is read ahead of it
 */
export function readLoggerFile(
  rows: readonly (readonly string[])[],
  columns: LoggerColumns,
  zone: string,
  nowMs: number,
): LoggerFile {
  const ofClock = instantsOf(zone)
  const file: LoggerFile = { readings: [], problems: [], gaps: 0 }
  rows.slice(1).forEach((row, i) => {
    const line = i + 2
    if (row.every(cell => !cell.trim())) return
    const problem = (why: string) => void file.problems.push({ line, why })
    const at = instantOf(row[columns.at] ?? '', columns.dayFirst, ofClock)
    if (at === null) return problem(`“${(row[columns.at] ?? '').trim()}” is no time that can be read`)
    if (at > nowMs) return problem('It lies in the future: look at the clock of the logger, and at days and months')
    const reading: LoggerReading = { at: new Date(at).toISOString() }
    for (const channel of ['temperature', 'humidity'] as const) {
      const col = columns[channel]
      const cell = col === null ? '' : (row[col] ?? '').replace(/[°%]\s?[CF]?\s*$/i, '').trim()
      // a logger that misses a value writes nothing, or dashes
      if (!cell || GAP.test(cell)) continue
      const value = parseNumber(cell)
      if (value === null) return problem(`“${cell}” is not a number`)
      const base = channel === 'temperature' && columns.tempUnit === '°F' ? toBase(value, '°F') : value
      const wrong = implausible(channel, base)
      if (wrong) return problem(wrong)
      if (channel === 'temperature') reading.tempC = Number(base.toFixed(3))
      else reading.humidityPct = value
    }
    if (reading.tempC === undefined && reading.humidityPct === undefined) file.gaps++
    else file.readings.push(reading)
  })
  return file
}
