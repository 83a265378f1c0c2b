<script setup lang="ts">
import { summarise } from '#core/chance'
import type { RecoveringAnimal } from '#core/season'
import { formatDay, formatDistance, formatRange } from '#core/units'

/** Who comes back from the cold, and when each is ready to pair. */
defineProps<{ recovering: RecoveringAnimal[] }>()
const house = useHouse()

function ready(r: RecoveringAnimal): string {
  if (r.readiness.since !== null) return `ready since ${formatDay(r.readiness.since, house.today)}`
  const sum = summarise(r.readiness.dist)
  return sum ? `ready ${formatRange(sum)}` : 'not known'
}
const ofStart = (r: RecoveringAnimal) =>
  r.recovery.ofStart === null ? 'not weighed' : `${Math.round(r.recovery.ofStart * 100)} %`
/** 85 to 105 % of the start, so that the few percent that matter can be seen. */
const at = (share: number) => `${Math.max(0, Math.min(100, ((share - 0.85) / 0.2) * 100))}%`
</script>

<template>
  <section aria-label="Coming back">
    <h2>Coming back</h2>
    <p v-if="!recovering.length" class="quiet">Nobody was woken in the last four months.</p>
    <table v-else class="plain">
      <thead>
        <tr>
          <th>Animal</th>
          <th>Of its starting weight</th>
          <th class="hide">Meals, shed</th>
          <th>Ready to pair</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in recovering" :key="r.animalId" :data-recovering="r.tag">
          <td>
            <NuxtLink :to="`/animals/${r.animalId}`" class="tag">{{ r.tag }}</NuxtLink>
            <span class="quiet small hide">woken {{ formatDistance(r.warmedDay, house.today) }}</span>
          </td>
          <td>
            <span class="num">{{ ofStart(r) }}</span>
            <span v-if="r.recovery.ofStart !== null" class="bar" aria-hidden="true"
              ><i :style="{ width: at(r.recovery.ofStart) }" /><b :style="{ left: at(0.97) }"
            /></span>
          </td>
          <td class="hide">
            {{ r.recovery.mealsTaken }} {{ r.recovery.mealsTaken === 1 ? 'meal' : 'meals'
            }}{{ r.recovery.firstShed ? `, shed ${formatDay(r.recovery.firstShed.day, house.today)}` : '' }}
          </td>
          <td>
            <WorkingLink :title="`${r.tag}: ready to pair`" :answer="ready(r)" :reasons="r.readiness.reasons" />
            <span v-if="r.readiness.waitsFor.length" class="quiet small waits"
              >waits for {{ r.readiness.waitsFor.join(', ') }}</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  max-width: 60rem;
}
.num {
  font-family: var(--font-mono);
  display: inline-block;
  min-width: 3.5rem;
}
.bar {
  display: inline-block;
  position: relative;
  width: 7rem;
  height: 0.5rem;
  background: var(--ui-bg-accented);
  vertical-align: middle;
}
.bar i {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--stage-hatchling);
}
.bar b {
  position: absolute;
  top: -3px;
  bottom: -3px;
  width: 2px;
  background: var(--ui-text-highlighted);
}
.waits {
  display: block;
}
@media (max-width: 800px) {
  .hide {
    display: none;
  }
  .bar {
    width: 3.5rem;
  }
}
</style>
