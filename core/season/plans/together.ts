import type { Almanac } from '../../almanac'
import {
  leastStarts,
  solveJoint,
  type Eaters,
  type JointFeeder,
  type JointInput,
  type JointPlan,
  type Limit,
  type SolveLp,
  type Alternative,
} from '../../supply'
import type { EatersNeed } from '../contracts'
import type { PlanJob } from './contracts'
import { standInsFor } from './groups'
import { isGrown, mayStart, type Kept } from './kept'

/** Mouths of one prey that may be given the same in its place: their part of its need, day by day. */
export interface Sharing extends Eaters {
  share: Float64Array
}

/** What one may be given in place of a prey: the same by order first, then what stands for it, each also by order. */
function waysInPlace(
  prey: string,
  e: Pick<EatersNeed, 'never'>,
  kept: readonly Kept[],
  almanac: PlanJob['almanac'],
): Alternative[] {
  const ofPrey = (id: string, byOrder: boolean) => kept.filter(k => k.look.prey === id && k.byOrder === byOrder)
  return [
    ...ofPrey(prey, true).map(k => ({ feeder: k.key, of: prey, pieces: 1, mostShare: 1, weight: 0 })),
    ...standInsFor(prey, e, almanac).flatMap(({ prey: other, pieces, mostShare }) =>
      // what may stand for a small part only is the dearer
      [...ofPrey(other, false), ...ofPrey(other, true)].map(k => ({
        feeder: k.key,
        of: other,
        pieces,
        mostShare,
        weight: 1 / mostShare,
      })),
    ),
  ]
}

/**
 * Other kinds are worth no trip of their own: they are asked for from the first day on which as many as make up a whole
 * are there that were got on culture days.
 */
function turnsFrom(prey: string, standIns: readonly Alternative[], mostOfOne: number, kept: readonly Kept[]): number {
  const from = new Map<string, number>()
  for (const { feeder, of } of standIns) {
    if (of === prey) continue
    const { countFrom } = kept.find(k => k.key === feeder)!
    from.set(of, Math.min(from.get(of) ?? Infinity, countFrom))
  }
  const others = Math.ceil(1 / mostOfOne) - 1
  return (
    [...from.values()]
      .sort((a, b) => a - b)
      .slice(0, others)
      .at(-1) ?? Infinity
  )
}

/** The need of a prey, parted among those who eat it as their mean needs are. */
export function sharing(kept: readonly Kept[], { eaters, almanac }: PlanJob): Sharing[] {
  return kept.flatMap(({ look, days, byOrder }) => {
    const list = byOrder ? [] : (eaters[look.prey] ?? []).filter(e => e.pieces > 0)
    const whole = list.reduce((n, e) => n + e.pieces, 0)
    return list.map((e): Sharing => {
      const standIns = waysInPlace(look.prey, e, kept, almanac)
      const share = Float64Array.from({ length: look.high.length }, (_, d) => {
        if (d >= days) return 0
        const all = list.reduce((n, other) => n + other.mean[d]!, 0)
        return all > 0 ? e.mean[d]! / all : e.pieces / whole
      })
      return {
        prey: look.prey,
        share,
        need: share.map((part, d) => part * look.high[d]!),
        mealsPerPiece: e.meals / e.pieces,
        ...(e.leastOwn > 0 && { leastOwn: e.leastOwn }),
        ...(e.mostOfOne < 1 && {
          turns: { mostOfOne: e.mostOfOne, from: turnsFrom(look.prey, standIns, e.mostOfOne, kept) },
        }),
        standIns,
      }
    })
  })
}

/** What one unit weighs. */
function weightOf({ byOrder, look }: Kept, { almanac, weights }: Pick<PlanJob, 'almanac' | 'weights'>): number {
  const weight = weights?.[look.prey]?.[byOrder ? 'byOrder' : 'usual']
  return weight?.units ?? (byOrder ? almanac.common.otherWayCost!.value : 1)
}

/** Where units weigh by what they cost, hunger weighs as so many of the dearest: money is never saved by it. */
const dearest = (kept: readonly Kept[], job: PlanJob): number =>
  job.weights ? Math.max(1, ...kept.map(k => weightOf(k, job))) : 1

