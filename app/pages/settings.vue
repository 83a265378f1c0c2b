<script setup lang="ts">
import { THE_HOUSE, changedIn, entryKinds } from '#core/subjects'
import type { Fields, Typed } from '~/composables/readFields'

const house = useHouse()
const toast = useToast()
const { record } = useRecord()
const { data: schema, fields: asked } = entryKinds.get('settingsChanged')!

const OF_FEEDERS = [
  'cultureWeekday',
  'coverQuantile',
  'safeSeasons',
  'cultureMinutes',
  'orderMoney',
  'freezerLitres',
  'currency',
  'appetite',
  'waste',
  'cupYield',
  'warmUpDay',
]
const fields = computed<Fields>(() => {
  const { timeZone, ...rest } = asked!
  // where nothing is written yet, nothing is read anew
  return { ...rest, timeZone: house.isEmpty ? { ...timeZone!, hint: '' } : timeZone! }
})
const partOf = (isPart: (name: string) => boolean): Fields =>
  Object.fromEntries(Object.keys(asked!).flatMap(name => (isPart(name) ? [[name, fields.value[name]!]] : [])))
const parts = computed(() => [
  { title: 'House', fields: partOf(name => !OF_FEEDERS.includes(name)) },
  { title: 'Feeders', fields: partOf(name => OF_FEEDERS.includes(name)) },
])
const zoneHere = Intl.DateTimeFormat().resolvedOptions().timeZone
// the list knows no UTC, in which a server often runs
const zones = [...new Set([...Intl.supportedValuesOf('timeZone'), 'UTC', zoneHere, house.settings.timeZone])].sort()
const items = { timeZone: zones.map(zone => ({ value: zone, label: zone })) }

/** What the form was filled from: a change made meanwhile elsewhere is followed, and not written over. */
let from = house.settings
const typed = ref<Typed>(typedSettings(from))
const chosen = ref<Record<string, string>>({ ...from.schools })
// a new house begins in the keeper's own time zone
if (house.isEmpty && from.timeZone === 'UTC') typed.value = { ...typed.value, timeZone: zoneHere }
const met = ref<string[]>([])
watch(
  () => house.settings,
  now => {
    const fields = followed(typed.value, typedSettings(from), typedSettings(now))
    typed.value = fields.typed
    chosen.value = followed(chosen.value, from.schools, now.schools).typed as Record<string, string>
    met.value = [...met.value, ...fields.crossed]
    from = now
  },
)
/** Fields that were changed here, and meanwhile to something else elsewhere. */
const crossed = computed(() => {
  const now = typedSettings(house.settings)
  return [...new Set(met.value)].filter(name => now[name] !== typed.value[name]).map(name => asked![name]!.label)
})

const schools = computed(() => Object.values(house.almanac.schools))
/** Schools that a species may answer for itself. */
const OWN = ['warmUp', 'hatchlingWinter', 'coldCompany', 'pairAfterCold', 'inbreeding']

const complete = (read: Record<string, unknown>) => ({ ...settingsRead(read), schools: chosen.value })

async function send(said: Record<string, unknown>, form: FormErrors): Promise<void> {
  const data = { ...changedIn<object>(house.settings, said) }
  const isOther = Object.keys(data).length > 0
  if (!isOther) toast.add({ title: 'Settings are as they were', color: 'neutral' })
  const subject = { type: 'settings' as const, id: THE_HOUSE }
  const wrote =
    isOther &&
    (await record({ kind: 'settingsChanged', subject, data }, 'Settings kept; the season follows them', form))
  if (wrote || !isOther) typed.value = typedSettings(house.settings)
  // it is asked whether days may be read anew: no means the zone as it was
  else if ('timeZone' in data) typed.value = { ...typed.value, timeZone: house.settings.timeZone }
}
</script>

<template>
  <div class="screen">
    <header>
      <h1>How does this house do things?</h1>
      <p v-if="!house.isEmpty">The first steps are still <NuxtLink to="/begin" class="underline">here</NuxtLink>.</p>
    </header>
    <KindForm
      v-model="typed"
      :fields="fields"
      :schema="schema"
      :items="items"
      :complete="complete"
      label="Keep settings"
      class="settings"
      :send="send"
    >
      <template #fields>
        <section v-for="part in parts" :key="part.title">
          <h2>{{ part.title }}</h2>
          <FormFields v-model="typed" :fields="part.fields" :items="items" />
        </section>
      </template>
      <section class="schools">
        <h2>Schools</h2>
        <p class="quiet small">Where keepers disagree the house chooses; the computation follows.</p>
        <fieldset v-for="school in schools" :key="school.id">
          <legend>{{ school.question }}</legend>
          <label v-for="choice in school.choices" :key="choice.id">
            <input
              type="radio"
              :name="school.id"
              :value="choice.id"
              :checked="(chosen[school.id] ?? school.usual) === choice.id"
              @change="chosen[school.id] = choice.id"
            />
            <span
              ><b>{{ choice.name }}</b> <span class="quiet">{{ choice.reason }}</span></span
            >
          </label>
          <SettingsOwnSchools v-if="OWN.includes(school.id)" v-model="chosen" :school="school" />
        </fieldset>
      </section>
      <p v-if="crossed.length" role="status" class="crossed">
        Changed elsewhere meanwhile: {{ crossed.join('; ') }}. What stands here takes its place when you keep it.
      </p>
    </KindForm>
    <SettingsBackups />
    <SettingsLogOut />
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  gap: 2rem;
  max-width: 70rem;
}
section {
  display: grid;
  gap: 0.875rem;
  align-content: start;
}
.schools,
.crossed,
.settings > :deep([type='submit']) {
  grid-column: 1 / -1;
}
.settings > :deep([type='submit']) {
  width: fit-content;
}
/* what each means needs the line */
section > :deep(.fields > .short) {
  flex-basis: 100%;
}
legend {
  font-weight: 600;
  padding-bottom: 0.25rem;
}
label {
  display: flex;
  gap: 0.625rem;
  align-items: baseline;
  min-height: 2.25rem;
  padding: 0.25rem 0;
}
input[type='radio'] {
  accent-color: var(--ui-primary);
  width: 1.125rem;
  height: 1.125rem;
  flex: none;
}
</style>
