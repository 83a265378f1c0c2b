<script setup lang="ts">
import { area, curveStepAfter, line, max, scaleLinear } from 'd3'
import { feederOf } from '#core/almanac'
import { startTasks, tellInPlace, tellOrder, tellStartShort, type FeederPlan, type PreyOutlook } from '#core/season'
import { formatDay } from '#core/units'
import type { TimeSpan } from '~/composables/useTimeScale'

const props = defineProps<{
  look: PreyOutlook
  plan: FeederPlan
  span: TimeSpan
  today: number
  lit: readonly number[] | null
  other: PreyOutlook | null
}>()
const house = useHouse()
const { perform, busy } = useTaskActions()
const id = useId()

const HEIGHT = 76
const feeder = computed(() => feederOf(house.almanac, props.look.prey))
const series = computed(() => preySeries(props.look, props.plan))
const x = computed(() => timeScale(props.span))
const y = computed(() => {
  const top = Math.max(
    max(series.value.need) ?? 0,
    max(props.other?.high.slice(0, props.plan.days) ?? []) ?? 0,
    0.4 * (max(series.value.withPlan) ?? 0),
    1,
  )
  return scaleLinear()
    .domain([0, top * 1.15])
    .range([HEIGHT - 2, 8])
    .clamp(true)
})
const at = (i: number) => x.value(props.today + i * series.value.step)
const closed = (row: readonly number[]) => [...row, row.at(-1) ?? 0]

/** Where the light area runs off the scale: how high it truly goes. */
const beyond = computed(() => {
  const high = max(series.value.withPlan) ?? 0
  const i = series.value.withPlan.indexOf(high)
  return high > y.value.domain()[1]!
    ? {
        x: Math.min(Math.max(at(i), 4), props.span.width - 4),
        text: `up to ${Math.round(high).toLocaleString('en-GB')}`,
        end: at(i) > props.span.width / 2,
      }
    : null
})

const outline = (row: readonly number[]) =>
  line<number>()
    .x((_, i) => at(i))
    .y(v => y.value(v))
    .curve(curveStepAfter)(closed(row)) ?? ''
const fill = (row: readonly number[]) =>
  area<number>()
    .x((_, i) => at(i))
    .y0(y.value(0))
    .y1(v => y.value(v))
    .curve(curveStepAfter)(closed(row)) ?? ''

const litRow = computed(() => {
  if (!props.lit) return null
  const row = props.lit.slice(0, props.plan.days)
  return series.value.step === 1
    ? row
    : Array.from({ length: Math.ceil(row.length / 7) }, (_, w) =>
        row.slice(w * 7, w * 7 + 7).reduce((a, b) => a + b, 0),
      )
})

/** Columns from what there is up to what is needed. */
const gaps = computed(() =>
  series.value.short.flatMap((short, i) => {
    if (!(short > 0)) return []
    const need = series.value.need[i]!
    return [
      {
        i,
        x: at(i),
        width: Math.max(1, at(i + 1) - at(i)),
        y: y.value(need),
        height: Math.max(2, y.value(Math.max(0, need - short)) - y.value(need)),
        lost: series.value.lost[i]! > 0,
      },
    ]
  }),
)

const order = computed(() => props.plan.orders[0])
const start = computed(() =>
  order.value && order.value.day <= (props.plan.starts[0]?.day ?? Number.POSITIVE_INFINITY)
    ? `${tellOrder(order.value, feeder.value)} by ${formatDay(order.value.day, props.today)}`
    : tellStartShort(props.plan, props.today),
)
const inPlace = computed(() => tellInPlace(props.plan, house.almanac.feeders, props.today))
// the same task as on the Round, only reachable before its day
const task = computed(() => {
  const dueNow = <T extends { day: number }>(list: readonly T[]) =>
    list.slice(0, 1).map(x => ({ ...x, day: props.today }))
  const first = (order.value?.day ?? Number.POSITIVE_INFINITY) <= (props.plan.starts[0]?.day ?? 0)
  const plan = {
    ...props.plan,
    starts: first ? [] : dueNow(props.plan.starts),
    orders: first ? dueNow(props.plan.orders) : [],
  }
  return startTasks([plan], house.almanac, props.today)[0]
})
const gap = computed(() => props.plan.gaps[0])
const perWeek = computed(() => Math.round(props.look.high.slice(0, 7).reduce((a, b) => a + b, 0)))
</script>

