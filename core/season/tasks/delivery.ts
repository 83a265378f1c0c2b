import { feederOf } from '../../almanac'
import { arrival, fedFirst, packWay, wayPath } from '../../supply'
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
      const late = Math.floor(today - order.day - packs.leadDays.value)
      const comes = arrival(order.day + packs.leadDays.value, almanac, today)
      const still = `${Math.round(100 * (1 - comes.never))} of 100 so late still come`
      const delay = late >= 1 ? `, ${late} ${late === 1 ? 'day' : 'days'} late: ${still}` : ''
      const ordered = `ordered ${formatDistance(order.day, today)}${delay}`
      const fed = fedFirst(packs)
      const fedFrom = fed && `on good food first, fed out from ${formatDay(today + fed, today)}`
      return [
        {
          id: `delivery:${stock.prey}`,
          kind: 'delivery',
          subject: { type: 'prey', id: stock.prey },
          tag: feeder.name,
          placeId: null,
          due: order.day + packs.leadDays.value,
          what: `Delivery of ${order.count} ${feeder.many}`,
          detail: [ordered, fedFrom].filter(Boolean).join('; '),
          actions: [
            { label: 'Arrived', kind: 'preyReceived', data: { count: order.count }, tone: 'main' },
            {
              label: 'Short or dead',
              kind: 'preyReceived',
              data: {},
              ask: { field: 'count', label: 'Alive and usable', likely: order.count },
            },
            { label: 'Never came', kind: 'orderDropped', data: {} },
          ],
          reasons: [
            {
              rule: 'Order plus its lead time',
              inputs: [
                entryInput('Ordered', formatDay(order.day, today), order),
                factInput('Lead time', `${wayPath(feeder, packs)}.leadDays.value`, packs.leadDays),
                factInput('Come late', 'common.deliveryLate.value', almanac.common.deliveryLate!),
                factInput('Never come', 'common.deliveryLost.value', almanac.common.deliveryLost!),
              ],
            },
          ],
        },
      ]
    },
  )
