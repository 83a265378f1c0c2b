<script setup lang="ts">
import {
  SIGNS,
  SIGN_WORDS,
  WORKED_APART,
  dosesDue,
  quarantineOf,
  staysInQuarantine,
  type AnimalState,
  type Sign,
} from '#core/subjects'
import { formatDay, formatDistance, dayToIso } from '#core/units'

/** What is wrong with an animal, what the vet said and what is given by their word. */
const props = defineProps<{ animal: AnimalState; day: number | null; group: string }>()
const house = useHouse()
const { record, busy } = useRecord()
const subject = computed(() => ({ type: 'animal' as const, id: props.animal.id }))

const signs = ref<Sign[]>([])
const signItems = SIGNS.map(value => ({ value, label: SIGN_WORDS[value] }))
const visit = reactive({ said: '', again: null as number | null })
const course = reactive({ what: '', dose: '', everyDays: 1, times: 7 })
const problems = ref<Record<string, string>>({})
const beside = (part: string): FormErrors => ({
  setErrors: list => {
    problems.value = Object.fromEntries(list.map(e => [`${part}.${e.name}`, e.message]))
  },
})
const quarantine = computed(() => quarantineOf(house.house, props.animal, house.almanac.common))
const quarantineSaid = computed(() => {
  const q = quarantine.value
  if (!q) return ''
  const until = q.until === null ? 'In quarantine' : `In quarantine until ${formatDay(q.until, house.today)}`
  const stays = staysInQuarantine(q, house.today)
  return `${until}. ${stays ? `It stays: it ${stays}.` : 'It may leave.'}`
})
const running = computed(() => (props.animal.treatments ?? []).filter(t => !t.ended))

async function write(kind: string, data: Record<string, unknown>, says: string, form?: FormErrors) {
  problems.value = {}
  if (props.day === null) return null
  return record({ kind, subject: subject.value, data, day: props.day }, `${props.animal.tag}: ${says}`, form)
}
async function writeSigns(): Promise<void> {
  const said = signs.value.map(s => SIGN_WORDS[s]).join(', ')
  if (await write('checked', { well: false, signs: signs.value }, said)) signs.value = []
}
async function writeVisit(): Promise<void> {
  const { said, again } = visit
  const data = { said: said.trim(), ...(again !== null && { again: dayToIso(again) }) }
  if (await write('vetSeen', data, 'vet visit written', beside('visit')))
    Object.assign(visit, { said: '', again: null })
}
async function begin(): Promise<void> {
  const { what, dose, everyDays, times } = course
  const data = { what: what.trim(), dose: dose.trim(), everyDays, times }
  if (await write('treatmentStarted', data, `${data.what} begun`, beside('course')))
    Object.assign(course, { what: '', dose: '' })
}
const RHYTHMS = [
  { value: 0.5, label: 'twice a day' },
  { value: 1, label: 'daily' },
  { value: 2, label: 'every 2 days' },
  { value: 3, label: 'every 3 days' },
  { value: 7, label: 'weekly' },
]
</script>

