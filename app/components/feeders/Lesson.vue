<script setup lang="ts">
import type { Reason } from '#core/judgement'

/** What the house has seen, with its working, and a button that takes it over. */
defineProps<{ title: string; says: string; reasons: Reason[]; label: string; busy: boolean }>()
defineEmits<{ take: [] }>()
</script>

<template>
  <div class="lesson">
    <WorkingLink :title="title" :answer="says" :reasons="reasons" />
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
