import type { ColonyRates } from '../../almanac'
import { derived } from '../../derived'

/** Each stage is passed in so many steps, so that its length varies by about half of its mean and not all at once. */
const STEPS = 4

/** Where the steps of a stage lie in the numbers of a colony; grown ones are the last. */
export interface StageSpan {
  name: string
  from: number
  to: number
  /** Whether it may be fed off. */
  fed: boolean
}

/** The stages of a colony in the order of life. */
export const stageSpans = derived(({ stages }: ColonyRates): readonly StageSpan[] => [
  ...stages.map(({ name, fed }, i) => ({ name, from: i * STEPS, to: (i + 1) * STEPS, fed })),
  { name: 'grown', from: stages.length * STEPS, to: stages.length * STEPS + 1, fed: false },
])

/** How one colony differs from the usual. */
export interface ColonyLuck {
  young: number
  deaths: number
  capacity: number
}
const usualLuck: ColonyLuck = { young: 1, deaths: 1, capacity: 1 }

/**
 * Speed of development against that at the reference temperature; nothing develops at the base temperature. What is
 * warm-blooded develops alike at any.
 * @param quickest in the warm it is no more than this
 */
export function speedAt(
  { atTempC, baseTempC, warmBlooded }: Pick<ColonyRates, 'atTempC' | 'baseTempC' | 'warmBlooded'>,
  tempC: number | null,
  quickest: number,
): number {
  if (tempC === null || warmBlooded) return 1
  const speed = (tempC - baseTempC.value) / (atTempC.value - baseTempC.value)
  return Math.min(quickest, Math.max(0, speed))
}

/**
 * One day of a colony: births less as it crowds, each stage passed at the speed of its warmth, deaths.
 * @returns what changes the numbers by a day; all that is the same every day is reckoned once
 */
export function dayOf(
  rates: ColonyRates,
  speed: number,
  luck: ColonyLuck = usualLuck,
): (numbers: Float64Array) => void {
  const { stages, youngPerDay, adultDays, capacity } = rates
  const most = capacity.value * luck.capacity
  const youngEach = youngPerDay.value * speed * luck.young
  const onward = Float64Array.from(stages, ({ days }) => Math.min(1, (STEPS * speed) / days.value))
  const alive = Float64Array.from(stages, ({ days, survives }) => survives.value ** (luck.deaths / days.value))
  const grownAlive = Math.exp(-luck.deaths / adultDays.value)
  return numbers => {
    const last = numbers.length - 1
    let all = 0
    for (let i = 0; i <= last; i++) all += numbers[i]!
    let moving = numbers[last]! * youngEach * Math.max(0, 1 - all / most)
    for (let i = 0; i < last; i++) {
      const s = Math.floor(i / STEPS)
      const staying = numbers[i]! * alive[s]!
      const leaves = staying * onward[s]!
      numbers[i] = staying - leaves + moving
      moving = leaves
    }
    numbers[last] = numbers[last]! * grownAlive + moving
  }
}

/**
 * The same day as a matrix, for a colony with all the room it wants (Lefkovitch 1965, Biometrics 21:1–18): element
 * [i][j] is what each of step j gives to step i.
 */
export function dayMatrix(rates: ColonyRates, speed = 1): number[][] {
  const size = stageSpans(rates).at(-1)!.to
  const roomy = { ...rates, capacity: { ...rates.capacity, value: Number.POSITIVE_INFINITY } }
  const day = dayOf(roomy, speed)
  const columns = Array.from({ length: size }, (_, j) => {
    const one = new Float64Array(size)
    one[j] = 1
    day(one)
    return one
  })
  return Array.from({ length: size }, (_, i) => columns.map(column => column[i]!))
}

/**
 * Growth in one step of a stage matrix, and the shares of the stages in the long run: its largest eigenvalue and the
 * vector that belongs to it, by power iteration (Caswell 2001, Matrix Population Models).
 * @param matrix non-negative, square; one whose stages all feed the young sooner or later
 */
export function longRun(matrix: readonly (readonly number[])[]): { growth: number; shares: number[] } {
  let shares = matrix.map(() => 1 / matrix.length)
  let growth = 1
  for (let i = 0; i < 20_000; i++) {
    // a share of what was before keeps cycles from swinging for ever
    const next = matrix.map((row, k) => row.reduce((n, a, j) => n + a * shares[j]!, 0) + shares[k]!)
    const total = next.reduce((a, b) => a + b, 0)
    const settled = next.every((n, k) => Math.abs(n / total - shares[k]!) < 1e-13)
    shares = next.map(n => n / total)
    growth = total - 1
    if (settled) break
  }
  return { growth, shares }
}
