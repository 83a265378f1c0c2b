<script setup lang="ts">
import { GroupData } from '#core/subjects'
import { dayFromIso, dayToIso } from '#core/units'

/** A colony or a tank of young, of which none bears a tag. */
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const router = useRouter()
const { record, busy } = useRecord()

const blank = () => ({
  tag: '',
  name: '',
  speciesId: undefined as string | undefined,
  placeId: undefined as string | undefined,
  born: '',
  male: 0,
  female: 0,
  unknown: 0,
})
const state = reactive(blank())
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const bornDay = computed({
  get: () => (state.born ? dayFromIso(state.born) : null),
  set: (day: number | null) => {
    state.born = day === null ? '' : dayToIso(day)
  },
})
const species = computed(() => house.speciesOffered.map(s => ({ value: s.id, label: s.name })))
const places = usePlaceItems()

const wish = () => ({
  ...state,
  tag: state.tag.trim(),
  name: state.name.trim() || null,
  speciesId: state.speciesId ?? '',
  born: state.born || null,
  placeId: state.placeId ?? null,
})
function validate() {
  const result = GroupData.safeParse(wish())
  return result.success
    ? refusals.still()
    : result.error.issues.map(i => ({ name: i.path.join('.'), message: i.message }))
}
async function send(): Promise<void> {
  const ids = await record({ kind: 'groupAdded', founds: 'group', data: wish() }, `${state.tag} added`, refusals)
  if (!ids) return
  Object.assign(state, blank())
  open.value = false
  await router.push(`/groups/${ids[0]}`)
}
</script>

<template>
  <USlideover v-model:open="open" title="Add a group" description="Animals that live together and bear no tags">
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
        <UFormField name="tag" label="Tag" required eager-validation help="One word for all: it stands on the glass">
          <UInput v-model="state.tag" class="w-full" autocomplete="off" placeholder="F-1" />
        </UFormField>
        <UFormField name="speciesId" label="Species" required>
          <USelectMenu
            v-model="state.speciesId"
            :items="species"
            value-key="value"
            class="w-full"
            placeholder="Choose"
          />
        </UFormField>
        <div class="grid grid-cols-3 gap-3">
          <UFormField name="male" eager-validation label="Males"
            ><UInput v-model.number="state.male" type="number" min="0" step="1" class="w-full"
          /></UFormField>
          <UFormField name="female" eager-validation label="Females"
            ><UInput v-model.number="state.female" type="number" min="0" step="1" class="w-full"
          /></UFormField>
          <UFormField name="unknown" eager-validation label="Not known"
            ><UInput v-model.number="state.unknown" type="number" min="0" step="1" class="w-full"
          /></UFormField>
        </div>
        <RecordDayField v-model="bornDay" label="Born about" hint="empty = grown" :max="house.today" optional />
        <UFormField name="placeId" label="Place">
          <USelectMenu v-model="state.placeId" :items="places" value-key="value" class="w-full" placeholder="None" />
        </UFormField>
        <UFormField name="name" label="Name" hint="if it has one">
          <UInput v-model="state.name" class="w-full" />
        </UFormField>
        <UButton type="submit" label="Add group" :loading="busy" class="justify-self-start" />
      </UForm>
    </template>
  </USlideover>
</template>
