import { seedFrom, type Day } from '../../chance'
import {
  Fates,
  addSpares,
  findSpares,
  firstCoveredDay,
  planStarts,
  playThrough,
  runStock,
  yieldOf,
  type PlanInput,
  type PlannedStart,
  type Played,
  type SolveLp,
  type Spares,
} from '../../supply'
import type { FeederPlan, Gap, PlanJob, Replacing } from './contracts'
import { comingOf, keptOf, verbOf, type Kept } from './kept'
import { planReasons, type TogetherTold } from './reasons'
import { planTogether, sharing, startsOf, type Sharing, type Together } from './together'

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

/** The plan of one feeder of a group, in whole units. */
interface Whole {
  kept: Kept
  /** With the need that the group has of it, and all days on which units are started. */
  input: PlanInput
  counts: number[]
  /** Units that the school keeps in case one fails. */
  spares: number
  leastPossible: number
}

const added = (row: ArrayLike<number>, more: ArrayLike<number>) => Float64Array.from(row, (n, d) => n + more[d]!)
const sum = (row: Iterable<number>): number => {
  let all = 0
  for (const n of row) all += n
  return all
}

/** Whole units of one feeder: as the group was planned in the first weeks, and as they cover what is taken of it later. */
function wholeUnits(k: Kept, together: Together | null, job: PlanJob, solve: SolveLp): Whole {
  const startDays = together ? startsOf(k, job.almanac).startDays : [...k.input.startDays]
  const wanted = together?.wanted.get(k.key)
  const input = { ...k.input, startDays, ...(wanted && { need: wanted.slice(0, k.days) }) }
  const near = startDays.map((s, w) =>
    together && s < together.wholeDays ? Math.round(together.starts.get(k.key)![w]!) : 0,
  )
  // a trip today is made where the group gains by it
  const laterFrom = together ? Math.max(together.wholeDays, together.starts.get(k.key)![0]! > WORTH_A_TRIP ? 0 : 1) : 0
  const later = startDays.filter(s => s >= laterFrom || (k.input.startDays[0] === 0 && !together?.wholeDays))
  const plan = planStarts(
    { ...input, startDays: later, spare: null, running: added(input.running, yieldOf(input, near)) },
    solve,
  )
  const counts = startDays.map((s, w) => near[w]! + (plan.starts.find(x => x.day === job.today + s)?.count ?? 0))
  const needed = sum(counts)
  // spares come on culture days
  const onDays = startDays.flatMap((s, w) => (k.input.startDays.includes(s) ? [w] : []))
  const kept = onDays.map(w => counts[w]!)
  addSpares({ ...input, startDays: k.input.startDays }, kept)
  onDays.forEach((w, i) => {
    counts[w] = kept[i]!
  })
  return {
    kept: k,
    input,
    counts,
    spares: sum(counts) - needed,
    leastPossible: sum(near) + plan.leastPossible,
  }
}
const WORTH_A_TRIP = 0.01

const listed = ({ input, counts }: Pick<Whole, 'input' | 'counts'>): PlannedStart[] =>
  counts.flatMap((count, w) => (count ? [{ day: input.from + input.startDays[w]!, count }] : []))

/** Days for which the next culture day and what it brings are waited for. */
const RESERVE_DAYS = 7

/** Pieces that must stay on each day so that those of the next week are fed, as expected. */
function reserveOf({ need, running, from }: PlanInput, starts: readonly PlannedStart[], perUnit: PlanInput['perUnit']) {
  const comes = Float64Array.from(running)
  for (const { day, count } of starts)
    for (let d = day - from; d < comes.length; d++) comes[d]! += count * (perUnit[d - (day - from)] ?? 0)
  return Float64Array.from(need, (_, d) => {
    let short = 0
    let most = 0
    for (let k = d + 1; k <= d + RESERVE_DAYS && k < comes.length; k++) {
      short += need[k]! - comes[k]!
      most = Math.max(most, short)
    }
    return most
  })
}

