<script setup lang="ts">
import { freezerTaken, heldName, roomTaken, shelvesOf, tellHeld, type Held } from '#core/season'

/** Room on the shelves of cultures and in the freezer, and what more of it, of time or of money would save. */
const house = useHouse()
/** Each once: several plans are held back by the same. */
const held = computed(() => [...new Map(house.plans.flatMap(p => p.held).map(h => [heldName(h), h])).values()])
const told = (h: Held) => tellHeld(h, house.today, house.settings.currency)
const shelves = computed(() => {
  const feeders = new Set(Object.values(house.house.cultures).map(c => c.feederId))
  const ids = new Set([...feeders].flatMap(id => shelvesOf(id, house.house)))
  return [...ids].map(id => {
    const { name, capacity } = house.house.places[id]!
    const taken = Math.round(10 * roomTaken(id, house)) / 10
    return { id, name, capacity: capacity!, taken, held: held.value.find(h => h.place?.id === id) }
  })
})
const freezer = computed(() => {
  const most = house.settings.freezerLitres
  if (most === null) return null
  const taken = Math.round(10 * freezerTaken(house.season?.prey ?? [], house.almanac)) / 10
  return { most, taken, held: held.value.find(h => h.of === 'freezer') }
})
const others = computed(() => held.value.filter(h => !h.place && h.of !== 'freezer'))
</script>

<template>
  <p v-if="shelves.length || freezer || others.length" class="small room" data-testid="room">
    <span v-for="s in shelves" :key="s.id" class="one" :class="{ over: s.taken > s.capacity }">
      <b>{{ s.name }}</b> {{ s.taken }} of {{ s.capacity }} cups’ room taken{{ s.held ? `; ${told(s.held)}` : '' }}.
    </span>
    <span v-if="freezer" class="one" :class="{ over: freezer.taken > freezer.most }">
      <b>Freezer</b> about {{ freezer.taken }} of {{ freezer.most }} L taken{{
        freezer.held ? `; ${told(freezer.held)}` : ''
      }}.
    </span>
    <span v-for="h in others" :key="h.of" class="one"
      ><b>{{ heldName(h) }}</b> {{ told(h) }}.</span
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
