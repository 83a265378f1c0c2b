<script setup lang="ts">
import { hereOf, tellNumbers } from '#core/subjects'
import { formatDistance } from '#core/units'

/** Who lives together without tags. */
const props = defineProps<{ speciesId: string; words: readonly string[] }>()
const house = useHouse()
const groups = computed(() =>
  Object.values(house.house.groups)
    .filter(g => hereOf(g) && (props.speciesId === 'all' || props.speciesId === g.speciesId))
    .filter(g => {
      const said = `${g.tag} ${g.name ?? ''} ${house.speciesName(g.speciesId)} ${house.placeName(g.placeId)}`
      return props.words.every(w => said.toLowerCase().includes(w))
    })
    .sort((a, b) => (a.tag < b.tag ? -1 : 1)),
)
</script>

<template>
  <section v-if="groups.length" class="mb-6" aria-label="Groups without tags">
    <h2>Groups without tags</h2>
    <ul>
      <li v-for="g in groups" :key="g.id" :data-group="g.tag">
        <NuxtLink :to="`/groups/${g.id}`" class="tag">{{ g.tag }}</NuxtLink>
        <span>
          <b>{{ tellNumbers(g) }}</b> {{ house.speciesName(g.speciesId) }}
        </span>
        <span class="quiet">{{ house.placeName(g.placeId) }}</span>
        <span class="quiet">
          {{ g.lastFed ? `fed ${formatDistance(g.lastFed.day, house.today)}` : 'no meal written yet' }},
          {{ g.lastCounted ? `counted ${formatDistance(g.lastCounted.day, house.today)}` : 'not counted yet' }}
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 7rem minmax(14rem, 20rem) minmax(10rem, 1fr) auto;
  gap: 0.125rem 1rem;
  padding: 0.375rem 0;
  border-bottom: 1px solid var(--ui-border);
  max-width: 64rem;
}
@media (max-width: 800px) {
  li {
    grid-template-columns: 7rem 1fr;
  }
  li > :nth-child(n + 3) {
    grid-column: 2;
  }
}
</style>
