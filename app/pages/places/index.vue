<script setup lang="ts">
import { routeTo } from '#core/places'
import { hereOf, type Place } from '#core/subjects'
import { formatDay, formatQuantity } from '#core/units'

const house = useHouse()
const { rooms, all, sorted } = usePlaces()
const VIEWS = ['As one stands before it', 'Room to grow', 'What is heard', 'List'] as const
const view = useState<(typeof VIEWS)[number]>('places-view', () => VIEWS[0])
const open = ref(false)
const arranging = ref(false)
const editing = ref<Place | undefined>()

function start(place?: Place): void {
  editing.value = place
  open.value = true
}
const list = computed(() => sorted.value.map(place => ({ place, route: routeTo(house.house.places, place.id) })))
const lives = computed(() => {
  const n = new Map<string, number>()
  for (const x of [
    ...Object.values(house.house.animals).filter(a => a.status === 'alive'),
    ...Object.values(house.house.cultures).filter(c => !c.finished),
    ...Object.values(house.house.clutches).filter(c => !c.ended),
  ])
    if (x.placeId) n.set(x.placeId, (n.get(x.placeId) ?? 0) + 1)
  for (const g of Object.values(house.house.groups))
    if (g.placeId) n.set(g.placeId, (n.get(g.placeId) ?? 0) + hereOf(g))
  return n
})
const names = (level: 'harm' | 'watch') => all.value.filter(p => p.level === level).map(p => p.place.name)
const listed = (words: readonly string[]) =>
  words.length > 3
    ? `${words.slice(0, 3).join(', ')} and ${words.length - 3} more`
    : [words.slice(0, -1).join(', '), words.at(-1)].filter(Boolean).join(' and ')
/** What of the homes wants to be known without looking at them. */
const homesSaid = computed(() => {
  const { outgrown = [], young = [] } = house.season?.homes ?? {}
  const now = outgrown.filter(h => h.mid! <= house.today).length
  const later = outgrown.length - now
  const missing = young.reduce((sum, y) => sum + Math.max(0, y.homes - y.free), 0)
  const by = outgrown.length ? formatDay(outgrown.at(-1)!.mid!, house.today) : ''
  const homes = (n: number) => `${n} ${n === 1 ? 'home' : 'homes'}`
  const parts = [
    now ? `${homes(now)} too small now` : '',
    later ? `${now ? `${later} more` : homes(later)} too small by ${by}` : '',
    missing ? `${homes(missing)} missing for young that come` : '',
  ].filter(Boolean)
  return parts.length ? `Room to grow: ${parts.join(', ')}.` : ''
})
const answer = computed(() => {
  const [harm, watch] = [names('harm'), names('watch')]
  const tubs = all.value.filter(p => p.place.kind === 'tub')
  const free = tubs.filter(p => p.free).length
  return [
    harm.length ? `${listed(harm)} first: harm.` : '',
    watch.length ? `Watch ${listed(watch)}.` : '',
    !harm.length && !watch.length && house.season?.places.length ? 'All that is read is as it should be.' : '',
    tubs.length ? `${free} of ${tubs.length} tubs are free.` : '',
    homesSaid.value,
  ]
    .filter(Boolean)
    .join(' ')
})
const alarms = computed(() => (house.season?.alarms ?? []).filter(a => a.subject?.type === 'place'))
</script>

<template>
  <div class="screen">
    <header>
      <h1>Where is something wrong, and where is room?</h1>
      <span class="flex flex-wrap gap-2">
        <UButton
          v-if="sorted.length"
          to="/helper"
          label="Card for a helper"
          variant="outline"
          color="neutral"
          icon="i-lucide-clipboard-list"
        />
        <UButton label="Add a place" icon="i-lucide-plus" @click="start()" />
      </span>
      <p class="basis-full">{{ answer }}</p>
    </header>
    <p v-if="!sorted.length" class="quiet">
      No place yet. Begin with a room, then its racks and tubs; the Round walks them in this order.
    </p>
    <template v-else>
      <AlarmList v-if="alarms.length" :alarms="alarms" unfolded />
      <div class="mt-4 flex flex-wrap items-start justify-between gap-2">
        <ViewSwitch v-model="view" :views="VIEWS" />
        <UButton
          v-if="view === VIEWS[0]"
          :label="arranging ? 'Done arranging' : 'Arrange'"
          size="sm"
          variant="outline"
          color="neutral"
          icon="i-lucide-move"
          :aria-pressed="arranging"
          @click="arranging = !arranging"
        />
      </div>
      <p v-if="arranging && view === VIEWS[0]" class="quiet small mt-1">
        Drag what stands in a rack into the order in which you walk, or choose one and press the arrow keys. The Round
        follows it.
      </p>
      <template v-if="view === 'List'">
        <table class="plain max-w-3xl">
          <thead>
            <tr>
              <th>Place, in walking order</th>
              <th class="kind">Kind</th>
              <th class="num">At</th>
              <th class="num">Here</th>
              <th><span class="sr-only">Change</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in list" :key="l.place.id">
              <td
                :style="{ paddingLeft: `${(l.route.names.length - 1) * 1.25}rem` }"
                :class="{ 'font-semibold': l.route.names.length === 1 }"
              >
                <NuxtLink :to="`/places/${l.place.id}`">{{ l.place.name }}</NuxtLink>
              </td>
              <td class="quiet kind">{{ l.place.kind }}</td>
              <td class="num">
                {{ l.place.tempC === null ? '' : formatQuantity(l.place.tempC, house.settings.tempUnit) }}
              </td>
              <td class="num">{{ lives.get(l.place.id) ?? '' }}</td>
              <td>
                <UButton
                  label="Change"
                  size="xs"
                  variant="link"
                  color="neutral"
                  :aria-label="`Change ${l.place.name}`"
                  @click="start(l.place)"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <div class="overflow-x-auto"><Lamps /></div>
        <PlacesOwnJobs />
      </template>
      <PlacesRoomToGrow v-else-if="view === 'Room to grow'" />
      <LazyDevicesList v-else-if="view === 'What is heard'" />
      <PlacesRoom v-for="room in rooms" v-else :key="room.place.id" :room="room" :arranging="arranging" />
    </template>
    <PlacesForm v-model:open="open" :place="editing" />
  </div>
</template>

<style scoped>
@media (max-width: 800px) {
  .kind {
    display: none;
  }
  table {
    font-size: 0.875rem;
  }
}
</style>
