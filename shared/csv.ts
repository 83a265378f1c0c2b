import Papa from 'papaparse'

/** What a spreadsheet would compute; a number below zero is none of it. */
const FORMULA = /^([=+@\t\r]|-(?!\d))/

/** A table as CSV (RFC 4180). A cell that a spreadsheet would take for a formula begins with an apostrophe. */
export function csvOf(rows: readonly Record<string, string>[]): string {
  return `${Papa.unparse([...rows], { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`
}

/** A table from CSV or from cells copied out of a spreadsheet, with the heads of its columns. */
export function rowsOf(text: string): Record<string, string>[] {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trim(), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  // cells beyond the heads are no text
  return data.map(row => Object.fromEntries(Object.entries(row).filter(([, v]) => typeof v === 'string')))
}
