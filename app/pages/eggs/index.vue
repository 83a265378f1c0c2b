<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { summarise } from '#core/chance'
import { placeTempC } from '#core/season/warmth'
import { eggsLeft, pippedNow, waysUp } from '#core/subjects'
import type { Lane } from '#core/season'
import { formatQuantity, formatRange } from '#core/units'

const house = useHouse()
const route = useRoute()
const { narrow } = useNarrow()
const VIEWS = ['What opens when', 'What came of them'] as const
const view = ref<(typeof VIEWS)[number]>('What opens when')
const adding = ref(false)

const lanes = computed(() =>
  (house.season?.lanes ?? []).filter(l => l.kind === 'eggs' && eggsLeft(house.house.clutches[l.subject.id]!) > 0),
)
const hatchOf = (lane: Lane) => {
  const hatch = lane.events.find(e => e.event === 'hatched' && !e.observed)
  return hatch ? summarise(hatch.dist) : null
}
const first = computed(() => {
  const next = lanes.value
    .flatMap(lane => {
      const sum = hatchOf(lane)
      return sum ? [{ lane, sum }] : []
    })
    .sort((a, b) => a.sum.median - b.sum.median)[0]
  const open = lanes.value.flatMap(l => {
    const pipped = pippedNow(house.house.clutches[l.subject.id]!)
    return pipped ? `${l.title} has ${pipped.count} pipped.` : []
  })
  return [...open, ...(next ? [`${next.lane.title} first, ${formatRange(next.sum)}.`] : [])].join(' ')
})

/** The incubator that a box stands in; for want of one, where it stands. */
function shelfOf(placeId: string | null): string {
  const up = [...waysUp(house.house.places, placeId)]
  return (up.find(p => p.kind === 'incubator') ?? up[0])?.id ?? ''
}
/** Incubators as shelves, the one that opens first before the others. */
const shelves = computed(() => {
  const by = new Map<string, Lane[]>()
  for (const lane of lanes.value) {
    const id = shelfOf(house.house.clutches[lane.subject.id]!.placeId)
    by.set(id, [...(by.get(id) ?? []), lane])
  }
  const wrong = (id: string) => Number(!alarms.value.some(a => a.subject?.id === id))
  return [...by]
    .map(([id, of]) => ({ id, lanes: of, name: house.house.places[id]?.name ?? 'No place' }))
    .sort((a, b) => wrong(a.id) - wrong(b.id))
})
function warmthOf(id: string): string {
  const place = house.house.places[id]
  if (!place) return ''
  const show = (t: number) => formatQuantity(Number(t.toFixed(1)), house.settings.tempUnit)
  const lately = placeTempC(id, house)
  const set = place.tempC === null ? '' : `set to ${show(place.tempC)}`
  return lately === null || lately === place.tempC ? set : [`lately ${show(lately)}`, set].filter(Boolean).join(', ')
}
const alarms = computed(() => {
  const ids = new Set(
    lanes.value.flatMap(l => [l.subject.id, ...[...waysUp(house.house.places, l.placeId)].map(p => p.id)]),
  )
  return house.alarms.filter(a => a.subject && ids.has(a.subject.id) && /^(?:egg|heat|hatch)/.test(a.id))
})

const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const LABEL = 288
const BOX = 116
const span = computed<TimeSpan>(() => {
  const laid = lanes.value.map(l => house.house.clutches[l.subject.id]!.startDay)
  const ends = lanes.value.flatMap(l => hatchOf(l)?.high ?? [])
  return {
    from: Math.min(house.today - 14, ...laid) - 3,
    to: Math.max(house.today + 30, ...ends) + 7,
    width: Math.max(200, width.value - (narrow.value ? 0 : LABEL + BOX)),
  }
})
const open = useFirst(
  () => lanes.value,
  60,
  lane => route.hash === `#${lane.subject.id}`,
)
const shown = computed(() => new Set(open.shown.value.map(l => l.id)))
</script>

<template>
  <div class="screen">
    <header>
      <div>
        <h1>Which eggs hatch when?</h1>
        <p>
          {{
            lanes.length
              ? `${lanes.length} ${lanes.length === 1 ? 'clutch' : 'clutches'} in the incubators. ${first}`
              : ''
          }}
        </p>
      </div>
      <div class="buttons">
        <UButton to="/labels?of=eggs" label="Labels" icon="i-lucide-qr-code" variant="outline" color="neutral" />
        <UButton label="Add eggs" variant="outline" color="neutral" @click="adding = true" />
      </div>
    </header>
    <ViewSwitch v-model="view" :views="VIEWS" />
    <LazyEggsAddForm v-if="adding" v-model:open="adding" />
    <LazyEggsReport v-if="view === 'What came of them'" />
    <template v-else>
      <AlarmList :alarms="alarms" unfolded />
      <p v-if="!lanes.length" class="quiet">
        No eggs. Record a laying on the pair’s lane in <NuxtLink to="/season" class="underline">Season</NuxtLink>, or
        write <span class="tag">K-01 laid 8</span> in the log line. Eggs that were bought or given are added here.
      </p>
      <div v-else ref="box" class="shelves">
        <!-- nothing is drawn before there is a width to draw it in -->
        <div class="when" aria-hidden="true"><SeasonTimeAxis v-if="width" :span="span" :today="house.today" /></div>
        <section v-for="shelf in shelves" :key="shelf.id" :aria-label="shelf.name">
          <h2>
            <NuxtLink v-if="shelf.id" :to="`/places/${shelf.id}`">{{ shelf.name }}</NuxtLink>
            <template v-else>{{ shelf.name }}</template>
            <span class="quiet small warmth">{{ warmthOf(shelf.id) }}</span>
          </h2>
          <template v-for="lane in shelf.lanes" :key="lane.id">
            <EggsRow v-if="width && shown.has(lane.id)" :lane="lane" :span="span" :narrow="narrow" />
          </template>
        </section>
        <UButton
          v-if="open.more.value"
          class="mt-4"
          variant="outline"
          color="neutral"
          :label="`Show ${open.more.value} more`"
          @click="open.showAll"
        />
      </div>
      <p class="quiet small mt-8">
        Do not turn eggs. Isolate a doubtful firm egg, do not throw it out early. Never pull a hatchling from its egg.
      </p>
    </template>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 1rem;
  flex-wrap: wrap;
}
.shelves {
  --label: 18rem;
}
.when {
  padding-left: calc(18rem + 7.25rem);
  position: sticky;
  top: 0;
  background: var(--ui-bg);
  z-index: 2;
}
h2 {
  display: flex;
  gap: 0.75rem;
  align-items: baseline;
  padding-top: 0.75rem;
  font-size: 1.0625rem;
}
.warmth {
  font-weight: 400;
}
@media (max-width: 800px) {
  .when {
    padding-left: 0;
  }
}
</style>
