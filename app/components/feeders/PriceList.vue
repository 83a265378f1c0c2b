<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { readPriceList, type LineProblem, type Offer, type SupplierState } from '#core/subjects'
import { csvOf, rowsOf } from '#shared/csv'

/** The price list of a supplier as a table of text: pasted from its file, or changed by hand. */
const props = defineProps<{ supplier: SupplierState }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const text = ref('')
const problems = ref<LineProblem[]>([])
const listed = (offers: readonly Offer[]) =>
  offers.length
    ? csvOf(
        offers.map(o => ({
          Feeder: feederOf(house.almanac, o.prey).name,
          Pieces: String(o.pieces),
          Price: o.price.toFixed(2),
        })),
      ).replace(/\r\n/g, '\n')
    : 'Feeder,Pieces,Price\n'
watch(
  open,
  is => {
    if (!is) return
    problems.value = []
    text.value = listed(props.supplier.offers)
  },
  { immediate: true },
)
async function takeFile(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) text.value = await file.text()
}
async function send(): Promise<void> {
  const { offers, problems: found } = readPriceList(rowsOf(text.value), house.almanac)
  problems.value = found
  if (found.length) return
  // what was the usual pack stays it
  const usual = new Set(props.supplier.offers.filter(o => o.usual).map(o => `${o.prey} ${o.pieces}`))
  const form = {
    setErrors: (errors: { name: string; message: string }[]) => {
      problems.value = errors.map(e => ({
        line: Number(/^offers\.(\d+)/.exec(e.name)?.[1] ?? -1) + 2,
        message: e.message,
      }))
    },
  }
  const wish = {
    kind: 'priceListSet',
    subject: { type: 'supplier' as const, id: props.supplier.id },
    data: { offers: offers.map(o => (usual.has(`${o.prey} ${o.pieces}`) ? { ...o, usual: true } : o)) },
  }
  if (await record(wish, `${props.supplier.name}: ${offers.length} packs`, form)) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="`Price list of ${supplier.name}`"
    description="One pack a line: the feeder, how many are in it, and what it costs"
    :ui="{ content: 'max-w-xl' }"
  >
    <template #body>
      <form class="grid gap-4" @submit.prevent="send">
        <UFormField label="From a file (CSV)">
          <input type="file" accept=".csv,text/csv,text/plain" @change="takeFile" />
        </UFormField>
        <UFormField :label="`Feeder, pieces, price in ${house.settings.currency}`">
          <UTextarea v-model="text" :rows="14" class="w-full font-mono" spellcheck="false" />
        </UFormField>
        <div v-if="problems.length" role="alert" class="wrong">
          <p><b>Nothing was taken.</b></p>
          <p v-for="p in problems.slice(0, 8)" :key="`${p.line} ${p.message}`">Line {{ p.line }}: {{ p.message }}.</p>
          <p v-if="problems.length > 8">And {{ problems.length - 8 }} more.</p>
        </div>
        <UButton type="submit" label="Take this list" :loading="busy" />
      </form>
    </template>
  </USlideover>
</template>

<style scoped>
.wrong {
  color: var(--harm);
}
</style>
