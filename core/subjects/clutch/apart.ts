import { z } from 'zod'
import { defineKind, type DatedEntry, type House, type Problem } from '../../log'
import { reference } from '../../reference'
import { formatQuantity } from '../../units'
import { tag } from '../fields'
import { eggTempC } from '../laying'
import { doubtfulEggs, eggNumbers, eggsLeft, isAliveEgg, pippedNow } from './eggs'
import type { ClutchState, Egg } from './state'

const ApartData = z.strictObject({
  /** Of the box that they go to; it is a clutch of its own from then on. */
  tag,
  eggs: z
    .array(z.number().int('Eggs are numbered from 1').min(1, 'Eggs are numbered from 1').max(10_000))
    .min(1, 'Choose the eggs')
    .max(400, 'At most 400 eggs at once'),
  placeId: reference('place').nullable().default(null),
  /** What they are kept at there, where nothing reads it. */
  tempC: eggTempC.nullable().default(null),
})
type ApartData = z.output<typeof ApartData>

/** A free tag for eggs of a clutch that go into another box: C-4b, C-4c, and so on. */
export function partTag(tag: string, { clutches }: Pick<House, 'clutches'>): string {
  const taken = new Set(Object.values(clutches).map(c => c.tag.toLowerCase()))
  const stem = tag.replace(/(?<=\d)[b-z]$/, '')
  const letter = [...'bcdefghijklmnopqrstuvwxyz'].find(l => !taken.has(`${stem}${l}`.toLowerCase()))
  return `${stem}${letter ?? `-${taken.size}`}`
}

/** Of the eggs that were candled and not said of singly, as many good ones go as of all. */
function goodAmong(state: ClutchState, rows: readonly Egg[], count: number): number | null {
  if (state.good === null) return null
  const left = eggsLeft(state)
  const doubtful = rows.filter(e => e.state === 'doubtful' || e.state === 'isolated').length
  const named = Object.values(state.rows).filter(isAliveEgg).length
  const notGood = Math.max(0, left - doubtfulEggs(state) - state.good)
  const unnamed = Math.max(1, left - named)
  return Math.max(0, count - doubtful - Math.round((notGood * (count - rows.length)) / unnamed))
}

/**
 * Takes eggs out of a clutch, and tells how they begin as one of their own: of the same laying, with what was seen of
 * them, and with the warmth that they have had.
 */
function takeOff(state: ClutchState, { tag, eggs, placeId, tempC }: ApartData, entry: DatedEntry): ClutchState {
  const numbers = [...eggs].sort((a, b) => a - b)
  const rows = numbers.flatMap(n => state.rows[n] ?? [])
  const good = goodAmong(state, rows, numbers.length)
  const part: ClutchState = {
    ...structuredClone({ ...state, apart: [] }),
    id: entry.id,
    tag,
    partOf: state.id,
    eggs: numbers.length,
    numbers,
    eggsRange: null,
    slugs: 0,
    eggsLost: 0,
    good,
    rows: Object.fromEntries(rows.map(egg => [egg.n, { ...structuredClone(egg), lies: null }])),
    pipped: [],
    hatched: [],
    metamorphosed: [],
    youngLost: 0,
    parted: [],
    tagged: 0,
    sold: 0,
    grouped: [],
    firstFed: null,
    lastFed: null,
    tadpolesFed: null,
    meals: [],
    looksCounted: [],
    tempC,
    placeId,
    stays: [...state.stays, { at: entry.at, day: entry.day, placeId, tempC }],
    box: null,
    boxWeights: [],
    watered: [],
    ended: null,
  }
  const kept = eggNumbers(state).filter(n => !numbers.includes(n))
  state.eggs = kept.length
  state.numbers = kept
  state.rows = Object.fromEntries(Object.entries(state.rows).filter(([n]) => !numbers.includes(Number(n))))
  if (state.eggsRange) {
    const { low, high } = state.eggsRange
    state.eggsRange = { low: Math.min(kept.length, Math.max(0, low - numbers.length)), high: high - numbers.length }
  }
  if (state.good !== null) state.good = Math.max(0, Math.min(eggsLeft(state), state.good - good!))
  // nobody knows what the eggs weighed that left it: its water is counted from the next setting up
  if (state.box) state.box = { ...state.box, totalG: null }
  state.boxWeights = []
  return part
}

/** Why these eggs cannot go into a box of their own; null when they can. */
function apartProblem(state: ClutchState, eggs: readonly number[], entry: DatedEntry): Problem | null {
  if (state.kind !== 'eggs') return { path: 'subject.id', message: `${state.tag} is no clutch of eggs in a box` }
  if (state.ended) return { path: 'subject.id', message: `${state.tag} is closed` }
  const of = new Set(eggNumbers(state))
  for (const [i, n] of eggs.entries()) {
    const path = `data.eggs.${i}`
    if (!of.has(n)) return { path, message: `${state.tag} has no egg ${n}` }
    if (eggs.indexOf(n) !== i) return { path, message: `Egg ${n} stands twice` }
    const row = state.rows[n]
    if (!row) continue
    if (row.seen.day > entry.day) return { path, message: `Egg ${n} was looked at in ${state.tag} after that day` }
    if (row.state === 'pipped') return { path, message: `Egg ${n} is pipped: leave it where it is until it is out` }
    if (!isAliveEgg(row))
      return { path, message: `Egg ${n} does not live: only eggs that may hatch go into another box` }
  }
  const free = eggsLeft(state) - (pippedNow(state)?.count ?? 0)
  if (eggs.length > free)
    return { path: 'data.eggs', message: `${state.tag} has ${free} living eggs that are not pipped` }
  return eggs.length === eggsLeft(state)
    ? { path: 'data.eggs', message: `These are all that are left of ${state.tag}: move the clutch instead` }
    : null
}

/** Some eggs of a clutch, put into another box: a clutch of its own from then on. */
export const apartKinds = [
  defineKind({
    kind: 'eggsApart',
    subject: 'clutch',
    verb: 'Put eggs into another box',
    founds: 'clutch',
    dividesOff: true,
    data: ApartData,
    apply(state, data, entry) {
      state.apart.push(takeOff(state, data, entry))
    },
    check: (state, { eggs }, entry) => apartProblem(state, eggs, entry),
    wording: (d, { tempUnit }) =>
      `Egg ${d.eggs.join(', ')} into another box, as ${d.tag}${d.tempC === null ? '' : `, kept at ${formatQuantity(d.tempC, tempUnit)}`}`,
  }),
]
