<script setup lang="ts">
import { formatRange } from '#core/units'
import { summarise } from '#core/chance'
import { EVENT_NAMES } from '#core/pairing'
import { isAhead } from '#core/season'

/** The first day: five short steps to a first forecast. Each can be left out, and found again here. */
const house = useHouse()

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
/** The step that is open, -1 for none: the first that is not done, and then the one after each that is. */
const open = ref(steps.value.findIndex(s => !s.done))
/** What the steps of this visit have written, to be taken back where it stands. */
const written = ref<Record<number, string[]>>({})
const { takeBack } = useRecord()
async function undo(i: number): Promise<void> {
  await takeBack(written.value[i]!)
  written.value = Object.fromEntries(Object.entries(written.value).filter(([step]) => Number(step) !== i))
}
function finished(i: number, ids?: string[]): void {
  if (ids) written.value = { ...written.value, [i]: ids }
  // after the last one nothing opens by itself
  open.value = i + 1 < steps.value.length ? i + 1 : -1
  void nextTick(() => document.querySelector<HTMLElement>('.steps li.open .line')?.focus())
}

/** What is forecast next, the soonest two lines of the season: a pair that lays again, and the eggs that lie. */
const forecasts = computed(() =>
  (house.season?.lanes ?? [])
    .flatMap(lane => {
      const event = lane.events.find(e => isAhead(e, house.today))
      const when = event && summarise(event.dist)
      return event && when ? [{ title: lane.title, event: EVENT_NAMES[event.event], when }] : []
    })
    .sort((a, b) => a.when.median - b.when.median)
    .slice(0, 2),
)
</script>

<template>
  <div class="screen">
    <header class="answer">
      <h1>How does this house begin?</h1>
      <p v-if="forecasts.length" data-forecast>
        First forecast:
        <template v-for="(f, i) in forecasts" :key="f.title"
          >{{ i ? '; ' : '' }}<b>{{ f.title }}</b
          >, {{ f.event }} {{ formatRange(f.when) }}</template
        >. <NuxtLink to="/season" class="link">See the season</NuxtLink
        ><template v-if="house.upcomingStarts.length"
          >; feeders: {{ house.upcomingStarts[0]!.what.toLowerCase() }}</template
        >.
      </p>
      <p v-else>Five short steps to a first forecast. Leave out what you like; all of it can be changed later.</p>
    </header>
    <ol class="steps">
      <li v-for="(s, i) in steps" :key="s.part" :class="{ open: open === i }">
        <button type="button" class="line" :aria-expanded="open === i" @click="open = open === i ? -1 : i">
          <span class="n">{{ i + 1 }}</span><b>{{ s.title }}</b
          ><span class="quiet">{{ s.done }}</span>
          <UIcon v-if="s.done" name="i-lucide-check" class="size-4.5" />
        </button>
        <UButton
          v-if="written[i] && s.done"
          label="Take back"
          :aria-label="`Take back: ${s.title}`"
          size="xs"
          variant="ghost"
          color="neutral"
          class="back"
          @click="undo(i)"
        />
        <div v-if="open === i" class="part">
          <BeginHouse v-if="s.part === 'house'" @done="finished(i, $event)" />
          <BeginPlaces v-else-if="s.part === 'places'" @done="finished(i, $event)" />
          <BeginAnimals v-else-if="s.part === 'animals'" @done="finished(i, $event)" />
          <BeginPair v-else-if="s.part === 'pair'" @done="finished(i, $event)" />
          <BeginCups v-else @done="finished(i, $event)" />
          <UButton
            label="Leave this out for now"
            size="sm"
            variant="ghost"
            color="neutral"
            class="mt-2"
            @click="finished(i)"
          />
        </div>
      </li>
    </ol>
    <p class="quiet">
      From then on write what happens: on the Round, or in the log line, as in <span class="tag">K-01 312 g</span>.
    </p>
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
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
}
.part {
  grid-column: 1 / -1;
}
.line {
  display: flex;
  gap: 0.75rem;
  align-items: center;
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
