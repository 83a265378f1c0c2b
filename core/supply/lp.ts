/** So much of a column. */
export interface Term {
  by: number
  of: string
}

export interface Row {
  terms: readonly Term[]
  is: '<=' | '=' | '>='
  than: number
}

export interface Lp {
  /** What is to be as small as can be. */
  cost: readonly Term[]
  rows: readonly Row[]
  bounds?: readonly string[]
  /** Columns that are whole numbers. */
  whole?: readonly string[]
  /** Columns that are 0 or 1. */
  binary?: readonly string[]
}

const num = (x: number): string => Number(x.toPrecision(7)).toString()

const sum = (terms: readonly Term[]): string =>
  terms
    .filter(t => Math.abs(t.by) > 1e-9)
    .map(t => `${t.by < 0 ? '-' : '+'} ${num(Math.abs(t.by))} ${t.of}`)
    .join(' ')

const listed = (title: string, lines: readonly string[]) => (lines.length ? [title, ...lines.map(l => ` ${l}`)] : [])

/** A programme as the solver reads it. */
export const asLp = ({ cost, rows, bounds = [], whole = [], binary = [] }: Lp): string =>
  [
    'Minimize',
    ` obj: ${sum(cost) || '0 nothing'}`,
    'Subject To',
    ...rows.map((row, r) => ` c${r}: ${sum(row.terms)} ${row.is} ${num(row.than)}`),
    ...listed('Bounds', bounds),
    ...listed('General', whole),
    ...listed('Binary', binary),
    'End',
  ].join('\n')
