import type { Almanac } from '../../almanac'
import type { Sex } from './state'

/** One animal as it was read from a pasted line, to be looked at and mended before it is written. */
export interface PastedRow {
  tag: string
  /** Null where no species of the almanac was recognised. */
  speciesId: string | null
  sex: Sex
  /** Day of birth as ISO date; null where none was read. */
  born: string | null
  /** What was not understood, as it was written. */
  left: string
}

const SEXES: Readonly<Record<string, Sex>> = {
  'f': 'female',
  'female': 'female',
  '♀': 'female',
  '0.1': 'female',
  'm': 'male',
  'male': 'male',
  '♂': 'male',
  '1.0': 'male',
  'u': 'unknown',
  'unknown': 'unknown',
  'unsexed': 'unknown',
  '?': 'unknown',
  '0.0.1': 'unknown',
}

const isDay = (iso: string): boolean => {
  const date = new Date(`${iso}T00:00:00Z`)
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(iso)
}

/** A day of birth: `2022-05-01`, `01.05.2022`, a month `2022-05` (its middle) or a year `2022` (its middle). */
export function bornIn(word: string): string | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(word)
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(word)
  const month = /^(\d{4})-(\d{1,2})$/.exec(word)
  const two = (n: string) => n.padStart(2, '0')
  const read = iso
    ? `${iso[1]}-${two(iso[2]!)}-${two(iso[3]!)}`
    : dotted
      ? `${dotted[3]}-${two(dotted[2]!)}-${two(dotted[1]!)}`
      : month
        ? `${month[1]}-${two(month[2]!)}-15`
        : /^(19|20)\d\d$/.test(word)
          ? `${word}-07-01`
          : null
  return read && isDay(read) ? read : null
}

/** The species that a text names: exactly, or the only one whose name holds it. */
function speciesIn(almanac: Pick<Almanac, 'species'>, text: string): string | null {
  const wanted = text.toLowerCase().replace(/[’']/g, '').trim()
  if (wanted.length < 3) return null
  const plain = (name: string) => name.toLowerCase().replace(/[’']/g, '')
  const all = Object.values(almanac.species).filter(s => !s.retired)
  const exact = all.find(s => s.id === wanted || plain(s.name) === wanted || (!s.typeOf && plain(s.latin) === wanted))
  if (exact) return exact.id
  const holding = all.filter(s => plain(s.name).includes(wanted))
  return holding.length === 1 ? holding[0]!.id : null
}

const isHeading = (cells: readonly string[]): boolean =>
  cells.some(c => /^(tag|species|sex|born|name)$/i.test(c)) && !cells.some(c => bornIn(c))

/**
 * Reads lines as keepers have them in lists: tag first, then species, sex and birth in any order, parted by commas,
 * semicolons, tabs or spaces. A line of headings is left out. Nothing is refused here: what is not understood is told.
 * @param text at most some thousands of lines
 */
export function readPastedRows(text: string, almanac: Pick<Almanac, 'species'>): PastedRow[] {
  const rows: PastedRow[] = []
  for (const line of text.split(/\r?\n/)) {
    const parted = /[,;\t]/.test(line)
    const cells = line
      .split(parted ? /[,;\t]/ : /\s+/)
      .map(c => c.trim().replace(/^"(.*)"$/, '$1'))
      .filter(c => c)
    if (!cells.length || isHeading(cells)) continue
    const [tag, ...rest] = cells as [string, ...string[]]
    const row: PastedRow = { tag, speciesId: null, sex: 'unknown', born: null, left: '' }
    const words: string[] = []
    for (const cell of rest) {
      const born = row.born === null ? bornIn(cell) : null
      const sex = SEXES[cell.toLowerCase()]
      if (born) row.born = born
      else if (sex) row.sex = sex
      else words.push(cell)
    }
    const named = parted ? words.findIndex(w => speciesIn(almanac, w)) : -1
    if (named >= 0) row.speciesId = speciesIn(almanac, words.splice(named, 1)[0]!)
    else {
      row.speciesId = speciesIn(almanac, words.join(' '))
      if (row.speciesId) words.length = 0
    }
    rows.push({ ...row, left: words.join(' ') })
  }
  return rows
}
