<script setup lang="ts">
import { line, scaleLinear } from 'd3'
import { setpoints, type Programme, type Setpoint } from '#core/brumation'
import { formatQuantity } from '#core/units'

/** The setpoint curve of a programme: temperature over time. */
const props = defineProps<{
  programme: Programme
  width: number
  height: number
  from?: number
  to?: number
  today?: number
}>()
const house = useHouse()
const corners = computed(() => setpoints(props.programme))
const span = computed(() => ({
  from: props.from ?? props.programme.lastMealDay - 2,
  to: props.to ?? props.programme.warmDay + 8,
  width: props.width,
}))
const x = computed(() => timeScale(span.value))
const temps = computed(() => [
  ...corners.value.map(c => c.tempC),
  ...(props.programme.nightC === null ? [] : [props.programme.nightC]),
])
const y = computed(() =>
  scaleLinear()
    .domain([Math.min(...temps.value) - 1, Math.max(...temps.value) + 1])
    .range([props.height - 6, 8]),
)
const path = computed(
  () =>
    line<Setpoint>()
      .x(c => x.value(c.hour / 24))
      .y(c => y.value(c.tempC))(corners.value) ?? '',
)
const night = computed(() =>
  props.programme.nightC === null
    ? null
    : {
        x: x.value(props.programme.holdDay),
        width: x.value(props.programme.wakeDay) - x.value(props.programme.holdDay),
        y: y.value(props.programme.holdC),
        height: y.value(props.programme.nightC) - y.value(props.programme.holdC),
      },
)
const show = (t: number) => formatQuantity(Number(t.toFixed(1)), house.settings.tempUnit)
</script>

<template>
  <svg
    :width="width"
    :height="height"
    class="curve chart"
    role="img"
    :aria-label="`Setpoint from ${show(programme.warmC)} down to ${show(programme.holdC)} and back`"
  >
    <line
      v-if="today !== undefined"
      :x1="x(today)"
      :x2="x(today)"
      y1="0"
      :y2="height"
      stroke="var(--ui-primary)"
      stroke-width="1.25"
    />
    <rect v-if="night" v-bind="night" fill="var(--stage-cooling)" opacity="0.2" />
    <path :d="path" fill="none" stroke="var(--stage-cooling)" stroke-width="2.25" />
    <g :transform="`translate(${x(programme.lastMealDay)},${y(programme.warmC)})`">
      <circle r="4" fill="var(--stage-feeder)" />
      <title>Last meal</title>
    </g>
    <g :transform="`translate(${x(programme.firstMealDay)},${y(programme.warmC)})`">
      <circle r="4" fill="var(--stage-feeder)" />
      <title>First small meal</title>
    </g>
    <text :x="(x(programme.holdDay) + x(programme.wakeDay)) / 2" :y="y(programme.holdC) - 6" text-anchor="middle">
      {{ show(programme.holdC) }}{{ programme.nightC === null ? '' : `, nights ${show(programme.nightC)}` }}
    </text>
  </svg>
</template>

<style scoped>
.curve {
  display: block;
  max-width: 100%;
}
</style>
