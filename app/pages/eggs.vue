<script setup lang="ts">
import { summarise } from '#core/chance'
import { eggsLeft } from '#core/subjects'
import { eggTempC, eggWarmth } from '#core/season/warmth'
import { formatDistance, formatQuantity, formatRange } from '#core/units'
import type { Lane } from '#core/season'

const house = useHouse()
const lanes = computed(() =>
  (house.season?.lanes ?? []).filter(l => l.kind === 'eggs' && eggsLeft(house.house.clutches[l.subject.id]!) > 0),
)
const first = computed(() => {
  const next = lanes.value
    .flatMap(l =>
      l.events
        .filter(e => e.event === 'hatched' && !e.observed && e.dist.p.length)
        .map(e => ({ l, sum: summarise(e.dist)! })),
    )
    .sort((a, b) => a.sum.median - b.sum.median)[0]
  return next ? `${next.l.title} first, ${formatRange(next.sum)}.` : ''
})
function line(lane: Lane): string {
  const c = house.house.clutches[lane.subject.id]!
  const temp = eggTempC(c, house)
  // said where readings and setting are apart, since the date goes by the readings
  const read = eggWarmth(c, house) ? ' by its readings' : ''
  return `${eggsLeft(c)} of ${c.eggs} eggs left${c.good !== null ? `, ${c.good} good by candling` : ', not candled'}; laid ${formatDistance(c.startDay, house.today)}; ${temp === null ? 'no temperature known' : formatQuantity(Number(temp.toFixed(1)), house.settings.tempUnit) + read}; ${house.placeName(c.placeId)}`
}
</script>

<!-- prettier-ignore -->
<template>
  <div class="screen">
    <header>
      <h1>Which eggs hatch when?</h1>
      <p>{{ lanes.length ? `${lanes.length} clutches in the incubators. ${first}` : '' }}</p>
    </header>
    <p
      v-if="!lanes.length" class="quiet"
    >No eggs. Record a laying on the pair’s lane in <NuxtLink
      to="/season" class="underline"
    >Season</NuxtLink>, or write <span class="tag">K-01 laid 8</span> in the log line.</p>
    <ClutchList v-else :lanes="lanes"><template #line="{ lane }">{{ line(lane) }}</template></ClutchList>
    <p class="quiet small mt-8">Do not turn eggs. Isolate a doubtful firm egg, do not throw it out early. Never pull a hatchling from its egg.</p>
  </div>
</template>
