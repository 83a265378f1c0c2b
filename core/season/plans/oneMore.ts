import { withMore, type Played } from '../../supply'
import type { OneMore, PlanJob } from './contracts'
import type { Starts, Whole } from './whole'

const WEEK = 7

/** Days on which one more is started: a colony once, what ends or is eaten up each week. */
function daysOfMore({ kept: { input, supply }, input: { from } }: Whole): number[] {
  const open = input.startDays.filter(s => !input.decided?.has(s))
  const weekly = open.reduce<number[]>((list, s) => (s - (list.at(-1) ?? -WEEK) >= WEEK ? [...list, s] : list), [])
  return (supply.kind === 'colony' ? weekly.slice(0, 1) : weekly).map(s => from + s)
}

/**
 * What one unit more of each prey gains for which somebody goes hungry in some seasons. Every unit keeps its fate
 * whatever else is started, so that only those seasons are played again.
 *
 * @returns by prey; nothing of one for which nobody goes hungry, or of which none can be started
 */
export function oneMoreOf(
  wholes: readonly Whole[],
  starts: Starts,
  played: Played,
  { others }: Pick<PlanJob, 'others'>,
  {
    scenarios,
    play,
    lacks,
  }: {
    /** In how many seasons all was played. */
    scenarios: number
    play: (starts: Starts, scenarios: readonly number[]) => Played
    lacks: (starts: Starts) => OneMore['lacks']
  },
): Map<string, OneMore> {
  const found = new Map<string, OneMore>()
  for (const whole of wholes) {
    const { key, byOrder, look } = whole.kept
    const hungry = played.byPrey.get(look.prey)
    if (byOrder || others.includes(look.prey) || !hungry?.chance) continue
    const days = daysOfMore(whole)
    if (!days.length) continue
    const more = days.reduce<Starts>((all, day) => withMore(all, key, day, 1), starts)
    const again = play(more, hungry.scenarios)
    found.set(look.prey, {
      units: days.length,
      chance: (again.byPrey.get(look.prey)!.chance * hungry.scenarios.length) / scenarios,
      lacks: lacks(more),
    })
  }
  return found
}
