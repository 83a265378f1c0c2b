import { feederOf } from '../../almanac'
import { arrival, fedFirst, orderDue, packWay, wayPath } from '../../supply'
import { computedInput, entryInput, factInput } from '../../judgement'
import { formatDay, formatDistance } from '../../units'
import type { Task } from '../contracts'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

export const deliveryTasks: TaskMaker = context =>
  tasksOfEach(
    context,
    Object.values(context.house.stocks),
    s => ({ type: 'prey', id: s.prey }),
    (stock, { house, almanac, today }): Task[] => {
      const feeder = feederOf(almanac, stock.prey)
      const packs = packWay(feeder)
      if (!packs) return []
      return stock.onOrder.flatMap((order, i): Task[] => {
        const expected = orderDue(order, packs.leadDays.value, house.suppliers)
        if (!due(expected, today)) return []
        const supplier = order.supplierId === undefined ? undefined : house.suppliers[order.supplierId]
        const late = Math.floor(today - expected)
        const comes = arrival(expected, almanac, today)
        const still = `${Math.round(100 * (1 - comes.never))} of 100 so late still come`
        const delay = late >= 1 ? `, ${late} ${late === 1 ? 'day' : 'days'} late: ${still}` : ''
        const ordered = `ordered ${formatDistance(order.day, today)}${supplier ? ` from ${supplier.name}` : ''}${delay}`
        const fed = fedFirst(packs)
        const fedFrom = fed && `on good food first, fed out from ${formatDay(today + fed, today)}`
        // the oldest is meant where none is named
        const of = i ? { of: order.entryId } : {}
        return [
          {
            id: i ? `delivery:${stock.prey}:${order.entryId}` : `delivery:${stock.prey}`,
            kind: 'delivery',
            subject: { type: 'prey', id: stock.prey },
            tag: feeder.name,
            placeId: null,
            due: expected,
            what: `Delivery of ${order.count} ${feeder.many}`,
            detail: [ordered, fedFrom].filter(Boolean).join('; '),
            actions: [
              { label: 'Arrived', kind: 'preyReceived', data: { count: order.count, ...of }, tone: 'main' },
              {
                label: 'Short or dead',
                kind: 'preyReceived',
                data: of,
                ask: { field: 'count', label: 'Alive and usable', likely: order.count },
              },
              { label: 'Never came', kind: 'orderDropped', data: of },
            ],
            reasons: [
              {
                rule: order.due === undefined ? 'Order plus its lead time' : 'The day that was confirmed',
                inputs: [
                  entryInput('Ordered', formatDay(order.day, today), order),
                  ...(order.due === undefined
                    ? supplier
                      ? [
                          computedInput(
                            `${supplier.name} sends next, and its days on the road`,
                            formatDay(expected, today),
                          ),
                        ]
                      : [factInput('Lead time', `${wayPath(feeder, packs)}.leadDays.value`, packs.leadDays)]
                    : [computedInput('Confirmed for', formatDay(order.due, today))]),
                  factInput('Come late', 'common.deliveryLate.value', almanac.common.deliveryLate!),
                  factInput('Never come', 'common.deliveryLost.value', almanac.common.deliveryLost!),
                ],
              },
            ],
          },
        ]
      })
    },
  )
