import type { Fact } from '../almanac'
import type { Day } from '../chance'
import { computedInput, entryInput, factInput, type Reason } from '../judgement'
import { materialId } from '../subjects'
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

/**
 * What is left of the materials of all recipes whose feeders the house grows, and how long it lasts by the plan. Used
 * since a count is what the recipes ask of the cultures that were started on later days.
 */
export function materialsAhead(
  plans: readonly FeederPlan[],
  { house, almanac, today }: Pick<SeasonContext, 'house' | 'almanac' | 'today'>,
): MaterialAhead[] {
  const started = Object.values(house.cultures).filter(c => !c.bought && c.startDay <= today)
  const grown = new Set([...started.map(c => c.feederId), ...plans.filter(p => p.verb === 'Start').map(p => p.prey)])
  const parts = new Map<string, { what: string; unit: string; of: { prey: string; amount: Fact }[] }>()
  for (const prey of grown)
    for (const { what, amount } of almanac.feeders[prey]?.recipe?.parts ?? []) {
      const id = materialId(what, amount.unit)
      const part = parts.get(id) ?? { what, unit: amount.unit, of: [] }
      part.of.push({ prey, amount })
      parts.set(id, part)
    }
  return [...parts].map(([id, { what, unit, of }]): MaterialAhead => {
    const state = house.materials[id]
    const amountOf = new Map(of.map(o => [o.prey, o.amount.value]))
    const ahead = plans
      .filter(p => p.verb === 'Start' && amountOf.has(p.prey))
      .flatMap(p => p.starts.map(s => ({ day: s.day, amount: s.count * amountOf.get(p.prey)! })))
      .sort((a, b) => a.day - b.day)
    const counted = state?.counted ?? null
    const came = state?.bought.reduce((n, b) => n + b.amount, 0) ?? 0
    const used = counted
      ? started.reduce((n, c) => n + (c.startDay > counted.day ? (amountOf.get(c.feederId) ?? 0) : 0), 0)
      : 0
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
          rule: 'What was counted and came since, less what the recipes took; the plan takes the rest',
          inputs: [
            ...(counted
              ? [entryInput('Counted', `${counted.amount} ${unit}, ${formatDay(counted.day, today)}`, counted)]
              : [computedInput('Counted', 'never')]),
            ...(came ? [computedInput('Came since', `${came} ${unit}`)] : []),
            ...(used ? [computedInput('Taken since, by the recipes', `${used} ${unit}`)] : []),
            ...of.map(o =>
              factInput(
                almanac.feeders[o.prey]!.name,
                `feeders.${o.prey}.recipe.parts.${almanac.feeders[o.prey]!.recipe!.parts.findIndex(p => materialId(p.what, p.amount.unit) === id)}.amount.value`,
                o.amount,
              ),
            ),
            factInput('Got within', 'common.materialDays.value', lead),
          ],
          change: 'A count, or what was bought',
        },
      ],
    }
  })
}
