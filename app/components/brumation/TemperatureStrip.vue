<script setup lang="ts">
import { scaleLinear } from 'd3'
import { formatTempRange } from '#core/channels'
import type { ColdPlaceView } from '#core/season'
import { formatDay, formatQuantity } from '#core/units'
import type { TimeSpan } from '~/composables/useTimeScale'

/** Lowest to highest of each day against the band. A day without readings stays empty. */
const props = defineProps<{ place: ColdPlaceView; span: TimeSpan; height: number }>()
const house = useHouse()
const x = computed(() => timeScale(props.span))
const days = computed(() => props.place.days.filter(d => d.day >= props.span.from))
const y = computed(() => {
  const band = props.place.band
  const low = Math.min(band?.lowC ?? Infinity, ...days.value.map(d => d.min))
  const high = Math.max(band?.highC ?? -Infinity, ...days.value.map(d => d.max))
  return scaleLinear()
    .domain([low - 1, high + 1])
    .range([props.height - 2, 2])
})
const bar = computed(() => Math.max(1.5, x.value(props.span.from + 1) - 1))
const outside = (d: { min: number; max: number }) =>
  props.place.band !== null && (d.min < props.place.band.lowC || d.max > props.place.band.highC)
/** Both ends of the band would be written over each other. */
const isNarrow = computed(() => {
  const { band } = props.place
  return band !== null && y.value(band.lowC) - y.value(band.highC) < 30
})
const show = (t: number) => formatQuantity(Number(t.toFixed(1)), house.settings.tempUnit)
</script>

<template>
  <svg
    :width="span.width"
    :height="height"
    class="strip chart"
    role="img"
    :aria-label="`${place.name}: temperature by day, lowest to highest`"
  >
    <template v-if="place.band">
      <rect
        x="0"
        :y="y(place.band.highC)"
        :width="span.width"
        :height="Math.max(0, y(place.band.lowC) - y(place.band.highC))"
        fill="var(--stage-cooling)"
        opacity="0.16"
      />
      <text
        v-if="isNarrow"
        :x="span.width - 4"
        text-anchor="end"
        :y="(y(place.band.highC) + y(place.band.lowC)) / 2 + 4"
      >
        {{ formatTempRange(place.band.lowC, place.band.highC, house.settings.tempUnit) }}
      </text>
      <template v-else>
        <text :x="span.width - 4" text-anchor="end" :y="y(place.band.highC) + 13">{{ show(place.band.highC) }}</text>
        <text :x="span.width - 4" text-anchor="end" :y="y(place.band.lowC) - 3">{{ show(place.band.lowC) }}</text>
      </template>
    </template>
    <g v-for="d in days" :key="d.day">
      <rect
        :x="x(d.day)"
        :y="y(d.max)"
        :width="bar"
        :height="Math.max(2, y(d.min) - y(d.max))"
        :fill="outside(d) ? 'var(--harm)' : 'var(--stage-cooling)'"
        :opacity="d.read < 20 && d.day < house.today ? 0.35 : 1"
      >
        <title>
          {{ formatDay(d.day, house.today) }}: {{ show(d.min) }} to {{ show(d.max)
          }}{{ d.read < 24 ? `, ${d.read} of 24 hours read` : '' }}
        </title>
      </rect>
    </g>
    <line
      :x1="x(house.today)"
      :x2="x(house.today)"
      y1="0"
      :y2="height"
      stroke="var(--ui-primary)"
      stroke-width="1.25"
    />
  </svg>
</template>

<style scoped>
.strip {
  display: block;
  max-width: 100%;
}
</style>
