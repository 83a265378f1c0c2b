<script setup lang="ts">
import { scaleLinear } from 'd3'
import { CHANNELS, ZONES, formatReading } from '#core/channels'
import type { SeriesView } from '#core/season'
import { formatDay } from '#core/units'

/** Lowest to highest of each day against the band by light. A day without readings stays empty. */
const props = withDefaults(
  defineProps<{ series: SeriesView; name: string; width: number; height: number; days?: number; quiet?: boolean }>(),
  { days: 14, quiet: false },
)
const house = useHouse()
const x = computed(() =>
  scaleLinear()
    .domain([house.today - props.days + 1, house.today + 1])
    .range([0, props.width]),
)
/** Over a day both bands hold, one after the other. */
const band = computed(() => {
  const { light, dark } = props.series
  const ends = [light, dark].flatMap(b => (b ? [b] : []))
  const lows = ends.flatMap(b => b.low ?? [])
  const highs = ends.flatMap(b => b.high ?? [])
  return { low: lows.length ? Math.min(...lows) : null, high: highs.length ? Math.max(...highs) : null }
})
const y = computed(() => {
  const { low, high } = band.value
  const days = props.series.days
  const min = Math.min(low ?? Infinity, ...days.map(d => d.min))
  const max = Math.max(high ?? -Infinity, ...days.map(d => d.max))
  const pad = Math.max(0.5, (max - min) * 0.06)
  return scaleLinear()
    .domain([min - pad, max + pad])
    .range([props.height - 1, 1])
})
const shaded = computed(() => {
  const { low, high } = band.value
  const top = high === null ? 0 : y.value(high)
  const bottom = low === null ? props.height : y.value(low)
  return low === null && high === null ? null : { top, height: Math.max(1, bottom - top) }
})
const step = computed(() => x.value(house.today + 1) - x.value(house.today))
const bar = computed(() => Math.max(2, Math.min(22, step.value - 1.5)))
/** A short trip outside is let pass, as the alarm does. */
const outside = (d: { outside: number }) => d.outside >= house.almanac.common.bandTolerance!.value
const show = (v: number) => formatReading(props.series.channel, v, house.settings.tempUnit)
const label = computed(() => {
  const { channel, zone } = props.series
  return `${props.name}, ${ZONES[zone]}: ${CHANNELS[channel].label.toLowerCase()} of ${props.days} days, lowest to highest`
})
function tellDay({ day, min, max, read, outside: hours }: SeriesView['days'][number]): string {
  const missed = read < 24 && day < house.today ? `, ${read} of 24 hours read` : ''
  const wrong = hours ? `, ${hours} hours outside what it should be` : ''
  return `${formatDay(day, house.today)}: ${show(min)} to ${show(max)}${missed}${wrong}`
}
</script>

<template>
  <svg
    :width="width"
    :height="quiet ? height : height + 18"
    class="strip chart"
    :role="quiet ? undefined : 'img'"
    :aria-hidden="quiet || undefined"
    :aria-label="quiet ? undefined : label"
  >
    <rect
      v-if="shaded"
      x="0"
      :y="shaded.top"
      :width="width"
      :height="shaded.height"
      fill="var(--stage-egg)"
      opacity="0.18"
    />
    <g v-for="d in series.days" :key="d.day">
      <rect
        :x="x(d.day) + (step - bar) / 2"
        :y="y(d.max)"
        :width="bar"
        :height="Math.max(2, y(d.min) - y(d.max))"
        :fill="outside(d) ? 'var(--harm)' : 'var(--ui-text-muted)'"
      >
        <title>{{ tellDay(d) }}</title>
      </rect>
    </g>
    <template v-if="!quiet">
      <text :x="2" :y="height + 13">{{ formatDay(house.today - days + 1, house.today) }}</text>
      <text :x="width - 2" :y="height + 13" text-anchor="end">today</text>
    </template>
  </svg>
</template>

<style scoped>
.strip {
  display: block;
  max-width: 100%;
}
</style>
