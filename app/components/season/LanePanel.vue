<script setup lang="ts">
import type { Lane } from '#core/season'

const props = defineProps<{ lane: Lane | null }>()
const emit = defineEmits<{ close: [] }>()
const house = useHouse()
const { narrow } = useNarrow()
const open = computed({
  get: () => props.lane !== null,
  set: is => {
    if (!is) emit('close')
  },
})
</script>

<template>
  <USlideover
    v-model:open="open"
    :side="narrow ? 'bottom' : 'right'"
    :title="lane?.title"
    :description="lane ? house.speciesName(lane.speciesId) : ''"
    :ui="{ content: 'max-h-[88dvh] sm:max-h-none' }"
  >
    <template #body>
      <LaneDetail v-if="lane" :lane="lane" />
    </template>
  </USlideover>
</template>
