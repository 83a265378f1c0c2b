<script setup lang="ts">
import { renderSVG } from 'uqr'
import { clutchLabels, cultureLabels, type Label } from '#core/season'

/** Labels for cups, tubs and boxes of eggs, to be printed on sheets of stickers or on a roll. */
const house = useHouse()
const context = useSeasonContext()
const VIEWS = ['Cultures', 'Eggs'] as const
const view = ref<(typeof VIEWS)[number]>(useRoute().query.of === 'eggs' ? 'Eggs' : 'Cultures')
/** One label and the paper, mm. */
const SHEETS = {
  a4: { label: 'A4, 24 labels of 70 × 37 mm', width: 70, height: 37, columns: 3, page: '210mm 297mm', rows: 8 },
  roll62: { label: 'Roll, 62 × 29 mm', width: 62, height: 29, columns: 1, page: '62mm 29mm', rows: 1 },
  roll50: { label: 'Roll, 50 × 25 mm', width: 50, height: 25, columns: 1, page: '50mm 25mm', rows: 1 },
} as const
const sheet = ref<keyof typeof SHEETS>('a4')
const size = computed(() => SHEETS[sheet.value])
/** Labels of a sheet that are gone already. */
const skip = ref(0)
const labels = computed<Label[]>(() =>
  view.value === 'Cultures' ? cultureLabels(context.value) : clutchLabels(house.season?.lanes ?? [], context.value),
)
/** What is new is wanted first: nothing older than a week is ticked. */
const NEW_DAYS = 7
const chosen = ref(new Set<string>())
watch(
  [view, () => labels.value.length],
  () => {
    const recent = labels.value.filter(l => house.today - l.day <= NEW_DAYS)
    chosen.value = new Set((recent.length ? recent : labels.value).map(l => l.subject.id))
  },
  { immediate: true },
)
function toggle(id: string): void {
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}
const printed = computed(() => labels.value.filter(l => chosen.value.has(l.subject.id)))
const addressOf = ({ subject }: Label) =>
  `${location.origin}${subject.type === 'culture' ? `/feeders#${subject.id}` : `/eggs/${subject.id}`}`
const code = (label: Label) => renderSVG(addressOf(label), { border: 1, ecc: 'L' })
useHead({ style: [{ key: 'paper', innerHTML: () => `@page { size: ${size.value.page}; margin: 0 }` }] })
const print = () => window.print()
</script>

<template>
  <div class="screen">
    <header class="no-print">
      <div>
        <h1>Which labels are printed?</h1>
        <p>
          {{
            labels.length
              ? `${printed.length} of ${labels.length}. A phone that reads the code opens the page of what it sticks on.`
              : view === 'Cultures'
                ? 'No culture runs yet.'
                : 'No eggs lie in a box.'
          }}
        </p>
      </div>
      <UButton label="Print" icon="i-lucide-printer" :disabled="!printed.length" @click="print" />
    </header>
    <div class="no-print">
      <ViewSwitch v-model="view" :views="VIEWS" />
      <div v-if="labels.length" class="choose">
        <RecordPick
          v-model="sheet"
          name="Stickers"
          :items="Object.entries(SHEETS).map(([value, { label }]) => ({ value, label }))"
          class="w-72"
        />
        <UFormField v-if="size.rows > 1" label="Stickers of the first sheet that are gone">
          <UInput v-model.number="skip" type="number" min="0" :max="size.rows * size.columns - 1" class="w-24" />
        </UFormField>
        <UButton
          variant="ghost"
          color="neutral"
          :label="chosen.size === labels.length ? 'None' : 'All'"
          @click="chosen = new Set(chosen.size === labels.length ? [] : labels.map(l => l.subject.id))"
        />
      </div>
      <ul class="list">
        <li v-for="l in labels" :key="l.subject.id">
          <UCheckbox
            :model-value="chosen.has(l.subject.id)"
            :label="`${l.tag}, ${l.what}`"
            :description="l.lines.join('; ')"
            :ui="{ base: 'size-6' }"
            @update:model-value="toggle(l.subject.id)"
          />
        </li>
      </ul>
    </div>
    <section
      v-if="printed.length"
      class="paper"
      aria-label="As printed"
      :style="{ gridTemplateColumns: `repeat(${size.columns}, ${size.width}mm)`, gridAutoRows: `${size.height}mm` }"
    >
      <div v-for="n in size.rows > 1 ? Math.max(0, Math.min(size.rows * size.columns - 1, skip || 0)) : 0" :key="n" />
      <article v-for="l in printed" :key="l.subject.id" class="label" :data-label="l.tag">
        <!-- eslint-disable-next-line vue/no-v-html -- drawn here, of an address -->
        <div class="code" role="img" :aria-label="`Code of ${l.tag}`" v-html="code(l)" />
        <div class="words">
          <b>{{ l.tag }}</b>
          <span>{{ l.what }}</span>
          <span v-for="line in l.lines" :key="line">{{ line }}</span>
        </div>
      </article>
    </section>
  </div>
</template>

<style scoped>
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
  margin-bottom: 0.75rem;
}
.list {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr));
  gap: 0.5rem 1.5rem;
  margin-bottom: 1.5rem;
}
.paper {
  display: grid;
  overflow-x: auto;
  max-width: 100%;
}
/* paper is white in every theme */
.label {
  display: flex;
  gap: 2mm;
  align-items: center;
  padding: 2mm 3mm;
  background: #fff;
  color: #111;
  outline: 1px dashed #999;
  overflow: hidden;
  break-inside: avoid;
}
.code {
  flex: none;
  width: 21mm;
}
.words {
  display: grid;
  min-width: 0;
  font-size: 8.5pt;
  line-height: 1.25;
}
.words b {
  font-family: var(--font-mono);
  font-size: 14pt;
}
@media print {
  .no-print {
    display: none !important;
  }
  .paper {
    overflow: visible;
  }
  .label {
    outline: none;
  }
}
</style>
