import { seen, type DatedEntry, type Problem } from '../../log'
import { sum } from './counts'
import type { ClutchState, Egg, EggEnd, EggSign, EggStanding } from './state'

/** Eggs that could still hatch. */
export function eggsLeft(c: ClutchState): number {
  return Math.max(0, c.eggs - c.slugs - c.eggsLost - sum(c.hatched))
}

/** The numbers that its eggs go by. */
export const eggNumbers = ({ eggs, numbers }: Pick<ClutchState, 'eggs' | 'numbers'>): readonly number[] =>
  numbers ?? Array.from({ length: eggs }, (_, i) => i + 1)

/** Gives a clutch another number of eggs: new ones are numbered on, and those go that nothing was said of. */
export function setEggCount(c: ClutchState, eggs: number): void {
  c.eggs = eggs
  if (!c.numbers) return
  const [last, more] = [c.numbers.at(-1) ?? 0, eggs - c.numbers.length]
  const unsaid = c.numbers.filter(n => !c.rows[n])
  const gone = new Set(more < 0 ? unsaid.slice(more) : [])
  c.numbers = [
    ...c.numbers.filter(n => !gone.has(n)),
    ...Array.from({ length: Math.max(0, more) }, (_, i) => last + i + 1),
  ]
}

const ALIVE: readonly EggStanding[] = ['sound', 'doubtful', 'isolated', 'pipped']
export const isAliveEgg = ({ state }: Pick<Egg, 'state'>): boolean => ALIVE.includes(state)
const isOut = ({ state }: Egg) => state === 'out' || state === 'yolkIn'

const rowsOf = (c: ClutchState): Egg[] => Object.values(c.rows)
const rowsWith = (c: ClutchState, is: (egg: Egg) => boolean) => rowsOf(c).filter(is).length

/** Slugs, losses and young out that were counted, and not said of which eggs. */
export const notPlaced = (c: ClutchState) => ({
  slug: Math.max(0, c.slugs - rowsWith(c, e => e.state === 'slug')),
  dead: Math.max(0, c.eggsLost - rowsWith(c, e => e.state === 'dead')),
  out: Math.max(0, sum(c.hatched) - rowsWith(c, isOut)),
  pipped: Math.max(0, sum(c.pipped) - rowsWith(c, e => e.pippedDay !== null)),
})

/** Living eggs that nobody called sound or pipped: they may hatch, and mostly do not. */
export const doubtfulEggs = (c: ClutchState): number =>
  Math.min(
    eggsLeft(c),
    rowsWith(c, e => e.state === 'doubtful' || e.state === 'isolated'),
  )

/**
 * Eggs that are open and not out, and the day on which the first of them was pipped; null while there is none. Those
 * that came out or died are taken to be the ones that pipped first.
 */
export function pippedNow(c: ClutchState): { count: number; since: number } | null {
  const free = notPlaced(c)
  const placed = rowsOf(c).filter(e => e.pippedDay !== null)
  const waiting = placed.filter(e => e.state === 'pipped').map(e => ({ day: e.pippedDay!, count: 1 }))
  // of pips that were only counted, as many are over as came out or died without having been named
  let over = free.out
  const counted = [...c.pipped].sort((a, b) => a.day - b.day).map(p => ({ ...p }))
  for (const egg of placed) {
    // named on a later day, it is one of those that were counted before
    const one = counted.find(p => p.day === egg.pippedDay && p.count > 0) ?? counted.find(p => p.count > 0)
    if (one) one.count--
  }
  for (const p of counted) {
    const gone = Math.min(over, p.count)
    p.count -= gone
    over -= gone
    if (p.count > 0) waiting.push(p)
  }
  const count = Math.min(eggsLeft(c), sum(waiting))
  return count > 0 ? { count, since: Math.min(...waiting.map(w => w.day)) } : null
}

/** What is said of one egg. */
export interface EggSaid {
  n: number
  state?: EggStanding
  signs?: EggSign[]
  massG?: number
  end?: EggEnd
  lies?: { x: number; y: number }
}

const OVER: Partial<Record<EggStanding, string>> = {
  slug: 'a slug',
  dead: 'dead',
  out: 'out',
  yolkIn: 'out, with its yolk in',
}

