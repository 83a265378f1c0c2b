import { feederOf, schoolChoice, type Almanac, type Feeder } from '../../almanac'
import type { HouseSettings } from '../../settings'
import { materialId, type House } from '../../subjects'
import { minutesOf, plannedSupply, type PlannedSupply } from '../../supply'
import type { FeederWeights, UnitWeight } from './contracts'
import { isGrown, orderWay } from './kept'

/** What costs next to nothing is not started without end all the same. */
const LEAST = 0.05

/** Work and materials of one that is grown, as far as their prices are known; the pack of what is bought. */
function moneyOf(
  feeder: Feeder,
  way: PlannedSupply,
  hour: number,
  { materials }: Pick<House, 'materials'>,
  almanac: Pick<Almanac, 'common'>,
): number | null {
  if (way.kind === 'bought') return way.price?.value ?? null
  if (!isGrown(way)) return null
  const parts = (feeder.recipe?.parts ?? []).reduce((sum, { what, amount }) => {
    const price = materials[materialId(what, amount.unit)]?.price
    return sum + (price ? (amount.value * price.price) / price.amount : 0)
  }, 0)
  return parts + (minutesOf(feeder, almanac) / 60) * hour
}

/**
 * What a unit of each feeder weighs in the plan, where the school weighs by what they cost: beside the work of a start of
 * usual length. By the other school all weigh alike.
 */
export function unitWeights(
  feederIds: readonly string[],
  house: Pick<House, 'materials'>,
  almanac: Pick<Almanac, 'feeders' | 'schools' | 'common'>,
  { schools }: Pick<HouseSettings, 'schools'>,
): Record<string, FeederWeights> | undefined {
  const hour = schoolChoice(almanac, schools, 'unitWeight').fact?.value
  if (!hour) return undefined
  const one = (almanac.common.startMinutes!.value / 60) * hour
  const weightOf = (feeder: Feeder, way: PlannedSupply, unpriced: number): UnitWeight => {
    const money = moneyOf(feeder, way, hour, house, almanac)
    return { money, units: money === null ? unpriced : Math.max(LEAST, money / one) }
  }
  return Object.fromEntries(
    feederIds.map((id): [string, FeederWeights] => {
      const feeder = feederOf(almanac, id)
      const supply = plannedSupply(feeder)
      const order = supply && isGrown(supply) ? orderWay(feeder) : undefined
      return [
        id,
        {
          usual: supply ? weightOf(feeder, supply, 1) : { money: null, units: 1 },
          byOrder: order ? weightOf(feeder, order, almanac.common.otherWayCost!.value) : null,
        },
      ]
    }),
  )
}
