import { asLp, type Row, type Term } from '../lp'
import { yieldsFrom, type PlannedStart, type SolveLp } from '../plan'
import type { Lack } from './play'
import {
  findSpares,
  hungriestPrey,
  leftOf,
  stepOf,
  withMore,
  type SpareFeeder,
  type SpareInput,
  type Spares,
  type Starts,
} from './spares'

/** Spares that are found by a programme over the seasons that are played. */
export interface SampleInput extends Omit<SpareInput, 'target'> {
  /** Seasons that are played. */
  runs: number
  /** Pieces that come of a feeder on each day of a season with these starts. */
  comes: (id: string, starts: readonly PlannedStart[], run: number) => ArrayLike<number>
}

/** The programme is solved no oftener than this for one aim, and no longer at once; to within less than one unit. */
const MOST_ROUNDS = 20
const LONGEST_SECONDS = 2
const WITHIN = 0.9
/** With more seasons than these to choose from it is not solved while one waits. */
const MOST_SEASONS = 60
/** More than so many steps in addition are not laid on one day. */
const MOST_STEPS = 3
/** A start is thought of for a day on which it has so much of the most that any has. */
const WORTH = 0.25
/** What a later start saves: a hair, so that the fewest stay the fewest. */
const LATER = 1e-4

/** So many units more of a feeder on a day, after those before it. */
interface More {
  name: string
  id: string
  /** Day as index. */
  start: number
  nth: number
  units: number
  /** What comes of them by season, beyond what came before, when nothing is eaten. */
  left: Map<number, Float64Array>
}

/** What a prey lacks in one season until each hungry day, and what its eaters wanted on these. */
interface Missed {
  run: number
  prey: string
  until: Map<number, { pieces: number; wanted: number }>
}

/** Adds up what is lacking, day by day; what goes off of a stock meanwhile is as much less wanted of it. */
function missedBy(lacks: readonly Lack[], keptPerDay: (prey: string) => number): Missed[] {
  const by = new Map<string, Missed>()
  for (const { run, prey, day, pieces, wanted } of lacks) {
    const key = `${run}:${prey}`
    const missed = by.get(key) ?? { run, prey, until: new Map() }
    by.set(key, missed)
    const last = [...missed.until].at(-1)
    const kept = last ? keptPerDay(prey) ** (day - last[0]) : 0
    const before = last?.[1] ?? { pieces: 0, wanted: 0 }
    missed.until.set(day, { pieces: before.pieces * kept + pieces, wanted: before.wanted * kept + wanted })
  }
  return [...by.values()]
}

/** The hungry days that ask for a row: the first, and the one until which most is missed. */
const tellingDays = ({ until }: Missed): number[] => {
  const days = [...until.keys()]
  return [...new Set([days[0]!, days.reduce((a, b) => (until.get(b)!.pieces > until.get(a)!.pieces ? b : a))])]
}

/**
 * The programme: which units more, so that no more seasons are hungry than may be. Its rows say that what a season
 * misses until a day is there, or that it is among those that may be hungry.
 */
class Sample {
  private readonly more = new Map<string, More>()
  private readonly lists = new Map<string, readonly PlannedStart[]>()
  private readonly rows: Row[] = []
  private readonly bounds: string[] = []
  private readonly hungry = new Set<number>()
  private readonly feeders: Map<string, { feeder: SpareFeeder; left: Float64Array; index: number }>

  constructor(
    private readonly input: SampleInput,
    private readonly planned: Starts,
  ) {
    this.feeders = new Map(input.feeders.map((f, index) => [f.id, { feeder: f, left: leftOf(f), index }]))
  }

  /** Units of one feeder that have something on a day, with all that comes before them there. */
  private moreOn(id: string, day: number): More[] {
    const known = this.feeders.get(id)
    if (!known) return []
    const { feeder, left, index } = known
    const gives = feeder.startDays.map(s => left[day - yieldsFrom(feeder, s)] ?? 0)
    const most = Math.max(0, ...gives)
    return feeder.startDays
      .filter((_, w) => gives[w]! > 0 && gives[w]! >= WORTH * most)
      .flatMap(start =>
        Array.from({ length: MOST_STEPS }, (_, nth) => {
          const name = `b${index}_${start}_${nth}`
          let more = this.more.get(name)
          if (!more) {
            const units = stepOf(this.planned, id, this.input.from + start)
            this.more.set(name, (more = { name, id, start, nth, units, left: new Map() }))
          }
          return more
        }),
      )
  }

