import type { Fact } from '../almanac'
import type { Day } from '../chance'
import { computedInput, entryInput, factInput, type Reason } from '../judgement'
import { materialId } from '../subjects'
import { boxesFor, packWay } from '../supply'
import { formatDay } from '../units'
import type { SeasonContext } from './context'
import type { FeederPlan } from './plans'

/** A material of the recipes: what is left of it, and until when that lasts. */
export interface MaterialAhead {
  id: string
  what: string
  unit: string
  /** Null where it was never counted. */
  left: number | null
  /** What the plan takes of it in the next four weeks. */
  soon: number
  /** The first start for which it does not suffice; null = for none that is planned. */
  shortOn: Day | null
  /** The day by which more is got. */
  getBy: Day | null
  /** Of one unit of it, in the money of the house; null where no price was said. */
  unitPrice: number | null
  reasons: Reason[]
}

const FOUR_WEEKS = 28

/** `5`, `480 mL`, `3 handfuls`; under ten to the tenth. */
export function tellAmount({ amount, unit }: { amount: number; unit: string }): string {
  const up = (n: number) => Math.max(0, Math.ceil(n - 1e-9))
  const n = (amount < 10 ? up(10 * amount) / 10 : up(amount)).toLocaleString('en-GB')
  if (unit === 'each') return n
  return `${n} ${n === '1' ? unit : manyOf(unit)}`
}

/** What an amount is written in: `mL`, `handfuls`, `pieces`. */
export const manyOf = (unit: string): string => MANY[unit] ?? unit
const MANY: Readonly<Record<string, string>> = { each: 'pieces', handful: 'handfuls', pinch: 'pinches' }

interface Uses {
  prey: string
  /** Cultures or boxes that are to be made, and those that were, by day. */
  ahead: { day: Day; count: number }[]
  before: { day: Day; count: number }[]
}
interface User extends Uses {
  amount: Fact
  path: string
}
type Context = Pick<SeasonContext, 'house' | 'almanac' | 'today'>

/** Cultures of the house's own: those that were started, and those that the plan starts. */
function usedByCultures(plans: readonly FeederPlan[], { house, almanac, today }: Context): Uses[] {
  const started = Object.values(house.cultures).filter(c => !c.bought && c.startDay <= today)
  const starting = plans.filter(p => p.verb === 'Start')
  return [...new Set([...started.map(c => c.feederId), ...starting.map(p => p.prey)])]
    .filter(prey => almanac.feeders[prey]?.recipe)
    .map(prey => ({
      prey,
      ahead: starting.filter(p => p.prey === prey).flatMap(p => p.starts),
      before: started.filter(c => c.feederId === prey).map(c => ({ day: c.startDay, count: 1 })),
    }))
}

/** Boxes of what is bought alive: for what came, what is on order, and what the plan orders. */
function usedByBoxes(plans: readonly FeederPlan[], { house, almanac }: Pick<Context, 'house' | 'almanac'>): Uses[] {
  const ordering = plans.filter(p => p.kind === 'bought')
  return [...new Set([...Object.keys(house.stocks), ...ordering.map(p => p.prey)])].flatMap((prey): Uses[] => {
    const feeder = almanac.feeders[prey]
    const pack = feeder && packWay(feeder)
    if (!feeder?.box || !pack) return []
    const boxed = (list: readonly { day: Day; count: number }[], each = 1) =>
      list.map(({ day, count }) => ({ day, count: boxesFor(feeder.box!, count * each) }))
    const { came = [], onOrder = [] } = house.stocks[prey] ?? {}
    const planned = ordering.filter(p => p.prey === prey).flatMap(p => p.starts)
    const ahead = [...boxed(onOrder), ...boxed(planned, pack.packCount.value)]
    return ahead.length || came.length ? [{ prey, ahead, before: boxed(came) }] : []
  })
}

/**
 * What is left of the materials of cultures that the house grows and of boxes for what it buys, and how long it lasts by
 * the plan. Used since a count is what these ask for cultures that were started, and deliveries that came, on later days.
 */
export function materialsAhead(
  plans: readonly FeederPlan[],
  { house, almanac, today }: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
): MaterialAhead[] {
  const parts = new Map<string, { what: string; unit: string; of: User[] }>()
  for (const { users, made } of [
    { users: usedByCultures(plans, { house, almanac, today }), made: 'recipe' as const },
    { users: usedByBoxes(plans, { house, almanac }), made: 'box' as const },
  ])
    for (const { prey, ahead, before } of users)
      almanac.feeders[prey]![made]!.parts.forEach(({ what, amount }, i) => {
        const id = materialId(what, amount.unit)
        const part = parts.get(id) ?? { what, unit: amount.unit, of: [] }
        part.of.push({ prey, ahead, before, amount, path: `feeders.${prey}.${made}.parts.${i}.amount.value` })
        parts.set(id, part)
      })
  return [...parts].map(([id, { what, unit, of }]): MaterialAhead => {
    const state = house.materials[id]
    const taken = (which: 'ahead' | 'before') =>
      of.flatMap(({ amount, [which]: list }) => list.map(({ day, count }) => ({ day, amount: count * amount.value })))
    const ahead = taken('ahead').sort((a, b) => a.day - b.day)
    const counted = state?.counted ?? null
    const came = state?.bought.reduce((n, b) => n + b.amount, 0) ?? 0
    const used = counted ? taken('before').reduce((n, t) => n + (t.day > counted.day ? t.amount : 0), 0) : 0
    const left = counted ? Math.max(0, counted.amount + came - used) : null
    let open = left ?? Number.POSITIVE_INFINITY
    const short = ahead.find(s => (open -= s.amount) < -1e-9)
    const lead = almanac.common.materialDays!
    const price = state?.price
    return {
      ...{ id, what, unit, left },
      soon: ahead.reduce((n, s) => n + (s.day < today + FOUR_WEEKS ? s.amount : 0), 0),
      shortOn: short?.day ?? null,
      getBy: short ? Math.max(today, short.day - Math.ceil(lead.value)) : null,
      unitPrice: price ? price.price / price.amount : null,
      reasons: [
        {
          rule: 'What was counted and came since, less what cultures and boxes took; the plan takes the rest',
          inputs: [
            ...(counted
              ? [entryInput('Counted', `${counted.amount} ${unit}, ${formatDay(counted.day, today)}`, counted)]
              : [computedInput('Counted', 'never')]),
            ...(came ? [computedInput('Came since', `${came} ${unit}`)] : []),
            ...(used ? [computedInput('Taken since, by cultures and boxes', `${used} ${unit}`)] : []),
            ...of.map(o => factInput(almanac.feeders[o.prey]!.name, o.path, o.amount)),
            factInput('Got within', 'common.materialDays.value', lead),
          ],
          change: 'A count, or what was bought',
        },
      ],
    }
  })
}
