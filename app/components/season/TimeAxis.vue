<script setup lang="ts">
import type { TimeSpan } from '~/composables/useTimeScale'
import { formatDay, formatWeekday, weekday } from '#core/units'

/** `weeks`: Mondays instead of months, for a span of some weeks. */
const props = defineProps<{ span: TimeSpan; today: number; weeks?: boolean }>()
const x = computed(() => timeScale(props.span))
const mondays = computed(() =>
  props.weeks
    ? Array.from({ length: props.span.to - props.span.from + 1 }, (_, i) => props.span.from + i).filter(
        d => weekday(d) === 1 && x.value(d) < props.span.width - 40,
      )
    : [],
)
const ticks = computed(() =>
  ticksApart(
    (props.weeks ? [] : timeTicks(props.span)).filter(
      t => Math.abs(x.value(t.day) - x.value(props.today)) > 46 && x.value(t.day) < props.span.width - 28,
    ),
    x.value,
  ),
)
/** A label begins at its day and is wider to the right, where “today” stands around its own. */
const clearOfToday = (day: number) => {
  const beside = x.value(day) - x.value(props.today)
  return beside < 0 ? beside < -72 : beside > 24
}
</script>

<template>
  <svg
    :width="span.width"
    height="30"
    class="axis"
    role="img"
    :aria-label="`Time axis, today is ${formatWeekday(today)}`"
  >
    <g v-for="tick in ticks" :key="tick.day" :transform="`translate(${x(tick.day)},0)`">
      <line y1="22" y2="30" stroke="var(--ui-border-accented)" />
      <text y="16" x="2">{{ tick.label }}</text>
    </g>
    <g :transform="`translate(${x(today)},0)`">
      <line y1="20" y2="30" stroke="var(--ui-primary)" stroke-width="1.5" />
      <text y="16" text-anchor="middle" class="today">today</text>
    </g>
    <g v-for="day in mondays" :key="`w${day}`" :transform="`translate(${x(day)},0)`">
      <line y1="25" y2="30" stroke="var(--ui-border-accented)" />
      <text v-if="clearOfToday(day)" y="16" x="2">{{ formatDay(day, today) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.axis {
  display: block;
}
text {
  font-size: 13px;
  fill: var(--ui-text-muted);
}
.today {
  fill: var(--ui-primary);
  font-weight: 650;
}
</style>