<template>
  <div class="prey" :data-prey="look.prey">
    <div class="head">
      <p class="name">
        <span class="stage stage-feeder">{{ feeder.name }}</span>
        <UButton
          v-if="task"
          size="xs"
          class="start"
          :label="task.actions[0]!.label"
          :aria-label="`${task.actions[0]!.label}: ${task.what}`"
          variant="outline"
          :loading="busy"
          @click="perform(task, task.actions[0]!)"
        />
      </p>
      <p>
        <WorkingLink
          :title="`${feeder.name}: plan`"
          :answer="start ?? (look.high.some(n => n > 0) ? 'Covered as it stands' : 'Nothing eats it')"
          :reasons="plan.reasons"
        />
        <span class="week">{{ perWeek.toLocaleString('en-GB') }} eaten this week</span>
      </p>
      <p v-if="inPlace" class="risk">{{ inPlace }}</p>
      <p v-if="gap" class="gap">
        Short {{ Math.round(gap.missing) }}, {{ formatDay(gap.from, today)
        }}<template v-if="gap.to > gap.from">–{{ formatDay(gap.to, today) }}</template
        >: buy or borrow
      </p>
      <p v-else-if="plan.starts.length && plan.kind !== 'bought'" class="risk">
        {{ plan.shortDays < 0.05 ? 'no' : plan.shortDays.toFixed(1) }} short days expected with it
      </p>
    </div>
    <svg :width="span.width" :height="HEIGHT" role="img" :aria-label="`${feeder.name}: ${start ?? 'covered'}`">
      <defs>
        <pattern :id="`hatch${id}`" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" stroke="var(--stage-feeder)" stroke-width="2.5" />
        </pattern>
        <pattern :id="`lost${id}`" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="5" stroke="var(--harm)" stroke-width="3" />
        </pattern>
        <clipPath :id="`clip${id}`"><rect x="0" y="0" :width="span.width" :height="HEIGHT" /></clipPath>
      </defs>
      <SeasonGrid :span="span" :today="today" :height="HEIGHT" />
      <g :clip-path="`url(#clip${id})`">
        <path :d="fill(series.withPlan)" fill="var(--stage-feeder)" fill-opacity="0.16" />
        <path :d="fill(series.bare)" fill="var(--stage-feeder)" fill-opacity="0.45" />
        <rect
          v-for="g in gaps"
          :key="g.i"
          :x="g.x"
          :y="g.y"
          :width="g.width"
          :height="g.height"
          :fill="`url(#${g.lost ? 'lost' : 'hatch'}${id})`"
        />
        <path v-if="litRow" :d="fill(litRow)" fill="var(--stage-hatchling)" fill-opacity="0.8" />
        <path :d="outline(series.need)" fill="none" stroke="var(--need)" stroke-width="1.5" />
        <text v-if="beyond" class="beyond" :x="beyond.x" y="9" :text-anchor="beyond.end ? 'end' : 'start'">
          {{ beyond.text }}
        </text>
        <path
          v-if="other"
          :d="outline(other.high.slice(0, plan.days))"
          fill="none"
          stroke="var(--ui-primary)"
          stroke-width="1.75"
          stroke-dasharray="5 3"
        />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.prey {
  display: grid;
  grid-template-columns: var(--label) auto;
  border-bottom: 1px solid var(--ui-border);
}
.head {
  padding: 0.25rem 0.5rem 0.25rem 0.25rem;
  font-size: 0.9375rem;
  line-height: 1.3;
  min-width: 0;
}
.name {
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
  align-items: center;
  font-weight: 600;
  color: var(--ui-text-highlighted);
}
.week {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  white-space: nowrap;
}
.start {
  min-height: 1.75rem;
}
.gap {
  color: var(--harm);
  font-size: 0.875rem;
  overflow-wrap: anywhere;
}
.beyond {
  font-size: 12px;
  fill: var(--ui-text-muted);
  paint-order: stroke;
  stroke: var(--ui-bg);
  stroke-width: 3px;
}
.risk {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
}
@media (max-width: 800px) {
  .start {
    min-height: 2.75rem;
  }
}
svg {
  display: block;
  align-self: end;
}
@media (max-width: 800px) {
  .prey {
    grid-template-columns: minmax(0, 1fr);
    padding-top: 0.375rem;
  }
  .head {
    padding-inline: 0;
  }
}
</style>
