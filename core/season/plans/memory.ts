import type { FeederPlan } from './contracts'

const MEMORY = 64

/** Plans by what decides them, so that what has not changed is not solved again. Owned by whoever asks for plans. */
export class PlanMemory {
  private readonly plans: Map<string, FeederPlan[]>

  /** @param known what was kept before, by the same program */
  constructor(known: Iterable<readonly [string, FeederPlan[]]> = []) {
    this.plans = new Map(known)
  }

  get(key: string): FeederPlan[] | undefined {
    return this.plans.get(key)
  }

  keep(key: string, plans: FeederPlan[]): FeederPlan[] {
    this.plans.set(key, plans)
    if (this.plans.size > MEMORY) this.plans.delete(this.plans.keys().next().value!)
    return plans
  }
}
