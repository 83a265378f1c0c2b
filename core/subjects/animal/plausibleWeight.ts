import type { CheckContext, DatedEntry } from '../../log'
import type { AnimalState, Weighing } from './state'

/** Slips of units and of the decimal point, by the factor between what was written and what was meant. */
const SLIPS: [factor: number, what: string][] = [
  [28.35, 'grams written as ounces, or the other way round'],
  [453.6, 'a mix-up of grams and pounds'],
  [1000, 'a mix-up of grams and kilograms'],
  [10, 'a slip of the decimal point'],
  [100, 'a slip of the decimal point'],
]

/**
 * Bounds of what can happen between two weighings, as natural logarithms of the ratio new : old. In the cold nothing is
 * eaten, so a gain is a drink that was offered; a loss of over 1.2 % a day is not survived long. Awake, an adult gains
 * by its meals, a young one may double in two months; a laying or birth takes up to half.
 */
function possible(animal: AnimalState, from: number, to: number, context: CheckContext): { low: number; high: number } {
  const days = Math.abs(to - from)
  const of = (fact: string) => context.almanac.common[fact]!.value
  const [earlier, later] = [Math.min(from, to), Math.max(from, to)]
  // the last weighing before it was cooled is where the cold starts from
  const winter = animal.winters.find(
    w =>
      w.cooled.day - of('coldWeightBefore') <= earlier &&
      w.cooled.day <= later &&
      (w.warmed === null || w.warmed.day >= later),
  )
  if (winter) {
    const drank = animal.lastWater !== null && animal.lastWater.day >= earlier && animal.lastWater.day <= later
    return {
      low: -(of('coldLossOnce') + of('coldLossDay') * days),
      high: of(drank ? 'coldDrank' : 'coldGain') + of('coldFirstGain') * Math.max(0, winter.cooled.day - earlier),
    }
  }
  const age = animal.bornDay === null ? 9999 : to - animal.bornDay
  const who = age < 400 ? 'young' : 'adult'
  const high = of(`${who}GainOnce`) + of(`${who}GainDay`) * days
  const bred =
    animal.sex !== 'male' && Object.values(context.house.pairings).some(p => p.damId === animal.id && !p.ended)
  return { low: -(of('awakeLossOnce') + of('awakeLossDay') * days + (bred ? of('bredLoss') : 0)), high }
}

const nearestBefore = (weights: readonly Weighing[], day: number) => [...weights].reverse().find(w => w.day <= day)
const nearestAfter = (weights: readonly Weighing[], day: number) => weights.find(w => w.day > day)

function slipOf(ratio: number): string | null {
  const size = Math.max(ratio, 1 / ratio)
  return SLIPS.find(([factor]) => Math.abs(Math.log(size / factor)) < 0.18)?.[1] ?? null
}

/** Another animal close by whose weight this is much nearer to. */
function likelierAnimal(animal: AnimalState, massG: number, day: number, context: CheckContext): AnimalState | null {
  let best: { animal: AnimalState; off: number } | null = null
  for (const other of Object.values(context.house.animals)) {
    if (
      other.id === animal.id ||
      other.status !== 'alive' ||
      other.placeId === null ||
      other.placeId !== animal.placeId
    )
      continue
    const last = nearestBefore(other.weights, day)
    if (!last) continue
    const off = Math.abs(Math.log(massG / last.massG))
    if (off < 0.03 && (!best || off < best.off)) best = { animal: other, off }
  }
  return best?.animal ?? null
}

/**
 * What to ask before a weight is written that cannot well be true: compared with the weighings before and after it,
 * with the usual slips of units, and with the weights of the animals beside it.
 * @param massG the weight to be written, g
 * @returns the question in words, or null when the weight is believable or nothing is known to compare it with
 */
export function questionWeight(
  animal: AnimalState,
  massG: number,
  entry: Pick<DatedEntry, 'day' | 'source'>,
  context: CheckContext,
): string | null {
  if (entry.source === 'import' || entry.source === 'demo') return null
  const same = animal.weights.find(w => w.day === entry.day && w.massG === massG)
  if (same) return `${animal.tag} was weighed at ${massG} g on this day already. Write it a second time?`
  const before = nearestBefore(animal.weights, entry.day)
  const after = nearestAfter(animal.weights, entry.day)
  for (const known of [before, after]) {
    if (!known) continue
    const change = known === before ? Math.log(massG / known.massG) : Math.log(known.massG / massG)
    const { low, high } = possible(animal, known.day, entry.day, context)
    if (change >= low && change <= high) continue
    const ratio = massG / known.massG
    const days = Math.abs(entry.day - known.day)
    const told = `${animal.tag} weighed ${known.massG} g ${days === 0 ? 'on the same day' : `${days} ${days === 1 ? 'day' : 'days'} ${known === before ? 'before' : 'later'}`}; ${massG} g is ${ratio > 1 ? `${Math.round((ratio - 1) * 100)} % more` : `${Math.round((1 - ratio) * 100)} % less`} than can well be`
    const slip = slipOf(ratio)
    if (slip) return `${told}. Is it ${slip}?`
    const other = likelierAnimal(animal, massG, entry.day, context)
    if (other) return `${told}. It is near the last weight of ${other.tag}, beside it: is this ${other.tag}?`
    return `${told}. ${ratio > 1 ? 'Was the tub weighed with it?' : 'Was the scale set to zero, and is this the right animal?'}`
  }
  return null
}
