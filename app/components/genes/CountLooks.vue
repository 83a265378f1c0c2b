<script setup lang="ts">
import { looksOf } from '#core/genetics'
import type { ClutchState } from '#core/subjects'
import { lociOf } from '#core/season'

/** Young of a group counted by look at one locus: tells what their parents carry, without a card for each. */
const props = defineProps<{ clutch: ClutchState }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)

const loci = computed(() => lociOf(house.house, house.almanac, props.clutch.speciesId))
const locusId = ref('')
watch(
  loci,
  list => {
    if (!list.some(l => l.id === locusId.value)) locusId.value = list[0]?.id ?? ''
  },
  { immediate: true },
)
const locus = computed(() => loci.value.find(l => l.id === locusId.value) ?? null)
const counts = ref<Record<string, number>>({})
watch([locusId, open], () => {
  const before = props.clutch.looksCounted.find(c => c.locusId === locusId.value)
  counts.value = Object.fromEntries(
    (locus.value ? looksOf(locus.value) : []).map(look => [
      look,
      before?.counts.find(c => c.look === look)?.count ?? 0,
    ]),
  )
})
async function send(): Promise<void> {
  const list = Object.entries(counts.value).map(([look, count]) => ({ look, count }))
  if (
    await record(
      {
        kind: 'looksCounted',
        subject: { type: 'clutch', id: props.clutch.id },
        data: { locusId: locusId.value, counts: list },
      },
      `${props.clutch.tag}: looks counted`,
    )
  )
    open.value = false
}
</script>

<template>
  <UPopover v-if="loci.length" v-model:open="open">
    <UButton label="Count looks" icon="i-lucide-dna" variant="outline" color="neutral" />
    <template #content>
      <form class="grid gap-3 p-4 w-64" @submit.prevent="send">
        <UFormField v-if="loci.length > 1" label="Locus"
          ><USelect
            v-model="locusId"
            :items="loci.map(l => ({ value: l.id, label: l.name }))"
            class="w-full"
            aria-label="Locus"
        /></UFormField>
        <UFormField v-for="(_, look) in counts" :key="look" :label="String(look) || 'wild look'"
          ><UInputNumber
            v-model="counts[look]"
            :min="0"
            :max="500"
            class="w-full"
            :aria-label="`${look || 'wild look'}: how many`"
        /></UFormField>
        <UButton type="submit" label="Write count" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
