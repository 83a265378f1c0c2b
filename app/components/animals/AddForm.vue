<script setup lang="ts">
import { isQuarantine } from '#core/places'
import { freeHomes } from '#core/season'
import type { AnimalCard } from '#core/subjects'
import { dayFromIso, dayToIso } from '#core/units'
import { NewAnimal } from '#shared/contracts/house'

const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const router = useRouter()

const blank = () => ({
  tag: '',
  name: '',
  speciesId: undefined as string | undefined,
  sex: 'unknown' as const,
  born: '',
  placeId: undefined as string | undefined,
})
const state = reactive(blank())
const busy = ref(false)
const intent = useIntent()
const refusals = useRefusals(state, useTemplateRef<FormErrors>('form'))

const bornDay = computed({
  get: () => (state.born ? dayFromIso(state.born) : null),
  set: (day: number | null) => {
    state.born = day === null ? '' : dayToIso(day)
  },
})
const species = computed(() => house.speciesOffered.map(s => ({ value: s.id, label: s.name, latin: s.latin })))
const places = usePlaceItems()

/** What comes new goes to quarantine first, where the house has one and nothing else is chosen. */
watch(
  open,
  is => {
    if (is) state.placeId ??= freeHomes(house.house).find(p => isQuarantine(house.house.places, p.id))?.id
  },
  { immediate: true },
)
const goesApart = computed(() => state.placeId !== undefined && isQuarantine(house.house.places, state.placeId))

function wish() {
  return {
    ...state,
    tag: state.tag,
    name: state.name || null,
    speciesId: state.speciesId ?? '',
    born: state.born || null,
    placeId: state.placeId ?? null,
  }
}

function validate() {
  const result = NewAnimal.safeParse(wish())
  return result.success
    ? refusals.still()
    : result.error.issues.map(i => ({ name: i.path.join('.'), message: i.message }))
}

async function send(): Promise<void> {
  busy.value = true
  try {
    const animal = await intent.send(id =>
      callApi<AnimalCard>('/api/animals', { method: 'POST', body: { id, ...wish() }, again: true }),
    )
    await house.load()
    Object.assign(state, blank())
    open.value = false
    await router.push(`/animals/${animal.id}`)
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error
    refusals.setErrors(
      error.problem.errors?.map(e => ({ name: e.path, message: e.message })) ?? [
        { name: 'tag', message: error.message },
      ],
    )
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <USlideover v-model:open="open" title="Add an animal" description="The tag is what stands on its tub">
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
        <UFormField name="tag" label="Tag" required eager-validation
          ><UInput v-model="state.tag" class="w-full" autocomplete="off" placeholder="K-10"
        /></UFormField>
        <UFormField name="speciesId" label="Species" required
          ><USelectMenu
            v-model="state.speciesId"
            :items="species"
            value-key="value"
            class="w-full"
            placeholder="Choose"
        /></UFormField>
        <UFormField name="sex" label="Sex"
          ><USelect v-model="state.sex" :items="['unknown', 'female', 'male']" class="w-full"
        /></UFormField>
        <RecordDayField v-model="bornDay" label="Born or hatched" hint="if known" :max="house.today" optional />
        <UFormField
          name="placeId"
          label="Place"
          :help="goesApart ? 'Quarantine first: choose another if it was hatched here' : undefined"
          ><USelectMenu v-model="state.placeId" :items="places" value-key="value" class="w-full" placeholder="None"
        /></UFormField>
        <UFormField name="name" label="Name" hint="if it has one"
          ><UInput v-model="state.name" class="w-full"
        /></UFormField>
        <UButton type="submit" label="Add animal" :loading="busy" class="justify-self-start" />
      </UForm>
    </template>
  </USlideover>
</template>
