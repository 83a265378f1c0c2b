import { feederOf, type Almanac, type Feeder } from '../../almanac'
import { packWay } from '../../supply'
import { dayToIso } from '../../units'
import { STARTS_AHEAD, type FeederPlan } from '../plans'
import type { Task } from '../contracts'
import { LABELS, howManyOn, orderedSome, startSome, tellOrdered, tellStart } from './startsWording'

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
    actions: [
      bought
        ? {
            label: plan.verb === 'Gather' ? LABELS.gathered : LABELS.ordered,
            kind: plan.verb === 'Gather' ? 'preyReceived' : 'preyOrdered',
            data: { count: first.count * pack, ...(plan.verb !== 'Gather' && fromOf(feeder)) },
            tone: 'main',
          }
        : {
            label: plan.verb === 'Order' ? orderedSome(first.count) : startSome(first.count),
            kind: 'cultureStarted',
            data: { feederId: plan.prey, ...(plan.verb === 'Order' && { bought: true }) },
            times: first.count,
            tone: 'main',
          },
      {
        label: LABELS.otherNumber,
        kind: 'startDecided',
        data: { day: dayToIso(first.day) },
        ask: {
          field: 'units',
          label: howManyOn(first.day, today),
          likely: first.count,
        },
      },
    ],
    ...tellStart(plan, feeder, first, today),
  }
}

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
    actions: [
      first.pieces === null
        ? {
            label: orderedSome(first.count),
            kind: 'cultureStarted',
            data: { feederId: plan.prey, bought: true },
            times: first.count,
            tone: 'main',
          }
        : {
            label: LABELS.ordered,
            kind: 'preyOrdered',
            data: { count: first.count * first.pieces, ...fromOf(feeder) },
            tone: 'main',
          },
    ],
    ...tellOrdered(plan, feeder, first, today),
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
