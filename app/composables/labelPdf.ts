import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib'
import { encode } from 'uqr'
import type { Label } from '#core/season'
import { labelPlace, type LabelSheet } from './labelSheet'

/** Font files, each with what those before it have no letter for. */
export interface LabelFonts {
  tag: readonly ArrayBuffer[]
  words: readonly ArrayBuffer[]
}

/** A typeface: its files, the letters that each has, and how wide each letter is at a size of 1. */
type Face = readonly { font: PDFFont; has: ReadonlySet<number>; widths: Map<string, number> }[]

const POINTS_PER_MM = 72 / 25.4
const [TAG_POINTS, WORD_POINTS, LEAST_POINTS, LEADING] = [14, 8.5, 6, 1.25]
const [EDGE_MM, CODE_MM, GAP_MM] = [2.5, 21, 2]

async function faceOf(file: PDFDocument, bytes: readonly ArrayBuffer[]): Promise<Face> {
  const fonts = await Promise.all(bytes.map(b => file.embedFont(b, { subset: true })))
  return fonts.map(font => ({ font, has: new Set(font.getCharacterSet()), widths: new Map<string, number>() }))
}

/** A text in pieces of one font each; letters that none of them has become a question mark. */
export function fontRuns<F>(
  text: string,
  face: readonly { font: F; has: ReadonlySet<number> }[],
): { font: F; text: string }[] {
  const runs: { font: F; text: string }[] = []
  for (const letter of text) {
    const known = face.find(({ has }) => has.has(letter.codePointAt(0)!))
    const { font } = known ?? face[0]!
    const last = runs.at(-1)
    if (last?.font === font) last.text += known ? letter : '?'
    else runs.push({ font, text: known ? letter : '?' })
  }
  return runs
}

/** Letter by letter: each is laid out once, which is what takes the time. */
function widthOf(text: string, face: Face, points: number): number {
  let all = 0
  for (const letter of text) {
    const { font, has, widths } = face.find(f => f.has.has(letter.codePointAt(0)!)) ?? face[0]!
    const drawn = has.has(letter.codePointAt(0)!) ? letter : '?'
    let width = widths.get(drawn)
    if (width === undefined) widths.set(drawn, (width = font.widthOfTextAtSize(drawn, 1)))
    all += width
  }
  return all * points
}

/**
 * The size at which a text finds room, and as much of it as does at the least size.
 * @param measure width of a text at a size
 */
export function fittedText(
  text: string,
  points: number,
  least: number,
  width: number,
  measure: (text: string, points: number) => number,
): { text: string; points: number } {
  const at = Math.min(points, (points * width) / Math.max(1e-9, measure(text, points)))
  if (at >= least) return { text, points: at }
  const letters = [...text]
  while (letters.length > 1 && measure(`${letters.join('')}…`, least) > width) letters.pop()
  return { text: `${letters.join('').trimEnd()}…`, points: least }
}

/** The dark squares of a code, as a path in mm from its left upper corner: what touches in a row is one bar. */
function codePath(address: string, mm: number): string {
  const { data, size } = encode(address, { border: 1, ecc: 'L' })
  const at = (squares: number) => Number(((squares * mm) / size).toFixed(4))
  return data
    .flatMap((row, y) =>
      row.flatMap((dark, x) => {
        if (!dark || row[x - 1]) return []
        const end = row.indexOf(false, x)
        const long = (end < 0 ? size : end) - x
        return [`M${at(x)} ${at(y)}h${at(long)}v${at(1)}h${-at(long)}z`]
      }),
    )
    .join('')
}

function drawLabel(page: PDFPage, label: Label, address: string, at: { x: number; y: number }, o: Drawn): void {
  const { sheet, tag, words } = o
  const top = page.getHeight() - at.y * POINTS_PER_MM
  const code = Math.min(CODE_MM, sheet.height - 2 * EDGE_MM)
  page.drawSvgPath(codePath(address, code), {
    x: (at.x + EDGE_MM) * POINTS_PER_MM,
    y: top - ((sheet.height - code) / 2) * POINTS_PER_MM,
    scale: POINTS_PER_MM,
    color: rgb(0, 0, 0),
    borderWidth: 0,
  })
  const left = (at.x + EDGE_MM + code + GAP_MM) * POINTS_PER_MM
  const width = (sheet.width - 2 * EDGE_MM - code - GAP_MM) * POINTS_PER_MM
  const room = (sheet.height - 2 * EDGE_MM) * POINTS_PER_MM
  const lines = [
    { text: label.tag, points: TAG_POINTS, face: tag },
    ...[label.what, ...label.lines].map(text => ({ text, points: WORD_POINTS, face: words })),
  ]
  const wanted = lines.reduce((n, line) => n + line.points * LEADING, 0)
  const scale = Math.min(1, room / wanted)
  let y = top - EDGE_MM * POINTS_PER_MM - (room - wanted * scale) / 2
  for (const { text, points, face } of lines) {
    const fitted = fittedText(text, points * scale, LEAST_POINTS, width, (t, p) => widthOf(t, face, p))
    y -= points * scale * LEADING
    let x = left
    for (const run of fontRuns(fitted.text, face)) {
      page.drawText(run.text, { x, y: y + points * scale * 0.3, size: fitted.points, font: run.font })
      x += widthOf(run.text, face, fitted.points)
    }
  }
}
/** So many labels are drawn at once. */
const BREATH = 10

interface Drawn {
  sheet: LabelSheet
  tag: Face
  words: Face
}

/**
 * Labels as a PDF at their true size: tag, what is in it, its days, and a code that leads to its page.
 * @param gone labels of the first sheet that are gone already
 */
export async function labelPdf(
  labels: readonly Label[],
  sheet: LabelSheet,
  gone: number,
  addressOf: (label: Label) => string,
  fonts: LabelFonts,
): Promise<Uint8Array<ArrayBuffer>> {
  const file = await PDFDocument.create()
  file.registerFontkit(fontkit)
  file.setTitle('Labels')
  const [tag, words] = [await faceOf(file, fonts.tag), await faceOf(file, fonts.words)]
  const pages: PDFPage[] = []
  for (const [n, label] of labels.entries()) {
    const { page, ...at } = labelPlace(sheet, n, gone)
    while (pages.length <= page)
      pages.push(file.addPage([sheet.page.width * POINTS_PER_MM, sheet.page.height * POINTS_PER_MM]))
    drawLabel(pages[page]!, label, addressOf(label), at, { sheet, tag, words })
    // hundreds take seconds: the screen goes on meanwhile
    if (n % BREATH === BREATH - 1) await new Promise(done => setTimeout(done))
  }
  return new Uint8Array(await file.save())
}
