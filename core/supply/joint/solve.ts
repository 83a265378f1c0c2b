import type { Solution, SolveLp } from '../plan'
import { fullDays } from './limits'
import { JointProgramme, countedOf, eats, founded, misses, starts, within, type JointInput } from './programme'

/** A limit that holds the plan back, and what a little more of it would save. */
export interface Binding {
  limit: string
  /** Days (by index) on which all of it is taken, the first and the last. */
  from: number
  to: number
  /** Hungry meals and cost less with `more` of it. */
  hungry: number
  cost: number
}

/** Pieces that the plan takes of one feeder for one sort of eaters, by day. */
export interface Taking {
  eaters: number
  feeder: string
  /** In pieces of the usual prey. */
  row: Float64Array
}

/** The joint plan: units of the first days whole, later ones as if they could be divided. */
export interface JointPlan {
  takings: Taking[]
  /** Meals that nobody can be given. */
  hungry: number
  /** Units, and hungry meals and meals of stand-ins by their weight. */
  cost: number
  /** No plan costs less. */
  bound: number
  /** Units started of each feeder on each of its start days. */
  starts: Map<string, number[]>
  /** Of these, units for which founders must be bought. */
  bought: Map<string, number[]>
  /** Days whose starts are whole and proven to be within `GAP` of the best; 0 where the search was given up. */
  wholeDays: number
  binding: Binding[]
}

export class JointError extends Error {
  override name = 'JointError'
}

/** Starts of so many days are whole numbers at once, a culture day among them; later ones are planned anew by then. */
export const WHOLE_DAYS = 8
/** The plan of those days is proven to cost no more than this share above the best, hunger that no plan avoids left out. */
export const GAP = 0.019
const LONGEST_SECONDS = 5
/** Hungry meals below this are told as none. */
const NONE_HUNGRY = 0.05
/** Where meals could be hungry that need not be, the plan is proven to within the price of so many. */
const MOST_UNPROVEN = 0.5

/**
 * Least cost: hungry meals weigh most, then units, then meals of stand-ins, each by its weight; where several kinds are
 * given in turn also meals of one kind beyond its share. Solved with whole units in the first days (rolling horizon),
 * which the solver proves to be within `GAP` of the best, and where anyone is hungry without need, to within half a
 * hungry meal. Where that is not solved in time, the plan of units that can be divided is given, which bounds every plan
 * from below, and `wholeDays` says so.
 * @throws JointError when the solver finds no optimum of the divided plan
 */
export function solveJoint(input: JointInput, solve: SolveLp): JointPlan {
  const programme = new JointProgramme(input)
  let known: Solution | null = null
  const divided = (): Solution => {
    known ??= solve(programme.text())
    if (known.status !== 'Optimal') throw new JointError(`The joint plan could not be solved (${known.status}).`)
    return known
  }
  const whole = wholeOf(programme, divided, solve)
  const { columns, objective } = whole?.found ?? divided()
  const binding = bindingOf(input, columns, divided, programme, solve)
  return {
    hungry: hungryMeals(programme, columns),
    cost: objective,
    bound: Math.max(whole ? objective - whole.within : 0, (known as Solution | null)?.objective ?? 0),
    takings: takingsOf(programme, columns),
    starts: startsOf(input, columns, starts),
    bought: startsOf(input, columns, founded),
    wholeDays: whole ? WHOLE_DAYS : 0,
    binding,
  }
}

/**
 * The plan in whole units, and what it may cost above the best. Hunger that no plan avoids may be most of what it costs: a
 * share of that would be room to let others go hungry, so it is left out, and then the search goes on.
 * @returns null where none was found in time
 */
function wholeOf(
  programme: JointProgramme,
  divided: () => Solution,
  solve: SolveLp,
): { found: Solution; within: number } | null {
  const text = programme.text(programme.wholeStarts(WHOLE_DAYS))
  const found = solve(text, { gap: GAP, seconds: LONGEST_SECONDS })
  if (found.status !== 'Optimal') return null
  const first = { found, within: GAP * found.objective }
  const hungry = hungryMeals(programme, found.columns)
  if (hungry < NONE_HUNGRY) return first
  const { hungryCost } = programme.input
  const least = divided()
  const unavoidable = hungryMeals(programme, least.columns)
  const needless = hungry - unavoidable > MOST_UNPROVEN
  const share = GAP * Math.max(0, found.objective - hungryCost * unavoidable)
  const most = needless ? Math.min(share, hungryCost * MOST_UNPROVEN) : share
  if (found.objective - least.objective <= most) return first
  const closer = solve(text, { gap: 0, within: most, seconds: LONGEST_SECONDS })
  return closer.status === 'Optimal' ? { found: closer, within: most } : first
}

