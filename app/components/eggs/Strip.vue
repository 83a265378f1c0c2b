<script setup lang="ts">
import { line } from 'd3'
import { summarise } from '#core/chance'
import { EVENT_NAMES } from '#core/pairing'
import type { Lane } from '#core/season'
import { formatDay, formatRange } from '#core/units'
import { colourOf, signOf, smearOf } from '../season/marks'

/** Development of a clutch as a line that climbs toward the smear of its hatch. */
const props = withDefaults(
  defineProps<{ lane: Lane; done: number | null; laid: number; span: TimeSpan; height?: number }>(),
  { height: 56 },
)
const house = useHouse()
const x = computed(() => timeScale(props.span))
const base = computed(() => props.height - 8)
const y = (share: number) => base.value - share * (base.value - 8)

const hatch = computed(() => props.lane.events.find(e => e.event === 'hatched'))
const when = computed(() => (hatch.value && !hatch.value.observed ? summarise(hatch.value.dist) : null))
const smear = computed(() => {
  const dist = hatch.value && !hatch.value.observed ? hatch.value.dist : null
  return dist ? smearOf(dist, x.value, base.value, base.value - 14) : ''
})
const path = line<[number, number]>()
  .x(d => x.value(d[0]))
  .y(d => y(d[1]))
const past = computed(() =>
  props.done === null
    ? ''
    : (path([
        [props.laid, 0],
        [Math.max(props.laid, house.today), props.done],
      ]) ?? ''),
)
const ahead = computed(() =>
  props.done === null || !when.value
    ? ''
    : (path([
        [house.today, props.done],
        [Math.max(house.today, when.value.median), 1],
      ]) ?? ''),
)
const told = computed(() =>
  [
    `${props.lane.title}, laid ${formatDay(props.laid, house.today)}`,
    props.done === null ? '' : `${Math.round(props.done * 100)} % developed`,
    when.value ? `${EVENT_NAMES.hatched} ${formatRange(when.value)}` : '',
  ]
    .filter(Boolean)
    .join(', '),
)
const seen = computed(() => props.lane.events.filter(e => e.observed && e.observed.day >= props.span.from))
</script>

<template>
  <svg :width="span.width" :height="height" role="img" :aria-label="told" class="strip chart">
    <SeasonGrid :span="span" :today="house.today" :height="height" />
    <path :d="smear" :fill="colourOf('hatched')" fill-opacity="0.75" />
    <line
      v-if="when"
      :x1="x(when.median)"
      :x2="x(when.median)"
      :y1="6"
      :y2="base + 4"
      :stroke="colourOf('hatched')"
      stroke-width="2"
    />
    <path :d="past" fill="none" stroke="var(--ui-text)" stroke-width="2" />
    <path :d="ahead" fill="none" stroke="var(--ui-text-muted)" stroke-width="1.5" stroke-dasharray="3 3" />
    <g v-for="(e, i) in seen" :key="i" :transform="`translate(${x(e.observed!.day)},${base - 4})`">
      <path :d="signOf(e.event)" :fill="colourOf(e.event)" stroke="var(--ui-bg)">
        <title>{{ EVENT_NAMES[e.event] }}</title>
      </path>
    </g>
    <line x1="0" :x2="span.width" :y1="base" :y2="base" stroke="var(--ui-border-accented)" />
  </svg>
</template>

<style scoped>
.strip {
  display: block;
}
</style>
