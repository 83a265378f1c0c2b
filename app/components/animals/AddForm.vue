<script setup lang="ts">
import { isQuarantine } from '#core/places'
import { freeHomes } from '#core/season'
import { entryKinds, type AnimalCard } from '#core/subjects'
import { NewAnimal } from '#shared/contracts/house'
import type { Fields, Typed } from '~/composables/readFields'

const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const router = useRouter()
const intent = useIntent()

const blank = (): Typed => ({ sex: 'unknown' })
const typed = ref(blank())
/** What comes new goes to quarantine first, where the house has one and nothing else is chosen. */
watch(
  open,
  is => {
    const apart = freeHomes(house.house).find(p => isQuarantine(house.house.places, p.id))?.id
    if (is && !typed.value.placeId && apart) typed.value = { ...typed.value, placeId: apart }
  },
  { immediate: true },
)
const fields = computed<Fields>(() => {
  const asked = entryKinds.get('animalAdded')!.fields!
  const goesApart = typed.value.placeId && isQuarantine(house.house.places, typed.value.placeId)
  const help = goesApart ? 'Quarantine first: choose another if it was hatched here' : undefined
  return { ...asked, placeId: { ...asked.placeId!, help } }
})

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  try {
    const animal = await intent.send(id =>
      callApi<AnimalCard>('/api/animals', { method: 'POST', body: { id, ...data }, again: true }),
    )
    await house.load()
    typed.value = blank()
    open.value = false
    await router.push(`/animals/${animal.id}`)
  } catch (error) {
    if (!(error instanceof ApiProblem)) throw error
    form.setErrors(
      error.problem.errors?.map(e => ({ name: e.path, message: e.message })) ?? [
        { name: 'tag', message: error.message },
      ],
    )
  }
}
</script>

<template>
  <USlideover v-model:open="open" title="Add an animal" description="The tag is what stands on its tub">
    <template #body>
      <KindForm v-model="typed" :fields="fields" :schema="NewAnimal" label="Add animal" :send="send" />
    </template>
  </USlideover>
</template>
