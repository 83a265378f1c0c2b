import { speciesOf, type Species } from '../../almanac'
import { ladderStepAt } from '../../feeding'
import { computedInput, factInput, spreadInput, type Judgement } from '../../judgement'
import { isQuarantine, type House } from '../../subjects'
import { expectedCount } from '../../nursery'
import type { PreyOutlook, Season } from '../contracts'
import type { SeasonContext } from '../context'
import { freeHomes } from '../places'

export interface RoomForYoung {
  /** Boxes and tubs with nobody in them. */
  freePlaces: number
  /** Young expected of pairs and eggs that already are, not yet in boxes of their own. */
  expected: number
  /** What is left for another pair; below 0 there is too little already. */
  left: number
  /** What this pair brings: few, likely, many. */
  brings: { low: number; likely: number; high: number }
  weeksToSale: number
  /**
   * Young that the food of the first weeks would carry beside those expected, by its prey; null when it is bought as
   * needed.
   */
  fed: { prey: string; young: number | null }
  text: string
}

/** Food is looked at over so many days. */
const FOOD_DAYS = 60

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
  const fed = fedBy(species, prey, context)
  const place =
    left <= 0 ? `No place is left: ${freePlaces} free, ${expected} young expected already` : `You can place ${left}`
  const food =
    fed.young === null
      ? `${fed.prey} is bought as needed`
      : fed.young === 0
        ? `${fed.prey}: none to spare, start cultures first`
        : `${fed.prey} feeds ${fed.young} more`
  return {
    value: {
      freePlaces,
      expected,
      left,
      brings,
      weeksToSale,
      fed,
      text: `${place}; this pair brings ${brings.low === brings.high ? `about ${brings.low}` : `${brings.low}–${brings.high}`} more, each for about ${weeksToSale} weeks. ${food}.`,
    },
    reasons: [
      {
        rule: 'Places count = places needed: boxes and tubs with nobody in them, less the young that pairs and eggs bring already',
        inputs: [
          computedInput('Free boxes and tubs', `${freePlaces}`),
          computedInput('Young expected already', `${expected}`),
        ],
        change: 'Young sold, places added, a pair ended',
      },
      {
        rule: 'Young of the pair in a season: clutch size times the usual clutches times what comes through',
        inputs: [
          spreadInput('Clutch', `species.${species.id}.clutchSize`, species.clutchSize),
          ...(species.nextClutch
            ? [
                spreadInput(
                  'Clutches a season',
                  `species.${species.id}.nextClutch.perSeason`,
                  species.nextClutch.perSeason,
                ),
              ]
            : []),
          factInput('Good eggs', `species.${species.id}.fertility.value`, species.fertility),
          factInput('Hatch or birth', `species.${species.id}.hatchRate.value`, species.hatchRate),
          factInput('Kept before sale', `species.${species.id}.keptDays.value`, species.keptDays),
        ],
      },
      {
        rule: `Food of the first weeks: ${fed.prey.toLowerCase()} in stock and running, less what is needed in ${FOOD_DAYS} days`,
        inputs: [computedInput('Feeds beside', fed.young === null ? 'bought as needed' : `${fed.young} young`)],
        change: 'Cultures started',
      },
    ],
  }
}
