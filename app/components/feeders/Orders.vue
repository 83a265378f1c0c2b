<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { orderDue, packWay, simulatedAnswer } from '#core/supply'
import type { StockState } from '#core/subjects'
import { counted, dayToIso, formatDay, formatDistance } from '#core/units'

/** What is on order, by the day on which it is expected, and what the supplier says of it. */
const house = useHouse()
const { record, busy } = useRecord()
type Order = StockState['onOrder'][number]
const orders = computed(() =>
  Object.values(house.house.stocks)
    .flatMap(({ prey, onOrder }) => {
      const feeder = house.almanac.feeders[prey]
      return feeder
        ? onOrder.map(order => ({
            prey,
            feeder,
            order,
            due: orderDue(order, packWay(feeder)?.leadDays.value ?? 0, house.house.suppliers),
            supplier: order.supplierId === undefined ? undefined : house.house.suppliers[order.supplierId],
          }))
        : []
    })
    .sort((a, b) => a.due - b.due),
)
async function write(
  kind: string,
  prey: string,
  order: Order,
  says: string,
  data: object,
  form?: FormErrors,
): Promise<unknown> {
  const goOn = mindLine()
  const written = await record(
    { kind, subject: { type: 'prey', id: prey }, data: { ...data, of: order.entryId } },
    `${feederOf(house.almanac, prey).name}: ${says}`,
    form,
  )
  await goOn()
  return written
}
/** The simulated supplier first says when it comes, and then sends it, or does not. */
function answer(prey: string, order: Order, due: number): Promise<unknown> {
  const { confirmed, comes, count, dead, open } = simulatedAnswer(order, due, house.almanac)
  if (order.due === undefined)
    return write('orderConfirmed', prey, order, `confirmed for ${formatDay(confirmed, house.today)}`, {
      comes: dayToIso(confirmed),
    })
  return comes === null
    ? write('orderDropped', prey, order, 'it will not come', { why: 'the supplier could not send it' })
    : write('preyReceived', prey, order, `${count} arrived${dead ? `, ${dead} dead` : ''}`, {
        count,
        ...(dead && { dead }),
        ...(open && { open }),
      })
}
</script>

<template>
  <section v-if="orders.length" class="orders">
    <h2>On order</h2>
    <ul>
      <FeedersLine v-for="o in orders" :key="o.order.entryId" :data-order="o.prey">
        <b>{{ o.order.count.toLocaleString('en-GB') }} {{ o.feeder.many }}</b
        ><template v-if="o.supplier"> from {{ o.supplier.name }}</template
        >, ordered {{ formatDistance(o.order.day, house.today) }};
        {{ o.order.due === undefined ? 'expected' : 'confirmed for' }} {{ formatDay(o.due, house.today)
        }}<template v-if="o.due < house.today"
          >, <b class="late">{{ counted(house.today - o.due, 'day') }} late</b></template
        >.

        <template #do>
          <UButton
            v-if="o.supplier?.simulated"
            :label="o.order.due === undefined ? 'It confirms' : 'It sends'"
            :aria-label="`${o.order.due === undefined ? 'It confirms' : 'It sends'}: ${o.feeder.many}`"
            icon="i-lucide-dices"
            variant="outline"
            :disabled="busy"
            @click="answer(o.prey, o.order, o.due)"
          />
          <RecordAskNumber
            label="Arrived"
            :title="`${o.feeder.name}: alive and usable`"
            kind="preyReceived"
            :likely="o.order.count"
            :busy="busy"
            @record="
              (count, further, form) =>
                write('preyReceived', o.prey, o.order, `${count} arrived`, { count, ...further }, form)
            "
          />
          <RecordAskNumber
            label="Confirmed"
            :title="`${o.feeder.name}: what the supplier says`"
            kind="orderConfirmed"
            no-number
            :busy="busy"
            @record="(_, further, form) => write('orderConfirmed', o.prey, o.order, 'confirmed', further ?? {}, form)"
          />
          <UButton
            label="Never comes"
            :aria-label="`Never comes: ${o.feeder.many}`"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="write('orderDropped', o.prey, o.order, 'order dropped', {})"
          />
        </template>
      </FeedersLine>
    </ul>
  </section>
</template>

<style scoped>
.orders {
  margin-bottom: 1.5rem;
}
.late {
  color: var(--harm);
}
</style>
