<script setup lang="ts">
import { v7 } from 'uuid'
import { partWords, type SheetPlan } from '#core/almanac'

/** Sheets out to another keeper, and in from one: what it would change is shown before anything is taken. */
const props = defineProps<{ chosen: string }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const plan = ref<SheetPlan | null>(null)
const { problem, refusal } = useRefusalText()
const taken = ref('')
/** What it would move in this house; null while it is worked out. */
const moves = ref<string[] | null>(null)
const { tryKnowledge } = useKnowledgeTrial()

const species = computed(() => house.knowledge.species[props.chosen])
const own = computed(() => [...Object.keys(house.house.species), ...Object.keys(house.house.feeders)])

// by their files: by its index the whole almanac would be part of the first load
async function exportSheet(ids: readonly string[], name: string): Promise<void> {
  const { sheetOf } = await import('#core/almanac/sheet')
  const feeders = ids.filter(id => id in house.knowledge.feeders)
  const sheet = sheetOf(
    house.knowledge,
    ids.filter(id => id in house.knowledge.species),
    feeders,
  )
  saveFile(`${fileName(name)}.mantel.json`, JSON.stringify(sheet, null, 2), 'application/json')
}
async function exportReadable(): Promise<void> {
  const { readableSheet } = await import('#core/almanac/readable')
  saveFile(`${fileName(species.value!.name)}.md`, readableSheet(species.value!, house.knowledge), 'text/markdown')
}

async function read(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  plan.value = moves.value = null
  problem.value = taken.value = ''
  if (!file) return
  const { MOST_SHEET_BYTES, planSheet, readSheet } = await import('#core/almanac/sheet')
  // a file that is far too large is not even read
  const sheet =
    file.size > 4 * MOST_SHEET_BYTES ? readSheet(' '.repeat(MOST_SHEET_BYTES + 1)) : readSheet(await file.text())
  if (typeof sheet === 'string') {
    problem.value = sheet
    return
  }
  plan.value = planSheet(sheet, house.knowledge, v7)
  input.value = ''
  if (plan.value.problems.length || !plan.value.facts.length) return
  moves.value = await tryKnowledge(plan.value.facts)
}
async function take(): Promise<void> {
  const { facts, added, changed } = plan.value!
  const says = [added.length ? `${added.length} added` : '', changed.length ? `${changed.length} parts changed` : '']
    .filter(Boolean)
    .join(', ')
  if (!(await record(facts, `Sheet taken over: ${says}`, refusal))) return
  plan.value = null
  taken.value = says
}
watch(open, is => {
  if (is) plan.value = moves.value = null
  problem.value = taken.value = ''
})
</script>

<template>
  <USlideover
    v-model:open="open"
    title="Sheets"
    description="Knowledge as files: to keep, and to hand from keeper to keeper"
    :ui="{ content: 'sm:max-w-xl' }"
  >
    <template #body>
      <section class="grid gap-2">
        <h3>Out</h3>
        <div class="flex flex-wrap gap-2">
          <UButton
            v-if="species"
            :label="`Export ${species.name}`"
            icon="i-lucide-download"
            variant="outline"
            @click="exportSheet([species.id], species.name)"
          />
          <UButton v-if="species" label="As a text to read" variant="outline" color="neutral" @click="exportReadable" />
          <UButton
            v-if="own.length"
            :label="`All ${own.length} rows of this house`"
            variant="outline"
            color="neutral"
            @click="exportSheet(own, `${house.settings.houseName} almanac`)"
          />
        </div>
      </section>
      <section class="grid gap-2 mt-6">
        <h3>In</h3>
        <label class="small"
          >A sheet that was exported <input type="file" accept=".json,application/json" data-sheet @change="read"
        /></label>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <p v-if="taken" role="status">{{ taken }}.</p>
        <template v-if="plan">
          <ul v-if="plan.problems.length" class="problem" role="alert">
            <li>Nothing is taken over.</li>
            <li v-for="p in plan.problems" :key="p">{{ p }}</li>
          </ul>
          <template v-else>
            <p v-if="plan.added.length"><b>New here:</b> {{ plan.added.map(a => a.name).join(', ') }}.</p>
            <p v-if="plan.changed.length">
              <b>Said otherwise:</b> {{ plan.changed.map(c => `${c.name}, ${partWords(c.part)}`).join('; ') }}.
            </p>
            <p v-if="plan.same" class="quiet">
              {{ plan.same }} {{ plan.same === 1 ? 'row says' : 'rows say' }} what stands here already.
            </p>
            <template v-if="plan.facts.length">
              <div aria-live="polite">
                <p v-if="moves === null" class="quiet">Working out what it moves in this house …</p>
                <p v-else-if="!moves.length" class="quiet">It moves nothing in this house today.</p>
                <template v-else
                  ><p><b>It would move:</b></p>
                  <ul class="moves">
                    <li v-for="m in moves.slice(0, 12)" :key="m">{{ m }}</li>
                    <li v-if="moves.length > 12" class="quiet">and {{ moves.length - 12 }} more</li>
                  </ul></template
                >
              </div>
              <UButton label="Take it over" :loading="busy" class="justify-self-start" @click="take" />
            </template>
          </template>
        </template>
      </section>
    </template>
  </USlideover>
</template>

<style scoped>
h3 {
  font-weight: 650;
}
.moves {
  list-style: disc;
  padding-left: 1.25rem;
}
input[type='file'] {
  max-width: 100%;
}
</style>
