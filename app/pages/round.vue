<script setup lang="ts">
import { routeTo } from '#core/places'
import { tellEntry } from '#core/subjects'
import { dayToIso, formatWeekday } from '#core/units'
import type { Task } from '#core/season'
import type { TimelineEntry } from '#shared/contracts/house'

const house = useHouse()
const { takeBack } = useRecord()

const due = computed(() => [...(house.season?.tasks ?? []), ...house.upcomingStarts.filter(t => t.due <= house.today)])
const firstMeals = computed(() => firstMealsOf(due.value, house.house))
/** Animals that came without a weight are weighed as one has the time, not line by line before all else. */
const unweighed = computed(() => {
  const list = due.value.filter(t => t.id.startsWith('weigh:') && !house.house.animals[t.subject.id]?.weights.length)
  return list.length < 4 ? [] : list
})
const tasks = computed(() => {
  const folded = new Set([...firstMeals.value.flatMap(g => g.tasks), ...unweighed.value].map(t => t.id))
  return due.value.filter(t => !folded.has(t.id))
})
const nextDay = computed(() => house.upcomingStarts.filter(t => t.due > house.today))

interface Stop {
  id: string
  place: string
  tasks: Task[]
}
interface Room {
  name: string
  stops: Stop[]
  count: number
}

/** Tasks in walking order, gathered by room and place. */
const rooms = computed(() => {
  const found: Room[] = []
  for (const task of tasks.value) {
    const { names } = routeTo(house.house.places, task.placeId)
    const name = task.placeId ? names[0]! : 'Anywhere'
    let room = found.find(r => r.name === name)
    if (!room) found.push((room = { name, stops: [], count: 0 }))
    const place = names.slice(1).join(' · ')
    let stop = room.stops.at(-1)
    if (!stop || stop.place !== place)
      room.stops.push((stop = { id: `${name}-${place}-${room.stops.length}`, place, tasks: [] }))
    stop.tasks.push(task)
    room.count++
  }
  return found
})

const done = ref<TimelineEntry[]>([])
async function loadDone(): Promise<void> {
  // what was written today is told as it was last known, while the house does not answer
  const entries = await callApi<TimelineEntry[]>(`/api/entries?day=${dayToIso(house.today)}`).catch(() => null)
  if (entries) done.value = entries.filter(e => e.kind !== 'void' && !e.voided && e.source !== 'demo')
}
watch(
  () => house.snapshot?.version,
  () => {
    void loadDone()
  },
  { immediate: true },
)

const headline = computed(() => {
  const n = due.value.length
  if (!n) return 'Nothing is due. The house is in order.'
  const kinds = new Map<string, number>()
  const words: Record<string, string> = {
    feed: 'to feed',
    weigh: 'to weigh',
    winter: 'for the winter',
    hatch: 'to look for pips',
    harvest: 'to harvest',
    start: 'to start',
    look: 'to look at',
    eggs: 'egg box to open',
    candle: 'to candle',
    gravid: 'near laying',
    pairing: 'with pairs',
    sex: 'to settle by sex',
    lamp: 'lamp',
    retire: 'to retire',
    delivery: 'delivery',
  }
  for (const t of due.value) kinds.set(words[t.kind] ?? t.kind, (kinds.get(words[t.kind] ?? t.kind) ?? 0) + 1)
  return [...kinds]
    .sort((a, b) => b[1] - a[1])
    .map(([word, count]) => `${count} ${word}`)
    .join(', ')
})

function subjectTag(entry: TimelineEntry): string {
  const h = house.house
  const { type, id } = entry.subject
  if (type === 'prey') return house.almanac.feeders[id]?.name ?? id
  const groups = {
    animal: h.animals,
    pairing: h.pairings,
    clutch: h.clutches,
    culture: h.cultures,
    lamp: h.lamps,
    entry: {},
  } as Record<string, Record<string, { tag: string }>>
  return groups[type]?.[id]?.tag ?? ''
}

/** J and K walk the lines, as a thumb would. */
function step(by: number): void {
  const lines = [...document.querySelectorAll<HTMLElement>('.task')]
  const at = lines.findIndex(l => l.contains(document.activeElement))
  lines[Math.max(0, Math.min(lines.length - 1, at + by))]?.querySelector<HTMLElement>('.do button')?.focus()
}
defineShortcuts({ j: () => step(1), k: () => step(-1) })
</script>

<!-- prettier-ignore -->
<template>
  <div class="screen">
    <header>
      <h1>What is due today, {{ formatWeekday(house.today) }}?</h1>
      <p data-testid="headline">{{ house.isEmpty ? '' : headline }}</p>
    </header>
    <FirstSteps v-if="house.isEmpty" />
    <template v-else>
      <AlarmList :alarms="house.alarms" />
      <RoundFirstMeals v-if="firstMeals.length" :groups="firstMeals" />
      <details v-if="unweighed.length" class="unweighed">
        <summary>{{ unweighed.length }} have no weight yet: weigh them shelf by shelf</summary>
        <ul><RoundTaskLine v-for="task in unweighed" :key="task.id" :task="task" /></ul>
      </details>
      <section v-for="room in rooms" :key="room.name" class="room">
        <h2>{{ room.name }} <span class="quiet small">{{ room.count }}</span></h2>
        <div v-for="stop in room.stops" :key="stop.id" class="stop">
          <h3 v-if="stop.place">{{ stop.place }}</h3>
          <TransitionGroup tag="ul" name="fold">
            <RoundTaskLine v-for="task in stop.tasks" :key="task.id" :task="task" />
          </TransitionGroup>
        </div>
      </section>
      <section v-if="nextDay.length" class="room">
        <h2>Next culture day, {{ formatWeekday(nextDay[0]!.due) }}</h2>
        <ul><RoundTaskLine v-for="task in nextDay" :key="task.id" :task="task" /></ul>
      </section>
      <details v-if="done.length" class="done">
        <summary>{{ done.length }} written today</summary>
        <ul>
          <li v-for="entry in done" :key="entry.id">
            <span class="tag">{{ subjectTag(entry) }}</span> {{ tellEntry(entry) }}
            <UButton size="xs" variant="link" color="neutral" label="Take back" @click="takeBack([entry.id])" />
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>

<style scoped>
.room {
  margin-top: 1.25rem;
  max-width: 64rem;
}
.room > h2 {
  border-bottom: 2px solid var(--ui-border-accented);
  padding-bottom: 0.25rem;
}
.stop {
  display: grid;
  grid-template-columns: 12rem minmax(0, 1fr);
  border-top: 1px solid var(--ui-border);
}
.stop > ul {
  grid-column: 2;
}
.stop h3 {
  grid-column: 1;
  padding: 0.75rem 1rem 0 0;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
}
.stop :deep(.task:first-child) {
  border-top: 0;
}
.done {
  margin-top: 2rem;
}
.unweighed {
  margin-top: 0.75rem;
  max-width: 64rem;
}
summary {
  cursor: pointer;
  color: var(--ui-text-muted);
  min-height: 2.75rem;
  display: flex;
  align-items: center;
}
.done li {
  padding: 0.125rem 0;
}
.fold-leave-active {
  transition:
    opacity 150ms,
    transform 150ms;
}
.fold-leave-to {
  opacity: 0;
  transform: translateX(1rem);
}
@media (max-width: 800px) {
  .stop {
    display: block;
  }
  .stop h3 {
    padding-top: 0.5rem;
  }
}
</style>
