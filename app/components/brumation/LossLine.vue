<script setup lang="ts">
import { area, line, scaleLinear } from 'd3'
import type { ColdAnimal } from '#core/season'
import { formatDay } from '#core/units'
import type { TimeSpan } from '~/composables/useTimeScale'

/** Loss of one animal against what is usual and against its limits; below the line is more lost. */
const props = defineProps<{ cold: ColdAnimal; span: TimeSpan; height: number; axes?: boolean }>()
const house = useHouse()

const x = computed(() => timeScale(props.span))
const most = computed(() =>
  Math.max(
    props.cold.limits.takeOut * 1.2,
    (props.cold.lost ?? 0) * 1.1,
    props.axes ? Math.min(0.25, props.cold.atWake?.high ?? 0) : 0,
  ),
)
const y = computed(() =>
  scaleLinear()
    .domain([-0.012, most.value])
    .range([4, props.height - (props.axes ? 22 : 4)]),
)
/** On a short line what lies below is cut off by its edge; with axes it must not run over them. */
const clampY = (share: number) => y.value(Math.max(-0.012, props.axes ? Math.min(most.value, share) : share))

type Band = { day: number; low: number; high: number }
const shape = (list: Band[]) =>
  area<Band>()
    .x(d => x.value(d.day))
    .y0(d => clampY(d.low))
    .y1(d => clampY(d.high))(list) ?? ''
const usual = computed(() => shape(props.cold.usual))
const last = computed(() => props.cold.points.at(-1))
/** What is expected from the last weighing on: the band widens. */
const ahead = computed(() => {
  const from = last.value?.day ?? 0
  const part = props.cold.band.filter(b => b.day >= from)
  const before = props.cold.band.filter(b => b.day < from).at(-1)
  return before && part[0] && part[0].day > from
    ? [
        {
          ...before,
          day: from,
          low: before.low + (part[0].low - before.low) * ((from - before.day) / (part[0].day - before.day)),
          mid: before.mid + (part[0].mid - before.mid) * ((from - before.day) / (part[0].day - before.day)),
          high: before.high + (part[0].high - before.high) * ((from - before.day) / (part[0].day - before.day)),
        },
        ...part,
      ]
    : part
})
const trend = computed(
  () =>
    line<{ day: number; mid: number }>()
      .x(d => x.value(d.day))
      .y(d => clampY(d.mid))(ahead.value) ?? '',
)
const seen = computed(
  () =>
    line<{ day: number; lost: number }>()
      .x(p => x.value(p.day))
      .y(p => clampY(p.lost))(props.cold.points) ?? '',
)
const grave = computed(() => ['takeOut', 'offerWater'].includes(props.cold.verdict.value.action))
const colour = computed(() =>
  props.cold.verdict.value.action === 'takeOut' ? 'var(--harm)' : 'var(--ui-text-highlighted)',
)
const percent = (share: number) => `${(share * 100).toFixed(1)} %`
/** The line in words. */
const told = computed(() => {
  const { tag, lost, limits } = props.cold
  const so = lost === null ? 'not weighed twice yet' : `lost ${percent(lost)}`
  return `${tag}: ${so}; watch at ${percent(limits.watch)}, out at ${percent(limits.takeOut)}`
})
</script>

<template>
  <svg :width="span.width" :height="height" class="loss chart" role="img" :aria-label="told">
    <line
      :x1="x(house.today)"
      :x2="x(house.today)"
      y1="0"
      :y2="height - (axes ? 20 : 0)"
      stroke="var(--ui-primary)"
      stroke-width="1.25"
    />
    <path :d="usual" fill="var(--stage-cooling)" fill-opacity="0.22" />
    <line
      x1="0"
      :x2="span.width"
      :y1="y(cold.limits.watch)"
      :y2="y(cold.limits.watch)"
      stroke="var(--stage-gravid)"
      stroke-dasharray="3 4"
    />
    <line
      x1="0"
      :x2="span.width"
      :y1="y(cold.limits.takeOut)"
      :y2="y(cold.limits.takeOut)"
      stroke="var(--harm)"
      stroke-width="1.25"
    />
    <path :d="shape(ahead)" :fill="colour" :fill-opacity="grave ? 0.2 : 0.1" />
    <path :d="trend" fill="none" :stroke="colour" stroke-width="1.25" stroke-dasharray="2 3" />
    <path :d="seen" fill="none" :stroke="colour" stroke-width="2" />
    <circle
      v-for="p in cold.points"
      :key="p.entryId"
      :cx="x(p.day)"
      :cy="clampY(p.lost)"
      :r="axes ? 4 : 2.75"
      :fill="colour"
    >
      <title>{{ formatDay(p.day, house.today) }}: {{ p.massG }} g, {{ percent(p.lost) }} lost</title>
    </circle>
    <g v-if="axes">
      <text :x="span.width - 4" :y="y(cold.limits.watch) - 4" text-anchor="end">
        watch {{ Math.round(cold.limits.watch * 100) }} %
      </text>
      <text :x="span.width - 4" :y="y(cold.limits.takeOut) - 4" text-anchor="end">
        take out {{ Math.round(cold.limits.takeOut * 100) }} %
      </text>
      <text x="4" :y="y(0) - 4">start</text>
      <g
        v-for="tick in ticksApart(timeTicks(span), x)"
        :key="tick.day"
        :transform="`translate(${x(tick.day)},${height - 20})`"
      >
        <line y2="5" stroke="var(--ui-border-accented)" />
        <text y="17">{{ tick.label }}</text>
      </g>
      <g :transform="`translate(${x(cold.wakeDay)},0)`">
        <line y1="0" :y2="height - 20" stroke="var(--ui-border-accented)" stroke-dasharray="1 3" />
        <text :y="12" text-anchor="end" x="-4">wakes {{ formatDay(cold.wakeDay, house.today) }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.loss {
  display: block;
  max-width: 100%;
}
</style>
