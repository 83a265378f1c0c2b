/**
 * A share that the house has seen, drawn towards the usual one (beta–binomial: the usual counts as so many trials;
 * Gelman et al., Bayesian Data Analysis, chapter 2).
 * @param usual 0..1
 * @param weighsAs trials that the usual weighs as much as, > 0
 */
export const learntShare = (usual: number, weighsAs: number, hits: number, of: number): number =>
  (usual * weighsAs + hits) / (weighsAs + of)

/**
 * How many times the usual yield the house gets, drawn towards once (gamma–Poisson: the usual counts as so many cultures
 * that gave just what was expected).
 * @param times counted yield over expected yield, of each culture, 0 or more
 */
export const learntYield = (weighsAs: number, times: readonly number[]): number =>
  (weighsAs + times.reduce((a, b) => a + b, 0)) / (weighsAs + times.length)

/**
 * How many times the usual wait it takes, drawn towards once: normal on logarithms, so that twice as long and half as
 * long weigh alike.
 * @param times wait over expected wait, of each culture, more than 0
 */
export const learntWait = (weighsAs: number, times: readonly number[]): number =>
  Math.exp(times.reduce((sum, t) => sum + Math.log(t), 0) / (weighsAs + times.length))
