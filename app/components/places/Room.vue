<script setup lang="ts">
import type { RoomNow } from '~/composables/usePlaces'

/** A room seen from the front: racks and shelves as rows of what stands in them. */
defineProps<{ room: RoomNow; arranging?: boolean }>()
</script>

<template>
  <section class="room" :data-room="room.place.name">
    <h2>
      <NuxtLink :to="`/places/${room.place.id}`">{{ room.place.name }}</NuxtLink>
      <span class="quiet small">{{ room.said }}</span>
    </h2>
    <div v-for="row in room.rows" :key="row.id" class="row">
      <h3>
        <NuxtLink v-if="row.id !== room.place.id" :to="`/places/${row.id}`">{{ row.name }}</NuxtLink>
        <span class="quiet small">{{ row.said }}</span>
      </h3>
      <LazyPlacesArrange v-if="arranging" :row="row" />
      <div v-else class="cells"><PlacesCell v-for="p in row.places" :key="p.place.id" :place="p" /></div>
    </div>
  </section>
</template>

<style scoped>
.room {
  margin-top: 1.25rem;
}
h2 {
  border-bottom: 2px solid var(--ui-border-accented);
  padding-bottom: 0.25rem;
}
h2 a:hover,
h3 a:hover {
  text-decoration: underline;
}
.row {
  display: grid;
  grid-template-columns: 9rem minmax(0, 1fr);
  padding: 0.625rem 0 0;
}
h3 {
  font-size: 0.9375rem;
  padding-right: 1rem;
}
h3 .small {
  display: block;
  font-weight: 400;
}
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(7rem, 1fr));
  padding: 0 1px 1px 0;
}
@media (max-width: 800px) {
  .row {
    display: block;
  }
  h3 {
    padding: 0.25rem 0;
  }
  h3 .small {
    display: inline;
  }
  .cells {
    grid-template-columns: repeat(auto-fill, minmax(6.25rem, 1fr));
  }
}
</style>
