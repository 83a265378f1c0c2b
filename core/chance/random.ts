/** A source of uniform numbers in [0, 1). */
export type Random = () => number

/**
 * Small seeded generator (the mulberry32 step): the same seed gives the same run everywhere.
 * Good enough for simulation of a few thousand draws, not for secrets.
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** A seed from a text (FNV-1a, 32 bit), so that each subject keeps its own random stream when others change. */
export function seedFrom(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return hash >>> 0
}

/**
 * Uniform numbers spread evenly over [0, 1) in random order: one from each of `count` equal strata.
 * Fewer scenarios then give a steadier answer (stratified sampling).
 */
export function stratified(count: number, random: Random): Float64Array {
  const values = new Float64Array(count)
  for (let i = 0; i < count; i++) values[i] = (i + random()) / count
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    const held = values[i]!
    values[i] = values[j]!
    values[j] = held
  }
  return values
}

/** A standard normal number, by the sum of twelve uniform ones (Irwin–Hall): within ±6, good enough to rank by. */
export function normal(random: Random): number {
  let sum = -6
  for (let i = 0; i < 12; i++) sum += random()
  return sum
}

/**
 * The q-quantile of the standard normal distribution, within 0.01 from q = 0.005 to 0.995: good enough to rank by. By
 * Tukey's lambda distribution, which is nearly normal at 0.14.
 * Source: Joiner & Rosenblatt 1971, J. Am. Stat. Assoc. 66:394–399.
 * @param q between 0 and 1, both left out
 */
export const normalQuantile = (q: number): number => 4.91 * (q ** 0.14 - (1 - q) ** 0.14)

/** Half of the central 80 % of a normal distribution, in standard deviations. */
export const Z80 = 1.2816
