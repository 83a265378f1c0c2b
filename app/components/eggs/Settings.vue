<script setup lang="ts">
import { summarise } from '#core/chance'
import { settingChoice, settingFor } from '#core/season/eggs'
import type { ClutchState } from '#core/subjects'
import { formatDay, formatQuantity, formatRange } from '#core/units'

/** What comes of each temperature, kept from today on; and the temperature for a wished day. */
const props = defineProps<{ clutch: ClutchState }>()
const house = useHouse()
const context = useSeasonContext()
const choice = computed(() => settingChoice(props.clutch, context.value))
const wished = ref<number | null>(null)
const ready = computed(() =>
  wished.value === null || dayProblem(wished.value, { min: house.today })
    ? null
    : settingFor(props.clutch, wished.value, context.value),
)
/** Nothing that is set now changes much any more. */
const late = computed(() => (choice.value?.done ?? 0) > 0.95)
/** Other clutches whose hatch is to come: this one may follow so many days later, or come before. */
const after = ref<string>()
const apart = ref(7)
const others = computed(() =>
  (house.season?.lanes ?? []).flatMap(l => {
    const hatch = l.kind === 'eggs' && l.subject.id !== props.clutch.id && l.events.find(e => e.event === 'hatched')
    const when = hatch && !hatch.observed ? summarise(hatch.dist) : null
    return when ? [{ value: l.id, label: `${l.title}, ${formatRange(when)}`, day: when.median }] : []
  }),
)
watch([after, apart], () => {
  const other = others.value.find(o => o.value === after.value)
  if (other && Number.isFinite(apart.value)) wished.value = other.day + Math.round(apart.value)
})
const show = (t: number) => formatQuantity(Number(t.toFixed(1)), house.settings.tempUnit)
const answer = computed(() => {
  const r = ready.value
  if (!r) return ''
  return r.tempC === null
    ? `No safe temperature does that: between ${formatDay(r.earliest, house.today)} at the warmest and ${formatDay(r.latest, house.today)} at the coolest.`
    : `About ${show(r.tempC)} from today on.`
})
const sexed = computed(() => choice.value?.settings.some(s => s.female !== null) ?? false)
</script>

<template>
  <div v-if="choice && !late">
    <h2>
      <WorkingLink
        :title="`${clutch.tag}: which temperature`"
        answer="What if it were set to another temperature today"
        :reasons="choice.reasons"
      />
    </h2>
    <table>
      <thead>
        <tr>
          <th scope="col">Set to</th>
          <th scope="col">Hatch</th>
          <th v-if="sexed" scope="col">Females</th>
          <th scope="col"><span class="sr-only">Risk</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in choice.settings" :key="s.tempC" :class="{ quiet: s.risk }">
          <th scope="row">{{ show(s.tempC) }}</th>
          <td>{{ formatRange(s.hatch) }}</td>
          <td v-if="sexed">
            <span v-if="s.female !== null" class="share">
              <span class="bar" :style="{ width: `${s.female * 3}rem` }" aria-hidden="true" />
              {{ Math.round(s.female * 100) }} %
            </span>
          </td>
          <td class="small">{{ s.risk ?? '' }}</td>
        </tr>
      </tbody>
    </table>
    <div class="ready">
      <RecordDayField v-model="wished" label="Ready for" :min="house.today" optional class="max-w-80" />
      <div v-if="others.length" class="line">
        <span class="quiet">or</span>
        <UInputNumber v-model="apart" :min="-60" :max="60" class="w-28" aria-label="Days after the other hatch" />
        <span class="quiet">days after</span>
        <RecordPick v-model="after" name="The hatch of" :items="others" placeholder="another clutch" class="w-56" />
      </div>
      <p v-if="answer" aria-live="polite">{{ answer }}</p>
    </div>
  </div>
</template>

<style scoped>
table {
  font-size: 0.9375rem;
  border-collapse: collapse;
  margin-top: 0.25rem;
}
th,
td {
  text-align: left;
  padding: 0.25rem 1rem 0.25rem 0;
  border-bottom: 1px solid var(--ui-border);
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
.small {
  white-space: normal;
}
tbody th {
  font-weight: 600;
}
.share {
  display: flex;
  align-items: center;
  gap: 0.375rem;
  min-width: 6rem;
}
.bar {
  height: 0.5rem;
  background: var(--stage-egg);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.ready {
  margin-top: 0.75rem;
  display: grid;
  gap: 0.375rem;
}
</style>