/** Every second scenario is kept back: spares are chosen by the others, and checked on these. */
const halves = (count: number): { chosen: number[]; fresh: number[] } => {
  const all = Array.from({ length: count }, (_, s) => s)
  return { chosen: all.filter(s => s % 2 === 0), fresh: all.filter(s => s % 2 === 1) }
}

/** Plays the plans of a group through with given starts. */
function player(wholes: readonly Whole[], eaters: readonly Sharing[], together: Together | null, job: PlanJob) {
  const menus = eaters.map((e, i) => ({
    ...e,
    planned: new Map(together?.takings.flatMap(t => (t.eaters === i ? [[t.feeder, t.row] as const] : []))),
  }))
  const width = Math.max(...job.looks.map(l => l.high.length))
  const days = Math.max(...wholes.map(w => w.kept.days))
  const coming = wholes.map(({ kept }) => comingOf({ ...kept, days }, job))
  return (starts: ReadonlyMap<string, readonly PlannedStart[]>, scenarios: readonly number[], times = 1): Played =>
    playThrough({
      days,
      width,
      scenarios,
      times,
      need: prey => job.scenarios.need[prey]!,
      eaters: menus,
      feeders: wholes.map(({ kept, input }, i) => ({
        id: kept.key,
        days: kept.days,
        stock: kept.look.stock,
        keptPerDay: input.keptPerDay,
        countFrom: Math.min(kept.countFrom, firstCoveredDay(input)),
        reserve: reserveOf(input, starts.get(kept.key) ?? [], input.perUnit),
        fates: new Fates(job.today, days, { ...coming[i]!, starts: starts.get(kept.key) ?? [] }, seedFrom(kept.key)),
      })),
    })
}

/** Each scenario of need is played with so many lucks of the cultures. */
const TIMES = 3

/** What stands for a prey, in stretches of days. */
function replacingsOf(together: Together | null, prey: string, today: Day): Replacing[] {
  const found: Replacing[] = []
  for (const { eaters, feeder, row } of together?.takings ?? []) {
    const { prey: usual, standIns } = together!.eaters[eaters]!
    const standIn = standIns.find(s => s.feeder === feeder)
    if (usual !== prey || !standIn || standIn.of === prey) continue
    const { pieces, of } = standIn
    row.forEach((taken, d) => {
      if (taken < 0.05) return
      const last = found.findLast(r => r.prey === of)
      if (last && today + d - last.to <= 7) {
        last.to = Math.max(last.to, today + d)
        last.pieces += taken * pieces
        last.for += taken
      } else found.push({ prey: of, from: today + d, to: today + d, pieces: taken * pieces, for: taken })
    })
  }
  return found.filter(r => r.for >= 0.5).sort((a, b) => a.from - b.from)
}

/**
 * What to start or order of each prey of a group. Those that may stand for one another are planned together, which says
 * who is given what, what is started in the next days, and what no plan can do better; later starts are planned in whole
 * units feeder by feeder. Where an aim of safe seasons is set, spares are added until it is reached.
 */
