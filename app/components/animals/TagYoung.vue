<script setup lang="ts">
import type { AnimalCard, ClutchState } from '#core/subjects'

/** Makes young of a group animals of their own, each with a tag. */
const props = defineProps<{ clutch: ClutchState; young: number }>()
const house = useHouse()
const { tellWritten } = useRecord()
const open = ref(false)
const count = ref(props.young)
const prefix = ref(props.clutch.tag)
const problem = ref('')
const busy = ref(false)
const intent = useIntent()

async function send(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    const cards = await intent.send(id =>
      callApi<AnimalCard[]>(`/api/clutches/${props.clutch.id}/tag`, {
        method: 'POST',
        body: { id, count: count.value, prefix: prefix.value },
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

<!-- prettier-ignore -->
<template>
  <UPopover v-model:open="open">
    <UButton label="Give tags" icon="i-lucide-tags" variant="outline" color="neutral" />
    <template #content>
      <form class="grid gap-3 p-4 w-64" @submit.prevent="send">
        <UFormField
          label="How many" :hint="`${young} in the group`" :error="problem || undefined"
        ><UInputNumber v-model="count" :min="1" :max="young" class="w-full" /></UFormField>
        <UFormField label="Prefix" :hint="`${prefix}-01 …`"><UInput v-model="prefix" class="w-full" /></UFormField>
        <UButton type="submit" label="Give tags" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
