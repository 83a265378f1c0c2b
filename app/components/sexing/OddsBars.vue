<script setup lang="ts">
import { scaleLinear } from 'd3'
import { useElementSize } from '@vueuse/core'
import type { SexVerdict } from '#core/sexing'

/**
 * Every piece of evidence as a bar in log-odds, left for female, right for male, the sum below; dashed lines where the
 * house takes it as known.
 */
const props = defineProps<{ verdict: SexVerdict }>()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const ROW = 30
const rows = computed(() => {
  const list = props.verdict.pieces.map((p, i) => ({ key: `${i}`, label: p.label, odds: p.counts, full: p.logOdds }))
  return Math.abs(props.verdict.prior.logOdds) > 1e-9
    ? [
        {
          key: 'prior',
          label: props.verdict.prior.label,
          odds: props.verdict.prior.logOdds,
          full: props.verdict.prior.logOdds,
        },
        ...list,
      ]
    : list
})
const total = computed(() => rows.value.reduce((sum, r) => sum + r.odds, 0))
const most = computed(
  () =>
    Math.max(props.verdict.threshold * 1.25, ...rows.value.map(r => Math.abs(r.full)), Math.abs(total.value)) * 1.05,
)
const labelWidth = computed(() => Math.min(210, width.value * 0.42))
const plot = computed(() => Math.max(120, width.value - labelWidth.value))
const x = computed(() => scaleLinear().domain([-most.value, most.value]).range([0, plot.value]))
const height = computed(() => (rows.value.length + 1) * ROW + 40)
const tell = (odds: number) =>
  `${Math.exp(Math.abs(odds)) >= 1000 ? 'over 1000' : Math.exp(Math.abs(odds)).toFixed(Math.abs(odds) < 2.3 ? 1 : 0)} : 1`
</script>

<template>
  <div ref="box">
    <svg
      v-if="width"
      :width="width"
      :height="height"
      role="img"
      :aria-label="`${rows.length} pieces of evidence; together ${tell(total)} for ${total >= 0 ? 'male' : 'female'}`"
    >
      <g :transform="`translate(${labelWidth},0)`">
        <text :x="x(0) - 6" y="13" text-anchor="end" class="side">◂ female</text>
        <text :x="x(0) + 6" y="13" class="side">male ▸</text>
        <g v-for="side in [-1, 1]" :key="side">
          <line
            :x1="x(side * verdict.threshold)"
            :x2="x(side * verdict.threshold)"
            y1="20"
            :y2="height - 20"
            stroke="var(--ui-border-accented)"
            stroke-dasharray="4 3"
          />
          <text
            :x="x(side * verdict.threshold)"
            :y="height - 4"
            :text-anchor="side < 0 ? 'start' : 'end'"
            :dx="side < 0 ? -18 : 18"
          >
            known
          </text>
        </g>
        <line :x1="x(0)" :x2="x(0)" y1="18" :y2="height - 20" stroke="var(--ui-border-accented)" />
      </g>
      <g v-for="(r, i) in rows" :key="r.key" :transform="`translate(0,${22 + i * ROW})`" :data-piece="r.label">
        <text x="0" y="19">
          {{ r.label.length * 6.6 > labelWidth ? `${r.label.slice(0, Math.floor(labelWidth / 6.8))}…` : r.label }}
          <title>{{ r.label }}</title>
        </text>
        <g :transform="`translate(${labelWidth},0)`">
          <rect
            v-if="Math.abs(r.full) > Math.abs(r.odds) + 1e-9"
            :x="Math.min(x(0), x(r.full))"
            y="6"
            :width="Math.abs(x(r.full) - x(0))"
            height="17"
            class="full"
          />
          <rect
            :x="Math.min(x(0), x(r.odds))"
            y="6"
            :width="Math.max(1, Math.abs(x(r.odds) - x(0)))"
            height="17"
            class="bar"
            :class="r.odds >= 0 ? 'male' : 'female'"
          />
          <text
            :x="r.odds >= 0 ? Math.max(x(0) - 6, 0) : x(0) + 6"
            y="19"
            :text-anchor="r.odds >= 0 ? 'end' : 'start'"
            class="n"
          >
            {{ tell(r.odds) }}
          </text>
        </g>
      </g>
      <g :transform="`translate(0,${22 + rows.length * ROW})`">
        <line x1="0" :x2="width" y1="2" y2="2" stroke="var(--ui-border)" />
        <text x="0" y="21" class="sum">Together</text>
        <g :transform="`translate(${labelWidth},0)`">
          <line :x1="x(0)" :x2="x(total)" y1="16" y2="16" stroke="var(--ui-text-highlighted)" stroke-width="3" />
          <path :transform="`translate(${x(total)},16)`" d="M0,-7L7,0L0,7L-7,0Z" fill="var(--ui-text-highlighted)" />
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
text {
  font-size: 13px;
  fill: var(--ui-text-toned);
}
.side,
.n {
  fill: var(--ui-text-muted);
}
.n {
  font-family: var(--font-mono);
}
.sum {
  font-weight: 650;
  fill: var(--ui-text-highlighted);
}
.bar.female {
  fill: var(--stage-pairing);
}
.bar.male {
  fill: var(--stage-cooling);
}
.full {
  fill: none;
  stroke: var(--ui-border-accented);
  stroke-dasharray: 2 2;
}
</style>
