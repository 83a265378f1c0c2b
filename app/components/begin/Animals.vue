<script setup lang="ts">
import { bornIn, readPastedRows, type PastedRow } from '#core/subjects'

/** Animals one by one, or from pasted lines: read, looked at, mended in place, and added together. */
const emit = defineEmits<{ done: [ids: string[]] }>()
const house = useHouse()
const { record, busy } = useRecord()
const rows = ref<(PastedRow & { problem?: string })[]>([])
const text = ref('')
const pasting = ref(false)
const adding = ref(false)
const MOST = 400

const species = computed(() => house.speciesOffered.map(s => ({ value: s.id, label: s.name, description: s.latin })))
const blank = (sex: PastedRow['sex']): PastedRow => ({
  tag: '',
  speciesId: rows.value.at(-1)?.speciesId ?? null,
  sex,
  born: null,
  left: '',
})
rows.value = [blank('female'), blank('male')]

function read(): void {
  const found = readPastedRows(text.value, house.almanac)
  if (!found.length) return
  rows.value = [...rows.value.filter(r => r.tag.trim()), ...found]
  text.value = ''
  pasting.value = false
}
function choose(row: PastedRow, id: string | undefined): void {
  row.speciesId = id ?? null
  if (id) sameSpecies(id)
}
/** Rows that name none yet are most likely of the same. */
function sameSpecies(id: string): void {
  for (const r of rows.value) r.speciesId ??= id
}
/** Free tubs, in the order of the walk: each animal that is added takes the next one. */
function freeTubs(): string[] {
  const taken = new Set(Object.values(house.house.animals).map(a => a.placeId))
  return Object.values(house.house.places)
    .filter(p => p.kind === 'tub' && !taken.has(p.id))
    .sort((a, b) => a.order - b.order)
    .map(p => p.id)
}
const filled = computed(() => rows.value.filter(r => r.tag.trim()))

async function send(): Promise<void> {
  const sent = filled.value
  for (const r of rows.value) r.problem = undefined
  let wrong = false
  for (const r of sent)
    if (!r.speciesId) {
      r.problem = 'Choose its species'
      wrong = true
    } else if (r.born?.trim() && !bornIn(r.born.trim())) {
      r.problem = 'Write the day of birth as 2022-05-01, or the year alone'
      wrong = true
    }
  if (wrong || !sent.length) return
  const tubs = freeTubs()
  const wishes = sent.map((r, i) => ({
    kind: 'animalAdded',
    founds: 'animal' as const,
    data: {
      tag: r.tag.trim(),
      name: null,
      speciesId: r.speciesId,
      sex: r.sex,
      born: r.born?.trim() ? bornIn(r.born.trim()) : null,
      placeId: tubs[i] ?? null,
      damId: null,
      sireId: null,
      clutchId: null,
      taggedBy: null,
    },
  }))
  const refusal: FormErrors = {
    setErrors: errors => {
      for (const e of errors) if (sent[e.index ?? 0]) sent[e.index ?? 0]!.problem = e.message
    },
  }
  const says = `${sent.length} ${sent.length === 1 ? 'animal' : 'animals'} added`
  const written = await record(wishes, says, refusal, true)
  if (!written) return
  rows.value = [blank('female'), blank('male')]
  emit('done', written)
}
</script>

<template>
  <form class="grid gap-3" @submit.prevent="send">
    <div v-for="(r, i) in rows.slice(0, MOST)" :key="i" class="row">
      <UInput v-model="r.tag" placeholder="Tag" :aria-label="`Tag ${i + 1}`" class="tag w-28" autocomplete="off" />
      <RecordPick
        :model-value="r.speciesId ?? undefined"
        :items="species"
        :filter-fields="['label', 'description']"
        placeholder="Species"
        :name="`Species ${i + 1}`"
        class="w-56"
        @update:model-value="choose(r, $event)"
      />
      <USelect v-model="r.sex" :items="['unknown', 'female', 'male']" :aria-label="`Sex ${i + 1}`" class="w-32" />
      <UInput
        :model-value="r.born ?? ''"
        placeholder="Born 2022-05-01"
        :aria-label="`Born ${i + 1}`"
        class="w-40"
        autocomplete="off"
        @update:model-value="r.born = String($event) || null"
      />
      <UButton
        v-if="rows.length > 1"
        icon="i-lucide-x"
        variant="ghost"
        color="neutral"
        :aria-label="`Take row ${i + 1} out`"
        @click="rows.splice(i, 1)"
      />
      <p v-if="r.left" class="quiet small w-full">Not understood: {{ r.left }}</p>
      <p v-if="r.problem" class="problem w-full" role="alert">{{ r.problem }}</p>
    </div>
    <p v-if="rows.length > MOST" class="problem">At most {{ MOST }} at once: add these, then paste the rest.</p>
    <div class="flex flex-wrap gap-2">
      <UButton label="One more" icon="i-lucide-plus" size="sm" variant="outline" @click="rows.push(blank('unknown'))" />
      <UButton label="Paste a list" size="sm" variant="outline" color="neutral" @click="pasting = !pasting" />
      <UButton
        label="A species that is missing here"
        size="sm"
        variant="ghost"
        color="neutral"
        @click="adding = true"
      />
    </div>
    <div v-if="pasting" class="grid gap-2">
      <UTextarea
        v-model="text"
        :rows="5"
        aria-label="Lines to paste"
        class="w-full font-mono"
        placeholder="K-1, corn snake, female, 2022-05-01
G7 leopard gecko m 2023"
      />
      <UButton label="Read these lines" size="sm" class="justify-self-start" :disabled="!text.trim()" @click="read" />
    </div>
    <p class="quiet small">
      Each takes the next free tub. Tags, sexes and births can be corrected later; parents and papers come with a list
      on the Animals page.
    </p>
    <UButton
      type="submit"
      :label="filled.length > 1 ? `Add ${filled.length} animals` : 'Add animal'"
      :disabled="!filled.length || rows.length > MOST"
      :loading="busy"
      class="justify-self-start"
    />
    <LazyAlmanacAddForm
      v-if="adding"
      v-model:open="adding"
      of="species"
      :like="rows[0]?.speciesId ?? 'corn-snake'"
      @added="sameSpecies($event)"
    />
  </form>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