/** Why an egg cannot be what is now said of it: what is over stays over, but for the yolk that is taken in. */
function cannotBecome(egg: Egg | undefined, { n, state }: EggSaid): string | null {
  if (!egg || !state || state === egg.state) return null
  const over = OVER[egg.state]
  if (over && !(egg.state === 'out' && state === 'yolkIn'))
    return `Egg ${n} is written as ${over}. Take that entry back, if it was another egg.`
  if (egg.state === 'pipped' && ['sound', 'doubtful', 'isolated', 'slug'].includes(state))
    return `Egg ${n} is pipped: it comes out, or dies. Take the pip back, if it was another egg.`
  return null
}

/** How many more slugs, dead and young out there are, where these are said, beside those that were counted before. */
function newlyOver(c: ClutchState, said: readonly EggSaid[]): number {
  const free = notPlaced(c)
  const more = { slug: 0, dead: 0, out: 0 }
  for (const { n, state } of said) {
    const before = c.rows[n]
    const to = state === 'yolkIn' ? 'out' : state
    if (to !== 'slug' && to !== 'dead' && to !== 'out') continue
    if (before && (before.state === state || (isOut(before) && to === 'out'))) continue
    more[to]++
  }
  return Object.entries(more).reduce((all, [to, count]) => all + Math.max(0, count - free[to as 'slug']), 0)
}

const tellNumbers = ({ eggs, numbers }: ClutchState): string =>
  numbers ? `egg ${numbers.join(', ')}` : `eggs 1 to ${eggs}`

/** Why this cannot be said of these eggs; null when it can. */
export function eggProblem(c: ClutchState, said: readonly EggSaid[]): Problem | null {
  if (c.kind !== 'eggs') return { path: 'subject.id', message: `${c.tag} is no clutch of eggs in a box` }
  const numbers = new Set<number>()
  const of = c.numbers && new Set(c.numbers)
  for (const [i, egg] of said.entries()) {
    const path = `data.eggs.${i}.n`
    if (of ? !of.has(egg.n) : egg.n > c.eggs)
      return { path, message: `${c.tag} has ${tellNumbers(c)}, and no egg ${egg.n}` }
    if (numbers.has(egg.n)) return { path, message: `Egg ${egg.n} stands twice` }
    numbers.add(egg.n)
    const why = cannotBecome(c.rows[egg.n], egg)
    if (why) return { path, message: why }
  }
  const over = newlyOver(c, said)
  return over > eggsLeft(c)
    ? { path: 'data.eggs', message: `${over} more slugs, dead or out: ${c.tag} has ${eggsLeft(c)} eggs left` }
    : null
}

/** Writes what is said of one egg, and keeps the counts of the clutch with it. */
function put(c: ClutchState, said: EggSaid, entry: DatedEntry): void {
  const before = c.rows[said.n]
  const state = said.state ?? before?.state ?? 'sound'
  const free = notPlaced(c)
  const pips = state === 'pipped' && !before?.pippedDay
  if (before?.state !== state) {
    if (state === 'slug' && !free.slug) c.slugs++
    if (state === 'dead' && !free.dead) c.eggsLost++
    if ((state === 'out' || state === 'yolkIn') && !(before && isOut(before)) && !free.out) {
      const known = c.hatched.find(h => h.entryId === entry.id)
      if (known) known.count++
      else c.hatched.push({ day: entry.day, count: 1, entryId: entry.id })
    }
    if (pips && !free.pipped) c.pipped.push({ day: entry.day, count: 1 })
  }
  c.rows[said.n] = {
    n: said.n,
    state,
    since: before?.state === state ? before.since : seen(entry),
    seen: seen(entry),
    signs: said.signs ?? before?.signs ?? [],
    weights: [...(before?.weights ?? []), ...(said.massG === undefined ? [] : [{ day: entry.day, massG: said.massG }])],
    pippedDay: pips ? entry.day : (before?.pippedDay ?? null),
    end: said.end ?? before?.end ?? null,
    lies: said.lies ?? before?.lies ?? null,
  }
}

/** Whether it says anything of how the egg is, and not only where it lies. */
const looks = ({ state, signs, massG, end }: EggSaid): boolean => Boolean(state ?? signs ?? massG ?? end)

/** Takes what is said of eggs into the clutch; when all that live were looked at, it counts as candled. */
export function takeEggs(c: ClutchState, said: readonly EggSaid[], entry: DatedEntry): void {
  for (const egg of said) put(c, egg, entry)
  if (!said.some(looks)) return
  c.lastCheck = seen(entry)
  const living = rowsOf(c).filter(isAliveEgg)
  if (living.length >= eggsLeft(c)) {
    c.lastCandled = seen(entry)
    c.good = eggsLeft(c) - doubtfulEggs(c)
  } else if (c.good !== null) c.good = Math.min(c.good, eggsLeft(c))
}
