import { speciesOf, type Species } from '../../almanac'
import { ladderStepAt } from '../../feeding'
import type { Judgement } from '../../judgement'
import { isQuarantine, type House } from '../../subjects'
import { expectedCount } from '../../nursery'
import type { PreyOutlook, Season } from '../contracts'
import type { SeasonContext } from '../context'
import { freeHomes } from '../places'
import { FOOD_DAYS, type RoomFound } from './roomFindings'
import { roomReasons, tellRoom } from './roomWording'

export interface RoomForYoung extends RoomFound {
  text: string
}

/** Tubs that are nobody's; those of quarantine are for who comes new. */
const freePlacesOf = (house: House): number =>
  freeHomes(house).filter(place => !isQuarantine(house.places, place.id)).length

/** Young that the running supply of the first prey would feed beside what is needed already. */
function fedBy(species: Species, prey: readonly PreyOutlook[], context: SeasonContext): RoomForYoung['fed'] {
  const { step } = ladderStepAt(species.ladder, 0)
  const main = step.meal[0]!
  const outlook = prey.find(p => p.prey === main.prey)
  const feeder = context.almanac.feeders[main.prey]
  if (!feeder || feeder.supply.kind === 'bought' || feeder.supply.kind === 'fresh')
    return { prey: feeder?.name ?? main.prey, young: null }
  // nothing runs and nothing needs it yet
  if (!outlook) return { prey: feeder.name, young: 0 }
  let spare = outlook.stock
  for (let d = 0; d < Math.min(FOOD_DAYS, outlook.mean.length); d++) spare += outlook.running[d]! - outlook.mean[d]!
  return { prey: feeder.name, young: Math.max(0, Math.floor((spare * step.everyDays) / (FOOD_DAYS * main.count))) }
}

/** Before a pair is set: where its young would go, and what they would eat. Every hatchling costs a place for weeks. */
export function roomForYoung(
  context: SeasonContext,
  speciesId: string,
  { lanes, mouths, prey }: Pick<Season, 'lanes' | 'mouths' | 'prey'>,
): Judgement<RoomForYoung> {
  const species = speciesOf(context.almanac, speciesId)
  const through = species.fertility.value * species.hatchRate.value * (species.larvalSurvival?.value ?? 1)
  const times = species.nextClutch?.perSeason ?? { earliest: 1, likely: 1, latest: 1 }
  const brings = {
    low: Math.round(species.clutchSize.earliest * Math.max(1, times.earliest) * through),
    likely: Math.round(species.clutchSize.likely * times.likely * through),
    high: Math.round(species.clutchSize.latest * times.likely * through),
  }
  const freePlaces = freePlacesOf(context.house)
  // the season's own mouths: each by the chance that it comes, later clutches too; spawn needs cups, not boxes
  const spawn = new Set(
    lanes.filter(l => l.kind === 'spawn' || speciesOf(context.almanac, l.speciesId).mode === 'larval').map(l => l.id),
  )
  const expected = Math.round(
    mouths.reduce((sum, m) => sum + (spawn.has(m.laneId) ? 0 : expectedCount(m.count) * (1 - m.opens.never)), 0),
  )
  const left = freePlaces - expected
  const weeksToSale = Math.round(species.keptDays.value / 7)
  const found = { freePlaces, expected, left, brings, weeksToSale, fed: fedBy(species, prey, context) }
  return { value: { ...found, text: tellRoom(found) }, reasons: roomReasons(found, species) }
}
