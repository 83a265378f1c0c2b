<script setup lang="ts">
import type { TimeSpan } from '~/composables/useTimeScale'
import { formatWeekday } from '#core/units'

const props = defineProps<{ span: TimeSpan, today: number }>()
const x = computed(() => timeScale(props.span))
const ticks = computed(() => timeTicks(props.span).filter(t => Math.abs(x.value(t.day) - x.value(props.today)) > 46 && x.value(t.day) < props.span.width - 28))
</script>

<template>
  <svg :width="span.width" height="30" class="axis" role="img" :aria-label="`Time axis, today is ${formatWeekday(today)}`">
    <g v-for="tick in ticks" :key="tick.day" :transform="`translate(${x(tick.day)},0)`">
      <line y1="22" y2="30" stroke="var(--ui-border-accented)" />
      <text y="16" x="2">{{ tick.label }}</text>
    </g>
    <g :transform="`translate(${x(today)},0)`">
      <line y1="20" y2="30" stroke="var(--ui-primary)" stroke-width="1.5" />
      <text y="16" text-anchor="middle" class="today">today</text>
    </g>
  </svg>
</template>

<style scoped>
.axis { display: block; }
text { font-size: 13px; fill: var(--ui-text-muted); }
.today { fill: var(--ui-primary); font-weight: 650; }
</style>
