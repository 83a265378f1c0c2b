import type { Almanac, Incubation } from '../almanac'

/** A temperature for which the table does not speak. */
export interface BesideTable {
  code: 'kills' | 'outside'
  tempC: number
  /** Above it eggs die. */
  killsAboveC: number
  /** From the lowest to the highest of the table. */
  lowC: number
  highC: number
}

/** Whether the table speaks for a temperature (°C); null where it does. */
export function besideTable(
  { points, lethalAboveC }: Incubation,
  tempC: number,
  { common }: Pick<Almanac, 'common'>,
): BesideTable | null {
  const beyond = common.eggsBeyond!.value
  const temps = points.map(p => p.tempC)
  const beside = { tempC, killsAboveC: lethalAboveC.value, lowC: Math.min(...temps), highC: Math.max(...temps) }
  if (tempC > beside.killsAboveC) return { code: 'kills', ...beside }
  return tempC < beside.lowC - beyond || tempC > beside.highC + beyond ? { code: 'outside', ...beside } : null
}
