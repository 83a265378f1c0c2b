<script setup lang="ts">
import { tellOwnRhythm } from '#core/jobs'
import type { JobState } from '#core/subjects'
import { WEEKDAYS, dayFromIso, dayToIso, formatDay } from '#core/units'

/** What the house does on its own account: jobs that no species asks for. */
const props = defineProps<{ placeId?: string }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const state = reactive({
  name: '',
  everyDays: 365,
  toleranceDays: 14,
  from: '',
  placeId: undefined as string | undefined,
  speciesId: undefined as string | undefined,
  weekly: false,
  weekdays: [] as number[],
  seasonal: false,
  fromMonth: 4,
  toMonth: 9,
})
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const fromDay = computed({
  get: () => (state.from ? dayFromIso(state.from) : null),
  set: (day: number | null) => {
    state.from = day === null ? '' : dayToIso(day)
  },
})
const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'].map((label, i) => ({ label, value: (i + 1) % 7 }))
const MONTHS = 'January February March April May June July August September October November December'
  .split(' ')
  .map((label, i) => ({ label, value: i + 1 }))
const keptSpecies = computed(() =>
  [...new Set([...Object.values(house.house.animals), ...Object.values(house.house.groups)].map(a => a.speciesId))]
    .map(value => ({ value, label: house.speciesName(value) }))
    .sort((a, b) => (a.label < b.label ? -1 : 1)),
)
const pick = (day: number) => {
  state.weekdays = state.weekdays.includes(day) ? state.weekdays.filter(d => d !== day) : [...state.weekdays, day]
}

const jobs = computed(() =>
  Object.values(house.house.jobs).filter(j => !j.ended && (!props.placeId || j.placeIds.includes(props.placeId))),
)
const places = usePlaceItems()
watch(open, is => {
  if (is)
    Object.assign(state, {
      name: '',
      everyDays: 365,
      toleranceDays: 14,
      from: dayToIso(house.today),
      placeId: props.placeId,
      speciesId: undefined,
      weekly: false,
      weekdays: [],
      seasonal: false,
    })
})
async function add(): Promise<void> {
  const { name, everyDays, toleranceDays, from, placeId, speciesId, weekly, weekdays, seasonal, fromMonth, toMonth } =
    state
  const data = {
    name: name.trim(),
    // how often it comes round in the mean, where days are named
    everyDays: weekly ? Math.max(1, Math.round(7 / Math.max(1, weekdays.length))) : everyDays,
    toleranceDays,
    from,
    placeIds: placeId && !speciesId ? [placeId] : [],
    ...(speciesId && { speciesId }),
    ...(weekly && { weekdays }),
    ...(seasonal && { months: { from: fromMonth, to: toMonth } }),
  }
  const done = await record({ kind: 'jobAdded', founds: 'job', data }, `${data.name}: added to the Round`, refusals)
  if (done) open.value = false
}
const end = (id: string, name: string) =>
  record({ kind: 'jobEnded', subject: { type: 'job', id }, data: {} }, `${name}: no longer in the Round`)
const where = ({ placeIds, speciesId }: JobState) =>
  speciesId
    ? `wherever ${house.speciesName(speciesId)} lives`
    : placeIds.length
      ? placeIds.map(id => house.placeName(id)).join(', ')
      : 'the house'
</script>

<template>
  <section class="mt-8 max-w-3xl">
    <div class="flex flex-wrap items-baseline justify-between gap-2">
      <h2>Own jobs</h2>
      <UButton label="Add a job" variant="outline" color="neutral" icon="i-lucide-repeat" @click="open = true" />
      <USlideover v-model:open="open" title="Add a job" description="What the house does on its own account">
        <template #body>
          <UForm ref="form" :state="state" :validate="refusals.still" class="grid gap-3" @submit="add">
            <UFormField label="What" name="name" required
              ><UInput v-model="state.name" class="w-full" placeholder="Rebuild the big cage" maxlength="60"
            /></UFormField>
            <UFormField label="Where" name="placeIds"
              ><USelectMenu
                v-model="state.placeId"
                :items="places"
                value-key="value"
                class="w-full"
                placeholder="The house as a whole"
            /></UFormField>
            <UFormField v-if="!placeId" label="Or wherever a species lives" name="speciesId"
              ><USelectMenu
                v-model="state.speciesId"
                :items="keptSpecies"
                value-key="value"
                class="w-full"
                placeholder="No species"
                clear
            /></UFormField>
            <UCheckbox v-model="state.weekly" label="On days of the week" />
            <UFormField v-if="state.weekly" name="weekdays"
              ><div class="flex flex-wrap gap-1">
                <UButton
                  v-for="d in DAYS"
                  :key="d.value"
                  :label="d.label"
                  size="sm"
                  color="neutral"
                  :aria-label="`${d.label}: ${WEEKDAYS[d.value]}`"
                  :variant="state.weekdays.includes(d.value) ? 'solid' : 'outline'"
                  :aria-pressed="state.weekdays.includes(d.value)"
                  @click="pick(d.value)"
                /></div
            ></UFormField>
            <div class="grid grid-cols-2 gap-3">
              <UFormField v-if="!state.weekly" label="Every, days" name="everyDays"
                ><UInputNumber v-model="state.everyDays" :min="1" :max="2000" class="w-full"
              /></UFormField>
              <UFormField label="Late after, days" name="toleranceDays"
                ><UInputNumber v-model="state.toleranceDays" :min="0" :max="400" class="w-full"
              /></UFormField>
            </div>
            <UCheckbox v-model="state.seasonal" label="Only in some months" />
            <div v-if="state.seasonal" class="grid grid-cols-2 gap-3">
              <UFormField label="From" name="months"
                ><USelect v-model="state.fromMonth" :items="MONTHS" value-key="value" class="w-full"
              /></UFormField>
              <UFormField label="to"
                ><USelect v-model="state.toMonth" :items="MONTHS" value-key="value" class="w-full"
              /></UFormField>
            </div>
            <RecordDayField v-model="fromDay" label="First due" />
            <UButton
              type="submit"
              label="Add job"
              :disabled="!state.name.trim() || !state.from || (state.weekly && !state.weekdays.length)"
              :loading="busy"
              block
            />
          </UForm>
        </template>
      </USlideover>
    </div>
    <p v-if="!jobs.length" class="quiet">None: what the species need comes round by itself.</p>
    <ul v-else>
      <li v-for="j in jobs" :key="j.id" class="job">
        <span
          >{{ j.name }}
          <span class="quiet"
            >{{ tellOwnRhythm(j) }}, {{ where(j) }}; first due {{ formatDay(j.fromDay, house.today) }}</span
          ></span
        >
        <UButton
          label="End"
          size="sm"
          variant="ghost"
          color="neutral"
          :aria-label="`End ${j.name}`"
          :disabled="busy"
          @click="end(j.id, j.name)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.job {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 1rem;
  border-top: 1px solid var(--ui-border);
  padding: 0.375rem 0;
}
</style>
