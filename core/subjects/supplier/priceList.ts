import { feederNamed, type Almanac } from '../../almanac'
import { OfferData } from './kinds'
import type { Offer } from './state'

/** A line of a price list that cannot be taken, with its number in the file (the head is the first). */
export interface LineProblem {
  line: number
  message: string
}

const COLUMNS = {
  feeder: ['feeder', 'prey', 'name', 'item', 'kind'],
  pieces: ['pieces', 'pack', 'count', 'number', 'in a pack'],
  price: ['price', 'cost'],
} as const

const cell = (row: Readonly<Record<string, string>>, of: keyof typeof COLUMNS): string => {
  const key = Object.keys(row).find(k => (COLUMNS[of] as readonly string[]).includes(k.trim().toLowerCase()))
  return (key === undefined ? '' : row[key]!).trim()
}

/** `12,50`, `€ 12.50`, `1,250`, `1.250,00`; null for what is no number, or has a unit of something else. */
export function readAmount(text: string): number | null {
  const bare = text
    .trim()
    .replace(/^(?:[€£$¥]|[A-Z]{3})\s?|\s?(?:[€£$¥]|[A-Z]{3})$/gu, '')
    .replace(/\s/g, '')
  if (!/^\d[\d.,]*$/.test(bare)) return null
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','))
  const decimals = last < 0 ? '' : bare.slice(last + 1)
  // three digits after the only mark part thousands
  const parts = last < 0 || (decimals.length === 3 && !/[.,]/.test(bare.slice(0, last)))
  const value = parts ? bare.replace(/[.,]/g, '') : `${bare.slice(0, last).replace(/[.,]/g, '')}.${decimals}`
  return Number(value)
}

/**
 * Reads a price list: a feeder, how many in a pack, and its price, a line each. Nothing is taken of a list with a bad
 * line.
 * @param rows cells by the heads of the columns
 * @returns the offers, or what is wrong line by line
 */
export function readPriceList(
  rows: readonly Readonly<Record<string, string>>[],
  almanac: Almanac,
): { offers: Offer[]; problems: LineProblem[] } {
  const offers: Offer[] = []
  const problems: LineProblem[] = []
  rows.forEach((row, i) => {
    const line = i + 2
    const say = (message: string) => void problems.push({ line, message })
    const name = cell(row, 'feeder')
    if (!name && !Object.values(row).some(v => v.trim())) return
    const prey = name ? feederNamed(almanac, name) : null
    const pieces = readAmount(cell(row, 'pieces'))
    const price = readAmount(cell(row, 'price'))
    if (!prey) return say(name ? `No feeder is called “${name}”, or several are` : 'No feeder is named')
    if (pieces === null) return say(`How many in a pack? “${cell(row, 'pieces')}” is no number`)
    if (price === null) return say(`What does it cost? “${cell(row, 'price')}” is no sum`)
    const checked = OfferData.safeParse({ prey, pieces, price })
    if (!checked.success) return say(checked.error.issues[0]!.message)
    if (offers.some(o => o.prey === prey && o.pieces === pieces)) return say(`${name} by ${pieces} stands twice`)
    offers.push({ prey, pieces, price })
  })
  return problems.length ? { offers: [], problems } : { offers, problems }
}
