<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { packWay } from '#core/supply'
import type { Offer, SupplierState } from '#core/subjects'
import { counted, formatMoney, shortWeekday, upperFirst } from '#core/units'

/** Whom feeders are ordered from: their days, packs and prices. */
const house = useHouse()
const { record, busy } = useRecord()
const suppliers = computed(() => Object.values(house.house.suppliers).filter(s => !s.ended))
const changing = ref<SupplierState>()
const forming = ref(false)
const listing = ref(false)
const listed = ref<SupplierState>()
function change(supplier?: SupplierState): void {
  changing.value = supplier
  forming.value = true
}
function list(supplier: SupplierState): void {
  listed.value = supplier
  listing.value = true
}
const money = (value: number) => formatMoney(value, house.settings.currency)
function terms(s: SupplierState): string {
  return [
    s.sendsOn ? `sends ${s.sendsOn.map(shortWeekday).join(', ')}` : 'sends every day',
    `${counted(s.leadDays, 'day')} on the road`,
    s.minimum ? `from ${money(s.minimum)}` : '',
    s.carriage ? `carriage ${money(s.carriage)}` : '',
    s.simulated ? 'simulated' : '',
  ]
    .filter(Boolean)
    .join('; ')
}
const name = (prey: string) => feederOf(house.almanac, prey).name
/** What is ordered of a feeder now. */
const isOrdered = (s: SupplierState, o: Offer) => {
  const way = packWay(feederOf(house.almanac, o.prey))
  return way?.supplierId === s.id && way.packCount.value === o.pieces
}
const rows = (s: SupplierState) => [...s.offers].sort((a, b) => (name(a.prey) < name(b.prey) ? -1 : 1))
/** By the piece, in the hundredth part where it is that small. */
function each({ price, pieces }: Offer): string {
  const one = price / pieces
  return one < 0.1 ? `${money(100 * one)} for 100` : `${money(one)} each`
}
const answer = computed(() => {
  const packs = suppliers.value.reduce((n, s) => n + s.offers.length, 0)
  return suppliers.value.length
    ? [
        `${counted(suppliers.value.length, 'supplier')}, ${counted(packs, 'pack')}.`,
        'Of each feeder the usual pack is ordered, or the cheapest by the piece.',
      ].join(' ')
    : 'None yet: packs and days are those of the Almanac. With a price list the plan orders what can be had, and says what it costs.'
})
const makeUsual = (s: SupplierState, o: Offer) =>
  record(
    {
      kind: 'priceListSet',
      subject: { type: 'supplier', id: s.id },
      data: {
        offers: s.offers.map(({ usual, ...other }) => ({
          ...other,
          ...((other.prey === o.prey ? other.pieces === o.pieces && !o.usual : usual) && { usual: true }),
        })),
      },
    },
    `${name(o.prey)}: ${o.usual ? 'the cheapest by the piece' : `${o.pieces} from ${s.name}`}`,
  )
async function end(s: SupplierState): Promise<void> {
  const goOn = mindLine()
  await record(
    { kind: 'supplierEnded', subject: { type: 'supplier', id: s.id }, data: {} },
    `${s.name}: no longer ordered from`,
  )
  await goOn()
}
</script>

<template>
  <div class="screen">
    <header>
      <div>
        <h1>Who sends what, and at what price?</h1>
        <p>{{ answer }}</p>
      </div>
      <UButton label="Add a supplier" icon="i-lucide-plus" @click="change()" />
    </header>
    <section v-for="s in suppliers" :key="s.id" :data-supplier="s.name">
      <h2>{{ s.name }}</h2>
      <p>{{ upperFirst(terms(s)) }}.</p>
      <div class="buttons">
        <UButton label="Price list" :aria-label="`Price list: ${s.name}`" variant="outline" @click="list(s)" />
        <UButton
          label="Change"
          :aria-label="`Change: ${s.name}`"
          variant="outline"
          color="neutral"
          @click="change(s)"
        />
        <UButton
          label="No longer"
          :aria-label="`No longer: ${s.name}`"
          variant="outline"
          color="neutral"
          :disabled="busy"
          @click="end(s)"
        />
      </div>
      <table v-if="s.offers.length" class="plain">
        <thead>
          <tr>
            <th>Feeder</th>
            <th class="num">In a pack</th>
            <th class="num">Price</th>
            <th class="num">Comes to</th>
            <th>Ordered</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="o in rows(s)" :key="`${o.prey} ${o.pieces}`">
            <td>{{ name(o.prey) }}</td>
            <td class="num">{{ o.pieces.toLocaleString('en-GB') }}</td>
            <td class="num">{{ money(o.price) }}</td>
            <td class="num">{{ each(o) }}</td>
            <td>
              <UButton
                :label="o.usual ? 'usual' : isOrdered(s, o) ? 'cheapest' : 'make it usual'"
                :aria-label="`${o.usual ? 'usual' : isOrdered(s, o) ? 'cheapest' : 'make it usual'}: ${name(o.prey)}, ${o.pieces}`"
                :aria-pressed="Boolean(o.usual)"
                :variant="o.usual || isOrdered(s, o) ? 'soft' : 'link'"
                size="sm"
                :disabled="busy"
                @click="makeUsual(s, o)"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="quiet">No price list yet.</p>
    </section>
    <FeedersSupplierForm v-model:open="forming" :supplier="changing" />
    <FeedersPriceList v-if="listed" v-model:open="listing" :supplier="listed" />
  </div>
</template>

<style scoped>
section {
  margin-top: 1.25rem;
  max-width: 52rem;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin: 0.375rem 0;
}
@media (max-width: 640px) {
  th:nth-child(4),
  td:nth-child(4) {
    display: none;
  }
}
</style>
