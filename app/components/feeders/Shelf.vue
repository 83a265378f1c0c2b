<script setup lang="ts">
import { scaleLinear } from 'd3'
import { useElementSize } from '@vueuse/core'
import { feederOf, type Supply } from '#core/almanac'
import { cultureStage, cultureWay, cultureWayHere, timeToProducing } from '#core/supply'
import { quantile } from '#core/chance'
import { placeTempC } from '#core/season/warmth'
import { TROUBLE_WORDS, type CultureState } from '#core/subjects'

/** Cups of one feeder along their age: where each stands between start, yield and end. */
const props = defineProps<{ feederId: string; cultures: readonly CultureState[]; picked: string | null }>()
const emit = defineEmits<{ pick: [id: string] }>()
const house = useHouse()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const feeder = computed(() => feederOf(house.almanac, props.feederId))
/** Most of those that stand came as the first did. */
const supply = computed(
  () => cultureWayHere(feeder.value, props.cultures[0]!, house.house) as Extract<Supply, { kind: 'batch' }>,
)
const wait = computed(() => timeToProducing(supply.value, placeTempC(props.cultures[0]?.placeId ?? null, house)))
const yields = computed(() => ({
  from: quantile(wait.value, 0.1)!,
  to: quantile(wait.value, 0.9)!,
  end: quantile(wait.value, 0.5)! + supply.value.producingDays.value,
}))
const x = computed(() =>
  scaleLinear()
    .domain([0, Math.max(yields.value.end + 6, ...props.cultures.map(c => house.today - c.startDay + 1))])
    .range([20, Math.max(200, width.value - 24)]),
)
const SPAN_HEIGHT = 62

/** Cups of nearly the same age stand on top of each other. */
const cups = computed(() => {
  const placed: { x: number; row: number; c: CultureState; stage: string; age: number; found: string }[] = []
  for (const c of [...props.cultures].sort((a, b) => b.startDay - a.startDay)) {
    const age = house.today - c.startDay
    const at = x.value(age)
    let row = 0
    while (placed.some(p => p.row === row && Math.abs(p.x - at) < 50)) row++
    const stage = cultureStage(c, cultureWay(feeder.value, c) ?? supply.value, house.today)
    const open = stage === 'failed' ? [] : c.troubles.filter(t => !t.over)
    placed.push({ ...{ x: at, row, c, age, stage }, found: open.map(t => TROUBLE_WORDS[t.what]).join(', ') })
  }
  return placed
})
const rows = computed(() => Math.max(1, ...cups.value.map(c => c.row + 1)))
const height = computed(() => rows.value * SPAN_HEIGHT + 34)
const floor = computed(() => rows.value * SPAN_HEIGHT)
</script>

<template>
  <div ref="box" class="shelf">
    <svg
      v-if="width"
      :width="x.range()[1]! + 24"
      :height="height"
      role="group"
      :aria-label="`${cultures.length} cups by age`"
    >
      <rect
        :x="x(yields.from)"
        y="0"
        :width="x(yields.end) - x(yields.from)"
        :height="floor"
        fill="var(--stage-feeder)"
        opacity="0.12"
      />
      <text :x="x(yields.from) + 4" y="13">yields</text>
      <line x1="0" :x2="x.range()[1]! + 24" :y1="floor" :y2="floor" stroke="var(--ui-text-muted)" stroke-width="2" />
      <g v-for="tick in x.ticks(6)" :key="tick" :transform="`translate(${x(tick)},${floor})`">
        <line y2="5" stroke="var(--ui-text-muted)" />
        <text y="19" text-anchor="middle">{{ tick }}{{ tick === 0 ? '' : ' d' }}</text>
      </g>
      <g
        v-for="cup in cups"
        :key="cup.c.id"
        :transform="`translate(${cup.x},${floor - cup.row * SPAN_HEIGHT})`"
        class="cup"
        :class="[cup.stage, { picked: picked === cup.c.id }]"
        tabindex="0"
        role="button"
        :aria-pressed="picked === cup.c.id"
        :aria-label="`${cup.c.tag}, ${cup.age} days old, ${cup.stage}${cup.found && `; found: ${cup.found}`}`"
        :data-cup="cup.c.tag"
        @click="emit('pick', cup.c.id)"
        @keydown.enter.prevent="emit('pick', cup.c.id)"
        @keydown.space.prevent="emit('pick', cup.c.id)"
      >
        <path d="M-15,-40 h30 l-4,39 h-22 z" class="glass" />
        <rect x="-17" y="-43" width="34" height="4" class="lid" />
        <path v-if="cup.stage === 'failed'" d="M-9,-30 l18,20 m0,-20 l-18,20" class="cross" />
        <g v-if="cup.found" class="found">
          <path d="M15,-60 l10,17 h-20 z" />
          <text x="15" y="-46" text-anchor="middle">!</text>
        </g>
        <text y="-14" text-anchor="middle" class="label">{{ cup.c.tag }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.shelf {
  width: 100%;
  overflow-x: auto;
}
text {
  font-size: 13px;
  fill: var(--ui-text-muted);
}
.cup {
  cursor: pointer;
}
.cup:focus-visible {
  outline: none;
}
.cup:focus-visible .glass,
.picked .glass {
  stroke: var(--ui-primary);
  stroke-width: 3;
}
.glass {
  fill: var(--ui-bg);
  stroke: var(--ui-text-muted);
  stroke-width: 1.5;
}
.lid {
  fill: var(--ui-text-muted);
}
.label {
  font-family: var(--font-mono);
  font-weight: 600;
  font-size: 13px;
  fill: var(--ui-text-highlighted);
  paint-order: stroke;
  stroke: var(--ui-bg);
  stroke-width: 3px;
}
.producing .glass {
  fill: color-mix(in srgb, var(--stage-feeder) 55%, var(--ui-bg));
}
.growing .glass {
  fill: color-mix(in srgb, var(--stage-feeder) 12%, var(--ui-bg));
  stroke-dasharray: 3 2;
}
.spent .glass {
  fill: var(--ui-bg-accented);
}
.cross {
  stroke: var(--harm);
  stroke-width: 2.5;
}
.found path {
  fill: var(--ui-bg);
  stroke: var(--harm);
  stroke-width: 2;
  stroke-linejoin: round;
}
.found text {
  fill: var(--harm);
  font-weight: 700;
  font-size: 12px;
}
.failed .label {
  fill: var(--harm);
}
</style>
