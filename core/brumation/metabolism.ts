import { derived } from '../derived'
import type { HourlyLog } from '../channels'

/** Energy of a millilitre of oxygen, and of a gram of fat. [common conversion, as in the trade's notes] */
export const JOULES_PER_ML_O2 = 19.8
export const JOULES_PER_G_FAT = 39_300

/**
 * Resting oxygen use of a lizard or snake.
 * Source: Andrews & Pough 1985, Physiological Zoology 58:214–231: VO₂ = 0.013 · M^0.80 · 10^(0.038·T).
 * @param massG body mass, g, above 0
 * @param tempC body temperature, °C; the law was fitted between about 20 and 30 °C and is carried on below
 * @returns mL O₂ per hour
 */
export function oxygenPerHour(massG: number, tempC: number): number {
  return 0.013 * massG ** 0.8 * 10 ** (0.038 * tempC)
}

/** Fat burnt in an hour at rest, g: oxygen × 19.8 J/mL ÷ 39.3 kJ/g. Same ranges as {@link oxygenPerHour}. */
export function fatPerHour(massG: number, tempC: number): number {
  return (oxygenPerHour(massG, tempC) * JOULES_PER_ML_O2) / JOULES_PER_G_FAT
}

/** Sums over a log that make the loss of any stay a subtraction. */
interface Sums {
  /** Σ 10^(0.038·T) over the hours read, and how many they are, up to but without hour i. */
  factor: Float64Array
  read: Uint32Array
}

const sumsOf = derived((log: HourlyLog): Sums => {
  const n = log.mean.length
  const sums: Sums = { factor: new Float64Array(n + 1), read: new Uint32Array(n + 1) }
  for (let i = 0; i < n; i++) {
    const t = log.mean[i]!
    const has = !Number.isNaN(t)
    sums.factor[i + 1] = sums.factor[i]! + (has ? 10 ** (0.038 * t) : 0)
    sums.read[i + 1] = sums.read[i]! + (has ? 1 : 0)
  }
  return sums
})

export interface MetabolicLoss {
  /** Fat burnt over all hours: those read, and those assumed. */
  grams: number
  hours: number
  /** Hours for which a temperature was read; the others were taken at `assumedC`. */
  read: number
  assumedC: number
}

/**
 * What an animal burns over a stay, by the temperature that was logged. Hours without a reading are counted at
 * `assumedC` and told apart. The mass at the start is used throughout, so that a lighter animal is not expected to lose
 * less. O(1) after a first pass over the log.
 * @param massG mass at the start, g
 * @param log hourly log of the place, or undefined when nothing is logged there
 * @param fromHour first hour (since 1970, UTC), included; `toHour` is not
 */
export function metabolicLoss(
  massG: number,
  log: HourlyLog | undefined,
  fromHour: number,
  toHour: number,
  assumedC: number,
): MetabolicLoss {
  const hours = Math.max(0, toHour - fromHour)
  let factor = 0
  let read = 0
  if (log && hours > 0) {
    const sums = sumsOf(log)
    const clamp = (hour: number) => Math.max(0, Math.min(log.mean.length, hour - log.from))
    const [a, b] = [clamp(fromHour), clamp(toHour)]
    factor = sums.factor[b]! - sums.factor[a]!
    read = sums.read[b]! - sums.read[a]!
  }
  factor += (hours - read) * 10 ** (0.038 * assumedC)
  return { grams: (0.013 * massG ** 0.8 * factor * JOULES_PER_ML_O2) / JOULES_PER_G_FAT, hours, read, assumedC }
}
