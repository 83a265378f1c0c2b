import { feederOf } from '../../almanac'
import { arrival, fedFirst, orderDue, packWay } from '../../supply'
import type { Task } from '../contracts'
import { LABELS, tellDelivery } from './deliveryWording'
import { due, tasksOfEach, type TaskMaker } from './taskMaker'

/** What was ordered, from the day on which it is expected. */
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
        const fed = fedFirst(packs)
        // the oldest is meant where none is named
        const of = i ? { of: order.entryId } : {}
        const usable = { field: 'count', label: LABELS.usable, likely: order.count }
        const found = {
          feeder,
          packs,
          order,
          supplier: supplier?.name ?? null,
          expected,
          never: arrival(expected, almanac, today).never,
          fedFrom: fed ? today + fed : null,
        }
        return [
          {
            id: i ? `delivery:${stock.prey}:${order.entryId}` : `delivery:${stock.prey}`,
            kind: 'delivery',
            subject: { type: 'prey', id: stock.prey },
            tag: feeder.name,
            placeId: null,
            due: expected,
            actions: [
              { label: LABELS.arrived, kind: 'preyReceived', data: { count: order.count, ...of }, tone: 'main' },
              { label: LABELS.shortOrDead, kind: 'preyReceived', data: of, ask: usable },
              { label: LABELS.neverCame, kind: 'orderDropped', data: of },
            ],
            ...tellDelivery(found, almanac, today),
          },
        ]
      })
    },
  )
