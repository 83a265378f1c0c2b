import { isLiveRow } from './livePrey'
import type { Feeder } from './schema'

/**
 * What may stand for a prey, the best first, with how many pieces of it make up for one, by weight; retired and live prey
 * and what is never given left out.
 */
export function standingIn(
  { massG, standIns = [] }: Pick<Feeder, 'massG' | 'standIns'>,
  feeders: Readonly<Record<string, Feeder>>,
  never: readonly string[],
): { feeder: Feeder; mostShare: number; pieces: number }[] {
  return standIns.flatMap(({ prey, mostShare }) => {
    const feeder = feeders[prey]
    if (!feeder || feeder.retired || never.includes(prey) || isLiveRow(prey)) return []
    return [{ feeder, mostShare: mostShare.value, pieces: massG.likely / feeder.massG.likely }]
  })
}
