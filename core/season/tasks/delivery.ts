import { feederOf } from '../../almanac'
import { entryInput, factInput } from '../../judgement'
import { formatDay, formatDistance } from '../../units'
import type { Task } from '../contracts'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

export const deliveryTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.stocks),
    s => ({ type: 'prey', id: s.prey }),
    (stock, { almanac, today }): Task[] => {
      const order = stock.onOrder[0]
      const feeder = feederOf(almanac, stock.prey)
      if (!order || feeder.supply.kind !== 'bought' || !due(order.day + feeder.supply.leadDays.value, today)) return []
      return [
        {
          id: `delivery:${stock.prey}`,
          kind: 'delivery',
          subject: { type: 'prey', id: stock.prey },
          tag: feeder.name,
          placeId: null,
          due: order.day + feeder.supply.leadDays.value,
          what: `Delivery of ${order.count} ${feeder.many}`,
          detail: `ordered ${formatDistance(order.day, today)}`,
          actions: [{ label: 'Arrived', kind: 'preyReceived', data: { count: order.count }, tone: 'main' }],
          reasons: [
            {
              rule: 'Order plus its lead time',
              inputs: [
                entryInput('Ordered', formatDay(order.day, today), order),
                factInput('Lead time', `feeders.${feeder.id}.supply.leadDays.value`, feeder.supply.leadDays),
              ],
            },
          ],
        },
      ]
    },
  )
