<script setup lang="ts">
import { isQuarantine } from '#core/places'
import { freeHomes } from '#core/season'
import { entryKinds } from '#core/subjects'
import type { Fields, Typed } from '~/composables/readFields'

const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const router = useRouter()
const { record } = useRecord()

const { data: schema, fields: said } = entryKinds.get('animalAdded')!
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
  const goesApart = typed.value.placeId && isQuarantine(house.house.places, typed.value.placeId)
  const help = goesApart ? 'Quarantine first: choose another if it was hatched here' : undefined
  return { ...said, placeId: { ...said!.placeId!, help } }
})

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const ids = await record({ kind: 'animalAdded', founds: 'animal', data }, `${String(data.tag)} added`, form)
  if (!ids) return
  typed.value = blank()
  open.value = false
  await router.push(`/animals/${ids[0]}`)
}
</script>

<template>
  <USlideover v-model:open="open" title="Add an animal" description="The tag is what stands on its tub">
    <template #body>
      <KindForm v-model="typed" :fields="fields" :schema="schema" label="Add animal" :send="send" />
    </template>
  </USlideover>
</template>
