<script setup lang="ts">
import { renderSVG } from 'uqr'
import { clutchLabels, cultureLabels, type Label } from '#core/season'
import { LABEL_SHEETS, skipped, type LabelSheet } from '~/composables/labelSheet'

/** Labels for cups, tubs and boxes of eggs, to be printed on sheets of stickers or on a roll. */
const house = useHouse()
const context = useSeasonContext()
const VIEWS = ['Cultures', 'Eggs'] as const
const route = useRoute()
const view = ref<(typeof VIEWS)[number]>('Cultures')
// one may come here from the eggs while the page is open
watch(
  () => route.query.of,
  of => (view.value = of === 'eggs' ? 'Eggs' : 'Cultures'),
  { immediate: true },
)
const sheet = ref<keyof typeof LABEL_SHEETS>('a4')
const size = computed<LabelSheet>(() => LABEL_SHEETS[sheet.value])
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
useHead({
  style: [
    {
      key: 'paper',
      innerHTML: () => `@page { size: ${size.value.page.width}mm ${size.value.page.height}mm; margin: 0 }`,
    },
  ],
})
const print = () => window.print()

const making = ref(false)
const problem = ref('')
async function savePdf(): Promise<void> {
  making.value = true
  problem.value = ''
  try {
    // what makes it is as large as all the rest, and seldom wanted
    const [{ labelPdf }, { labelFonts }] = await Promise.all([
      import('~/composables/labelPdf'),
      import('~/composables/labelFonts'),
    ])
    const file = await labelPdf(printed.value, size.value, skip.value, addressOf, await labelFonts())
    saveFile(`labels-${view.value.toLowerCase()}.pdf`, file, 'application/pdf')
  } catch {
    problem.value = 'The PDF could not be made: what makes it did not load. Try again, or print.'
  } finally {
    making.value = false
  }
}
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
      <div class="ways">
        <UButton
          label="Save as PDF"
          icon="i-lucide-file-down"
          :disabled="!printed.length"
          :loading="making"
          @click="savePdf"
        />
        <UButton
          label="Print"
          icon="i-lucide-printer"
          color="neutral"
          variant="outline"
          :disabled="!printed.length"
          @click="print"
        />
      </div>
    </header>
    <p v-if="problem" class="no-print" role="alert">{{ problem }}</p>
    <div class="no-print">
      <ViewSwitch v-model="view" :views="VIEWS" />
      <div v-if="labels.length" class="choose">
        <RecordPick
          v-model="sheet"
          name="Stickers"
          :items="Object.entries(LABEL_SHEETS).map(([value, { label }]) => ({ value, label }))"
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
      <div v-for="n in skipped(size, skip)" :key="n" />
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
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
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
  outline-offset: -1px;
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
