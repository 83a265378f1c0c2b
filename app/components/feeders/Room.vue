<script setup lang="ts">
import { roomTaken, shelvesOf, tellHeld } from '#core/season'

/** Room on the shelves of cultures, and what more of it, or of time, would save. */
const house = useHouse()
const held = computed(() => new Map(house.plans.flatMap(p => p.held).map(h => [h.placeId, h])))
const shelves = computed(() => {
  const feeders = new Set(Object.values(house.house.cultures).map(c => c.feederId))
  const ids = new Set([...feeders].flatMap(id => shelvesOf(id, house.house)))
  return [...ids].map(id => {
    const { name, capacity } = house.house.places[id]!
    const taken = roomTaken(id, house)
    return { id, name, capacity: capacity!, taken: Math.round(taken * 10) / 10, held: held.value.get(id) }
  })
})
const minutes = computed(() => held.value.get(null))
</script>

<template>
  <p v-if="shelves.length || minutes" class="small room" data-testid="room">
    <span v-for="s in shelves" :key="s.id" class="one" :class="{ over: s.taken > s.capacity }">
      <b>{{ s.name }}</b> {{ s.taken }} of {{ s.capacity }} cups’ room taken{{
        s.held ? `; ${tellHeld(s.held, house.today)}` : ''
      }}.
    </span>
    <span v-if="minutes" class="one"
      ><b>{{ minutes.name }}</b> {{ tellHeld(minutes, house.today) }}.</span
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
