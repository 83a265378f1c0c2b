<script setup lang="ts">
import { entryKinds, type AnimalState } from '#core/subjects'
import { dayFromIso, dayToIso } from '#core/units'

const props = defineProps<{ animal: AnimalState }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const form = useTemplateRef<FormErrors>('form')

/** The card as it is said now. */
const said = () => ({
  tag: props.animal.tag,
  name: props.animal.name ?? '',
  speciesId: props.animal.speciesId,
  sex: props.animal.statedSex,
  born: props.animal.bornDay === null ? '' : dayToIso(props.animal.bornDay),
})
const state = reactive(said())
const refusals = useRefusals(state, form)
watch(open, opened => {
  if (opened) Object.assign(state, said())
})

const bornDay = computed({
  get: () => (state.born ? dayFromIso(state.born) : null),
  set: (day: number | null) => {
    state.born = day === null ? '' : dayToIso(day)
  },
})
const species = computed(() =>
  house.speciesSorted
    .filter(s => !s.retired || s.id === props.animal.speciesId)
    .map(s => ({ value: s.id, label: s.name, latin: s.latin })),
)

/** Only what is said otherwise than now. */
const corrected = computed(() => {
  const before = said()
  const keys = (Object.keys(before) as (keyof typeof before)[]).filter(key => state[key] !== before[key])
  return Object.fromEntries(keys.map(key => [key, state[key] === '' && key !== 'tag' ? null : state[key]]))
})
const changed = computed(() => Object.keys(corrected.value).length > 0)

function validate() {
  if (!changed.value) return []
  const result = entryKinds.get('animalCorrected')!.data.safeParse(corrected.value)
  return result.success
    ? refusals.still()
    : result.error.issues.map(i => ({ name: i.path.join('.'), message: i.message }))
}

async function send(): Promise<void> {
  const subject = { type: 'animal', id: props.animal.id }
  const done = await record(
    { kind: 'animalCorrected', subject, data: corrected.value },
    `Card of ${state.tag} corrected`,
    refusals,
  )
  if (done) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="`Correct the card of ${animal.tag}`"
    description="For what was written down wrongly. The correction stands in its history, and can be taken back."
  >
    <template #body>
      <UForm
        ref="form"
        :state="state"
        :validate="validate"
        :validate-on="['input', 'change']"
        class="grid gap-4"
        @submit="send"
        @error="focusFirstWrong"
      >
        <UFormField name="tag" label="Tag" required
          ><UInput v-model="state.tag" class="w-full" autocomplete="off"
        /></UFormField>
        <UFormField name="name" label="Name" hint="if it has one"
          ><UInput v-model="state.name" class="w-full"
        /></UFormField>
        <UFormField
          name="speciesId"
          label="Species"
          help="Another species only while no pair, young, parents or genes follow from it; another type of it at any time"
          ><USelectMenu v-model="state.speciesId" :items="species" value-key="value" class="w-full"
        /></UFormField>
        <UFormField name="sex" label="Sex, as it was first said" help="What was found out since is not changed by this"
          ><USelect v-model="state.sex" :items="['unknown', 'female', 'male']" class="w-full"
        /></UFormField>
        <UFormField name="born" :ui="{ label: 'hidden' }"
          ><RecordDayField v-model="bornDay" label="Born or hatched" hint="if known" :max="house.today" optional
        /></UFormField>
        <UButton type="submit" label="Correct card" :loading="busy" :disabled="!changed" class="justify-self-start" />
      </UForm>
    </template>
  </USlideover>
</template>
