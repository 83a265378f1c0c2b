<script setup lang="ts">
import type { TimeSpan } from '~/composables/useTimeScale'

/** Month lines and today, the same in every strip. */
const props = defineProps<{ span: TimeSpan; today: number; height: number }>()
const x = computed(() => timeScale(props.span))
const ticks = computed(() => timeTicks(props.span))
</script>

<template>
  <g aria-hidden="true">
    <rect x="0" y="0" :width="Math.max(0, x(today))" :height="height" fill="var(--ui-bg-muted)" />
    <line
      v-for="tick in ticks"
      :key="tick.day"
      :x1="x(tick.day)"
      :x2="x(tick.day)"
      y1="0"
      :y2="height"
      stroke="var(--ui-border)"
    />
    <line :x1="x(today)" :x2="x(today)" y1="0" :y2="height" stroke="var(--ui-primary)" stroke-width="1.25" />
  </g>
</template>
