<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { madeReadyFor, type MadeReady } from '#core/season'
import { formatDay } from '#core/units'

/** Rodents for tomorrow's meals: what is thawed this evening, and what is caught. */
const house = useHouse()
const context = useSeasonContext()
const ready = computed(() => {
  const { season, today } = house
  if (!season) return []
  const tomorrow = today + 1
  // what is due today is fed today
  const due = new Set(season.tasks.filter(t => t.kind === 'feed').map(t => t.subject.id))
  return madeReadyFor(tomorrow, season.lanes, { ...context.value, today: tomorrow }, due)
})
const tell = ({ prey, count }: MadeReady) => {
  const { one, many } = feederOf(house.almanac, prey)
  return `${count} ${count === 1 ? one : many}`
}
/** The box that is used first, where there are several. */
function firstBox(prey: string): string {
  const lots = house.season?.prey.find(p => p.prey === prey)?.lots.filter(lot => lot.pieces >= 1) ?? []
  return lots.length > 1 ? `from those of ${formatDay(lots[0]!.day, house.today)}; ` : ''
}
const dead = computed(() => ready.value.filter(r => !r.live))
const live = computed(() => ready.value.filter(r => r.live))
</script>

<template>
  <section class="ready" aria-label="This evening">
    <p v-if="!ready.length" class="quiet">No rodents are wanted tomorrow that are not due today.</p>
    <p v-if="dead.length">
      <b>Thaw</b> in the cold:
      <template v-for="(r, i) in dead" :key="r.prey"
        ><template v-if="i">, </template>{{ tell(r) }}
        <span class="quiet small">({{ firstBox(r.prey) }}{{ r.for.join(', ') }})</span></template
      >.
    </p>
    <p v-if="live.length">
      <b>Live</b>:
      <template v-for="(r, i) in live" :key="r.prey"
        ><template v-if="i">, </template>{{ tell(r) }}
        <span class="quiet small">({{ r.for.join(', ') }})</span></template
      >.
    </p>
  </section>
</template>

<style scoped>
.ready {
  max-width: 64rem;
}
</style>
