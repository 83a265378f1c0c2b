import type { Almanac, Species } from './schema'

/** What a keeper knows of an animal of which no relative is known by name. */
export interface ShortForm {
  group: Species['group']
  mode: Species['mode']
  eats: Species['eats']
  winter: Species['winter']
  /** Weight of a usual adult, g. */
  adultG: number
}

/** How far a species is from what is known: a thing that differs counts as much as a weight this many times as high. */
const WEIGHS = { mode: Math.log(1000), winter: Math.log(20), eats: Math.log(10) } as const

/**
 * The species of the same group that is nearest to what is known: it bears its young alike before all, then winters
 * alike, eats alike, and weighs about the same. Its numbers are a beginning, borrowed until better ones are set.
 * @param known with a weight above 0 g
 * @returns the species, or null where the almanac has none of the group
 */
export function nearestSpecies(almanac: Pick<Almanac, 'species'>, known: ShortForm): Species | null {
  const off = (s: Species) =>
    Math.abs(Math.log(s.adultMassG.value / Math.max(known.adultG, 1e-6))) +
    (s.mode === known.mode ? 0 : WEIGHS.mode) +
    (s.winter === known.winter ? 0 : WEIGHS.winter) +
    (s.eats === known.eats ? 0 : WEIGHS.eats)
  const group = Object.values(almanac.species).filter(s => s.group === known.group && !s.retired && !s.typeOf)
  return group.length ? group.reduce((best, s) => (off(s) < off(best) ? s : best)) : null
}