  /** The starts of a feeder with so many steps more on a day; the same list each time, so that it is drawn once. */
  private startsWith({ id, start, units }: More, steps: number): readonly PlannedStart[] {
    const key = `${id}:${start}:${steps}`
    let list = this.lists.get(key)
    if (!list) {
      list = withMore(this.planned, id, this.input.from + start, steps * units).get(id) ?? []
      this.lists.set(key, list)
    }
    return list
  }

  /** What is there of them on a day of a season when nothing is eaten: each keeps its fate, so it can be told apart. */
  private givenBy(more: More, run: number, day: number): number {
    let left = more.left.get(run)
    if (!left) {
      const { id, nth } = more
      const before = this.input.comes(id, this.startsWith(more, nth), run)
      const after = this.input.comes(id, this.startsWith(more, nth + 1), run)
      const { keptPerDay } = this.feeders.get(id)!.feeder
      left = Float64Array.from(after, (n, d) => n - before[d]!)
      for (let d = 1; d < left.length; d++) left[d]! += left[d - 1]! * keptPerDay
      more.left.set(run, left)
    }
    return left[day] ?? 0
  }

  /** What may be eaten for a prey: itself, and of each other the most that any of its eaters may have. */
  private waysOf(prey: string): { feeder: string; pieces: number; mostShare: number }[] {
    const ways = new Map([[prey, { feeder: prey, pieces: 1, mostShare: 1 }]])
    for (const way of this.input.standInsOf(prey))
      if ((ways.get(way.feeder)?.mostShare ?? -1) < way.mostShare) ways.set(way.feeder, way)
    return [...ways.values()]
  }

  private ask({ run, prey, until }: Missed, day: number, taken: ReadonlySet<string>): void {
    const { pieces: missed, wanted } = until.get(day)!
    const ways = this.waysOf(prey).flatMap(({ feeder, pieces, mostShare }) => {
      const gives = this.moreOn(feeder, day)
        .map(more => ({ of: more.name, by: this.givenBy(more, run, day) / pieces }))
        .filter(t => t.by > 0)
      return gives.length ? [{ gives, most: mostShare < 1 ? mostShare * wanted : Infinity }] : []
    })
    const sum = (terms: readonly Term[]) => terms.reduce((n, t) => n + t.by, 0)
    // what is laid already did not do: it is missed beside
    const laid = ways.map(w => Math.min(w.most, sum(w.gives.filter(t => taken.has(t.of)))))
    const than = missed + laid.reduce((a, b) => a + b, 0)
    // in parts of what is missed; what is more than all of it helps no more
    const part = (n: number) => Math.min(1, n / than)
    const terms = ways.flatMap(({ gives, most }, w): Term[] => {
      const parts = gives.map(t => ({ of: t.of, by: part(t.by) }))
      if (sum(gives) <= most) return parts
      const eaten = `y${this.rows.length}_${w}`
      this.bounds.push(`${eaten} <= ${part(most)}`)
      this.rows.push({ terms: [...parts, { of: eaten, by: -1 }], is: '>=', than: 0 })
      return [{ of: eaten, by: 1 }]
    })
    this.hungry.add(run)
    this.rows.push({ terms: [...terms, { of: `z${run}`, by: 1 }], is: '>=', than: 1 })
  }

  /** Asks for what is missed with these units laid. */
  askAll(lacks: readonly Lack[], taken: ReadonlySet<string> = new Set()): void {
    for (const missed of missedBy(lacks, prey => this.feeders.get(prey)?.feeder.keptPerDay ?? 1))
      for (const day of tellingDays(missed)) this.ask(missed, day, taken)
  }

  /** All of these together have no room. */
  forbid(taken: ReadonlySet<string>): void {
    this.rows.push({ terms: [...taken].map(of => ({ of, by: 1 })), is: '<=', than: taken.size - 1 })
  }

