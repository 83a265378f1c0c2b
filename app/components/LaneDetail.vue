<script setup lang="ts">
import { speciesOf } from '#core/almanac'
import { summarise } from '#core/chance'
import { EVENT_NAMES } from '#core/pairing'
import { laneActions, notKnownOf, type Lane, type TaskAction } from '#core/season'
import { formatDay, formatRange } from '#core/units'
import { EVENT_STAGE } from './season/marks'

/** One pair, clutch, litter or spawn: what was seen, what is expected, and what can be recorded. */
const props = defineProps<{ lane: Lane; compact?: boolean }>()
const house = useHouse()
const { record, busy } = useRecord()
const when = ref<number | null>(house.today)
const canWrite = computed(() => dayProblem(when.value, { max: house.today }) === undefined)

const actions = computed(() => laneActions(props.lane, house.house, house.almanac, house.today))
const rows = computed(() =>
  props.lane.events.map(e => {
    const sum = summarise(e.dist)
    return {
      ...e,
      name: EVENT_NAMES[e.event],
      stage: EVENT_STAGE[e.event],
      text: e.observed ? formatDay(e.observed.day, house.today) : sum ? formatRange(sum) : 'not expected any more',
      never: e.observed ? 0 : Math.round(e.dist.never * 100),
      past: !e.observed && sum !== null && sum.median < house.today,
    }
  }),
)
/** Where the forecast ends for want of knowledge. */
const notKnown = computed(() => notKnownOf(props.lane, speciesOf(house.almanac, props.lane.speciesId)))
const cautions = computed(() => speciesOf(house.almanac, props.lane.speciesId).cautions)

async function perform(
  action: TaskAction,
  asked: number | null = null,
  further = {},
  form?: FormErrors,
): Promise<string[] | null> {
  if (!canWrite.value || when.value === null) return null
  const prefix =
    action.kind === 'born' ? 'L' : speciesOf(house.almanac, props.lane.speciesId).mode === 'larval' ? 'S' : 'C'
  const data = {
    ...action.data,
    ...further,
    ...(action.ask && asked !== null && { [action.ask.field]: asked }),
    ...(action.founds === 'clutch' && { tag: nextClutchTag(house.house, prefix) }),
  }
  return record(
    { kind: action.kind, subject: props.lane.subject, data, day: when.value },
    `${props.lane.title}: ${action.label.toLowerCase()}${asked === null ? '' : ` ${asked}`}`,
    form,
  )
}
</script>

<template>
  <div class="detail">
    <p v-if="lane.caution" class="caution">
      <UIcon name="i-lucide-triangle-alert" class="size-4" /> {{ lane.caution }}
    </p>
    <ol class="events">
      <li v-for="(row, i) in rows" :key="i" :class="{ seen: row.observed }" :data-event="row.event">
        <span class="stage" :class="`stage-${row.stage}`">{{ row.name }}</span>
        <span>
          <WorkingLink :title="`${lane.title}: ${row.name}`" :answer="row.text" :reasons="row.reasons" />
          <span v-if="row.past" class="never">likely past, not written</span>
          <span v-if="row.never > 2" class="never">{{ row.never }} % not at all</span>
        </span>
      </li>
      <li v-if="notKnown" data-not-known>
        <span class="quiet">{{ EVENT_NAMES[notKnown.event] }}</span>
        <span
          >Not known: the almanac has no {{ notKnown.part === 'incubation' ? 'incubation table' : 'clock' }} for it.
          <NuxtLink :to="`/almanac#${lane.speciesId}`" class="underline"
            >Set it for {{ house.speciesName(lane.speciesId) }}</NuxtLink
          ></span
        >
      </li>
    </ol>
    <p class="young">
      {{ lane.stage === 'hatchling' ? 'Young alive and to come' : 'Young, if it comes to it' }}:
      <WorkingLink
        :title="`${lane.title}: young`"
        :answer="lane.young.value < 10 ? lane.young.value.toFixed(1) : String(Math.round(lane.young.value))"
        :reasons="lane.young.reasons"
      />
    </p>
    <div class="record">
      <div class="buttons">
        <RecordDayField v-model="when" label="Happened on" :max="house.today" class="when" />
        <template v-for="action in actions" :key="action.label">
          <RecordAskNumber
            v-if="action.ask"
            :label="action.label"
            :title="action.ask.label"
            :likely="action.ask.likely"
            :main="action.tone === 'main' && !compact"
            :busy="busy || !canWrite"
            :kind="action.kind"
            @record="(...said) => perform(action, ...said)"
          />
          <UButton
            v-else
            :label="action.label"
            :color="action.tone === 'main' && !compact ? 'primary' : 'neutral'"
            :variant="action.tone === 'main' && !compact ? 'solid' : 'outline'"
            :disabled="busy || !canWrite"
            @click="perform(action)"
          />
        </template>
      </div>
    </div>
    <ul v-if="!compact" class="cautions">
      <li v-for="caution in cautions" :key="caution">
        <UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ caution }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.events li {
  display: grid;
  grid-template-columns: 11rem 1fr;
  gap: 0.5rem;
  padding: 0.4375rem 0;
  border-bottom: 1px solid var(--ui-border);
}
.events .seen {
  font-weight: 600;
}
.young {
  padding: 0.625rem 0;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.when {
  flex-basis: 100%;
}
.when :deep(.field) {
  max-width: 20rem;
}
.never {
  margin-left: 0.625rem;
  font-size: 0.875rem;
  color: var(--ui-text-muted);
}
.caution {
  color: var(--harm);
  padding-bottom: 0.5rem;
}
.cautions {
  margin-top: 1.25rem;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
  display: grid;
  gap: 0.25rem;
}
</style>
