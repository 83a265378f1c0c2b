import { feederOf, type Almanac } from '../../almanac'
import { formatDay } from '../../units'
import { tellUnits, type FeederPlan } from '../feederPlan'
import type { Task } from '../contracts'

/**
 * What the plan asks to start or order on the next culture day. Kept apart from the other tasks, since plans need a
 * solver and tasks do not.
 */
export function startTasks(plans: readonly FeederPlan[], almanac: Almanac, today: number): Task[] {
  return plans.flatMap((plan): Task[] => {
    const first = plan.starts[0]
    if (!first || first.day > today + 6) return []
    const feeder = feederOf(almanac, plan.prey)
    const bought = feeder.supply.kind === 'bought'
    const pack = feeder.supply.kind === 'bought' ? feeder.supply.packCount.value : 1
    return [
      {
        id: `start:${plan.prey}`,
        kind: 'start',
        subject: { type: 'prey', id: plan.prey },
        tag: feeder.name,
        placeId: null,
        due: first.day,
        what: tellUnits(plan, feeder, first.count),
        detail: plan.gaps[0]
          ? `short by ${Math.round(plan.gaps[0].missing)} from ${formatDay(plan.gaps[0].from, today)} all the same: buy or borrow`
          : undefined,
        actions: [
          bought
            ? {
                label: plan.verb === 'Gather' ? 'Gathered' : 'Ordered',
                kind: plan.verb === 'Gather' ? 'preyReceived' : 'preyOrdered',
                data: { count: first.count * pack },
                tone: 'main',
              }
            : {
                label: `${plan.verb === 'Order' ? 'Ordered' : 'Start'} ${first.count}`,
                kind: 'cultureStarted',
                data: { feederId: plan.prey, ...(plan.verb === 'Order' && { bought: true }) },
                times: first.count,
                tone: 'main',
              },
        ],
        caution: feeder.cautions[0],
        reasons: plan.reasons,
      },
    ]
  })
}
