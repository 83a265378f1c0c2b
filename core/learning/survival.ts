/** How long young were watched in their first 90 days, and how many of them were lost. */
export interface Watch {
  lost: number
  /** Days, summed over the young. */
  youngDays: number
  young: number
}

const OVER_DAYS = 90
const LEAST = 1e-9

/**
 * Share of young alive after 90 days: the rate of loss as a gamma posterior, whose mean is losses over time watched, the
 * usual rate counted in as so many young watched for the whole time (exponential model; Gelman et al., Bayesian Data
 * Analysis, chapter 2). Young that were sold or are alive count for as long as they were watched.
 * @param usual the share that is usual, 0..1
 * @param weighsAs the usual weighs as much as so many young, > 0
 */
export function learntSurvival(usual: number, weighsAs: number, { lost, youngDays }: Watch): number {
  const rate = -Math.log(Math.max(LEAST, usual)) / OVER_DAYS
  const before = weighsAs * OVER_DAYS
  return Math.exp((-OVER_DAYS * (rate * before + lost)) / (before + youngDays))
}

/**
 * Chance that so many of a litter, or more, are lost by a day, when each is lost at the rate that leaves `survival` after
 * 90 days: the upper tail of a binomial distribution.
 * @param days since the first meal, 0..90
 */
export function chanceOfLosing(lost: number, of: number, survival: number, days: number): number {
  if (lost <= 0) return 1
  const p = 1 - Math.max(LEAST, survival) ** (Math.min(OVER_DAYS, Math.max(0, days)) / OVER_DAYS)
  if (p <= 0) return 0
  if (p >= 1) return 1
  // each term from the one before, in logarithms: of a large litter the first is too small to be a number
  let log = of * Math.log1p(-p)
  let below = 0
  for (let k = 0; k < lost; k++) {
    below += Math.exp(log)
    log += Math.log((of - k) / (k + 1)) + Math.log(p) - Math.log1p(-p)
  }
  return Math.max(0, 1 - below)
}
