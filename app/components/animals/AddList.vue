<script setup lang="ts">
import { v7 } from 'uuid'
import { MOST_ENTRIES } from '#shared/contracts/house'
import type { AnimalList } from '#shared/imports/animalList'
import type { FieldError } from '~/composables/useRefusals'

/** Many animals at once from a list, with their parents; all are added, or none. */
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const state = reactive({ csv: '' })
const problems = ref<string[]>([])
const form = useTemplateRef<FormErrors>('form')
const rows = computed(
  () =>
    state.csv
      .trim()
      .split(/\r?\n/)
      .filter(l => l.trim()).length - 1,
)
/** What this list was read as, and sent: not known whether it was written, it is sent again with the same ids. */
let sent: { csv: string; list: AnimalList } | null = null

async function readFile(event: Event): Promise<void> {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) state.csv = await file.text()
}

async function readList(): Promise<AnimalList | string[]> {
  if (sent?.csv === state.csv) return sent.list
  const { readAnimalList } = await import('#shared/imports/animalList')
  const list = readAnimalList(state.csv, house.house, house.almanac, house.today, v7)
  if (Array.isArray(list)) return list.map(p => p.message)
  if (list.facts.length > MOST_ENTRIES)
    return [`At most ${MOST_ENTRIES} animals at once, those kept elsewhere twice: send it in parts`]
  sent = { csv: state.csv, list }
  return list
}

/** Reads it: what is wrong with its rows is what is wrong with the form. */
async function validate(): Promise<FieldError[]> {
  const list = await readList()
  problems.value = Array.isArray(list) ? list : []
  return problems.value.map(message => ({ name: 'csv', message }))
}

async function send(): Promise<void> {
  const { list } = sent!
  const elsewhere = list.facts.length - list.added
  const written = await record(
    list.facts.map(fact => ({ ...fact, source: 'import' as const })),
    `${list.added} ${list.added === 1 ? 'animal' : 'animals'} added${elsewhere ? `, ${elsewhere} of them kept elsewhere` : ''}`,
    {
      setErrors: errors => {
        problems.value = errors.map(({ message, index }) => {
          const tag = list.facts[index ?? 0]?.data.tag
          return typeof tag === 'string' ? `${tag}: ${message}` : message
        })
        form.value?.setErrors(problems.value.map(message => ({ name: 'csv', message })))
      },
    },
  )
  // refused, nothing of it is written, and it is read anew; not known, it is sent again as it is
  if (written || problems.value.length) sent = null
  if (!written) return
  open.value = false
  state.csv = ''
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
      <UForm
        ref="form"
        :state="state"
        :validate="validate"
        :validate-on="[]"
        class="grid grid-cols-1 gap-3"
        @submit="send"
        @error="focusFirstWrong"
      >
        <p class="quiet small">
          One animal a line, comma-separated, the first line names the columns:
          <span class="columns">tag, species, sex, born, dam, sire, name, place, elsewhere</span>. Only tag and species
          are needed. Dam and sire are tags of this list or of the house; <b>elsewhere</b> is yes for an ancestor known
          by its papers.
        </p>
        <UFormField name="csv">
          <UTextarea
            v-model="state.csv"
            :rows="12"
            class="w-full font-mono"
            aria-label="List"
            placeholder="tag,species,sex,born,dam,sire,elsewhere
KA-9,California kingsnake,male,2014-07-01,,,yes
K-10,California kingsnake,female,2022-08-12,,KA-9,"
          />
          <template #error>
            <ul v-if="problems.length" class="harm" role="alert">
              <li>Nothing was written.</li>
              <li v-for="p in problems" :key="p">{{ p }}</li>
            </ul>
          </template>
        </UFormField>
        <label class="small"
          >or a file <input type="file" accept=".csv,text/csv,text/plain" @change="readFile"
        /></label>
        <UButton
          type="submit"
          :label="rows > 0 ? `Add ${rows} ${rows === 1 ? 'animal' : 'animals'}` : 'Add animals'"
          :disabled="rows < 1"
          :loading="busy"
          class="justify-self-start"
        />
      </UForm>
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
