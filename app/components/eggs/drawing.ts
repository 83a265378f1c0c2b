import { EGG_STATE_WORDS, eggNumbers, notPlaced, type ClutchState, type Egg, type EggStanding } from '#core/subjects'

/** What an egg of a box is drawn as: what was said of it, or nothing. */
export type EggLook = EggStanding | 'unsaid'

export interface DrawnEgg {
  n: number
  look: EggLook
  /** Middle, in shares of the width and depth of the box. */
  x: number
  y: number
  egg: Egg | null
}

export const EGG_LOOK_WORDS: Readonly<Record<EggLook, string>> = {
  unsaid: 'not looked at singly',
  ...EGG_STATE_WORDS,
}

export const EGG_SIGN_WORDS = {
  vessels: 'vessels',
  ring: 'ring',
  movement: 'movement',
  dark: 'dark',
  empty: 'empty',
  dented: 'dented',
  sweating: 'sweating',
  mould: 'mould',
  turned: 'turned by mistake',
} as const

/** Rows and columns for so many eggs in a box that is wider than deep, or so many columns wide at most. */
export function gridOf(eggs: number, most = Number.POSITIVE_INFINITY): { columns: number; rows: number } {
  const columns = Math.max(1, Math.min(most, Math.ceil(Math.sqrt(eggs * 2))))
  return { columns, rows: Math.max(1, Math.ceil(eggs / columns)) }
}

/** The eggs of a clutch as they lie: where it was said, else in rows by their number. */
export function drawnEggs(clutch: ClutchState, grid = gridOf(clutch.eggs)): DrawnEgg[] {
  const { columns, rows } = grid
  return eggNumbers(clutch).map((n, i) => {
    const egg = clutch.rows[n] ?? null
    const inRow = { x: ((i % columns) + 0.5) / columns, y: (Math.floor(i / columns) + 0.5) / rows }
    return { n, look: egg?.state ?? 'unsaid', egg, ...(egg?.lies ?? inRow) }
  })
}

/**
 * The same to be looked at from afar: slugs, dead and young out that were only counted stand for the last eggs of which
 * nothing was said.
 */
export function countedEggs(clutch: ClutchState): DrawnEgg[] {
  const free = notPlaced(clutch)
  const looks: EggLook[] = [
    ...new Array<EggLook>(free.slug).fill('slug'),
    ...new Array<EggLook>(free.dead).fill('dead'),
    ...new Array<EggLook>(free.out).fill('out'),
    ...new Array<EggLook>(free.pipped).fill('pipped'),
  ]
  const eggs = drawnEggs(clutch)
  for (const egg of [...eggs].reverse()) if (egg.look === 'unsaid' && looks.length) egg.look = looks.shift()!
  return eggs
}
