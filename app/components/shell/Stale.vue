<script setup lang="ts">
/** Says that the house does not answer, beside a page that stays as it is. */
const house = useHouse()
const since = computed(() => house.stale?.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' }) ?? '')
</script>

<template>
  <div role="status">
    <p v-if="house.stale" class="stale">
      <UIcon name="i-lucide-unplug" class="size-4.5 flex-none" />
      <span
        >The house has not answered since {{ since }}. What you see is from then, and stays; it is asked again by
        itself.</span
      >
      <UButton label="Try now" size="sm" variant="outline" color="neutral" @click="house.load()" />
    </p>
  </div>
</template>

<style scoped>
.stale {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  padding: 0.5rem 1.5rem;
  border-bottom: 2px solid var(--harm);
  background: var(--ui-bg-elevated);
  color: var(--ui-text-highlighted);
  position: sticky;
  top: 0;
  z-index: 14;
}
@media (max-width: 640px) {
  .stale {
    padding: 0.5rem 1rem;
    font-size: 0.9375rem;
  }
}
</style>
