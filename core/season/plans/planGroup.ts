import { unitName } from '../../almanac'
import type { Day } from '../../chance'
import {
  DAY_BY_DAY,
  fitted,
  runStock,
  type Limit,
  type PlannedStart,
  type Played,
  type SolveLp,
  type Spares,
} from '../../supply'
import type { FeederPlan, Gap, Held, OneMore, PlanJob, Replacing } from './contracts'
import { keptOf, verbOf } from './kept'
import { heldBy, limitsOf } from './limits'
import { planReasons, type TogetherTold } from './reasons'
import { madeSafe } from './safety'
import { planTogether, sharing, type Together } from './together'
import { comingWith, sum, wholeUnits, type Starts, type Whole } from './whole'

function gapsOf(missing: ArrayLike<number>, today: Day): Gap[] {
  const gaps: Gap[] = []
  for (let t = 0; t < missing.length; t++) {
    if (!(missing[t]! > 0)) continue
    const last = gaps.at(-1)
    // pulses of one week belong together
    if (last && today + t - last.to <= 7) {
      last.to = today + t
      last.missing += missing[t]!
    } else gaps.push({ from: today + t, to: today + t, missing: missing[t]! })
  }
  return gaps
}

/** What stands for a prey, in stretches of days. */
function replacingsOf(together: Together | null, prey: string, today: Day): Replacing[] {
  const found: Replacing[] = []
  for (const { eaters, feeder, row } of together?.takings ?? []) {
    const { prey: usual, standIns, turns } = together!.eaters[eaters]!
    const inTurn = turns !== undefined
    const standIn = standIns.find(s => s.feeder === feeder)
    if (usual !== prey || !standIn || standIn.of === prey) continue
    const { pieces, of } = standIn
    row.forEach((taken, d) => {
      if (taken < 0.05) return
      const last = found.findLast(r => r.prey === of && (r.inTurn ?? false) === inTurn)
      // what is given in turn is given all the time
      if (last && (inTurn || today + d - last.to <= 7)) {
        last.to = Math.max(last.to, today + d)
        last.pieces += taken * pieces
        last.for += taken
      } else
        found.push({
          prey: of,
          from: today + d,
          to: today + d,
          pieces: taken * pieces,
          for: taken,
          ...(inTurn && { inTurn }),
        })
    })
  }
  return found.filter(r => r.for >= 0.5).sort((a, b) => a.from - b.from)
}

/** Later starts are made whole feeder by feeder: together they may be more than there is room or time for. */
function within(limits: readonly Limit[], wholes: readonly Whole[], together: Together | null): readonly Whole[] {
  if (!limits.length) return wholes
  const counts = fitted(
    limits,
    wholes.map(({ kept: { key }, input, counts, forced }) => ({
      ...{ id: key, startDays: input.startDays, counts, forced },
      wished: together?.starts.get(key) ?? counts,
    })),
  )
  return wholes.map(whole => {
    const left = counts.get(whole.kept.key)!
    return { ...whole, counts: left, spares: Math.max(0, whole.spares - (sum(whole.counts) - sum(left))) }
  })
}

interface Told {
  together: Omit<TogetherTold, 'held'> | null
  spares: Spares | null
  played: Played
  runs: number
  oneMore: ReadonlyMap<string, OneMore>
  heldBy: (prey: string) => Held[]
}

/**
 * What to start or order of each prey of a group. Those that may stand for one another are planned together, which says
 * who is given what, what is started in the next days, and what no plan can do better; later starts are planned in whole
 * units feeder by feeder. Where an aim of safe seasons is set, spares are added until it is reached.
 */
export function planGroup(job: PlanJob, solve: SolveLp): FeederPlan[] {
  const kept = keptOf(job)
  const limits = limitsOf(kept, job)
  const together = kept.length > 1 || limits.length ? planTogether(kept, limits, job, solve) : null
  const eaters = together?.eaters ?? sharing(kept, job)
  const wholes = within(
    limits,
    kept.map(k => wholeUnits(k, together, job, solve)),
    together,
  )
  const { starts, spares, played, runs, oneMore } = madeSafe(wholes, eaters, together, limits, job, solve)
  const told: Told = {
    together: together && {
      names: [...new Set(kept.map(k => k.feeder.name))],
      cost: together.cost,
      bound: together.bound,
      hungry: together.hungry,
      wholeDays: together.wholeDays,
    },
    spares,
    played,
    runs,
    oneMore,
    heldBy: prey => heldBy(prey, limits, together?.binding ?? [], job),
  }
  const byPrey = new Map<string, { usual: Whole; order: Whole | undefined }>()
  for (const whole of wholes.filter(w => !w.kept.byOrder))
    byPrey.set(whole.kept.look.prey, {
      usual: whole,
      order: wholes.find(w => w.kept.byOrder && w.kept.look.prey === whole.kept.look.prey),
    })
  return [...byPrey.values()].flatMap(({ usual, order }) => {
    const plan = planOf(usual, order, starts, together, told, job)
    // one that nobody keeps is told only where it is to be ordered
    return job.others.includes(plan.prey) && !plan.starts.length ? [] : [plan]
  })
}

