<script setup lang="ts">
import { formatRange } from '#core/units'
import { summarise } from '#core/chance'
import { EVENT_NAMES } from '#core/pairing'
import { isAhead } from '#core/season'

/** The first day: five short steps to a first forecast. Each can be left out, and found again here. */
const house = useHouse()
const open = ref<number | null>(null)

const animals = computed(() => Object.values(house.house.animals).filter(a => a.status === 'alive').length)
const places = computed(() => Object.keys(house.house.places).length)
const pairs = computed(() => Object.keys(house.house.pairings).length)
const cups = computed(() => Object.keys(house.house.cultures).length)
const named = computed(() => (house.snapshot?.settingsVersion ?? 0) > 0)
const many = (n: number, one: string, more: string) => `${n} ${n === 1 ? one : more}`

const steps = computed(() => [
  {
    title: 'The house',
    done: named.value ? `${house.settings.houseName}, ${house.settings.timeZone}` : '',
    part: 'house',
  },
  { title: 'Where they live', done: places.value ? many(places.value, 'place', 'places') : '', part: 'places' },
  { title: 'Who lives here', done: animals.value ? many(animals.value, 'animal', 'animals') : '', part: 'animals' },
  { title: 'A pair, or eggs that lie now', done: pairs.value ? many(pairs.value, 'pair', 'pairs') : '', part: 'pair' },
  { title: 'Cultures that stand', done: cups.value ? many(cups.value, 'culture', 'cultures') : '', part: 'cups' },
])
const next = computed(() => steps.value.findIndex(s => !s.done))
const shown = computed(() => open.value ?? (next.value < 0 ? null : next.value))
function finished(i: number): void {
  // after the last one nothing opens by itself
  open.value = i + 1 < steps.value.length ? i + 1 : -1
}

/** The first thing that is forecast, and what the feeders ask for. */
const forecast = computed(() => {
  for (const lane of house.season?.lanes ?? []) {
    const event = lane.events.find(e => isAhead(e, house.today))
    const when = event && summarise(event.dist)
    if (event && when) return { title: lane.title, event: EVENT_NAMES[event.event], when: formatRange(when) }
  }
  return null
})
</script>

<!-- prettier-ignore -->
<template>
  <div class="screen">
    <header class="answer">
      <h1>How does this house begin?</h1>
      <p
        v-if="forecast" data-forecast
      >First forecast: <b>{{ forecast.title }}</b>, {{ forecast.event }} {{ forecast.when }}. <NuxtLink
        to="/season" class="link"
      >See the season</NuxtLink><template v-if="house.upcomingStarts.length">; feeders: {{ house.upcomingStarts[0]!.what.toLowerCase() }}</template>.</p>
      <p v-else>Five short steps to a first forecast. Leave out what you like; all of it can be changed later.</p>
    </header>
    <ol class="steps">
      <li v-for="(s, i) in steps" :key="s.part" :class="{ open: shown === i }">
        <button type="button" class="line" :aria-expanded="shown === i" @click="open = shown === i ? -1 : i">
          <span class="n">{{ i + 1 }}</span><b>{{ s.title }}</b><span class="quiet">{{ s.done }}</span>
          <UIcon v-if="s.done" name="i-lucide-check" class="size-4.5" />
        </button>
        <div v-if="shown === i" class="part">
          <BeginHouse v-if="s.part === 'house'" @done="finished(i)" />
          <BeginPlaces v-else-if="s.part === 'places'" @done="finished(i)" />
          <BeginAnimals v-else-if="s.part === 'animals'" @done="finished(i)" />
          <BeginPair v-else-if="s.part === 'pair'" @done="finished(i)" />
          <BeginCups v-else @done="finished(i)" />
          <UButton
            label="Leave this out for now" size="sm" variant="ghost" color="neutral" class="mt-2" @click="finished(i)"
          />
        </div>
      </li>
    </ol>
    <p class="quiet">From then on write what happens: on the Round, or in the log line, as in <span class="tag">K-01 312 g</span>.</p>
  </div>
</template>

<style scoped>
.answer {
  display: block;
}
.steps {
  max-width: 46rem;
  margin: 0.5rem 0 1.25rem;
}
.steps li {
  border-bottom: 1px solid var(--ui-border);
}
.line {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  width: 100%;
  min-height: 3rem;
  text-align: left;
}
.n {
  font-family: var(--font-mono);
  color: var(--ui-text-muted);
  width: 1.25rem;
}
.part {
  padding: 0.25rem 0 1.25rem 2rem;
}
.link {
  text-decoration: underline;
  color: var(--ui-primary);
}
@media (max-width: 600px) {
  .part {
    padding-left: 0;
  }
}
</style>
