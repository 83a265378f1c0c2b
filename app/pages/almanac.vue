<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'

const house = useHouse()
const route = useRoute()
/** What was sought in the list, when a number of it is chosen. */
const word = ref('')
const chosen = useLocalStorage('almanac-chosen', 'california-kingsnake')
watch(
  () => route.hash,
  hash => {
    if (hash) chosen.value = hash.slice(1)
  },
  { immediate: true },
)

/** A number that a working rests on is brought into sight. */
watch(
  () => route.query.at,
  at => {
    if (typeof at !== 'string') return
    void nextTick(() => document.querySelector('.number.sought')?.scrollIntoView({ block: 'center' }))
  },
  { immediate: true, flush: 'post' },
)

// the sheet that was open may be of another house
const species = computed(() => house.almanac.species[chosen.value])
const feeder = computed(() => house.knowledge.feeders[chosen.value])
watchEffect(() => {
  if (!species.value && !feeder.value && chosen.value !== EVERY) chosen.value = 'california-kingsnake'
})
const counts = computed(() => {
  const all = Object.values(house.almanac.species)
  return {
    species: all.length,
    feeders: Object.keys(house.almanac.feeders).length,
    own: Object.values(house.house.species).filter(s => s.added).length,
  }
})
</script>

<template>
  <div class="screen">
    <header>
      <h1>What do the numbers rest on?</h1>
      <p>
        {{ counts.species }} species and types<template v-if="counts.own">, {{ counts.own }} of them yours</template>,
        {{ counts.feeders }} feeders. Every number says where it came from; set yours beside it, and put it back when
        you like.
      </p>
    </header>
    <div class="book">
      <AlmanacList v-model="chosen" @find="word = $event" />
      <article :key="chosen">
        <AlmanacCommonSheet v-if="chosen === EVERY" :word="word" />
        <AlmanacSpeciesSheet v-else-if="species" :species="species" @choose="chosen = $event" />
        <AlmanacFeederSheet v-else-if="feeder" :feeder="feeder" @choose="chosen = $event" />
      </article>
    </div>
  </div>
</template>

<style scoped>
.book {
  display: grid;
  grid-template-columns: 15rem minmax(0, 46rem);
  gap: 2.5rem;
}
@media (max-width: 800px) {
  .book {
    grid-template-columns: minmax(0, 1fr);
    gap: 1rem;
  }
}
</style>
