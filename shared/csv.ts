import Papa from 'papaparse'

/** What a spreadsheet would compute; a number below zero is none of it. */
const FORMULA = /^([=+@\t\r]|-(?!\d))/

/** A table as CSV (RFC 4180). A cell that a spreadsheet would take for a formula begins with an apostrophe. */
export function csvOf(rows: readonly Record<string, string>[]): string {
  return `${Papa.unparse([...rows], { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`
}