<template>
  <section class="health" aria-label="Health">
    <h2>Health</h2>
    <p v-if="quarantineSaid">
      {{ quarantineSaid }} <span class="quiet">{{ WORKED_APART }}</span>
    </p>
    <p v-if="animal.vet" class="small">
      Vet {{ formatDistance(animal.vet.day, house.today) }}: {{ animal.vet.said
      }}<template v-if="animal.vet.again !== null">; again on {{ formatDay(animal.vet.again, house.today) }}</template
      >.
    </p>
    <ul v-if="running.length">
      <li v-for="t in running" :key="t.entryId" :data-treatment="t.what">
        <span
          ><b>{{ t.what }}</b
          >, {{ t.dose }}: {{ t.given.length }} of {{ t.times }} given</span
        >
        <span class="flex gap-2">
          <UButton
            label="Given"
            size="sm"
            :variant="dosesDue(t, house.today) ? 'solid' : 'outline'"
            :color="dosesDue(t, house.today) ? 'primary' : 'neutral'"
            :aria-label="`Given: ${t.what}`"
            :disabled="busy"
            @click="write('treated', { of: t.entryId }, `${t.what} given`)"
          />
          <UButton
            label="End"
            size="sm"
            variant="ghost"
            color="neutral"
            :aria-label="`End ${t.what}`"
            :disabled="busy"
            @click="write('treatmentEnded', { of: t.entryId }, `${t.what} ended`)"
          />
        </span>
      </li>
    </ul>
    <div class="line">
      <USelectMenu
        v-model="signs"
        multiple
        :items="signItems"
        value-key="value"
        placeholder="Signs seen …"
        class="w-56"
        aria-label="Signs seen"
        :search-input="false"
      />
      <UButton
        label="Write signs"
        variant="outline"
        color="neutral"
        :disabled="!signs.length || busy"
        @click="writeSigns"
      />
      <UButton
        label="Brought up its meal"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('broughtUp', {}, 'meal brought up')"
      />
      <UButton
        label="Droppings clear"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('droppingsTested', { clear: true }, 'droppings clear')"
      />
      <UButton
        label="Droppings not clear"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('droppingsTested', { clear: false }, 'droppings not clear')"
      />
      <UButton
        v-if="group === 'lizard'"
        label="Dropped its tail"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('tailDropped', {}, 'tail dropped')"
      />
    </div>
    <details>
      <summary>Vet visit</summary>
      <form @submit.prevent="writeVisit">
        <UFormField label="What the vet said" :error="problems['visit.said']"
          ><UInput v-model="visit.said" class="w-full" maxlength="500"
        /></UFormField>
        <RecordDayField v-model="visit.again" label="Again on (may stay empty)" optional class="max-w-80" />
        <p v-if="problems['visit.again']" class="small text-error">{{ problems['visit.again'] }}</p>
        <UButton
          type="submit"
          label="Write vet visit"
          variant="outline"
          color="neutral"
          class="justify-self-start"
          :disabled="!visit.said.trim() || busy"
        />
      </form>
    </details>
    <details>
      <summary>Treatment by the vet’s word</summary>
      <form @submit.prevent="begin">
        <UFormField label="What is given" :error="problems['course.what']"
          ><UInput v-model="course.what" class="w-full" maxlength="120"
        /></UFormField>
        <UFormField label="Dose, in the vet’s words" :error="problems['course.dose']"
          ><UInput v-model="course.dose" class="w-full" maxlength="160"
        /></UFormField>
        <div class="line">
          <UFormField label="How often" :error="problems['course.everyDays']"
            ><USelect v-model="course.everyDays" :items="RHYTHMS" value-key="value" class="w-40"
          /></UFormField>
          <UFormField label="Times in all" :error="problems['course.times']"
            ><UInputNumber v-model="course.times" :min="1" :max="400" class="w-32"
          /></UFormField>
        </div>
        <p class="small quiet">
          This program knows no dose and names no illness: both are the reptile vet’s. Keep their sheet.
        </p>
        <UButton
          type="submit"
          label="Begin treatment"
          variant="outline"
          color="neutral"
          class="justify-self-start"
          :disabled="!course.what.trim() || !course.dose.trim() || busy"
        />
      </form>
    </details>
  </section>
</template>

<style scoped>
.health {
  margin-top: 1.5rem;
  display: grid;
  gap: 0.625rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: end;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
  justify-content: space-between;
  padding: 0.375rem 0;
  border-bottom: 1px solid var(--ui-border);
}
summary {
  cursor: pointer;
  min-height: 1.75rem;
}
form {
  display: grid;
  gap: 0.625rem;
  padding: 0.5rem 0 0.75rem;
}
@media (max-width: 800px) {
  summary {
    padding: 0.625rem 0;
  }
}
</style>
