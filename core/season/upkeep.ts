import type { Upkeep } from '../almanac'
import type { Day } from '../chance'
import type { Care } from '../subjects'
import { cultureStage, cultureWay, homeOf } from '../supply'
import type { SeasonContext } from './context'
import type { PreyOutlook } from './contracts'

/** A job that comes round for one feeder, as it stands today. */
export interface UpkeepDue {
  prey: string
  job: Upkeep
  /** Days; null where the house does not do it. */
  everyDays: number | null
  /** The house has a rhythm of its own. */
  own: boolean
  last: Care | null
  due: Day
  /** Past what it tolerates. */
  late: boolean
  /** Cultures that it is done for; none for what was bought. */
  tags: string[]
  placeId: string | null
}

/** Under one piece nothing is kept. */
const ONE = 0.999

/**
 * What comes round for the feeders of the house: for cultures that run, and for what was bought and is not eaten yet. One
 * that was never written is due today, and not late.
 */
export function upkeepDue(
  { house, almanac, today }: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
  prey: readonly Pick<PreyOutlook, 'prey' | 'stock' | 'lots'>[],
): UpkeepDue[] {
  const cultures = Object.values(house.cultures)
  const kept = new Set([...cultures.map(c => c.feederId), ...prey.map(p => p.prey)])
  return [...kept].flatMap(id => {
    // what the almanac does not have is told elsewhere
    const feeder = almanac.feeders[id]
    if (!feeder) return []
    return (feeder.upkeep ?? []).flatMap((job): UpkeepDue[] => {
      const running = cultures.filter(c => {
        const way = c.feederId === id && cultureWay(feeder, c)
        return way && ['growing', 'producing'].includes(cultureStage(c, way, today))
      })
      const look = prey.find(p => p.prey === id)
      // what a colony gives is not stock to be tended
      const bought = Boolean(look && look.stock >= ONE && look.lots.length)
      if (job.of === 'culture' ? !running.length : !bought) return []
      const state = house.stocks[id]
      const said = state?.rhythms?.[job.id]
      const everyDays = said === undefined ? job.everyDays.value : said
      const last = state?.care?.[job.id]?.findLast(care => care.day <= today) ?? null
      const due = last && everyDays !== null ? last.day + Math.ceil(everyDays) : today
      return [
        {
          ...{ prey: id, job, everyDays, last, due },
          own: said !== undefined,
          late: today > due + job.toleranceDays.value,
          tags: job.of === 'culture' ? running.map(c => c.tag).sort() : [],
          placeId: job.of === 'culture' ? homeOf(id, running) : null,
        },
      ]
    })
  })
}
