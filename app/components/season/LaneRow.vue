<script setup lang="ts">
import { partWords, speciesOf } from '#core/almanac'
import { summarise, type DayDist } from '#core/chance'
import { EVENT_NAMES } from '#core/pairing'
import { notKnownOf, type Lane } from '#core/season'
import { formatRange } from '#core/units'
import type { TimeSpan } from '~/composables/useTimeScale'
import { colourOf, signOf, smearOf } from './marks'

const props = defineProps<{ lane: Lane; span: TimeSpan; today: number; lit: boolean }>()
const emit = defineEmits<{ open: []; light: [on: boolean] }>()
const house = useHouse()

const HEIGHT = 49
const BASE = 42
const TALLEST = 30
const x = computed(() => timeScale(props.span))

const smear = (dist: DayDist) => smearOf(dist, x.value, BASE, TALLEST)

const expected = computed(() => {
  const own = props.lane.events
    .filter(e => !e.observed && e.dist.p.length)
    .map(e => ({ key: e.event, event: e.event, dist: e.dist, name: EVENT_NAMES[e.event], faint: false }))
  const later = props.lane.later
    .filter(l => l.dist.never < 0.97)
    .map(l => ({
      key: `${l.event}${l.number}`,
      event: l.event,
      dist: l.dist,
      name: `${EVENT_NAMES[l.event]} ${l.number}`,
      faint: true,
    }))
  return [...own, ...later]
    .map(e => ({ ...e, sum: summarise(e.dist)!, path: smear(e.dist) }))
    .filter(e => e.sum.low <= props.span.to && e.sum.high >= props.span.from)
})
const observed = computed(() =>
  props.lane.events.filter(e => e.observed && e.observed.day >= props.span.from && e.observed.day <= props.span.to),
)

/** Names stand over their smears where there is room. */
const labels = computed(() => {
  const shown: { key: string; text: string; at: number; colour: string }[] = []
  for (const e of expected.value.filter(e => !e.faint)) {
    const at = x.value(e.sum.median)
    const width = e.name.length * 7
    if (at + width / 2 > props.span.width || shown.some(s => Math.abs(s.at - at) < (width + s.text.length * 7) / 2 + 6))
      continue
    shown.push({ key: e.key, text: e.name, at, colour: colourOf(e.event) })
  }
  return shown
})

const next = computed(() => expected.value.find(e => !e.faint))
const nextEvent = computed(() => props.lane.events.find(e => e.event === next.value?.event && !e.observed))
const nextText = computed(() => {
  if (next.value) return `${next.value.name} ${formatRange(next.value.sum)}`
  const end = notKnownOf(props.lane, speciesOf(house.almanac, props.lane.speciesId))
  return end ? `${EVENT_NAMES[end.event]} not known: set its ${partWords(end.part)}` : 'nothing further expected'
})
</script>

<template>
  <div
    class="lane"
    :class="{ lit }"
    :data-lane="lane.title"
    @mouseenter="emit('light', true)"
    @mouseleave="emit('light', false)"
    @focusin="emit('light', true)"
    @focusout="emit('light', false)"
  >
    <div class="head">
      <button type="button" class="open" @click="emit('open')">
        <span class="stage" :class="`stage-${lane.stage}`"
          ><span class="tag">{{ lane.title }}</span></span
        >
        <span class="species">{{ house.speciesName(lane.speciesId) }}</span>
      </button>
      <WorkingLink
        v-if="nextEvent"
        class="next"
        :title="`${lane.title}: ${next!.name}`"
        :answer="nextText"
        :reasons="nextEvent.reasons"
      />
      <span v-else class="next quiet">{{ nextText }}</span>
    </div>
    <svg
      :width="span.width"
      :height="HEIGHT"
      class="strip chart"
      role="img"
      :aria-label="`${lane.title}: ${nextText}`"
      @click="emit('open')"
    >
      <SeasonGrid :span="span" :today="today" :height="HEIGHT" />
      <g v-for="e in expected" :key="e.key" :opacity="e.faint ? 0.45 : 1">
        <path :d="e.path" :fill="colourOf(e.event)" :fill-opacity="0.25 + 0.5 * (1 - e.dist.never)" />
        <line
          v-if="!e.faint"
          :x1="x(e.sum.median)"
          :x2="x(e.sum.median)"
          :y1="BASE - TALLEST - 1"
          :y2="BASE + 4"
          :stroke="colourOf(e.event)"
          stroke-width="2"
        />
      </g>
      <text v-for="label in labels" :key="label.key" :x="label.at" :y="9" text-anchor="middle">{{ label.text }}</text>
      <g v-for="(e, i) in observed" :key="`${e.event}${i}`" :transform="`translate(${x(e.observed!.day)},${BASE - 8})`">
        <path :d="signOf(e.event)" :fill="colourOf(e.event)" stroke="var(--ui-bg)" stroke-width="1">
          <title>{{ EVENT_NAMES[e.event] }}</title>
        </path>
      </g>
      <line x1="0" :x2="span.width" :y1="BASE" :y2="BASE" stroke="var(--ui-border-accented)" />
    </svg>
  </div>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-columns: var(--label) auto;
  align-items: center;
  border-bottom: 1px solid var(--ui-border);
  content-visibility: auto;
  contain-intrinsic-size: auto 50px;
}
.lit .head {
  background: var(--ui-bg-elevated);
}
.head {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 49px;
  padding: 0 0.5rem 0 0.25rem;
  overflow: hidden;
}
.open {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
  min-height: 24px;
  text-align: left;
  cursor: pointer;
  white-space: nowrap;
}
.open:hover .tag {
  text-decoration: underline;
}
.species {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  overflow: hidden;
  text-overflow: ellipsis;
}
.next {
  font-size: 0.9375rem;
  min-height: 24px;
  white-space: nowrap;
}
.strip {
  display: block;
  cursor: pointer;
}
@media (max-width: 800px) {
  .lane {
    grid-template-columns: minmax(0, 1fr);
    padding-top: 0.25rem;
    contain-intrinsic-size: auto 92px;
  }
  .head {
    min-height: 44px;
    padding-inline: 0;
    flex-direction: row;
    justify-content: space-between;
    align-items: center;
    gap: 0.5rem;
  }
  .open,
  .next {
    min-height: 44px;
    align-items: center;
  }
  .next {
    white-space: normal;
    text-align: right;
  }
  .species {
    display: none;
  }
}
</style>
