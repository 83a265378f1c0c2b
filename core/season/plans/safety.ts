import { seedFrom } from '../../chance'
import {
  Fates,
  beyondOn,
  fits,
  firstCoveredDay,
  playThrough,
  sparesFinder,
  type Lack,
  type Limit,
  type PlanInput,
  type PlannedStart,
  type Played,
  type PlayedFeeder,
  type SampleInput,
  type SolveLp,
  type Spares,
} from '../../supply'
import type { OneMore, PlanJob } from './contracts'
import { agesOf, comingOf } from './kept'
import { limitTold } from './limits'
import { oneMoreOf } from './oneMore'
import type { Sharing, Together } from './together'
import { comingWith, listed, type Starts, type Whole } from './whole'

/** Days for which the next culture day and what it brings are waited for. */
const RESERVE_DAYS = 7

/** Pieces that must stay on each day so that those of the next week are fed, as expected. */
function reserveOf(input: PlanInput, starts: readonly PlannedStart[]): Float64Array {
  const { need, running } = input
  const comes = comingWith(input, starts).map((n, d) => n + running[d]!)
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
    inTurn: e.turns !== undefined,
    planned: new Map(together?.takings.flatMap(t => (t.eaters === i ? [[t.feeder, t.row] as const] : []))),
  }))
  const width = Math.max(...job.looks.map(l => l.high.length))
  const days = Math.max(...wholes.map(w => w.kept.days))
  const coming = wholes.map(({ kept }) => comingOf({ ...kept, days }, job))
  const ages = wholes.map(({ kept }) => agesOf(kept, job))
  const nothing: readonly PlannedStart[] = []
  /** A spare more changes one feeder: the others come as they were drawn. */
  const known = wholes.map(() => new WeakMap<readonly PlannedStart[], PlayedFeeder>())
  const played = (i: number, starts: readonly PlannedStart[]): PlayedFeeder => {
    const { kept, input } = wholes[i]!
    const before = known[i]!.get(starts)
    if (before) return before
    const feeder: PlayedFeeder = {
      id: kept.key,
      days: kept.days,
      stock: kept.look.stock,
      keptPerDay: input.keptPerDay,
      ages: ages[i],
      countFrom: Math.min(kept.countFrom, firstCoveredDay(input)),
      reserve: reserveOf(input, starts),
      fates: onceEach(new Fates(job.today, days, { ...coming[i]!, starts }, seedFrom(kept.key))),
    }
    known[i]!.set(starts, feeder)
    return feeder
  }
  const play = (starts: Starts, scenarios: readonly number[], times = 1, tell?: (lack: Lack) => void): Played =>
    playThrough({
      tell,
      days,
      width,
      hungryShare: job.almanac.common.hungryShare!.value,
      scenarios,
      times,
      need: prey => job.scenarios.need[prey]!,
      eaters: menus,
      feeders: wholes.map(({ kept }, i) => played(i, starts.get(kept.key) ?? nothing)),
    })
  const indexOf = new Map(wholes.map(({ kept }, i) => [kept.key, i]))
  const comes: SampleInput['comes'] = (id, starts, run) => played(indexOf.get(id)!, starts).fates.draw(run)
  return { play, comes }
}

/** The same draws, each drawn once. */
function onceEach(fates: Fates): Pick<Fates, 'draw'> {
  const drawn = new Map<number, Float64Array>()
  return {
    draw: scenario => {
      let row = drawn.get(scenario)
      if (!row) drawn.set(scenario, (row = fates.draw(scenario)))
      return row
    },
  }
}

/** Numbers of all feeders on all days, with these starts. */
const countedWith = (wholes: readonly Whole[], starts: Starts) =>
  wholes.map(whole => {
    const { kept, input, counts } = whole
    const list = starts.get(kept.key) ?? []
    const days = input.startDays.map(s => list.find(x => x.day === input.from + s)?.count ?? 0)
    // what stands in the plan already is not asked about again
    return { id: kept.key, startDays: input.startDays, counts: days, forced: counts }
  })

/** Each scenario of need is played with so many lucks of the cultures where spares are chosen, and where they are checked. */
const TIMES = 3
const CHECKED_TIMES = 8

/** The plan with the spares that the aim of the house asks for, played through. */
export function madeSafe(
  wholes: readonly Whole[],
  eaters: readonly Sharing[],
  together: Together | null,
  limits: readonly Limit[],
  job: PlanJob,
  solve: SolveLp,
): { starts: Starts; spares: Spares | null; played: Played; runs: number; oneMore: Map<string, OneMore> } {
  const { play, comes } = player(wholes, eaters, together, job)
  const planned = new Map(wholes.map(w => [w.kept.key, listed(w)]))
  const lacks = (starts: Starts) => {
    const counted = countedWith(wholes, starts)
    return limits.flatMap(l => {
      const day = beyondOn(l, counted)
      return day === null ? [] : [{ ...limitTold(l.id, job.house), from: job.today + day }]
    })
  }
  /** What is told of a plan that was played so many times in these seasons. */
  const told = (starts: Starts, spares: Spares | null, played: Played, seasons: readonly number[], times: number) => ({
    ...{ starts, spares, played, runs: seasons.length * times },
    oneMore: oneMoreOf(wholes, starts, played, job, {
      scenarios: seasons.length,
      play: (more, hungry) => play(more, hungry, times),
      lacks,
    }),
  })
  if (job.safe === null) {
    const all = Array.from({ length: job.scenarios.count }, (_, s) => s)
    return told(planned, null, play(planned, all), all, 1)
  }
  const { chosen, fresh } = halves(job.scenarios.count)
  const search = sparesFinder(
    {
      from: job.today,
      feeders: wholes.map(({ kept: k, input }) => ({
        id: k.key,
        perUnit: input.perUnit,
        keptPerDay: input.keptPerDay,
        startDays: k.input.startDays.filter(s => !k.input.decided?.has(s)),
        comesLater: input.comesLater,
      })),
      standInsOf: prey => eaters.filter(e => e.prey === prey).flatMap(e => e.standIns),
      fits: starts => fits(limits, countedWith(wholes, starts)),
      play: (starts, tell) => play(starts, chosen, TIMES, tell),
      runs: chosen.length * TIMES,
      comes,
    },
    planned,
    solve,
  )
  const aim = 1 - job.safe
  let target = aim
  const tried = () => {
    const spares = search(target)
    return { spares, played: play(spares.starts, fresh, CHECKED_TIMES) }
  }
  let best = tried()
  // what was chosen by some seasons does a little worse in others: it is aimed higher until those agree
  for (let round = 1, last = best; round < ROUNDS && last.played.chance > aim && !last.spares.bound; round++) {
    target *= Math.max(0.3, aim / last.played.chance)
    last = tried()
    // a higher aim that cannot be reached may end up lower
    if (last.played.chance < best.played.chance) best = last
  }
  const { spares, played } = best
  return told(spares.starts, spares, played, fresh, CHECKED_TIMES)
}
const ROUNDS = 3
