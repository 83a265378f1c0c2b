import { feederOf, type Almanac, type Feeder } from '../../almanac'
import { packWay } from '../../supply'
import { dayToIso, formatDay } from '../../units'
import { STARTS_AHEAD, tellOrder, tellUnits, type FeederPlan } from '../plans'
import type { Task } from '../contracts'

/** What comes of it when nothing is started or ordered. */
function without({ bareMissing }: Pick<FeederPlan, 'bareMissing'>, today: number): string | undefined {
  const first = bareMissing.findIndex(missing => missing >= 0.5)
  return first < 0
    ? undefined
    : first === 0
      ? 'short already'
      : `without it short from ${formatDay(today + first, today)}`
}

/** The supplier by whose price list it is ordered. */
function fromOf(feeder: Feeder): { supplierId?: string } {
  const supplierId = packWay(feeder)?.supplierId
  return supplierId === undefined ? {} : { supplierId }
}

function taskOf(plan: FeederPlan, feeder: Feeder, today: number): Task | null {
  const first = plan.starts[0]
  if (!first || first.day > today + STARTS_AHEAD) return null
  const bought = feeder.supply.kind === 'bought'
  const pack = feeder.supply.kind === 'bought' ? feeder.supply.packCount.value : 1
  return {
    id: `start:${plan.prey}`,
    kind: 'start',
    subject: { type: 'prey', id: plan.prey },
    tag: feeder.name,
    placeId: null,
    due: first.day,
    what: tellUnits(plan, feeder, first.count),
    detail: plan.gaps[0]
      ? `short by ${Math.round(plan.gaps[0].missing)} from ${formatDay(plan.gaps[0].from, today)} all the same: buy or borrow`
      : without(plan, today),
    actions: [
      bought
        ? {
            label: plan.verb === 'Gather' ? 'Gathered' : 'Ordered',
            kind: plan.verb === 'Gather' ? 'preyReceived' : 'preyOrdered',
            data: { count: first.count * pack, ...(plan.verb !== 'Gather' && fromOf(feeder)) },
            tone: 'main',
          }
        : {
            label: `${plan.verb === 'Order' ? 'Ordered' : 'Start'} ${first.count}`,
            kind: 'cultureStarted',
            data: { feederId: plan.prey, ...(plan.verb === 'Order' && { bought: true }) },
            times: first.count,
            tone: 'main',
          },
      {
        label: 'Other number',
        kind: 'startDecided',
        data: { day: dayToIso(first.day) },
        ask: {
          field: 'units',
          label: `How many on ${formatDay(first.day, today)}`,
          likely: first.count,
        },
      },
    ],
    caution: feeder.cautions[0],
    reasons: plan.reasons,
  }
}

const tail = (more: string | undefined) => (more ? `; ${more}` : '')

/** What is grown in the house, and is ordered since nothing that is started comes in time. */
function orderTask(plan: FeederPlan, feeder: Feeder, today: number): Task | null {
  const first = plan.orders[0]
  if (!first || first.day > today + STARTS_AHEAD) return null
  return {
    id: `order:${plan.prey}`,
    kind: 'start',
    subject: { type: 'prey', id: plan.prey },
    tag: feeder.name,
    placeId: null,
    due: first.day,
    what: tellOrder(first, feeder),
    detail: `what is started now comes too late${tail(without(plan, today))}`,
    actions: [
      first.pieces === null
        ? {
            label: `Ordered ${first.count}`,
            kind: 'cultureStarted',
            data: { feederId: plan.prey, bought: true },
            times: first.count,
            tone: 'main',
          }
        : {
            label: 'Ordered',
            kind: 'preyOrdered',
            data: { count: first.count * first.pieces, ...fromOf(feeder) },
            tone: 'main',
          },
    ],
    caution: feeder.cautions[0],
    reasons: plan.reasons,
  }
}

/**
 * What the plan asks to start or order on the next culture day, or before. Kept apart from the other tasks, since plans
 * need a solver and tasks do not.
 */
export function startTasks(plans: readonly FeederPlan[], almanac: Pick<Almanac, 'feeders'>, today: number): Task[] {
  return plans
    .flatMap(plan => {
      const feeder = feederOf(almanac, plan.prey)
      return [orderTask(plan, feeder, today), taskOf(plan, feeder, today), plan.takenAlong?.task, plan.second].filter(
        task => !!task,
      )
    })
    .sort((a, b) => a.due - b.due)
}
