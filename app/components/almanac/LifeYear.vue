<script setup lang="ts">
import { scaleLinear } from 'd3'
import { lifeYear } from '#core/season'
import type { Species } from '#core/almanac'

/** The year of a species on one axis: each event as the smear of its clocks, tall where it is likely. */
const props = defineProps<{ species: Species }>()
const WIDTH = 720
const ROW = 24
const LABEL = 132
const events = computed(() => lifeYear(props.species))
const last = computed(() => Math.max(30, ...events.value.map(e => e.latest)))
const x = computed(() => scaleLinear([0, last.value], [LABEL, WIDTH - 112]))
const ticks = computed(() => x.value.ticks(6))
const shape = (e: { earliest: number; likely: number; latest: number }, y: number) =>
  `M${x.value(e.earliest)},${y + 18} Q${x.value(e.likely)},${y - 14} ${x.value(e.latest)},${y + 18} Z`
const days = (n: number) => Math.round(n)
</script>

<template>
  <figure v-if="events.length > 1" class="year">
    <svg
      :viewBox="`0 0 ${WIDTH} ${events.length * ROW + 22}`"
      class="chart"
      role="img"
      :aria-label="`Year of the ${species.name}, in days from ${events[0]!.name}: ${events
        .slice(1)
        .map(e => `${e.name} ${days(e.likely)} (${days(e.earliest)} to ${days(e.latest)})`)
        .join(', ')}`"
    >
      <g v-for="t in ticks" :key="t">
        <line class="grid" :x1="x(t)" :x2="x(t)" y1="0" :y2="events.length * ROW" />
        <text :x="x(t)" :y="events.length * ROW + 16" text-anchor="middle">{{ t }}</text>
      </g>
      <text :x="WIDTH" :y="events.length * ROW + 16" text-anchor="end">days</text>
      <g v-for="(e, i) in events" :key="e.event">
        <text x="0" :y="i * ROW + 16">{{ e.name }}</text>
        <circle v-if="e.latest === e.earliest" class="point" :cx="x(e.likely)" :cy="i * ROW + 12" r="4" />
        <template v-else>
          <path class="smear" :d="shape(e, i * ROW)" />
          <line class="middle" :x1="x(e.likely)" :x2="x(e.likely)" :y1="i * ROW + 4" :y2="i * ROW + 18" />
          <text class="said" :x="x(e.latest) + 6" :y="i * ROW + 16">
            {{ days(e.likely) }} ({{ days(e.earliest) }}–{{ days(e.latest) }})
          </text>
        </template>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.year {
  margin-top: 1.25rem;
  max-width: 46rem;
}
.grid {
  stroke: var(--ui-border);
}
.smear {
  fill: var(--stage-egg);
  stroke: var(--ui-text-muted);
}
.point {
  fill: var(--ui-text-highlighted);
}
.middle {
  stroke: var(--ui-text-highlighted);
  stroke-width: 1.5;
}
@media (max-width: 600px) {
  .year {
    overflow-x: auto;
  }
  svg {
    min-width: 34rem;
  }
}
@media (forced-colors: active) {
  .smear {
    fill: Canvas;
    stroke: CanvasText;
  }
}
</style>
