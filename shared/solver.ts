import type { SolveLp } from '#core/cultures'

/** The part of the HiGHS module that is used; server, worker and tests each load it their own way. */
export interface HighsModule {
  solve: (lp: string, options?: Record<string, string | number | boolean>) => { Status: string, ObjectiveValue: number, Columns: Record<string, { Primal?: number }> }
}

/** Wraps a loaded HiGHS for the planner; the gap is zero, so that plans are exact and the same on every machine. */
export function solverFrom(highs: HighsModule): SolveLp {
  return (lp) => {
    const result = highs.solve(lp, { output_flag: false, mip_rel_gap: 0, mip_abs_gap: 1e-4, random_seed: 1 })
    return {
      status: result.Status,
      objective: result.ObjectiveValue,
      columns: Object.fromEntries(Object.entries(result.Columns).map(([name, column]) => [name, column.Primal ?? 0])),
    }
  }
}
