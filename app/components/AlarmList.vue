<script setup lang="ts">
import type { Alarm } from '#core/season'

defineProps<{ alarms: readonly Alarm[] }>()
</script>

<template>
  <ul v-if="alarms.length" class="alarms" aria-label="What is going wrong">
    <li v-for="alarm in alarms" :key="alarm.id" :class="alarm.level">
      <UIcon :name="alarm.level === 'harm' ? 'i-lucide-octagon-alert' : 'i-lucide-eye'" class="size-4.5 mt-0.5" :aria-label="alarm.level === 'harm' ? 'Harm' : 'Watch'" />
      <p>
        <NuxtLink v-if="alarm.subject?.type === 'animal'" :to="`/animals/${alarm.subject.id}`" class="sr-only">Open the animal</NuxtLink>
        <WorkingLink :title="alarm.text" :answer="alarm.text" :reasons="alarm.reasons" class="text" />
        <span class="todo">{{ alarm.todo }}</span>
      </p>
    </li>
  </ul>
</template>

<style scoped>
.alarms { display: grid; grid-template-columns: repeat(auto-fill, minmax(min(100%, 24rem), 1fr)); gap: 0.375rem 2rem; margin-bottom: 1rem; }
li { display: flex; gap: 0.625rem; }
.text { font-weight: 600; color: var(--ui-text-highlighted); }
.harm .text, .harm > :first-child { color: var(--harm); }
.todo { display: block; font-size: 0.9375rem; color: var(--ui-text-muted); }
</style>
