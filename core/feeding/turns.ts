import { feederOf, schoolChoice, standingIn, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import { computedInput, factInput, type Judgement } from '../judgement'
import type { Meal } from '../subjects'
import { upperFirst } from '../units'
import { leastOwn } from './leastOwn'
import type { Portion } from './mealFindings'

/**
 * Most of what a species eats that is to be of one kind, 0..1: 1 for who does not live on insects, and where the school
 * gives one prey as long as there is enough of it.
 */
export function mostOfKind(
  almanac: Pick<Almanac, 'schools'>,
  schools: Readonly<Record<string, string>>,
  species: Pick<Species, 'id' | 'eats'>,
): number {
  return species.eats === 'insects' ? (schoolChoice(almanac, schools, 'preyVariety', species.id).fact?.value ?? 1) : 1
}

/** A kind that may be given in its turn. */
interface Kind {
  prey: string
  /** Pieces of it for one piece of the usual prey. */
  pieces: number
  /** The part of what is eaten that it is to have. */
  part: number
}

/**
 * The kinds that are given in turn for a prey, the usual one first, each with its part: none more than `mostOfOne`, but
 * for the usual one where more of it must be; none more than it may stand for, and no further ones than are needed to
 * make up a whole.
 * @param isThere whether there are so many pieces of a kind beyond what its own eaters want
 */
export function kindsInTurn(
  almanac: Pick<Almanac, 'feeders'>,
  { prey, count }: Portion,
  { never = [], ladder }: Pick<Species, 'never' | 'ladder'>,
  mostOfOne: number,
  isThere: (prey: string, count: number) => boolean,
): Kind[] {
  // so much of it is to be the prey itself
  const most = Math.max(mostOfOne, leastOwn({ ladder }, prey))
  const kinds: Kind[] = [{ prey, pieces: 1, part: most }]
  let open = 1 - most
  for (const { feeder, mostShare, pieces } of standingIn(feederOf(almanac, prey), almanac.feeders, never)) {
    if (open <= 0) break
    if (!isThere(feeder.id, piecesOf(count, pieces))) continue
    const part = Math.min(mostOfOne, mostShare, open)
    kinds.push({ prey: feeder.id, pieces, part })
    open -= part
  }
  return kinds
}

const piecesOf = (count: number, pieces: number): number => Math.max(1, Math.round(count * pieces))

/**
 * Whose turn it is: the kind that after this meal would have had least for its part (seats by the largest quotient, as
 * D'Hondt gives them; common practice in sharing out, not in feeding). Of those alike the one named first.
 * @param eatenG grams of each kind eaten lately
 * @param mealG grams of this meal
 */
export function whoseTurn<K extends Pick<Kind, 'prey' | 'part'>>(
  kinds: readonly K[],
  eatenG: (prey: string) => number,
  mealG: number,
): K {
  const had = (kind: K) => (eatenG(kind.prey) + mealG) / kind.part
  return kinds.reduce((best, kind) => (had(kind) < had(best) - 1e-9 ? kind : best))
}

/**
 * A meal of which each prey is given in turn with what may stand for it, by what was eaten lately.
 * @param isThere whether there are so many pieces of a kind beyond what its own eaters want
 * @returns null where one prey is given as long as there is enough of it
 */
export function preyInTurn(
  almanac: Almanac,
  { schools }: { schools: Readonly<Record<string, string>> },
  species: Species,
  meals: readonly Pick<Meal, 'day' | 'prey' | 'taken'>[],
  portions: readonly Portion[],
  today: Day,
  isThere: (prey: string, count: number) => boolean,
): Judgement<Portion[]> | null {
  const most = mostOfKind(almanac, schools, species)
  if (most >= 1) return null
  const { turnDays } = almanac.common
  const massG = ({ prey, count }: Portion) => count * (almanac.feeders[prey]?.massG.likely ?? 0)
  const eaten = new Map<string, number>()
  for (const { day, prey, taken } of meals)
    if (day > today - turnDays!.value && day <= today)
      eaten.set(prey, (eaten.get(prey) ?? 0) + massG({ prey, count: taken }))
  const all = [...eaten.values()].reduce((a, b) => a + b, 0)
  const before = new Map(eaten)
  const whole = portions.reduce((g, p) => g + massG(p), 0)
  const given: Portion[] = []
  const told = new Set<string>()
  for (const portion of portions) {
    const mealG = massG(portion)
    // a meal of several kinds has turns in it already
    const mostHere = Math.min(1, most / (mealG / whole))
    const kinds = kindsInTurn(almanac, portion, species, mostHere, isThere)
    const { prey, pieces } = whoseTurn(kinds, id => eaten.get(id) ?? 0, mealG)
    for (const kind of kinds) told.add(kind.prey)
    const count = prey === portion.prey ? portion.count : piecesOf(portion.count, pieces)
    const same = given.find(p => p.prey === prey)
    if (same) same.count += count
    else given.push({ prey, count })
    // the next part of this meal knows of it
    eaten.set(prey, (eaten.get(prey) ?? 0) + mealG)
  }
  const school = schoolChoice(almanac, schools, 'preyVariety', species.id)
  return {
    value: given,
    reasons: [
      {
        rule:
          told.size > portions.length
            ? `Several kinds in turn, by weight: this one had least for its part in ${turnDays!.value} days`
            : 'Several kinds in turn, but nothing else that may stand for it is there beyond what its own eaters want',
        inputs: [
          factInput('Of one kind at most', 'schools.preyVariety', school.fact!),
          factInput('Looked back', 'common.turnDays.value', turnDays!),
          ...[...told].map(id =>
            computedInput(
              `${upperFirst(feederOf(almanac, id).many)} eaten`,
              all ? `${Math.round((100 * (before.get(id) ?? 0)) / all)} % of it` : 'none yet',
            ),
          ),
        ],
        change: 'Another meal, a count of what is there, or the other school',
      },
    ],
  }
}
