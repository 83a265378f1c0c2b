import { feederOf } from '../../almanac'
import { packWay, wayPath } from '../../supply'
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
      const packs = packWay(feeder)
      if (!order || !packs || !due(order.day + packs.leadDays.value, today)) return []
      return [
        {
          id: `delivery:${stock.prey}`,
          kind: 'delivery',
          subject: { type: 'prey', id: stock.prey },
          tag: feeder.name,
          placeId: null,
          due: order.day + packs.leadDays.value,
          what: `Delivery of ${order.count} ${feeder.many}`,
          detail: `ordered ${formatDistance(order.day, today)}`,
          actions: [{ label: 'Arrived', kind: 'preyReceived', data: { count: order.count }, tone: 'main' }],
          reasons: [
            {
              rule: 'Order plus its lead time',
              inputs: [
                entryInput('Ordered', formatDay(order.day, today), order),
                factInput('Lead time', `${wayPath(feeder, packs)}.leadDays.value`, packs.leadDays),
              ],
            },
          ],
        },
      ]
    },
  )
