<script setup lang="ts">
import { entryKinds, type AnimalState } from '#core/subjects'
import { dayToIso } from '#core/units'
import type { Typed } from '~/composables/readFields'

const props = defineProps<{ animal: AnimalState }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('animalCorrected')!

/** The card as it is said now. */
const said = (): Record<string, string> => ({
  tag: props.animal.tag,
  name: props.animal.name ?? '',
  speciesId: props.animal.speciesId,
  sex: props.animal.statedSex,
  born: props.animal.bornDay === null ? '' : dayToIso(props.animal.bornDay),
})
const typed = ref<Typed>(said())
watch(open, opened => {
  if (opened) typed.value = said()
})
const species = computed(() =>
  house.speciesSorted
    .filter(s => !s.retired || s.id === props.animal.speciesId)
    .map(s => ({ value: s.id, label: s.name })),
)

/** Only what is said otherwise than now; what is empty now is not known. */
function corrected(): Record<string, unknown> {
  const changed = Object.entries(said()).filter(([name, before]) => (typed.value[name] ?? '').trim() !== before)
  return Object.fromEntries(
    changed.map(([name]) => [name, (typed.value[name] ?? '').trim() || (name === 'tag' ? '' : null)]),
  )
}
const isChanged = computed(() => Object.keys(corrected()).length > 0)

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const subject = { type: 'animal', id: props.animal.id }
  if (await record({ kind: 'animalCorrected', subject, data }, `Card of ${typed.value.tag} corrected`, form))
    open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="`Correct the card of ${animal.tag}`"
    description="For what was written down wrongly. The correction stands in its history, and can be taken back."
  >
    <template #body>
      <KindForm
        v-model="typed"
        :fields="fields!"
        :schema="schema"
        :items="{ speciesId: species }"
        :complete="corrected"
        :idle="!isChanged"
        label="Correct card"
        :send="send"
      />
    </template>
  </USlideover>
</template>
