<script setup lang="ts">
import { HELPER_LOOKS, helperCard, type HelperLine } from '#core/season'
import { formatDay } from '#core/units'

/** The card for who looks after the animals for some days: what, how much, never what, what to look for. */
const route = useRoute()
const house = useHouse()
const context = useSeasonContext()
const DAYS = [3, 7, 14, 21].map(value => ({ value, label: `${value} days` }))
const WHOLE = 'house'
const days = ref(7)
const placeId = ref(typeof route.query.place === 'string' ? route.query.place : WHOLE)
const places = usePlaceItems()
const items = computed(() => [{ value: WHOLE, label: 'The whole house' }, ...places.value])
const card = computed(() =>
  helperCard(placeId.value === WHOLE ? null : placeId.value, days.value, house.season?.lanes ?? [], {
    ...context.value,
    prey: house.season?.prey ?? [],
  }),
)
/** Lines of one rack, or one room, stand together; each says in which tub. */
const shelves = computed(() => {
  const found: { name: string; lines: (HelperLine & { spot: string })[] }[] = []
  for (const line of card.value.lines) {
    const within = line.place.length > 1
    const name = (within ? line.place.slice(0, -1) : line.place).join(' · ')
    const last = found.at(-1)?.name === name ? found.at(-1)! : { name, lines: [] }
    if (last !== found.at(-1)) found.push(last)
    last.lines.push({ ...line, spot: within ? line.place.at(-1)! : '' })
  }
  return found
})
const cautions = computed(() => [...new Set(card.value.lines.flatMap(l => l.cautions))])
const when = (day: number) => (day === house.today ? 'today' : formatDay(day, house.today))
const print = () => window.print()
</script>

<template>
  <div class="screen">
    <header>
      <h1>What must somebody else do here?</h1>
      <p>
        {{ card.lines.length }} {{ card.lines.length === 1 ? 'line' : 'lines' }},
        {{ formatDay(card.from, house.today) }} to {{ formatDay(card.to, house.today) }}.
      </p>
    </header>
    <form class="sheet-tools" @submit.prevent>
      <RecordPick v-model="placeId" name="For" :items="items" placeholder="The whole house" class="w-72 max-w-full" />
      <USelect v-model="days" :items="DAYS" aria-label="For how many days" class="w-32" />
      <UButton label="Print" icon="i-lucide-printer" @click="print" />
    </form>
    <p v-if="!card.lines.length" class="quiet">Nobody lives here. Choose another place.</p>
    <template v-else>
      <p v-if="card.prey.length"><b>To have ready:</b> {{ card.prey.join(', ') }}.</p>
      <section v-for="(shelf, i) in shelves" :key="i">
        <h2>{{ shelf.name }}</h2>
        <ul class="lines">
          <li v-for="line in shelf.lines" :key="line.of.id" :data-helper="line.tag">
            <span class="quiet">{{ line.spot }}</span>
            <span>
              <span class="tag">{{ line.tag }}</span> <span class="quiet small">{{ line.species }}</span>
            </span>
            <span>
              <span v-if="line.unfed" class="quiet">{{ line.unfed }}</span>
              <span v-for="meal in line.meals" :key="meal.what" class="block"
                >{{ meal.what }}: <span v-for="day in meal.days" :key="day" class="day">☐ {{ when(day) }}</span></span
              >
              <span v-if="line.mind" class="mind">
                <UIcon name="i-lucide-hand" class="size-4 flex-none" aria-label="To mind" /> {{ line.mind }}
              </span>
              <span v-if="line.never" class="block small">Never {{ line.never }}.</span>
            </span>
          </li>
        </ul>
      </section>
      <section>
        <h2>Look every day, touch nothing</h2>
        <ul>
          <li v-for="[look, then] in HELPER_LOOKS" :key="look">
            <b>{{ look }}.</b> {{ then }}
          </li>
        </ul>
        <p class="call">Call: ____________________ &emsp; Reptile vet: ____________________</p>
      </section>
      <section v-if="cautions.length">
        <h2>Cautions</h2>
        <ul>
          <li v-for="caution in cautions" :key="caution">{{ caution }}</li>
        </ul>
      </section>
    </template>
  </div>
</template>

<style scoped>
section {
  max-width: 60rem;
  padding: 0.375rem 0;
  margin-top: 0.75rem;
}
.lines li {
  display: grid;
  grid-template-columns: 7rem 15rem minmax(0, 1fr);
  gap: 0 1rem;
  padding: 0.1875rem 0;
  border-top: 1px solid var(--ui-border);
  break-inside: avoid;
}
.mind {
  display: flex;
  align-items: baseline;
  gap: 0.375rem;
  font-weight: 600;
}
.day {
  display: inline-block;
  margin-right: 0.75rem;
  white-space: nowrap;
}
.call {
  margin-top: 1rem;
}
@media (max-width: 640px) {
  .lines li {
    grid-template-columns: 5.5rem minmax(0, 1fr);
    padding: 0.375rem 0;
  }
  .lines li > :last-child {
    grid-column: 1 / -1;
  }
}
</style>
