<script setup lang="ts">
import type { Lane } from '#core/season'

/** Clutches as entries of a list, each with its own detail; the one named in the address is marked. */
const props = defineProps<{ lanes: readonly Lane[] }>()
const house = useHouse()
const route = useRoute()
const { shown, more, showAll } = useFirst(
  () => props.lanes,
  24,
  lane => route.hash === `#${lane.subject.id}`,
)
</script>

<template>
  <div>
    <div class="clutches">
      <section
        v-for="lane in shown"
        :id="lane.subject.id"
        :key="lane.id"
        :class="{ here: route.hash === `#${lane.subject.id}` }"
        :data-clutch="lane.title"
      >
        <h2>
          <span class="stage" :class="`stage-${lane.stage}`"
            ><span class="tag">{{ lane.title }}</span></span
          >
          {{ house.speciesName(lane.speciesId) }}
        </h2>
        <p class="quiet small mb-2"><slot name="line" :lane="lane" /></p>
        <LaneDetail :lane="lane" compact />
        <slot name="after" :lane="lane" />
      </section>
    </div>
    <UButton v-if="more" class="mt-4" variant="outline" color="neutral" :label="`Show ${more} more`" @click="showAll" />
  </div>
</template>

<style scoped>
.clutches {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 25rem), 1fr));
  gap: 2rem 3rem;
}
section {
  border-top: 2px solid var(--ui-border-accented);
  padding-top: 0.5rem;
}
.here {
  border-color: var(--ui-primary);
}
</style>
