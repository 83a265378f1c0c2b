<script setup lang="ts">
import { roomTaken, shelvesOf, tellHeld } from '#core/season'

/** Room on the shelves of cultures, and what more of it, or of time, would save. */
const house = useHouse()
const held = computed(() => new Map(house.plans.flatMap(p => p.held).map(h => [h.limit, h])))
const shelves = computed(() => {
  const feeders = new Set(Object.values(house.house.cultures).map(c => c.feederId))
  const ids = new Set([...feeders].flatMap(id => shelvesOf(id, house.house)))
  return [...ids].map(id => {
    const { name, capacity } = house.house.places[id]!
    const taken = roomTaken(id, house)
    return { id, name, capacity: capacity!, taken: Math.round(taken * 10) / 10, held: held.value.get(id) }
  })
})
/** Minutes of culture days, money of a week. */
const others = computed(() => [...held.value.values()].filter(h => h.placeId === null))
</script>

<template>
  <p v-if="shelves.length || others.length" class="small room" data-testid="room">
    <span v-for="s in shelves" :key="s.id" class="one" :class="{ over: s.taken > s.capacity }">
      <b>{{ s.name }}</b> {{ s.taken }} of {{ s.capacity }} cups’ room taken{{
        s.held ? `; ${tellHeld(s.held, house.today)}` : ''
      }}.
    </span>
    <span v-for="h in others" :key="h.limit" class="one"
      ><b>{{ h.name }}</b> {{ tellHeld(h, house.today) }}.</span
    >
  </p>
</template>

<style scoped>
.room {
  margin-bottom: 0.75rem;
}
.one {
  margin-right: 1rem;
}
.over b {
  color: var(--harm);
}
</style>
