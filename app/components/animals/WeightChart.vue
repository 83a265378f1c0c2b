<script setup lang="ts">
import { area, extent, line, scaleLinear } from 'd3'
import { useElementSize } from '@vueuse/core'
import { speciesOf } from '#core/almanac'
import { usualMass } from '#core/season'
import type { AnimalState } from '#core/subjects'
import { formatDay, formatQuantity, fromBase } from '#core/units'

const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const HEIGHT = 190
const LEFT = 52
const points = computed(() => props.animal.weights)
const span = computed(() => {
  const from = points.value[0]?.day ?? house.today - 30
  return {
    from: Math.min(from, house.today - 30),
    to: house.today + 14,
    width: Math.max(200, Math.floor(width.value) - LEFT),
  }
})
const x = computed(() => timeScale(span.value))
const BAND_STEPS = 40
/** What its kind weighs at its age, while it grows: 80 % of them. */
const band = computed(() => {
  const { bornDay, speciesId } = props.animal
  const grown = bornDay === null ? -Infinity : bornDay + speciesOf(house.almanac, speciesId).matureDays.value
  const from = Math.max(span.value.from, bornDay ?? 0)
  const to = Math.min(span.value.to, grown)
  if (to <= from) return []
  return Array.from({ length: BAND_STEPS + 1 }, (_, i) => {
    const day = Math.round(from + ((to - from) * i) / BAND_STEPS)
    return { day, usual: usualMass(props.animal, day, { almanac: house.almanac })! }
  })
})
const y = computed(() => {
  const drawn = [...points.value.map(p => p.massG), ...band.value.flatMap(b => [b.usual.low, b.usual.high])]
  const [low = 0, high = 1] = extent(drawn, massG => fromBase(massG, house.settings.massUnit))
  const pad = Math.max((high - low) * 0.15, high * 0.03)
  return scaleLinear()
    .domain([Math.max(0, low - pad), high + pad])
    .range([HEIGHT - 24, 8])
    .nice(4)
})
const value = (massG: number) => y.value(fromBase(massG, house.settings.massUnit))
const path = computed(
  () =>
    line<(typeof points.value)[number]>()
      .x(p => x.value(p.day))
      .y(p => value(p.massG))(points.value) ?? '',
)
const bandPath = computed(
  () =>
    area<(typeof band.value)[number]>()
      .x(b => x.value(b.day))
      .y0(b => value(b.usual.low))
      .y1(b => value(b.usual.high))(band.value) ?? '',
)
const cold = computed(() => {
  const { cooled, warmed } = props.animal
  if (!cooled) return null
  const from = Math.max(x.value(cooled.day), 0)
  return { x: from, width: Math.max(0, x.value(warmed?.day ?? house.today) - from) }
})
const last = computed(() => points.value.at(-1))
</script>

<template>
  <div ref="box">
    <svg
      v-if="points.length"
      :width="span.width + LEFT"
      :height="HEIGHT"
      role="img"
      :aria-label="`Weight, latest ${last ? formatQuantity(last.massG, house.settings.massUnit) : 'none'}`"
    >
      <g :transform="`translate(${LEFT},0)`">
        <rect
          v-if="cold"
          :x="cold.x"
          y="0"
          :width="cold.width"
          :height="HEIGHT - 22"
          fill="var(--stage-cooling)"
          opacity="0.14"
        />
        <text v-if="cold && cold.width > 50" :x="cold.x + 4" y="14">cold</text>
        <path v-if="band.length" :d="bandPath" fill="var(--ui-text-muted)" opacity="0.16">
          <title>80 % of its kind at its age</title>
        </path>
        <g v-for="tick in y.ticks(4)" :key="tick" :transform="`translate(0,${y(tick)})`">
          <line :x2="span.width" stroke="var(--ui-border)" />
          <text x="-8" dy="0.32em" text-anchor="end">{{ tick }} {{ house.settings.massUnit }}</text>
        </g>
        <g
          v-for="tick in ticksApart(timeTicks(span), x).filter(t => x(t.day) < span.width - 28)"
          :key="tick.day"
          :transform="`translate(${x(tick.day)},${HEIGHT - 22})`"
        >
          <line y2="5" stroke="var(--ui-border-accented)" />
          <text y="18">{{ tick.label }}</text>
        </g>
        <line
          :x1="x(house.today)"
          :x2="x(house.today)"
          y1="0"
          :y2="HEIGHT - 22"
          stroke="var(--ui-primary)"
          stroke-width="1.25"
        />
        <path :d="path" fill="none" stroke="var(--ui-text-highlighted)" stroke-width="1.5" />
        <circle
          v-for="p in points"
          :key="p.entryId"
          :cx="x(p.day)"
          :cy="value(p.massG)"
          r="3"
          fill="var(--ui-text-highlighted)"
        >
          <title>{{ formatDay(p.day, house.today) }}: {{ formatQuantity(p.massG, house.settings.massUnit) }}</title>
        </circle>
      </g>
    </svg>
    <p v-else class="quiet">No weight yet. The first weighing starts the curve.</p>
  </div>
</template>

<style scoped>
text {
  font-size: 13px;
  fill: var(--ui-text-muted);
}
</style>
