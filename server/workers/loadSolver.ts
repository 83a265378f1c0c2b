import highsLoader from 'highs'
import type { SolveLp } from '#core/supply'
import { solverFrom } from '#shared/solver'

let loading: Promise<SolveLp> | null = null

/** The solver, loaded once in this thread. */
export const loadSolver = (): Promise<SolveLp> => (loading ??= highsLoader().then(solverFrom))
