<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import {
  bySupplier,
  cultureDay,
  orderRows,
  orderSheet,
  tellAmount,
  tellOrderLine,
  type StartLine,
  type Task,
} from '#core/season'
import { counted, dayToIso, formatMoney, formatWeekday } from '#core/units'

/** The worksheet of the culture day: ticked by thumb, or printed. */
const house = useHouse()
const tellNotLoaded = useNotLoaded()
const context = useSeasonContext()
const sheet = computed(() => cultureDay(house.plans, house.season?.tasks ?? [], context.value))
const when = computed(() => (sheet.value.day === house.today ? 'Today' : formatWeekday(sheet.value.day)))
const answer = computed(() => {
  const { starts, orders, takeOut, deliveries } = sheet.value
  const parts = [
    starts.length &&
      `start ${counted(
        starts.reduce((n, s) => n + s.count, 0),
        'culture',
      )}`,
    orders.length && `${counted(orders.length, 'order')}`,
    takeOut.length && `take out ${takeOut.length}`,
    deliveries.length && `${counted(deliveries.length, 'delivery', 'deliveries')} expected`,
  ].filter(Boolean)
  return parts.length ? `${when.value}: ${parts.join(', ')}.` : `${when.value}: nothing to start, order or take out.`
})
/** `about 45 minutes`, with what there is of them. */
const time = computed(() => {
  const most = house.settings.cultureMinutes
  const took = `About ${Math.round(sheet.value.minutes)} minutes`
  return most === null ? `${took}.` : `${took} of ${most}.`
})
const amount = (n: number) => Math.ceil(n).toLocaleString('en-GB')
const from = ({ from: tags, founders, lacking }: StartLine) =>
  !founders
    ? ''
    : lacking && !tags.length
      ? `${amount(founders)} founders: none of your own on that day, buy them`
      : `${amount(founders)} founders, from ${tags.join(', ')}${lacking ? `; ${amount(lacking)} are lacking` : ''}`
/** Cautions are said once, at the end; what founds the cultures stands with their line. */
function bare(task: Task, detail = task.detail): Task {
  // what keeps too short to wait for culture day has a day of its own
  const otherDay = task.due !== sheet.value.day && (task.due <= house.today ? 'today' : formatWeekday(task.due))
  return { ...task, caution: undefined, detail: [otherDay, detail].filter(Boolean).join('; ') || undefined }
}
const startTasks = computed(() => sheet.value.starts.map(s => bare(s.task, from(s) || undefined)))
const cautions = computed(() => [
  ...new Set([...sheet.value.starts.map(s => s.task), ...sheet.value.orders].flatMap(t => t.caution ?? [])),
])
/** What of the deliveries has no box of its own, which says how it is kept. */
const unboxed = computed(() => sheet.value.deliveries.some(d => !house.almanac.feeders[d.subject.id]?.box))
const print = () => window.print()
const orders = computed(() => orderSheet(house.plans, house.almanac, house.today))
const { copy, copied } = useClipboard({ legacy: true })
const money = (n: number) => formatMoney(n, house.settings.currency)
/** What goes to whom, with what it comes to and what is missing to the least that is sent. */
const suppliers = computed(() =>
  bySupplier(orders.value, context.value).map(({ supplier, lines, goods, before, carriage, under }) => ({
    name: supplier?.name ?? 'No price list',
    lines,
    told: supplier
      ? [
          `${counted(lines.length, 'line')}, ${money(goods)}`,
          before ? `${money(before)} ordered today` : '',
          carriage ? `and ${money(carriage)} carriage` : '',
          under ? `${money(under)} under the least order: nothing that is planned and keeps makes it up` : '',
        ]
          .filter(Boolean)
          .join(', ')
      : counted(lines.length, 'line'),
    under: under > 0,
  })),
)
const copyOrders = () =>
  copy(
    suppliers.value
      .map(s => [`${s.name}:`, ...s.lines.map(o => tellOrderLine(o, house.today))].join('\n'))
      .join('\n\n'),
  )
async function saveOrders(): Promise<void> {
  try {
    const { csvOf } = await import('#shared/csv')
    saveFile(
      `orders-${dayToIso(house.today)}.csv`,
      csvOf(orderRows(orders.value, dayToIso, house.house.suppliers)),
      'text/csv',
    )
  } catch {
    tellNotLoaded()
  }
}
</script>

<template>
  <div class="screen">
    <header>
      <div>
        <h1>What is done on culture day?</h1>
        <p>{{ answer }}</p>
      </div>
      <div class="buttons">
        <UButton to="/labels" label="Labels" icon="i-lucide-qr-code" variant="outline" color="neutral" />
        <UButton label="Print" icon="i-lucide-printer" variant="outline" color="neutral" @click="print" />
      </div>
    </header>
    <section v-if="sheet.starts.length">
      <h2>Start</h2>
      <p class="small quiet">{{ time }}</p>
      <RoundTaskList :tasks="startTasks" />
    </section>
    <section v-if="sheet.mix.length">
      <h2>For all of these together</h2>
      <ul class="mix">
        <li v-for="line in sheet.mix" :key="`${line.what} ${line.unit}`">
          <b>{{ tellAmount(line) }}{{ line.unit === 'each' ? ' ×' : '' }}</b> {{ line.what }}
        </li>
      </ul>
      <p v-for="{ feeders, how } in sheet.how" :key="how" class="small">
        {{ feeders.map((f, i) => (i ? f.name.toLowerCase() : f.name)).join(', ') }}: {{ how }}
      </p>
    </section>
    <FeedersMaterials />
    <section v-if="sheet.orders.length">
      <h2>Order</h2>
      <RoundTaskList :tasks="sheet.orders.map(o => bare(o))" />
      <ul v-if="suppliers.some(s => s.name !== 'No price list')" class="small" data-testid="by-supplier">
        <li v-for="s in suppliers" :key="s.name">
          <b>{{ s.name }}</b> <span :class="{ under: s.under }">{{ s.told }}</span>
        </li>
      </ul>
      <p v-if="orders.length" class="list">
        <UButton
          :label="copied ? 'Copied' : 'Copy the order'"
          icon="i-lucide-copy"
          variant="outline"
          color="neutral"
          @click="copyOrders"
        />
        <UButton
          label="Save it as CSV"
          icon="i-lucide-download"
          variant="outline"
          color="neutral"
          @click="saveOrders"
        />
      </p>
    </section>
    <section v-if="sheet.deliveries.length">
      <h2>Take in</h2>
      <RoundTaskList :tasks="sheet.deliveries" />
      <p v-if="unboxed" class="small">Bran over all, moist fruit, the dead out. Fed out after a day of good food.</p>
    </section>
    <section v-if="sheet.looks.length">
      <h2>Look and harvest</h2>
      <RoundTaskList :tasks="sheet.looks" />
    </section>
    <section v-if="sheet.takeOut.length">
      <h2>Take out</h2>
      <RoundTaskList :tasks="sheet.takeOut" />
    </section>
    <p class="quiet small mt-6">
      Boiling water scalds: mix away from children, and let it cool before flies go in. {{ cautions.join(' ') }}
    </p>
  </div>
</template>

<style scoped>
section {
  margin-top: 1rem;
  max-width: 60rem;
  break-inside: avoid;
}
.buttons {
  display: flex;
  gap: 0.5rem;
}
.under {
  color: var(--harm);
}
.list {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.5rem;
}
.mix {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: 0.125rem 1.5rem;
}
</style>
