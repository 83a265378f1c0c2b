import type { SolveLp } from '#core/supply'

/** The part of the HiGHS module that is used; server, worker and tests each load it their own way. */
export interface HighsModule {
  solve: (lp: string, options?: object) => { Status: string; ObjectiveValue: number; Columns: Record<string, object> }
}

/**
 * Heuristics and the search for symmetry pay in very large programmes and only cost time in ours (measured: a third of
 * the time in those of a few dozen rows, two thirds in the joint ones).
 */
const FEW_HEURISTICS = {
  mip_detect_symmetry: false,
  mip_heuristic_run_feasibility_jump: false,
  mip_heuristic_effort: 0,
  mip_heuristic_run_rins: false,
  mip_heuristic_run_rens: false,
  mip_heuristic_run_root_reduced_cost: false,
  mip_heuristic_run_zi_round: true,
}

/** Wraps a loaded HiGHS for the planner; a fixed seed keeps plans the same on every machine. */
export function solverFrom(highs: HighsModule): SolveLp {
  return (lp, limits) => {
    // units are whole, so a plan proven to within a third of one is the least; beyond 300 units, to within a thousandth
    const result = highs.solve(lp, {
      output_flag: false,
      random_seed: 1,
      ...FEW_HEURISTICS,
      ...(limits
        ? { mip_rel_gap: limits.gap, mip_abs_gap: limits.within ?? 1e-6, time_limit: limits.seconds }
        : { mip_rel_gap: 1e-3, mip_abs_gap: 0.3 }),
    })
    return {
      status: result.Status,
      objective: result.ObjectiveValue,
      columns: Object.fromEntries(
        Object.entries(result.Columns).map(([name, column]) => [
          name,
          'Primal' in column && typeof column.Primal === 'number' ? column.Primal : 0,
        ]),
      ),
    }
  }
}
