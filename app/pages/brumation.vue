<script setup lang="ts">
import { useElementSize, useLocalStorage } from '@vueuse/core'

const house = useHouse()
const board = useTemplateRef<HTMLElement>('board')
const { width } = useElementSize(board)

const VIEWS = ['In the cold', 'Plan', 'Back', 'Winters'] as const
const view = useLocalStorage<(typeof VIEWS)[number]>('brumation-view', 'In the cold')
const winter = computed(() => house.season?.winter)
const answer = computed(() => (winter.value ? winterAnswer(winter.value, house.today) : ''))
const alarms = computed(() => house.alarms.filter(a => a.id.startsWith('climate:')))

/** Cold places with those in them, the places with trouble first; then those that rest in their own tubs. */
const shelves = computed(() => {
  const w = winter.value
  if (!w) return []
  const inPlace = w.places.map(place => ({
    key: place.placeId,
    name: place.name,
    place,
    cold: w.cold.filter(c => c.kind === 'brumation' && c.coldPlaceId === place.placeId),
  }))
  const elsewhere = w.cold.filter(c => !inPlace.some(p => p.cold.includes(c)))
  const rank = (cold: typeof w.cold) => (cold.length ? w.cold.indexOf(cold[0]!) : 1e6)
  const others = [
    { key: 'rest', name: 'At rest in their own tubs', place: null, cold: elsewhere.filter(c => c.kind === 'dormancy') },
    {
      key: 'nowhere',
      name: 'In the cold, in no place',
      place: null,
      cold: elsewhere.filter(c => c.kind === 'brumation'),
    },
  ]
  return [...inPlace, ...others]
    .filter(s => s.cold.length || s.place?.watch)
    .sort((a, b) => rank(a.cold) - rank(b.cold))
})

const openAnimal = ref<string | null>(null)
const sheet = computed(() => winter.value?.cold.find(c => c.animalId === openAnimal.value) ?? null)
const sheetOpen = computed({
  get: () => sheet.value !== null,
  set: is => {
    if (!is) openAnimal.value = null
  },
})
const { narrow } = useNarrow()

const planning = ref(false)
const changing = ref<string | null>(null)
const changed = computed(() => winter.value?.groups.find(g => g.groupId === changing.value) ?? null)
function plan(groupId: string | null): void {
  changing.value = groupId
  planning.value = true
}
const waking = ref<string | null>(null)
const weighing = ref<string | null>(null)
const weighed = computed(() => shelves.value.find(s => s.key === weighing.value) ?? null)
const weighOpen = computed({
  get: () => weighed.value !== null,
  set: is => {
    if (!is) weighing.value = null
  },
})
const nothing = computed(
  () => winter.value && !winter.value.cold.length && !winter.value.groups.length && !winter.value.recovering.length,
)
</script>

<template>
  <div class="screen">
    <header>
      <h1>Who is in trouble, and who is next?</h1>
      <UButton
        v-if="!house.isEmpty"
        label="Plan a winter"
        icon="i-lucide-snowflake"
        size="sm"
        variant="outline"
        @click="plan(null)"
      />
      <p
        class="answer"
        :class="{ calm: winter && !winter.cold.some(c => ['takeOut', 'offerWater'].includes(c.verdict.value.action)) }"
      >
        {{ answer }}
      </p>
    </header>
    <FirstSteps v-if="house.isEmpty" />
    <template v-else>
      <AlarmList :alarms="alarms" />
      <ViewSwitch v-model="view" :views="VIEWS" />
      <div ref="board">
        <template v-if="winter && width">
          <template v-if="view === 'In the cold'">
            <BrumationShelf
              v-for="s in shelves"
              :key="s.key"
              :name="s.name"
              :place="s.place"
              :cold="s.cold"
              :width="width"
              @open="openAnimal = $event"
              @weigh="weighing = s.key"
            />
            <div v-if="!winter.cold.length" class="quiet empty">
              <p>
                Nobody is in the cold.
                {{
                  nothing
                    ? 'Plan a winter: Mantel counts back from the first young you want, tells who may be cooled, and then judges each by its weight and its temperature.'
                    : 'What is planned stands under Plan; who comes back, under Back.'
                }}
              </p>
              <UButton label="Plan a winter" class="mt-3" @click="plan(null)" />
            </div>
          </template>
          <BrumationPlan
            v-else-if="view === 'Plan'"
            :groups="winter.groups"
            :width="width"
            @change="plan($event)"
            @wake="waking = $event"
          />
          <BrumationRecovering v-else-if="view === 'Back'" :recovering="winter.recovering" />
          <BrumationReport v-else />
        </template>
      </div>
    </template>
    <USlideover
      v-model:open="sheetOpen"
      :side="narrow ? 'bottom' : 'right'"
      :title="sheet?.tag ?? ''"
      :description="sheet ? house.speciesName(sheet.speciesId) : ''"
      :ui="{ content: 'max-h-[90dvh] sm:max-h-none sm:max-w-xl' }"
    >
      <template #body>
        <template v-if="sheet">
          <BrumationColdSheet :cold="sheet" />
          <p class="mt-4">
            <NuxtLink :to="`/animals/${sheet.animalId}`" class="underline">All of {{ sheet.tag }}</NuxtLink>
          </p>
          <Timeline :subjects="[{ type: 'animal', id: sheet.animalId }]" class="mt-3" />
        </template>
      </template>
    </USlideover>
    <BrumationPlanForm v-model:open="planning" :group="changed" />
    <BrumationWakeGroup :group="winter?.groups.find(g => g.groupId === waking) ?? null" @close="waking = null" />
    <BrumationWeighShelf
      v-if="weighed"
      v-model:open="weighOpen"
      :title="`Weigh ${weighed.name}`"
      :animals="weighed.cold"
    />
  </div>
</template>

<style scoped>
.answer {
  flex-basis: 100%;
  color: var(--ui-text-highlighted) !important;
  font-size: 1.0625rem;
}
.answer.calm {
  color: var(--ui-text-muted) !important;
}
.empty {
  padding: 1.5rem 0;
  max-width: 40rem;
}
</style>
