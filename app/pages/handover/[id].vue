<script setup lang="ts">
import { handOverSheet, handOverText } from '#core/season'

/** The sheet that goes with an animal to its new keeper; printed, or as text. */
const route = useRoute()
const house = useHouse()
const context = useSeasonContext()
const animal = computed(() => house.house.animals[String(route.params.id)])
const sheet = computed(() => (animal.value ? handOverSheet(animal.value, context.value) : null))
const print = () => window.print()
function save(): void {
  saveFile(`${fileName(`${animal.value!.tag} hand-over`)}.md`, handOverText(sheet.value!), 'text/markdown')
}
</script>

<template>
  <div class="screen">
    <template v-if="sheet && animal">
      <header>
        <h1>{{ sheet.title }}</h1>
        <p>{{ sheet.about }}</p>
      </header>
      <p class="sheet-tools">
        <UButton label="Print" icon="i-lucide-printer" @click="print" />
        <UButton label="Save as text" icon="i-lucide-download" variant="outline" color="neutral" @click="save" />
        <NuxtLink :to="`/animals/${animal.id}#eating`" class="underline">Back to {{ animal.tag }}</NuxtLink>
      </p>
      <section v-for="part in sheet.parts" :key="part.title">
        <h2>{{ part.title }}</h2>
        <dl v-if="part.rows">
          <template v-for="([label, said], i) in part.rows" :key="i">
            <dt>{{ label }}</dt>
            <dd>{{ said }}</dd>
          </template>
        </dl>
        <ul v-if="part.lines">
          <li v-for="line in part.lines" :key="line">{{ line }}</li>
        </ul>
      </section>
    </template>
    <template v-else>
      <h1>There is no such animal</h1>
      <p class="mt-2"><NuxtLink to="/animals" class="underline">All animals</NuxtLink></p>
    </template>
  </div>
</template>

<style scoped>
section {
  max-width: 44rem;
  border-top: 1px solid var(--ui-border);
  padding: 0.625rem 0;
  break-inside: avoid;
}
dl {
  display: grid;
  grid-template-columns: minmax(8rem, 14rem) minmax(0, 1fr);
  gap: 0.125rem 1rem;
}
dt {
  color: var(--ui-text-muted);
}
@media (max-width: 640px) {
  dl {
    grid-template-columns: 7rem minmax(0, 1fr);
  }
}
</style>
