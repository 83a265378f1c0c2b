<script setup lang="ts">
import type { Reason } from '#core/judgement'

/** What the house has seen or counts by, with its working where it has one, and a button that takes it over or back. */
defineProps<{ title: string; says: string; reasons?: Reason[]; label: string; busy: boolean }>()
defineEmits<{ take: [] }>()
</script>

<template>
  <div class="lesson">
    <WorkingLink v-if="reasons" :title="title" :answer="says" :reasons="reasons" />
    <span v-else>{{ title }}: {{ says }}</span>
    <UButton
      :label="label"
      size="xs"
      variant="outline"
      color="neutral"
      :disabled="busy"
      :aria-label="`${label}: ${says}`"
      @click="$emit('take')"
    />
  </div>
</template>

<style scoped>
.lesson {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
  font-size: 0.9375rem;
}
</style>
