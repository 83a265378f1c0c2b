import type { SolveLp } from '#core/cultures'

/** The part of the HiGHS module that is used; server, worker and tests each load it their own way. */
export interface HighsModule {
  solve: (lp: string, options?: { output_flag?: boolean, mip_rel_gap?: number, mip_abs_gap?: number, random_seed?: number }) => { Status: string, ObjectiveValue: number, Columns: Record<string, object> }
}

/** Wraps a loaded HiGHS for the planner; a fixed seed keeps plans the same on every machine. */
export function solverFrom(highs: HighsModule): SolveLp {
  return (lp) => {
    // units are whole, so a plan proven to within a third of one is the least; beyond 300 units, to within a thousandth
    const result = highs.solve(lp, { output_flag: false, mip_rel_gap: 1e-3, mip_abs_gap: 0.3, random_seed: 1 })
    return {
      status: result.Status,
      objective: result.ObjectiveValue,
      columns: Object.fromEntries(Object.entries(result.Columns).map(([name, column]) => [name, 'Primal' in column && typeof column.Primal === 'number' ? column.Primal : 0])),
    }
  }
}
