<script setup lang="ts">
/** Numbers that hold for every species and feeder: many, so they are found by a word. */
const props = defineProps<{ word: string }>()
const house = useHouse()
const word = ref(props.word)
watch(
  () => props.word,
  asked => (word.value = asked),
)
const sections = computed(() => commonSections(house.almanac))
const found = computed(() => {
  const asked = word.value.trim().toLowerCase()
  return sections.value
    .map(([title, rows]) => ({
      title,
      rows: title.toLowerCase().includes(asked) ? rows : rows.filter(r => rowSays(r, asked)),
    }))
    .filter(({ rows }) => rows.length)
})
const count = computed(() => found.value.reduce((n, { rows }) => n + rows.length, 0))
const own = computed(() =>
  sections.value.flatMap(([, rows]) => rows).reduce((n, r) => n + Number(r.numbers[0]!.mark === 'own'), 0),
)
</script>

<template>
  <div class="almanac-sheet">
    <h2>Numbers for every species</h2>
    <p class="quiet">
      What is watched, asked about, planned and told, whatever lives here.{{
        own ? ` ${own} of them ${own === 1 ? 'is' : 'are'} yours.` : ''
      }}
    </p>
    <UInput
      v-model="word"
      icon="i-lucide-search"
      placeholder="Find a number"
      aria-label="Find a number"
      class="mt-2 w-72 max-w-full"
    />
    <p class="small quiet" role="status">{{ count }} {{ count === 1 ? 'number' : 'numbers' }}</p>
    <section v-for="{ title, rows } in found" :key="title">
      <h3>{{ title }}</h3>
      <AlmanacRows :rows="rows" />
    </section>
    <p v-if="!found.length" class="quiet">No number is called that.</p>
  </div>
</template>
