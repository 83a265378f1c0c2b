<script setup lang="ts">
import { area, line, max, scaleLinear } from 'd3'
import { useElementSize } from '@vueuse/core'
import { colonyView } from '#core/season'
import { colonyAhead } from '#core/supply'
import type { CultureState } from '#core/subjects'
import { formatDay } from '#core/units'

/** One colony by its stages: how many there are as far as one knows, and how they go on when so many are taken. */
const props = defineProps<{ culture: CultureState }>()
const house = useHouse()
const context = useSeasonContext()
const { record, busy } = useRecord()
const write = (says: string, data: Record<string, unknown>, form?: FormErrors) =>
  record(
    { kind: 'colonyLooked', subject: { type: 'culture', id: props.culture.id }, data },
    `${props.culture.tag}: ${says}`,
    form,
  )
const WEEKS = 26
const HEIGHT = 44
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const view = computed(() => colonyView(props.culture, context.value))
const sustained = computed(() => Math.floor(view.value?.perWeek ?? 0))
const wanted = ref<number>()
const once = ref<number>()
const perWeek = computed(() => wanted.value ?? sustained.value)
const ahead = computed(() => view.value && colonyAhead(view.value.colony, WEEKS, perWeek.value, once.value ?? 0))

const LABEL = 150
const x = computed(() =>
  scaleLinear()
    .domain([0, WEEKS])
    .range([0, Math.max(120, width.value - LABEL)]),
)
const round = (n: number) => (n < 20 ? Math.round(n) : Number(n.toPrecision(2))).toLocaleString('en-GB')
const rows = computed(() =>
  (ahead.value?.stages ?? []).map(stage => {
    const y = scaleLinear()
      .domain([0, (max(stage.bands, b => b.high) ?? 1) * 1.05 || 1])
      .range([HEIGHT - 2, 2])
    const now = stage.bands[0]!
    const then = stage.bands.at(-1)!
    return {
      ...stage,
      now: `${round(now.mid)} (${round(now.low)}–${round(now.high)})`,
      then: `${round(then.mid)} (${round(then.low)}–${round(then.high)})`,
      band:
        area<(typeof stage.bands)[number]>()
          .x((_, w) => x.value(w))
          .y0(b => y(b.low))
          .y1(b => y(b.high))(stage.bands) ?? '',
      middle:
        line<(typeof stage.bands)[number]>()
          .x((_, w) => x.value(w))
          .y(b => y(b.mid))(stage.bands) ?? '',
    }
  }),
)
/** What the take comes to, in words. */
const verdict = computed(() => {
  if (!ahead.value) return ''
  const { given, collapse, crowdedIn } = ahead.value
  const parts = []
  if (perWeek.value > sustained.value && given < 0.9)
    parts.push(`so many are there each week in ${Math.round(100 * given)} of 100 cases only`)
  if (collapse >= 0.05)
    parts.push(`in ${Math.round(100 * collapse)} of 100 the grown ones all but die out in half a year`)
  if (crowdedIn !== null)
    parts.push(`crowded by ${formatDay(house.today + crowdedIn, house.today)}: split it, or take more`)
  return parts.length ? parts.join('; ') : 'it stands as it does in half a year, or grows'
})
const weeks = computed(() => (width.value > 500 ? [0, 4, 8, 13, 17, 21, 26] : [0, 13, 26]))
</script>

<template>
  <div v-if="view && ahead" class="colony" :data-colony="culture.tag">
    <p>
      <WorkingLink
        :title="`${culture.tag}: what may be taken`"
        :answer="`Up to ${sustained.toLocaleString('en-GB')} a week for good`"
        :reasons="view.reasons"
      />, grown ones never. At {{ perWeek }} a week<template v-if="once"> after {{ once }} today</template>:
      {{ verdict }}.
    </p>
    <div class="try">
      <UFormField label="If so many were taken a week"
        ><UInputNumber v-model="wanted" :min="0" :max="100000" :placeholder="String(sustained)" class="w-36"
      /></UFormField>
      <UFormField label="and today"
        ><UInputNumber v-model="once" :min="0" :max="100000" placeholder="0" class="w-36"
      /></UFormField>
    </div>
    <div ref="box" class="stages">
      <div v-for="row in rows" :key="row.name" class="stage-row">
        <p>
          {{ row.name }}<br /><span class="small tabular">{{ row.now }}</span>
        </p>
        <svg
          :width="x.range()[1]"
          :height="HEIGHT"
          role="img"
          :aria-label="`${row.name}: ${row.now} today, ${row.then} in half a year`"
        >
          <path :d="row.band" fill="var(--stage-feeder)" :fill-opacity="row.fed ? 0.3 : 0.14" />
          <path :d="row.middle" fill="none" stroke="var(--stage-feeder)" stroke-width="2" />
          <line x1="0.5" x2="0.5" y1="0" :y2="HEIGHT" stroke="var(--ui-text-muted)" />
        </svg>
      </div>
      <div class="stage-row axis">
        <span />
        <svg :width="x.range()[1]" height="18" aria-hidden="true">
          <text
            v-for="w in weeks"
            :key="w"
            :x="x(w)"
            y="13"
            :text-anchor="w === 0 ? 'start' : w === WEEKS ? 'end' : 'middle'"
          >
            {{ w === 0 ? 'today' : `${w} wk` }}
          </text>
        </svg>
      </div>
    </div>
    <p class="small quiet">
      Estimated from when it was started, what was {{ culture.takes.length ? '' : 'usually ' }}taken and what was
      counted; the band holds 80 of 100 cases. A count narrows it.
    </p>
    <div class="try">
      <RecordAskNumber
        label="Record count"
        :title="`${culture.tag}: young that were counted`"
        kind="colonyLooked"
        :busy="busy"
        @record="(young, further, form) => write(`${young} counted`, { young, ...further }, form)"
      />
      <UButton
        label="It is crowded"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('crowded', { crowded: true })"
      />
      <UButton
        label="Not crowded"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('not crowded', { crowded: false })"
      />
    </div>
  </div>
</template>

<style scoped>
.colony {
  max-width: 60rem;
  padding: 0.25rem 0 0.75rem;
}
.try {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.5rem;
  margin: 0.375rem 0;
}
.stage-row {
  display: grid;
  grid-template-columns: 150px auto;
  align-items: center;
  border-bottom: 1px solid var(--ui-border);
}
.stage-row p {
  line-height: 1.2;
}
.axis {
  border-bottom: 0;
}
.tabular {
  font-variant-numeric: tabular-nums;
}
svg {
  display: block;
}
text {
  font-size: 13px;
  fill: var(--ui-text-muted);
}
</style>
