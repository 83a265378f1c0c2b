import { planFeeder, type FeederPlan, type PlanJob } from '#core/season'
import { loadSolver } from './loadSolver'

/** One plan, worked out in a thread of its own. */
export default async function solve(job: PlanJob): Promise<FeederPlan> {
  return planFeeder(job, await loadSolver())
}