/** Today is a day to start or order too, at a price. */
export function startsOf(
  k: Kept,
  { almanac, trial, today, weights }: Pick<PlanJob, 'almanac' | 'trial' | 'today' | 'weights'>,
): Pick<JointFeeder, 'startDays' | 'costs' | 'least' | 'fixed'> {
  const { input, supply } = k
  const { common } = almanac
  const usual = weightOf(k, { almanac, weights })
  const { startDays } = input
  const fixed = input.decided && startDays.map(d => input.decided!.get(d) ?? null)
  const onDays = {
    startDays: [...startDays],
    costs: startDays.map(() => usual),
    least: leastStarts(input),
    ...(fixed && { fixed }),
  }
  if (startDays[0] === 0 || !mayStart(supply, today, { trial })) return onDays
  return {
    startDays: [0, ...onDays.startDays],
    costs: [usual * common.extraTripCost!.value, ...onDays.costs],
    least: [0, ...onDays.least],
    ...(fixed && { fixed: [null, ...fixed] }),
  }
}

/** What one counts on of a new unit: nothing before the age at which it is expected to give half of its best day. */
function countedOn(perUnit: ArrayLike<number>): Float64Array {
  const row = Float64Array.from(perUnit)
  const half = row.reduce((a, b) => Math.max(a, b), 0) / 2
  return row.fill(
    0,
    0,
    Math.max(
      0,
      row.findIndex(y => y >= half),
    ),
  )
}

/** A culture of the house is founded from its own kind, of what is fed off; what is ordered brings its own. */
export function foundersOf(
  { feeder, supply }: Pick<Kept, 'feeder' | 'supply'>,
  { common }: Pick<Almanac, 'common'>,
): { pieces: number; bought: number } | null {
  if (!feeder.recipe || feeder.recipe.foundersGrown || !isGrown(supply)) return null
  return { pieces: feeder.recipe.founders.value, bought: common.starterCost!.value }
}

/** Days planned together: the longest wait for a colony. Beyond them each prey is planned by itself. */
const JOINT_DAYS = 182

export function jointInput(
  kept: readonly Kept[],
  eaters: readonly Sharing[],
  job: PlanJob,
  limits: readonly Limit[] = [],
): JointInput {
  const { almanac } = job
  return {
    days: Math.min(JOINT_DAYS, Math.max(...kept.map(k => k.days))),
    hungryCost: almanac.common.hungryCost!.value * dearest(kept, job),
    standInCost: almanac.common.standInCost!.value,
    sameKindCost: almanac.common.sameKindCost!.value,
    eaters,
    ...(limits.length && { limits }),
    feeders: kept.map(k => {
      const { stock, keptPerDay, lasts, running, comesLater } = k.input
      const perUnit = countedOn(k.input.perUnit)
      const founders = foundersOf(k, almanac)
      return {
        ...{ id: k.key, stock, keptPerDay, running, perUnit, days: k.days },
        ...(lasts && { lasts }),
        ...(comesLater && { comesLater }),
        ...startsOf(k, job),
        ...(founders && { founders }),
      }
    }),
  }
}

/** The plan of a group together: who is given what, and what no plan can do better. */
export interface Together extends JointPlan {
  eaters: readonly Sharing[]
  /** Pieces taken of each feeder on each day, by its own eaters and others. */
  wanted: Map<string, Float64Array>
  /** Pieces of each prey that neither it nor anything else can give any more. */
  unmet: Map<string, Float64Array>
}

export function planTogether(kept: readonly Kept[], limits: readonly Limit[], job: PlanJob, solve: SolveLp): Together {
  const eaters = sharing(kept, job)
  const input = jointInput(kept, eaters, job, limits)
  const plan = solveJoint(input, solve)
  const rows = () => new Map(kept.map(k => [k.key, new Float64Array(Math.max(...kept.map(k => k.days)))]))
  const [wanted, unmet] = [rows(), rows()]
  for (const { prey, need } of eaters)
    for (let d = 0; d < need.length; d++) (d < input.days ? unmet : wanted).get(prey)![d]! += need[d]!
  for (const { eaters: e, feeder, row } of plan.takings) {
    const { prey, standIns } = eaters[e]!
    const pieces = feeder === prey ? 1 : standIns.find(s => s.feeder === feeder)!.pieces
    row.forEach((taken, d) => {
      wanted.get(feeder)![d]! += taken * pieces
      unmet.get(prey)![d]! = Math.max(0, unmet.get(prey)![d]! - taken)
    })
  }
  // what founds further cultures is taken off too
  for (const k of kept) {
    const founders = foundersOf(k, job.almanac)
    if (!founders) continue
    const { startDays } = startsOf(k, job)
    const own = plan.starts.get(k.key)!.map((n, w) => n - plan.bought.get(k.key)![w]!)
    startDays.forEach((s, w) => {
      wanted.get(k.key)![s]! += founders.pieces * own[w]!
    })
  }
  return { ...plan, eaters, wanted, unmet }
}
