import { planGroup, type FeederPlan, type PlanJob } from '#core/season'
import { loadSolver } from './loadSolver'

// loaded as the thread starts, so that the first plan of a new house does not wait for it
loadSolver().catch(console.error)

/** The plans of one group of prey, worked out in a thread of its own. */
export default async function solve(job: PlanJob): Promise<FeederPlan[]> {
  return planGroup(job, await loadSolver())
}