/**
 * Limits that leave no room for another unit, each with what `more` of it saves in the divided plan; those that a little
 * more of saves nothing are left out. Mostly nothing is full, and the divided plan is not asked for.
 */
function bindingOf(
  input: JointInput,
  columns: Solution['columns'],
  divided: () => Solution,
  programme: JointProgramme,
  solve: SolveLp,
): Binding[] {
  const planned = startsOf(input, columns, starts)
  const feeders = input.feeders.map(f => ({ ...countedOf(f), counts: planned.get(f.id)! }))
  return (input.limits ?? []).flatMap((limit, l): Binding[] => {
    const full = fullDays(limit, feeders)
    if (!full.length) return []
    const relaxed = divided()
    const free = Array.from(limit.free, n => n + limit.more)
    const wider = new JointProgramme({ ...input, limits: input.limits!.with(l, { ...limit, free }) })
    const found = solve(wider.text())
    if (found.status !== 'Optimal') return []
    const cost = relaxed.objective - found.objective
    const hungry = hungryMeals(programme, relaxed.columns) - hungryMeals(wider, found.columns)
    return cost > WORTH_TELLING ? [{ limit: limit.id, from: full[0]!, to: full.at(-1)!, hungry, cost }] : []
  })
}
/** In units: a tenth of a cup. */
const WORTH_TELLING = 0.1

const hungryMeals = ({ input, wanted }: JointProgramme, columns: Record<string, number>): number =>
  wanted.reduce((meals, { e, t }) => meals + input.eaters[e]!.mealsPerPiece * (columns[misses(e, t)] ?? 0), 0)

const startsOf = (
  { feeders }: JointInput,
  columns: Record<string, number>,
  named: (f: number, w: number) => string,
): Map<string, number[]> =>
  new Map(feeders.map((feeder, f) => [feeder.id, feeder.startDays.map((_, w) => columns[named(f, w)] ?? 0)]))

/** What is taken in a week is spread over its days as the need is. */
function takingsOf(programme: JointProgramme, columns: Record<string, number>): Taking[] {
  const { input, periods, wanted } = programme
  const takings = new Map<string, Taking>()
  const index = new Map(input.feeders.map((f, i) => [f.id, i]))
  for (const { e, t, need } of wanted) {
    const eaters = input.eaters[e]!
    const { from, to } = periods[t]!
    const open = Float64Array.from({ length: to }, (_, d) => (d < from ? 0 : eaters.need[d]!))
    const ways = [eaters.prey, ...eaters.standIns.map(s => s.feeder)]
      .map((feeder, a) => ({ feeder, a, eaten: columns[eats(e, a, t)] ?? 0 }))
      .filter(({ eaten }) => eaten >= 1e-6 * need)
      .map(way => ({ ...way, on: programme.neededFrom(index.get(way.feeder)!, open) }))
    // what is there on some days only is given on these first; the rest goes to what is there on all
    ways.sort((a, b) => within(a.on, periods[t]!) - within(b.on, periods[t]!) || a.a - b.a)
    for (const { feeder, a, eaten } of ways) {
      const key = `${e}_${a}`
      let taking = takings.get(key)
      if (!taking) takings.set(key, (taking = { eaters: e, feeder, row: new Float64Array(input.days) }))
      const there = programme.neededFrom(index.get(feeder)!, open)
      const all = within(there, periods[t]!)
      // two that share their days may want more of them than there is: then by the need
      const [row, sum] = all >= eaten * (1 - 1e-9) ? [there, all] : [eaters.need, need]
      for (let d = from; d < to; d++) {
        const taken = (row[d]! / sum) * eaten
        taking.row[d]! += taken
        open[d] = Math.max(0, open[d]! - taken)
      }
    }
  }
  return [...takings.values()]
}
