<script setup lang="ts">
import { useElementSize, useLocalStorage } from '@vueuse/core'
import { inbreedingOf, kinOf } from '#core/season'

/** A pedigree over the whole width, for paper too. */
const route = useRoute()
const house = useHouse()
const id = computed(() => String(route.params.id))
const animal = computed(() => house.house.animals[id.value])
const generations = useLocalStorage('pedigree-generations', 5)
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const f = computed(() => (animal.value ? inbreedingOf(kinOf(house.house), id.value) : 0))
const print = () => window.print()
</script>

<template>
  <div v-if="!animal" class="screen">
    <h1>There is no such animal</h1>
    <p class="mt-2"><NuxtLink to="/animals" class="underline">All animals</NuxtLink></p>
  </div>
  <div v-else class="screen sheet">
    <header>
      <h1>
        Where does <span class="tag">{{ animal.tag }}</span> come from?
      </h1>
      <p>
        {{ house.speciesName(animal.speciesId) }},
        {{ f > 0 ? `inbred by ${(f * 100).toFixed(1)} %` : 'not inbred as far as known' }}.
        {{ house.settings.houseName }}.
      </p>
      <div class="tools">
        <label
          >Generations <UInputNumber v-model="generations" :min="1" :max="8" class="w-28" aria-label="Generations back"
        /></label>
        <UButton label="Print" icon="i-lucide-printer" variant="outline" color="neutral" @click="print" />
        <UButton label="Back" variant="ghost" color="neutral" :to="`/animals/${id}`" />
      </div>
    </header>
    <div ref="box">
      <LineagePedigreeDrawing v-if="width" :animal-id="id" :generations="generations" :width="width" />
    </div>
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  flex-wrap: wrap;
}
.tools label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  color: var(--ui-text-muted);
}
@media print {
  .tools {
    display: none;
  }
  .sheet {
    padding: 0;
  }
}
</style>
