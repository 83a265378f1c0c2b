<script setup lang="ts" generic="T extends string">
/** Chooses between the views of one screen. */
defineProps<{ views: readonly T[] }>()
const view = defineModel<T>({ required: true })
</script>

<template>
  <div role="group" aria-label="View" class="views">
    <UButton
      v-for="v in views"
      :key="v"
      :label="v"
      size="sm"
      color="neutral"
      :variant="view === v ? 'subtle' : 'ghost'"
      :aria-pressed="view === v"
      @click="view = v"
    />
  </div>
</template>

<style scoped>
.views {
  display: flex;
  gap: 0.25rem;
  margin-bottom: 0.875rem;
  flex-wrap: wrap;
}
@media (max-width: 800px) {
  .views :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
