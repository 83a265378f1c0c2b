<script setup lang="ts">
import type { ClutchState } from '#core/subjects'
import { EGG_LOOK_WORDS, countedEggs, gridOf, type EggLook } from './drawing'

/** The box of a clutch seen from above, to look at. */
const props = withDefaults(defineProps<{ clutch: ClutchState; width?: number; height?: number }>(), {
  width: 96,
  height: 44,
})
const eggs = computed(() => countedEggs(props.clutch))
const r = computed(() => {
  const { columns, rows } = gridOf(props.clutch.eggs)
  return Math.min(11, (props.width - 8) / columns / 2 - 0.5, (props.height - 6) / rows / 2 - 0.5)
})
const told = computed(() => {
  const counts = new Map<EggLook, number>()
  for (const { look } of eggs.value) counts.set(look, (counts.get(look) ?? 0) + 1)
  return `Box of ${props.clutch.tag}: ${[...counts].map(([look, n]) => `${n} ${EGG_LOOK_WORDS[look]}`).join(', ')}`
})
</script>

<template>
  <svg :width="width" :height="height" role="img" :aria-label="told" class="chart">
    <rect x="0.75" y="0.75" :width="width - 1.5" :height="height - 1.5" rx="4" class="tub" />
    <EggsEgg
      v-for="egg in eggs"
      :key="egg.n"
      :look="egg.look"
      :cx="4 + egg.x * (width - 8)"
      :cy="3 + egg.y * (height - 6)"
      :r="r"
    />
  </svg>
</template>

<style scoped>
.tub {
  fill: none;
  stroke: var(--ui-border-accented);
}
svg {
  display: block;
}
</style>
