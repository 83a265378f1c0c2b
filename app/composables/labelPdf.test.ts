import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import fc from 'fast-check'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import type { Label } from '#core/season'
import { fittedText, fontRuns, labelPdf } from './labelPdf'
import { LABEL_SHEETS, labelPlace, skipped, type LabelSheet } from './labelSheet'

const resolve = createRequire(import.meta.url).resolve
const font = (family: string, part: string, weight: number) => {
  const bytes = readFileSync(resolve(`@fontsource/${family}/files/${family}-${part}-${weight}-normal.woff`))
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
}
const face = (family: string, weight: number) => ['latin', 'latin-ext'].map(part => font(family, part, weight))
const fonts = { tag: face('atkinson-hyperlegible-mono', 700), words: face('atkinson-hyperlegible-next', 400) }

const label = (tag: string, what = 'Large fruit fly'): Label => ({
  ...{ subject: { type: 'culture', id: tag }, tag, what, day: 0 },
  lines: ['started 20 Nov', 'from Fl-2; ½-size “żółte” 虫', 'yields 8 Dec – 12 Dec'],
})
const made = async (n: number, sheet: LabelSheet, gone = 0) => {
  const labels = Array.from({ length: n }, (_, i) => label(`FL-${i}`))
  return PDFDocument.load(await labelPdf(labels, sheet, gone, l => `https://mantel.local/feeders#${l.tag}`, fonts))
}

describe('a sheet of labels', () => {
  const sheets = fc.constantFrom<LabelSheet>(...Object.values(LABEL_SHEETS))

  it('has each label in a place of its own, whole on its page, whatever is gone of it', () => {
    fc.assert(
      fc.property(sheets, fc.integer({ min: 1, max: 90 }), fc.integer({ min: -5, max: 60 }), (sheet, n, gone) => {
        const places = Array.from({ length: n }, (_, i) => labelPlace(sheet, i, gone))
        expect(new Set(places.map(p => `${p.page} ${p.x} ${p.y}`)).size).toBe(n)
        for (const { x, y } of places) {
          expect(x).toBeGreaterThanOrEqual(0)
          expect(y).toBeGreaterThanOrEqual(0)
          expect(x + sheet.width).toBeLessThanOrEqual(sheet.page.width + 1e-9)
          expect(y + sheet.height).toBeLessThanOrEqual(sheet.page.height + 1e-9)
        }
        // no sheet is wasted
        expect(places[0]!.page).toBe(0)
      }),
    )
  })

  it('begins where the first free sticker is; what is not a number is none gone', () => {
    const { a4, roll62 } = LABEL_SHEETS
    // 3 × 70 mm are the width of A4, 8 × 37 mm leave half a millimetre above and below
    expect(labelPlace(a4, 0)).toEqual({ page: 0, x: 0, y: 0.5 })
    expect(labelPlace(a4, 0, 4)).toEqual({ page: 0, x: 70, y: 37.5 })
    expect(labelPlace(a4, 20, 4)).toEqual({ page: 1, x: 0, y: 0.5 })
    expect(labelPlace(roll62, 3, 4)).toEqual({ page: 3, x: 0, y: 0 })
    expect([skipped(a4, NaN), skipped(a4, 99), skipped(a4, 2.7), skipped(roll62, 2)]).toEqual([0, 23, 2, 0])
  })
})

describe('labels as a PDF', () => {
  it('are pages of the paper’s true size: all on A4, or one a page from a roll', async () => {
    const sheet = await made(25, LABEL_SHEETS.a4)
    expect(sheet.getPageCount()).toBe(2)
    // ISO 216: A4 is 210 × 297 mm; a point is 1/72 inch of 25.4 mm
    const inMm = (file: PDFDocument, page: number) =>
      Object.values(file.getPage(page).getSize()).map(points => Number(((points / 72) * 25.4).toFixed(6)))
    expect(inMm(sheet, 0)).toEqual([210, 297])
    const roll = await made(3, LABEL_SHEETS.roll50)
    expect(roll.getPageCount()).toBe(3)
    expect(inMm(roll, 2)).toEqual([50, 25])
    expect((await made(2, LABEL_SHEETS.a4, 23)).getPageCount()).toBe(2)
  })

  it('take each letter from a font that has it, and ask where none has', () => {
    const latin = { font: 'latin', has: new Set([...'zote ?'].map(c => c.codePointAt(0)!)) }
    const ext = { font: 'ext', has: new Set([...'żół'].map(c => c.codePointAt(0)!)) }
    expect(fontRuns('żółte 虫', [latin, ext])).toEqual([
      { font: 'ext', text: 'żół' },
      { font: 'latin', text: 'te ?' },
    ])
  })

  it('have no line that is wider than its room: it is set smaller, and cut where that is too small', () => {
    const measure = (text: string, points: number) => [...text].length * points
    expect(fittedText('abcd', 8, 6, 32, measure)).toEqual({ text: 'abcd', points: 8 })
    expect(fittedText('abcde', 8, 6, 35, measure)).toEqual({ text: 'abcde', points: 7 })
    expect(fittedText('abcdefgh', 8, 6, 36, measure)).toEqual({ text: 'abcde…', points: 6 })
  })
})