/** Stock and what is missing of one feeder, with these starts. */
const runningOut = ({ input }: Whole, starts: readonly PlannedStart[]) => runStock(input, comingWith(input, starts))

/** What is told of one prey: how it is usually got, and what of it is ordered all the same. */
function planOf(
  usual: Whole,
  order: Whole | undefined,
  starts: Starts,
  together: Together | null,
  told: Told,
  job: PlanJob,
): FeederPlan {
  const { kept: k, leastPossible } = usual
  const { prey } = k.look
  const own = starts.get(k.key) ?? []
  const ordered = (order && starts.get(order.kept.key)) ?? []
  const bare = runStock(k.input, new Float64Array(k.days))
  const rows = [runningOut(usual, own), ...(order ? [runningOut(order, ordered)] : [])]
  const all = (of: 'stock' | 'missing') => Array.from({ length: k.days }, (_, d) => sum(rows.map(r => r[of][d] ?? 0)))
  const unmet = together?.unmet.get(prey)
  const hunger = told.played.byPrey.get(prey) ?? { chance: 0, byDay: new Float64Array(k.days) }
  const byDay = Array.from(hunger.byDay.slice(0, k.days))
  // what is short of the need that is covered, is short in as many seasons as that leaves uncovered
  const seldom = 1 - job.settings.coverQuantile
  const missing = all('missing').map((m, d) => {
    const short = m + (unmet?.[d] ?? 0)
    // what is ordered only for the next weeks is ordered later when its time comes
    if (order && d >= order.kept.days) return 0
    // within a later week it is not planned yet who is given what stands in: the plan that was played through knows
    if (together && d >= DAY_BY_DAY && (byDay[d] ?? 0) < seldom) return 0
    return short < Math.max(0.01, 1e-3 * (k.look.high[d] ?? 0)) ? 0 : short
  })
  const shortDays = sum(byDay)
  const units = sum(own.map(s => s.count))
  const { spares } = told
  const held = told.heldBy(prey)
  const oneMore = told.oneMore.get(prey) ?? null
  const ofAim = spares ? (spares.units.get(k.key) ?? 0) + ((order && spares.units.get(order.kept.key)) ?? 0) : 0
  return {
    prey,
    kind: k.supply.kind,
    verb: verbOf(k.supply),
    unit: unitName(k.supply),
    days: k.days,
    starts: [...own],
    decided: job.decided[prey] ?? [],
    orders: ordered.map(({ day, count }) => {
      const { supply } = order!.kept
      return { day, count, unit: unitName(supply), pieces: supply.kind === 'bought' ? supply.packCount.value : null }
    }),
    bareStock: Array.from(bare.stock),
    bareMissing: Array.from(bare.missing),
    stock: all('stock'),
    missing,
    gaps: gapsOf(missing, job.today),
    held,
    units,
    leastPossible,
    spares: usual.spares + ofAim,
    standIns: replacingsOf(together, prey, job.today),
    runOutChance: hunger.chance,
    oneMore,
    shortDays,
    runOutByDay: byDay,
    reasons: planReasons(k, { units, leastPossible }, job, {
      together: told.together && { ...told.together, held },
      played: { runs: told.runs, chance: hunger.chance, shortDays, days: k.days - k.countFrom, oneMore },
      safety: spares && {
        wanted: job.settings.safeSeasons!,
        ofGroup: job.safe!,
        spares: ofAim,
        chosen: 1 - spares.chance,
        fresh: 1 - told.played.chance,
        fewest: spares.fewest,
        bound: spares.bound && job.almanac.feeders[spares.bound]!.many,
      },
    }),
  }
}
