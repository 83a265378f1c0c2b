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

/** Upper tail of a binomial distribution: so many or more of a number, each with chance p. */
function tail(from: number, of: number, p: number): number {
  if (p <= 0) return 0
  if (p >= 1) return 1
  // each term from the one before, in logarithms: of a large litter the first is too small to be a number
  let log = of * Math.log1p(-p)
  let below = 0
  for (let k = 0; k < from; k++) {
    below += Math.exp(log)
    log += Math.log((of - k) / (k + 1)) + Math.log(p) - Math.log1p(-p)
  }
  return Math.max(0, 1 - below)
}

const STEPS = 400
const MOST_TIMES = 12

/**
 * Chance that so many of a litter, or more, are lost by a day, when young are lost at the rate that leaves `survival`
 * after 90 days and litters differ: the rate of each is that one times a number of a gamma distribution with mean 1
 * (shared frailty; Vaupel, Manton & Stallard 1979, Demography 16:439–454), summed over a grid.
 * @param days of life, 0..90
 * @param alike shape of that distribution, > 0: litters are the more alike, the larger; Infinity where all are
 */
export function chanceOfLosing(lost: number, of: number, survival: number, days: number, alike = Infinity): number {
  if (lost <= 0) return 1
  const rate = (-Math.log(Math.max(LEAST, survival)) * Math.min(OVER_DAYS, Math.max(0, days))) / OVER_DAYS
  if (!Number.isFinite(alike)) return tail(lost, of, -Math.expm1(-rate))
  let [sum, whole] = [0, 0]
  for (let i = 0; i < STEPS; i++) {
    const times = ((i + 0.5) / STEPS) * MOST_TIMES
    const density = Math.exp((alike - 1) * Math.log(times) - alike * times)
    sum += density * tail(lost, of, -Math.expm1(-rate * times))
    whole += density
  }
  return sum / whole
}
