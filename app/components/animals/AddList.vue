<script setup lang="ts">
import type { AddedList } from '#shared/contracts/house'

/** Many animals at once from a list, with their parents; all are added, or none. */
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const toast = useToast()
const csv = ref('')
const problems = ref<string[]>([])
const busy = ref(false)
const rows = computed(
  () =>
    csv.value
      .trim()
      .split(/\r?\n/)
      .filter(l => l.trim()).length - 1,
)

async function read(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) csv.value = await file.text()
}
async function send(): Promise<void> {
  busy.value = true
  problems.value = []
  try {
    const { added, elsewhere } = await callApi<AddedList>('/api/animals/list', {
      method: 'POST',
      body: { csv: csv.value },
    })
    await house.load()
    open.value = false
    csv.value = ''
    toast.add({
      title: `${added} animals added${elsewhere ? `, ${elsewhere} of them kept elsewhere` : ''}`,
      icon: 'i-lucide-check',
      color: 'neutral',
    })
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error
    problems.value = error.problem.errors?.map(e => e.message) ?? [error.message]
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <USlideover
    v-model:open="open"
    title="Add a list of animals"
    description="All are added, or none"
    :ui="{ content: 'sm:max-w-xl' }"
  >
    <template #body>
      <form class="grid grid-cols-1 gap-3" @submit.prevent="send">
        <p class="quiet small">
          One animal a line, comma-separated, the first line names the columns:
          <span class="columns">tag, species, sex, born, dam, sire, name, place, elsewhere</span>. Only tag and species
          are needed. Dam and sire are tags of this list or of the house; <b>elsewhere</b> is yes for an ancestor known
          by its papers.
        </p>
        <UTextarea
          v-model="csv"
          :rows="12"
          class="w-full font-mono"
          aria-label="List"
          placeholder="tag,species,sex,born,dam,sire,elsewhere
KA-9,California kingsnake,male,2014-07-01,,,yes
K-10,California kingsnake,female,2022-08-12,,KA-9,"
        />
        <label class="small">or a file <input type="file" accept=".csv,text/csv,text/plain" @change="read" /></label>
        <ul v-if="problems.length" class="harm" role="alert">
          <li>Nothing was written.</li>
          <li v-for="p in problems" :key="p">{{ p }}</li>
        </ul>
        <UButton
          type="submit"
          :label="rows > 0 ? `Add ${rows} ${rows === 1 ? 'animal' : 'animals'}` : 'Add animals'"
          :disabled="rows < 1"
          :loading="busy"
          class="justify-self-start"
        />
      </form>
    </template>
  </USlideover>
</template>

<style scoped>
.harm {
  color: var(--harm);
  font-size: 0.9375rem;
}
.columns {
  font-family: var(--font-mono);
  font-weight: 600;
  color: var(--ui-text-highlighted);
}
input[type='file'] {
  max-width: 100%;
}
</style>
