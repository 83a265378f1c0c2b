<script setup lang="ts">
import type { AnimalCard, Sex } from '#core/subjects'

/** Makes some of a clutch or a group animals of their own, each with a tag. */
const props = defineProps<{
  of: { type: 'clutch' | 'group'; id: string }
  tag: string
  most: number
  /** Which sex they are can be said. */
  bySex?: boolean
}>()
const house = useHouse()
const { tellWritten } = useRecord()
const open = ref(false)
const count = ref(props.bySex ? 1 : props.most)
const sex = ref<Sex>('unknown')
const prefix = ref(props.tag)
const placeId = ref<string>()
const places = usePlaceItems()
const problem = ref('')
const busy = ref(false)
const intent = useIntent()

async function send(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    const cards = await intent.send(id =>
      callApi<AnimalCard[]>(`/api/${props.of.type === 'clutch' ? 'clutches' : 'groups'}/${props.of.id}/tag`, {
        method: 'POST',
        body: {
          id,
          count: count.value,
          prefix: prefix.value,
          ...(placeId.value && { placeId: placeId.value }),
          ...(props.bySex && sex.value !== 'unknown' && { sex: sex.value }),
        },
        again: true,
      }),
    )
    await house.load()
    open.value = false
    tellWritten(`${cards.length} tagged, ${cards[0]!.tag} to ${cards.at(-1)!.tag}`, [cards[0]!.foundedBy!])
  } catch (error) {
    problem.value = error instanceof Error ? error.message : String(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Give tags" icon="i-lucide-tags" variant="outline" color="neutral" />
    <template #content>
      <form class="grid gap-3 p-4 w-64" @submit.prevent="send">
        <UFormField label="How many" :hint="`${most} without a tag`" :error="problem || undefined"
          ><UInputNumber v-model="count" :min="1" :max="most" class="w-full"
        /></UFormField>
        <UFormField label="Prefix" :hint="`${prefix}-01 …`"><UInput v-model="prefix" class="w-full" /></UFormField>
        <UFormField v-if="bySex" label="Sex"
          ><USelect v-model="sex" :items="['unknown', 'female', 'male']" class="w-full"
        /></UFormField>
        <UFormField label="Put into" hint="where they are"
          ><RecordPick v-model="placeId" name="Put into" :items="places" placeholder="Choose a place" class="w-full"
        /></UFormField>
        <UButton type="submit" label="Give tags" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
