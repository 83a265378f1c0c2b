import { seedFrom } from '../../chance'
import { MeanNeed, addScenarioNeed, drawSource, type Draws, type MouthSource } from '../../nursery'
import { speciesOf, type Species } from '../../almanac'
import type { Subject } from '../../subjects'
import type { SeasonContext } from '../context'
import { guarded, type Failure } from '../guard'
import { isSame } from '../remember'
import { EatersByPrey, addDays, dietOf, mealsPerPiece } from './eaters'
import { foodOfSource } from './food'
import { HORIZON_DAYS, SCENARIOS } from './horizon'

/** The q-quantile of each day over scenarios. */
function quantileRows(need: Float32Array, days: number, scenarios: number, q: number): Float64Array {
  const column = new Float32Array(scenarios)
  const rank = Math.min(scenarios - 1, Math.ceil(q * scenarios) - 1)
  return Float64Array.from({ length: days }, (_, d) => {
    let any = false
    for (let s = 0; s < scenarios; s++) {
      const n = need[s * days + d]!
      column[s] = n
      if (n) any = true
    }
    return any ? column.sort()[rank]! : 0
  })
}

/** What some young need: the mean, the scenarios, and which lane causes how much. */
interface YoungNeed {
  mean: Map<string, Float64Array>
  drawn: Map<string, Float32Array>
  causes: { prey: string; laneId: string; label: string; total: number }[]
  eaters: EatersByPrey
  /** Sources left out, since they cannot be computed. */
  failures: Failure[]
}

/**
 * Sources are summed in blocks of whole lanes, each remembered, so that one changed clutch costs one block and not the
 * house.
 */
const BLOCKS = 8

/** The pair or clutch of a lane, by the lane's id. */
function laneSubject(laneId: string): Subject {
  const [type, id] = laneId.split(':')
  return { type: type as Subject['type'], id: id! }
}

const DRAWN = Symbol('draws of mouths')
const noDraws = () => new WeakMap<MouthSource, Draws>()

function needOfBlock(sources: readonly MouthSource[], context: SeasonContext): YoungNeed {
  const { almanac, today } = context
  const need: YoungNeed = {
    mean: new Map(),
    drawn: new Map(),
    causes: [],
    eaters: new EatersByPrey(),
    failures: [],
  }
  const byId = new Map(sources.map(s => [s.id, s]))
  const drawn = context.memory?.room(DRAWN, noDraws) ?? noDraws()
  const means = new Map<Species, MeanNeed>()
  const eatenBy = (species: Species, prey: string) =>
    need.eaters.need(prey, dietOf(almanac, context.settings, species, prey))
  for (const source of sources) {
    const species = speciesOf(almanac, source.speciesId)
    let mean = means.get(species)
    if (!mean) means.set(species, (mean = new MeanNeed(today, HORIZON_DAYS)))
    const food = guarded(need, 'food of its young', laneSubject(source.laneId), () => {
      const group = foodOfSource(source, almanac, context.settings)
      const draws = drawSource(source, SCENARIOS, byId, drawn)
      return { group, draws, totals: mean.add(source, group) }
    })
    if (!food) continue
    const { group, draws, totals } = food
    for (const [prey, total] of totals) {
      need.causes.push({ prey, laneId: source.laneId, label: source.label, total })
      const eaten = eatenBy(species, prey)
      eaten.pieces += total
      eaten.meals += total * mealsPerPiece(almanac, species, prey)
    }
    addScenarioNeed(need.drawn, today, HORIZON_DAYS, SCENARIOS, source, draws, group)
  }
  for (const [species, mean] of means) {
    for (const [prey, row] of mean.need()) {
      addDays(eatenBy(species, prey).mean, row)
      addInto(need.mean, prey, row)
    }
  }
  return need
}

/** Adds a row of days to that of a prey. */
export function addInto(target: Map<string, Float64Array>, prey: string, row: Float64Array): void {
  const sum = target.get(prey)
  if (!sum) target.set(prey, row.slice())
  else addDays(sum, row)
}

/** The need of all young: the mean, the scenarios, and the quantile that the plan covers. */
export interface YoungTotal {
  parts: YoungNeed[]
  quantile: number
  mean: Map<string, Float64Array>
  drawn: Map<string, Float32Array>
  high: Map<string, Float64Array>
}

/** The need of young as it was worked out last: by block, and in all. */
interface YoungBefore {
  blocks: ({ sources: MouthSource[]; from: readonly unknown[]; need: YoungNeed } | undefined)[]
  total: YoungTotal | null
}
const YOUNG_BEFORE = Symbol('need of young')
const noYoungBefore = (): YoungBefore => ({ blocks: [], total: null })

/** Need of all young, expected and alive; taken over from the last call where no source changed. */
export function youngNeed(mouths: readonly MouthSource[], context: SeasonContext): YoungTotal {
  const before: YoungBefore = context.memory?.room(YOUNG_BEFORE, noYoungBefore) ?? noYoungBefore()
  const from = [context.almanac, context.settings, context.today]
  const members: MouthSource[][] = Array.from({ length: BLOCKS }, () => [])
  for (const source of mouths) members[seedFrom(source.laneId) % BLOCKS]!.push(source)
  const parts = members.map((sources, b) => {
    const known = before.blocks[b]
    if (known && isSame(known.sources, sources) && isSame(known.from, from)) return known.need
    const need = needOfBlock(sources, context)
    before.blocks[b] = { sources, from, need }
    return need
  })
  const q = context.settings.coverQuantile
  if (before.total?.quantile === q && isSame(before.total.parts, parts)) return before.total
  const mean = new Map<string, Float64Array>()
  const drawn = new Map<string, Float32Array>()
  for (const part of parts) {
    for (const [prey, row] of part.mean) addInto(mean, prey, row)
    for (const [prey, rows] of part.drawn) {
      const sum = drawn.get(prey)
      if (!sum) drawn.set(prey, rows.slice())
      else for (let i = 0; i < rows.length; i++) sum[i]! += rows[i]!
    }
  }
  const high = new Map([...drawn].map(([prey, rows]) => [prey, quantileRows(rows, HORIZON_DAYS, SCENARIOS, q)]))
  before.total = { parts, quantile: q, mean, drawn, high }
  return before.total
}
