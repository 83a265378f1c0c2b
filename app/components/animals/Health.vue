<script setup lang="ts">
import {
  SIGNS,
  SIGN_WORDS,
  WORKED_APART,
  dosesDue,
  entryKinds,
  quarantineOf,
  staysInQuarantine,
  type AnimalState,
  type Sign,
} from '#core/subjects'
import { formatDay, formatDistance } from '#core/units'
import type { Typed } from '~/composables/readFields'

/** What is wrong with an animal, what the vet said and what is given by their word. */
const props = defineProps<{ animal: AnimalState; day: number | null; group: string }>()
const house = useHouse()
const { record, busy } = useRecord()
const subject = computed(() => ({ type: 'animal' as const, id: props.animal.id }))

const signs = ref<Sign[]>([])
const signItems = SIGNS.map(value => ({ value, label: SIGN_WORDS[value] }))
const [vetSeen, treatmentStarted] = [entryKinds.get('vetSeen')!, entryKinds.get('treatmentStarted')!]
const visit = ref<Typed>({})
const NO_COURSE: Typed = { everyDays: '1', times: '7' }
const course = ref<Typed>(NO_COURSE)
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
  if (props.day === null) return null
  return record({ kind, subject: subject.value, data, day: props.day }, `${props.animal.tag}: ${says}`, form)
}
async function writeSigns(): Promise<void> {
  const said = signs.value.map(s => SIGN_WORDS[s]).join(', ')
  if (await write('checked', { well: false, signs: signs.value }, said)) signs.value = []
}
async function writeVisit(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  if (await write('vetSeen', data, 'vet visit written', form)) visit.value = {}
}
const courseRead = (read: Record<string, unknown>) => ({ ...read, everyDays: Number(read.everyDays) })
async function begin(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  if (await write('treatmentStarted', data, `${String(data.what)} begun`, form)) course.value = NO_COURSE
}
const RHYTHMS = [
  { value: '0.5', label: 'twice a day' },
  { value: '1', label: 'daily' },
  { value: '2', label: 'every 2 days' },
  { value: '3', label: 'every 3 days' },
  { value: '7', label: 'weekly' },
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
      <KindForm
        v-model="visit"
        :fields="vetSeen.fields!"
        :schema="vetSeen.data"
        label="Write vet visit"
        quiet
        :send="writeVisit"
      />
    </details>
    <details>
      <summary>Treatment by the vet’s word</summary>
      <KindForm
        v-model="course"
        :fields="treatmentStarted.fields!"
        :schema="treatmentStarted.data"
        :items="{ everyDays: RHYTHMS }"
        :complete="courseRead"
        label="Begin treatment"
        quiet
        :send="begin"
      >
        <p class="small quiet">
          This program knows no dose and names no illness: both are the reptile vet’s. Keep their sheet.
        </p>
      </KindForm>
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
details > form {
  padding: 0.5rem 0 0.75rem;
  max-width: 28rem;
}
@media (max-width: 800px) {
  summary {
    padding: 0.625rem 0;
  }
}
</style>