  /** The fewest units with which no more than so many seasons are hungry; null where there are none. */
  solve(solve: SolveLp, mayBeHungry: number): Set<string> | 'late' | null {
    const more = [...this.more.values()]
    const seasons = [...this.hungry].map(run => ({ of: `z${run}`, by: 1 }))
    const inTurn = more.flatMap((m): Row[] => {
      const before = m.nth && { of: `${m.name.slice(0, m.name.lastIndexOf('_'))}_${m.nth - 1}`, by: 1 }
      return before ? [{ terms: [before, { of: m.name, by: -1 }], is: '>=', than: 0 }] : []
    })
    const last = Math.max(1, ...more.map(m => m.start))
    const found = solve(
      asLp({
        cost: more.map(m => ({ of: m.name, by: m.units * (1 - (LATER * m.start) / last) })),
        rows: [...this.rows, { terms: seasons, is: '<=', than: mayBeHungry }, ...inTurn],
        bounds: this.bounds,
        binary: [...more.map(m => m.name), ...seasons.map(z => z.of)],
      }),
      // units are whole: less than one above the fewest is the fewest
      { gap: 0, within: WITHIN, seconds: LONGEST_SECONDS },
    )
    if (found.status === 'Infeasible') return null
    if (found.status !== 'Optimal') return 'late'
    return new Set(more.map(m => m.name).filter(name => (found.columns[name] ?? 0) > 0.5))
  }

  /** The starts with these units, how many there are of each feeder, and whether they were added one by one. */
  with(taken: ReadonlySet<string>): { starts: Starts; units: Map<string, number>; singly: boolean } {
    let starts = this.planned
    const units = new Map<string, number>()
    const more = [...taken].map(name => this.more.get(name)!)
    for (const m of more) {
      starts = withMore(starts, m.id, this.input.from + m.start, m.units)
      units.set(m.id, (units.get(m.id) ?? 0) + m.units)
    }
    return { starts, units, singly: more.every(m => m.units === 1) }
  }
}

/**
 * Spares by a programme over the played seasons (sample average): the fewest units with which no more of them are hungry
 * than an aim allows, each unit giving in each season what its fate is there. A season and a day come into it when a play
 * of its answer shows that they are needed (row generation), since all at once would be too many to solve while one
 * waits. Its answer counts when the play says so: in the programme two prey may count on the same pieces, and then what
 * was lacking is asked for beside. An aim that cannot be reached is come as close to as can be. Where it finds none in
 * time, or too many seasons are hungry without spares, they are searched for one by one.
 * @returns finds the spares for a chance of a hungry day that is aimed at, 0..1
 */
export function sparesFinder(input: SampleInput, planned: Starts, solve: SolveLp): (target: number) => Spares {
  const played = (starts: Starts) => {
    const lacks: Lack[] = []
    return { ...input.play(starts, lack => lacks.push(lack)), lacks }
  }
  const bare = played(planned)
  const hungry = new Set(bare.lacks.map(l => l.run)).size
  let sample: Sample | null = null
  if (hungry <= MOST_SEASONS) {
    sample = new Sample(input, planned)
    sample.askAll(bare.lacks)
  }
  const none: Spares = { starts: planned, units: new Map(), chance: bare.chance, bound: null, fewest: true }
  return target => {
    if (bare.chance <= target) return none
    let mayBeHungry = Math.floor(target * input.runs + 1e-9)
    for (let round = 0; sample && round < MOST_ROUNDS && mayBeHungry < hungry; round++) {
      const taken = sample.solve(solve, mayBeHungry)
      if (taken === 'late') break
      if (taken === null) {
        // what cannot be reached is come as close to as can be
        mayBeHungry++
        continue
      }
      const { starts, units, singly } = sample.with(taken)
      if (!input.fits(starts)) {
        sample.forbid(taken)
        continue
      }
      const after = played(starts)
      const { chance } = after
      const bound = chance <= target ? null : hungriestPrey(after)
      if (chance * input.runs <= mayBeHungry + 1e-9) return { starts, units, chance, bound, fewest: singly }
      sample.askAll(after.lacks, taken)
    }
    return findSpares({ ...input, target }, planned)
  }
}
