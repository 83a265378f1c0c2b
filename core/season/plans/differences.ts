import type { FeederPlan } from './contracts'

/** One prey in two plans of the same day. */
export interface PlanDifference {
  prey: string
  /** Chance of a hungry day, and hungry days expected. */
  hungry: { before: number; after: number }
  shortDays: { before: number; after: number }
  /** Units started and ordered in all. */
  units: { before: number; after: number }
  /** Pieces missing that nothing can bring in time. */
  missing: { before: number; after: number }
}

const unitsOf = (plan: FeederPlan | undefined): number =>
  plan ? plan.units + plan.orders.reduce((n, o) => n + o.count, 0) : 0
const missingOf = (plan: FeederPlan | undefined): number => plan?.gaps.reduce((n, gap) => n + gap.missing, 0) ?? 0

/** A chance is drawn from so many seasons that a smaller difference says nothing; so few days and pieces likewise. */
const NOTHING = { hungry: 0.005, shortDays: 0.05, units: 0.5, missing: 0.5 }

/** Compares two plans prey by prey, those first whose hunger changes most; what is the same is left out. */
export function planDifferences(before: readonly FeederPlan[], after: readonly FeederPlan[]): PlanDifference[] {
  const [was, is] = [before, after].map(plans => new Map(plans.map(p => [p.prey, p])))
  const both = (prey: string, of: (plan: FeederPlan | undefined) => number) => ({
    before: of(was!.get(prey)),
    after: of(is!.get(prey)),
  })
  return [...new Set([...was!.keys(), ...is!.keys()])]
    .map(prey => ({
      prey,
      hungry: both(prey, p => p?.runOutChance ?? 0),
      shortDays: both(prey, p => p?.shortDays ?? 0),
      units: both(prey, unitsOf),
      missing: both(prey, missingOf),
    }))
    .filter(d =>
      (Object.keys(NOTHING) as (keyof typeof NOTHING)[]).some(of => Math.abs(d[of].after - d[of].before) > NOTHING[of]),
    )
    .sort((a, b) => Math.abs(b.hungry.after - b.hungry.before) - Math.abs(a.hungry.after - a.hungry.before))
}
