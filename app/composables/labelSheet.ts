/** Paper for labels: one label, and how many lie on a page. All in mm. */
export interface LabelSheet {
  label: string
  width: number
  height: number
  columns: number
  rows: number
  page: { width: number; height: number }
}

export const LABEL_SHEETS = {
  a4: {
    ...{ label: 'A4, 24 labels of 70 × 37 mm', width: 70, height: 37, columns: 3, rows: 8 },
    page: { width: 210, height: 297 },
  },
  roll62: {
    ...{ label: 'Roll, 62 × 29 mm', width: 62, height: 29, columns: 1, rows: 1 },
    page: { width: 62, height: 29 },
  },
  roll50: {
    ...{ label: 'Roll, 50 × 25 mm', width: 50, height: 25, columns: 1, rows: 1 },
    page: { width: 50, height: 25 },
  },
} as const satisfies Record<string, LabelSheet>

/** Labels of the first sheet that are gone already: none on a roll, and never a whole sheet. */
export const skipped = ({ columns, rows }: LabelSheet, gone: number): number =>
  rows > 1 && Number.isFinite(gone) ? Math.max(0, Math.min(columns * rows - 1, Math.floor(gone))) : 0

/** Where the n-th label of all lies: its page from 0, and its left upper corner in mm; rows share the page evenly. */
export function labelPlace(sheet: LabelSheet, n: number, gone = 0): { page: number; x: number; y: number } {
  const { columns, rows, width, height, page } = sheet
  const at = n + skipped(sheet, gone)
  const onPage = at % (columns * rows)
  return {
    page: Math.floor(at / (columns * rows)),
    x: (page.width - columns * width) / 2 + (onPage % columns) * width,
    y: (page.height - rows * height) / 2 + Math.floor(onPage / columns) * height,
  }
}
