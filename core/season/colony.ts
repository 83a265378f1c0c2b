import { feederOf, type Almanac } from '../almanac'
import type { Day } from '../chance'
import type { CultureState, House } from '../subjects'
import { colonyToday, cultureStage, cultureWay, sustainableTake, type Colony } from '../supply'
import { remembering, type Remembering } from './remember'
import { cultureTempC } from './warmth'

/** A colony as it is estimated today, and what may be taken of it a week for good. */
export interface ColonyView {
  colony: Colony
  perWeek: number
}

const views = remembering<CultureState, ColonyView>()

/** How a colony stands, for those that yield and of whose kind it is known how it grows; null for all others. */
export function colonyView(
  culture: CultureState,
  context: Remembering & {
    house: Pick<House, 'places' | 'climate' | 'cultures' | 'warmth'>
    almanac: Pick<Almanac, 'feeders' | 'common'>
    today: Day
  },
): ColonyView | null {
  const { almanac, today } = context
  const feeder = feederOf(almanac, culture.feederId)
  const way = cultureWay(feeder, culture)
  const { colony: rates, recipe } = feeder
  if (!rates || way?.kind !== 'colony' || cultureStage(culture, way, today) !== 'producing') return null
  const tempC = cultureTempC(culture, context)
  const { common } = almanac
  const from = [rates, recipe, way, tempC, today, common]
  return views(context, culture, from, () => {
    const usual = { from: culture.producing!.day, perWeek: 7 * way.yieldPerDay.value }
    const colony = colonyToday(
      culture,
      rates,
      (recipe?.founders ?? common.colonyFounders!).value,
      tempC,
      almanac,
      today,
      usual,
    )
    return { colony, perWeek: sustainableTake(colony, common.chainSure!.value) }
  })
}
