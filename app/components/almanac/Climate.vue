<script setup lang="ts">
import { scaleLinear } from 'd3'
import { CLIMATE_ZONES, type Climate } from '#core/almanac'
import { formatQuantity } from '#core/units'

/** How warm each part of a place should be, as bands on one axis; damp and light beside them in words. */
const props = defineProps<{ climate: Climate; name: string }>()
const house = useHouse()
const WIDTH = 720
const ROW = 26
const LABEL = 132
const bands = computed(() =>
  CLIMATE_ZONES.flatMap(zone => {
    const band = props.climate[zone]
    return band ? [{ zone, name: CLIMATE_WORDS[zone]!, low: band.low.value, high: band.high.value }] : []
  }),
)
const x = computed(() =>
  scaleLinear(
    [Math.min(10, ...bands.value.map(b => b.low)) - 2, Math.max(40, ...bands.value.map(b => b.high)) + 2],
    [LABEL, WIDTH - 120],
  ),
)
const unit = computed(() => house.settings.tempUnit)
const told = (low: number, high: number) =>
  `${formatQuantity(low, unit.value).replace(` ${unit.value}`, '')}–${formatQuantity(high, unit.value)}`
const beside = computed(() => {
  const { humidity, uvIndex } = props.climate
  return [
    ...(humidity ? [`humidity ${humidity.low.value}–${humidity.high.value} %`] : []),
    ...(uvIndex ? [`UV index ${uvIndex.low.value}–${uvIndex.high.value} where it sits, by the meter`] : []),
  ].join('; ')
})
</script>

<template>
  <figure class="climate">
    <svg
      v-if="bands.length"
      :viewBox="`0 0 ${WIDTH} ${bands.length * ROW}`"
      class="chart"
      role="img"
      :aria-label="`${name}: ${bands.map(b => `${b.name} ${told(b.low, b.high)}`).join(', ')}`"
    >
      <g v-for="(b, i) in bands" :key="b.zone">
        <text x="0" :y="i * ROW + 17">{{ b.name }}</text>
        <line class="grid" :x1="LABEL" :x2="WIDTH - 120" :y1="i * ROW + 13" :y2="i * ROW + 13" />
        <rect
          class="band"
          :class="b.zone"
          :x="x(b.low)"
          :width="Math.max(3, x(b.high) - x(b.low))"
          :y="i * ROW + 5"
          height="16"
          rx="3"
        />
        <text :x="x(b.high) + 8" :y="i * ROW + 17">{{ told(b.low, b.high) }}</text>
      </g>
    </svg>
    <figcaption v-if="beside" class="quiet">{{ beside.replace(/^./, c => c.toUpperCase()) }}.</figcaption>
  </figure>
</template>

<style scoped>
.climate {
  max-width: 46rem;
  margin-top: 0.5rem;
}
.chart text {
  paint-order: stroke;
  stroke: var(--ui-bg);
  stroke-width: 5px;
}
.grid {
  stroke: var(--ui-border);
}
.band {
  fill: var(--stage-hatchling);
  stroke: var(--ui-text-muted);
}
.band.night,
.band.cool,
.band.water {
  fill: var(--stage-cooling);
}
@media (max-width: 600px) {
  .climate {
    overflow-x: auto;
  }
  svg {
    min-width: 34rem;
  }
}
@media (forced-colors: active) {
  .band {
    fill: CanvasText;
  }
}
</style>
