import { clockOf, feederOf, type Almanac, type Species } from '../almanac'
import type { Day } from '../chance'
import type { Reason } from '../judgement'
import type { Season, Task } from './contracts'
import { standInsFor, type FeederPlan, type Order, type Replacing } from './plans'
import { startTasks } from './tasks'

/** Days in which those that came unexpected must not be short. */
export const FIRST_DAYS = 21

/** One prey that they eat in their first weeks. */
export interface FirstFood {
  prey: string
  /** Pieces in the first weeks, for them alone. */
  wanted: number
  /** Pieces in the house today that others do not eat first; never fewer than none. */
  here: number
  /** The same prey ordered, and what stands in its place, in those weeks. */
  orders: Order[]
  inPlace: Replacing[]
  /** Pieces that nothing can give in those weeks. */
  short: number
  reasons: Reason[]
}

/** What there is for young that are here all at once, and what must be done for them. */
export interface UnexpectedFood {
  /** First meal: usual, and last day by which it should be. */
  first: Day
  last: Day
  foods: FirstFood[]
  /** Starts and orders that are more than without them. */
  todo: Task[]
  /** What in the house they could be given now, though they usually get something else. */
  edible: { prey: string; pieces: number }[]
}

const sumTo = (row: readonly number[], days: number) => row.slice(0, days).reduce((a, b) => a + b, 0)

/** Days from birth to the first meal: usual and latest. */
function firstMeal(species: Species): { likely: number; latest: number } {
  const from = species.mode === 'live' ? 'born' : species.mode === 'larval' ? 'metamorphosed' : 'hatched'
  const clock = Object.values(species.clocks).find(c => c.to === 'firstMeal') ?? clockOf(species, from, 'firstMeal')
  return clock ? clock.days : { likely: 0, latest: 0 }
}

/**
 * Compares the season and the plans with young that came unexpected against those without.
 * @param now season and plans as they stand
 * @param then the same with them
 */
export function unexpectedFood(
  species: Species,
  bornDay: Day,
  now: { season: Pick<Season, 'prey'>; plans: readonly FeederPlan[] },
  then: { season: Pick<Season, 'prey'>; plans: readonly FeederPlan[] },
  almanac: Pick<Almanac, 'feeders'>,
  today: Day,
): UnexpectedFood {
  const { likely, latest } = firstMeal(species)
  const lookOf = (season: Pick<Season, 'prey'>, id: string) => season.prey.find(p => p.prey === id)
  const planOf = (plans: readonly FeederPlan[], id: string) => plans.find(p => p.prey === id)
  const until = today + FIRST_DAYS
  const foods = then.season.prey.flatMap((look): FirstFood[] => {
    const before = lookOf(now.season, look.prey)
    const wanted = sumTo(look.high, FIRST_DAYS) - sumTo(before?.high ?? [], FIRST_DAYS)
    if (wanted < 0.5) return []
    const plan = planOf(then.plans, look.prey)
    return [
      {
        prey: look.prey,
        wanted,
        here: Math.max(0, look.stock + sumTo(look.running, 1) - sumTo(before?.high ?? [], 3)),
        orders: plan?.orders.filter(o => o.day <= until) ?? [],
        inPlace: plan?.standIns.filter(r => r.from <= until) ?? [],
        short: sumTo(plan?.missing ?? [], FIRST_DAYS),
        reasons: plan?.reasons ?? look.reasons,
      },
    ]
  })
  const usually = new Map(startTasks(now.plans, almanac, today).map(t => [`${t.id} ${t.due}`, t.what]))
  const todo = startTasks(then.plans, almanac, today).filter(t => usually.get(`${t.id} ${t.due}`) !== t.what)
  const eaten = new Set(foods.map(f => f.prey))
  const others = new Set(
    foods.flatMap(f => standInsFor(f.prey, { never: species.never ?? [] }, almanac).map(s => s.prey)),
  )
  const edible = [...others]
    .filter(id => !eaten.has(id))
    .map(id => {
      const look = lookOf(then.season, id)
      return { prey: id, pieces: look ? Math.max(0, look.stock + sumTo(look.running, 1) - sumTo(look.high, 3)) : 0 }
    })
    .filter(e => e.pieces >= 1)
    .sort(
      (a, b) => b.pieces * feederOf(almanac, b.prey).massG.likely - a.pieces * feederOf(almanac, a.prey).massG.likely,
    )
  return { first: bornDay + Math.round(likely), last: bornDay + Math.round(latest), foods, todo, edible }
}
