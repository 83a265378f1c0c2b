<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { careByRoom, tellTotals, walkOf, type WalkRoom } from '#core/round'
import { tellShort } from '#core/season'
import { formatWeekday, weekday } from '#core/units'

const house = useHouse()

const due = computed(() => [
  ...(house.season?.tasks ?? []),
  ...house.upcomingStarts.filter(t => t.due <= house.today),
  ...house.planTasks,
])
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
/** Whether prey is thawed or caught the evening before. */
const rodents = computed(() =>
  Object.values(house.house.animals).some(
    a => a.status === 'alive' && house.almanac.species[a.speciesId]?.eats === 'rodents',
  ),
)
/** What is started and ordered on the days to come: on culture day, or between when it keeps too short for that. */
const nextDays = computed(() => {
  const ahead = house.upcomingStarts.filter(t => t.due > house.today)
  return [...new Set(ahead.map(t => t.due))].map(day => ({
    day,
    tasks: ahead.filter(t => t.due === day),
    title: weekday(day) === house.settings.cultureWeekday ? 'Next culture day' : 'To order',
  }))
})

/** A long walk comes folded to the totals of its rooms, one open at a time: the first, until another is chosen. */
const LONG = 100
/** On paper every room is open, with a box to tick before each line. */
const printing = ref(false)
useEventListener('beforeprint', () => {
  printing.value = true
})
useEventListener('afterprint', () => {
  printing.value = false
})
/** When the house is opened only what is in sight is laid out before the first paint, and the rest right after it. */
const painted = usePainted()
const care = computed(() => careByRoom(house.season?.care ?? [], house.house))
/** Rooms with tasks and those with care only, in walking order; what is of no place comes last. */
const rooms = computed(() => {
  const walked = walkOf(tasks.value, house.house)
  const more = care.value
    .filter(c => !walked.some(r => r.name === c.name))
    .map((c): WalkRoom => ({ name: c.name, stops: [], tasks: [], lines: 0 }))
  const order = new Map(
    Object.values(house.house.places)
      .filter(p => !p.parentId)
      .map(p => [p.name, p.order]),
  )
  const rank = (name: string) => order.get(name) ?? Number.MAX_SAFE_INTEGER
  return more.length ? [...walked, ...more].sort((a, b) => rank(a.name) - rank(b.name)) : walked
})
const careOf = (room: string) => care.value.find(c => c.name === room)?.areas ?? []
const foldable = computed(
  () => !printing.value && rooms.value.length > 1 && rooms.value.reduce((n, r) => n + r.lines, 0) > LONG,
)
const chosen = useState<string | null | undefined>('round-room')
const open = computed(() =>
  chosen.value === null || rooms.value.some(r => r.name === chosen.value) ? chosen.value : rooms.value[0]?.name,
)

/** So many sorts of work are told one by one; each room tells its own in full. */
const KINDS_TOLD = 6
const headline = computed(() => {
  const places = new Set(house.season?.care.flatMap(l => l.stops.map(s => s.placeId)).filter(Boolean)).size
  const round = places ? `${places} ${places === 1 ? 'place' : 'places'} to look after` : ''
  return (
    [tellTotals(due.value, KINDS_TOLD), round].filter(Boolean).join('; ') || 'Nothing is due. The house is in order.'
  )
})

/** So many prey are told one by one, those first of which there is least. */
const SHORT_TOLD = 4
/** Prey of which there is not enough for all meals of today: each meal says whose it is. */
const short = computed(() => {
  const byPrey = new Map(due.value.flatMap(t => t.short ?? []).map(s => [s.prey, s]))
  const list = [...byPrey.values()].sort((a, b) => a.there / a.wanted - b.there / b.wanted)
  const told = list.slice(0, SHORT_TOLD).map(s => tellShort(s, house.almanac))
  return sentenceOf(list.length > SHORT_TOLD ? [...told, `${list.length - SHORT_TOLD} more`] : told)
})

/** J and K walk the lines, as a thumb would. */
function step(by: number): void {
  const lines = [...document.querySelectorAll(WALK_LINES)]
  const at = lines.findIndex(l => l.contains(document.activeElement))
  focusLine(lines[Math.max(0, Math.min(lines.length - 1, at + by))])
}
defineShortcuts({ j: () => step(1), k: () => step(-1) })
</script>

<template>
  <div class="screen" :class="{ early: !painted }">
    <header>
      <h1>What is due today, {{ formatWeekday(house.today) }}?</h1>
      <p data-testid="headline">{{ house.isEmpty ? '' : headline }}</p>
    </header>
    <LazyFirstSteps v-if="house.isEmpty" />
    <template v-else>
      <AlarmList :alarms="house.alarms" />
      <p v-if="short" class="short" data-testid="short">
        <NuxtLink to="/feeders" class="underline">Not enough for all</NuxtLink>: {{ short }}. Each meal says who is
        first.
      </p>
      <LazyRoundFirstMeals v-if="firstMeals.length" :groups="firstMeals" />
      <Fold
        v-if="unweighed.length"
        class="unweighed"
        :summary="`${unweighed.length} have no weight yet: weigh them shelf by shelf`"
        ><RoundTaskList :tasks="unweighed"
      /></Fold>
      <RoundRoom
        v-for="room in rooms"
        :key="room.name"
        :room="room"
        :care="careOf(room.name)"
        :foldable="foldable"
        :open="room.name === open"
        @toggle="chosen = room.name === open ? null : room.name"
      />
      <section v-for="next in nextDays" :key="next.day" class="room">
        <h2>{{ next.title }}, {{ formatWeekday(next.day) }}</h2>
        <ul>
          <RoundTaskLine v-for="task in next.tasks" :key="task.id" :task="task" />
        </ul>
      </section>
      <Fold v-if="rodents" class="unweighed" :summary="`This evening, for ${formatWeekday(house.today + 1)}`"
        ><LazyRoundMadeReady
      /></Fold>
      <RoundDone />
    </template>
  </div>
</template>

<style scoped>
.early :deep(.room) {
  content-visibility: auto;
  contain-intrinsic-size: auto 40rem;
}
.short {
  max-width: 64rem;
  margin-top: 0.75rem;
}
.room {
  margin-top: 1.25rem;
  max-width: 64rem;
}
.room > h2 {
  border-bottom: 2px solid var(--ui-border-accented);
  padding-bottom: 0.25rem;
}
.unweighed {
  margin-top: 0.75rem;
  max-width: 64rem;
}
</style>