export function planGroup(job: PlanJob, solve: SolveLp): FeederPlan[] {
  const kept = keptOf(job)
  const together = kept.length > 1 ? planTogether(kept, job, solve) : null
  const eaters = together?.eaters ?? sharing(kept, job)
  const wholes = kept.map(k => wholeUnits(k, together, job, solve))
  const { starts, spares, played, runs } = madeSafe(wholes, eaters, together, job)
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

type Starts = ReadonlyMap<string, readonly PlannedStart[]>

interface Told {
  together: TogetherTold | null
  spares: Spares | null
  played: Played
  runs: number
}

/** The plan with the spares that the aim of the house asks for, played through. */
function madeSafe(
  wholes: readonly Whole[],
  eaters: readonly Sharing[],
  together: Together | null,
  job: PlanJob,
): { starts: Starts; spares: Spares | null; played: Played; runs: number } {
  const play = player(wholes, eaters, together, job)
  const planned = new Map(wholes.map(w => [w.kept.key, listed(w)]))
  if (job.safe === null) {
    const all = Array.from({ length: job.scenarios.count }, (_, s) => s)
    return { starts: planned, spares: null, played: play(planned, all), runs: all.length }
  }
  const { chosen, fresh } = halves(job.scenarios.count)
  const search = (target: number) =>
    findSpares(
      {
        from: job.today,
        feeders: wholes.map(({ kept: k, input }) => ({
          id: k.key,
          perUnit: input.perUnit,
          keptPerDay: input.keptPerDay,
          startDays: k.input.startDays,
        })),
        standInsOf: prey => eaters.filter(e => e.prey === prey).flatMap(e => e.standIns.map(s => s.feeder)),
        target,
        play: starts => play(starts, chosen, TIMES),
      },
      planned,
    )
  const aim = 1 - job.safe
  let target = aim
  let spares = search(target)
  let played = play(spares.starts, fresh, TIMES)
  // what was chosen by some seasons does a little worse in others: it is aimed higher until those agree
  for (let round = 1; round < ROUNDS && played.chance > aim && spares.bound === null; round++) {
    target *= Math.max(0.3, aim / played.chance)
    spares = search(target)
    played = play(spares.starts, fresh, TIMES)
  }
  return { starts: spares.starts, spares, played, runs: fresh.length * TIMES }
}
const ROUNDS = 3

/** Stock and what is missing of one feeder, with these starts. */
function runningOut({ input }: Whole, starts: readonly PlannedStart[]) {
  const counts = input.startDays.map(s => starts.find(x => x.day === input.from + s)?.count ?? 0)
  return runStock(input, yieldOf(input, counts))
}

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
  const missing = all('missing').map((m, d) => {
    const short = m + (unmet?.[d] ?? 0)
    // what is ordered only for the next weeks is ordered later when its time comes
    if (order && d >= order.kept.days) return 0
    return short < Math.max(0.01, 1e-3 * (k.look.high[d] ?? 0)) ? 0 : short
  })
  const hunger = told.played.byPrey.get(prey) ?? { chance: 0, byDay: new Float64Array(k.days) }
  const byDay = Array.from(hunger.byDay.slice(0, k.days))
  const shortDays = sum(byDay)
  const units = sum(own.map(s => s.count))
  const { spares } = told
  const ofAim = spares ? (spares.units.get(k.key) ?? 0) + ((order && spares.units.get(order.kept.key)) ?? 0) : 0
  return {
    prey,
    kind: k.supply.kind,
    verb: verbOf(k.supply),
    unit: k.supply.unit,
    days: k.days,
    starts: [...own],
    orders: ordered.map(({ day, count }) => {
      const { supply } = order!.kept
      return { day, count, unit: supply.unit, pieces: supply.kind === 'bought' ? supply.packCount.value : null }
    }),
    bareStock: Array.from(bare.stock),
    bareMissing: Array.from(bare.missing),
    stock: all('stock'),
    missing,
    gaps: gapsOf(missing, job.today),
    units,
    leastPossible,
    spares: usual.spares + ofAim,
    standIns: replacingsOf(together, prey, job.today),
    runOutChance: hunger.chance,
    shortDays,
    runOutByDay: byDay,
    reasons: planReasons(k, { units, leastPossible }, job, {
      together: told.together,
      played: { runs: told.runs, chance: hunger.chance, shortDays, days: k.days - k.countFrom },
      safety: spares && {
        wanted: job.settings.safeSeasons!,
        ofGroup: job.safe!,
        spares: ofAim,
        chosen: 1 - spares.chance,
        fresh: 1 - told.played.chance,
        bound: spares.bound && job.almanac.feeders[spares.bound]!.many,
      },
    }),
  }
}
