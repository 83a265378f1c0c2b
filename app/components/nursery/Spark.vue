<script setup lang="ts">
import { extent, line, scaleLinear } from 'd3'
import type { Weighing } from '#core/subjects'

/** The course of a weight, thin and small, each from its own least to its own most. */
const props = defineProps<{ weights: readonly Weighing[] }>()
const WIDTH = 56
const HEIGHT = 16
const path = computed(() => {
  const list = props.weights.slice(-12)
  const [from, to] = extent(list, w => w.day) as [number, number]
  const [low, high] = extent(list, w => w.massG) as [number, number]
  const x = scaleLinear()
    .domain([from, to])
    .range([1, WIDTH - 1])
  // small ups and downs of a steady weight are not drawn as mountains
  const pad = Math.max(high - low, high * 0.1)
  const y = scaleLinear()
    .domain([high - pad, high])
    .range([HEIGHT - 2, 2])
  return (
    line<Weighing>()
      .x(w => x(w.day))
      .y(w => y(w.massG))(list) ?? ''
  )
})
</script>

<template>
  <svg v-if="weights.length > 1" :width="WIDTH" :height="HEIGHT" aria-hidden="true">
    <path :d="path" fill="none" stroke="var(--ui-text-toned)" stroke-width="1.25" />
  </svg>
</template>
