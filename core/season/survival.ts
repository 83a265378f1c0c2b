import { speciesOf, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import { firstMealAge } from '../feeding'
import { chanceOfLosing, learntSurvival, type Watch } from '../learning'
import { animalsOf, type AnimalState, type ClutchState, type House } from '../subjects'
import type { SeasonContext } from './context'
import { remembering } from './remember'
import { OVER_DAYS, type Losses, type YoungSurvival } from './survivalFindings'
import { survivalReasons } from './survivalWording'

const noWatch = (): Watch => ({ lost: 0, youngDays: 0, young: 0 })

/** Adds young that were watched from their first meal to a day on which they were lost, or left, or that is today. */
function watch(into: Watch, count: number, first: Day, until: Day, lost: boolean): void {
  const age = until - first
  into.youngDays += count * Math.min(OVER_DAYS, Math.max(0, age))
  if (lost && age <= OVER_DAYS) into.lost += count
}

/**
 * Young without tags: of those that hatched on several days the eldest are taken to be lost, sold and tagged first. What
 * was tagged is watched as animals, from birth on.
 */
function watchClutch(into: Watch, clutch: ClutchState, species: Species, today: Day): void {
  const eat = firstMealAge(species)
  const batches = [...clutch.hatched].sort((a, b) => a.day - b.day).map(h => ({ first: h.day + eat, left: h.count }))
  const out = (count: number, until: Day | null, lost: boolean) => {
    for (const batch of batches) {
      const n = Math.min(count, batch.left)
      batch.left -= n
      count -= n
      if (until !== null && n) watch(into, n, batch.first, until, lost)
    }
  }
  into.young += batches.reduce((sum, b) => sum + b.left, 0) - clutch.tagged
  out(clutch.tagged, null, false)
  for (const { day, count, how } of clutch.parted ?? []) out(count, day, how === 'lost')
  // in a group they are no longer told apart
  for (const { at, count } of clutch.grouped) out(count, Math.floor(Date.parse(at) / 86_400_000), false)
  out(Infinity, clutch.ended?.day ?? today, false)
}

function watchAnimal(into: Watch, { bornDay, status, statusDay }: AnimalState, species: Species, today: Day): void {
  if (bornDay === null) return
  into.young++
  watch(into, 1, bornDay + firstMealAge(species), statusDay ?? today, status === 'dead')
}

interface WatchedYoung {
  bySpecies: Map<string, Watch>
  byClutch: Map<string, Watch>
}

const watched = remembering<House['animals'], WatchedYoung>()

/** Young that hatched or were born in the house, by species, and by clutch. Tadpoles and what is of them are left out. */
export const watchedYoung = (context: SeasonContext): WatchedYoung => {
  const { house, almanac, today } = context
  return watched(context, house.animals, [house.clutches, almanac, today], () => watchAll(house, almanac, today))
}

function watchAll(house: House, almanac: Almanac, today: Day): WatchedYoung {
  const bySpecies = new Map<string, Watch>()
  const byClutch = new Map<string, Watch>()
  const add = (speciesId: string, clutchId: string, how: (into: Watch, species: Species) => void) => {
    const species = almanac.species[speciesId]
    if (!species || species.mode === 'larval') return
    const [all, own] = [bySpecies.get(speciesId) ?? noWatch(), byClutch.get(clutchId) ?? noWatch()]
    how(all, species)
    how(own, species)
    bySpecies.set(speciesId, all)
    byClutch.set(clutchId, own)
  }
  for (const clutch of Object.values(house.clutches))
    if (clutch.hatched.length) add(clutch.speciesId, clutch.id, (into, s) => watchClutch(into, clutch, s, today))
  for (const animal of animalsOf(house))
    if (animal.clutchId && animal.status !== 'elsewhere' && house.clutches[animal.clutchId])
      add(animal.speciesId, animal.clutchId, (into, s) => watchAnimal(into, animal, s, today))
  return { bySpecies, byClutch }
}

/** In steps, so that a day more does not make all food be worked out anew. */
const STEPS = 200

function learnt(species: Species, seen: Watch, { almanac }: Pick<SeasonContext, 'almanac'>): number {
  const share = learntSurvival(species.survival90.value, almanac.common.survivalShrink!.value, seen)
  return Math.round(share * STEPS) / STEPS
}

/** @param seen what was watched of the species; nothing where none hatched here */
export function survivalOf(
  species: Species,
  seen: Watch | undefined,
  context: Pick<SeasonContext, 'almanac'>,
): YoungSurvival {
  if (!seen?.youngDays && !seen?.lost) return { share: species.survival90.value, reasons: [] }
  const share = learnt(species, seen, context)
  return { share, reasons: survivalReasons(species, seen, share, context.almanac) }
}

/** Losses of a clutch against its species and the other clutches of the house; null where none are out, or it is spawn. */
export function lossesOf(clutch: ClutchState, context: SeasonContext): Losses | null {
  const { bySpecies, byClutch } = watchedYoung(context)
  const species = speciesOf(context.almanac, clutch.speciesId)
  const own = byClutch.get(clutch.id)
  const first = clutch.hatched[0]
  if (!own || !first || species.mode === 'larval') return null
  const all = bySpecies.get(clutch.speciesId)!
  const others = { lost: all.lost - own.lost, youngDays: all.youngDays - own.youngDays, young: all.young - own.young }
  const survival = learnt(species, others, context)
  const day = context.today - first.day
  // weak ones die as they hatch, sooner than an even rate says: that is no sign yet
  const days = Math.min(OVER_DAYS, Math.max(context.almanac.common.lossesEarly!.value, day))
  return {
    lost: own.lost,
    of: own.young,
    day,
    usual: own.young * (1 - survival ** (days / OVER_DAYS)),
    chance: chanceOfLosing(own.lost, own.young, survival, days, context.almanac.common.lossesAlike!.value),
  }
}
