<script setup lang="ts">
import type { Alarm } from '#core/season'

const props = defineProps<{ alarms: readonly Alarm[] }>()

/** Harm stands; what only needs watching folds to one line with its count, so that the work of the day is in sight. */
const groups = computed(() => {
  const harm = props.alarms.filter(a => a.level === 'harm')
  const watch = props.alarms.filter(a => a.level === 'watch')
  return watch.length > 1 ? { open: harm, folded: watch } : { open: props.alarms, folded: [] }
})
</script>

<!-- prettier-ignore -->
<template>
  <div v-if="alarms.length" class="alarms">
    <ul v-if="groups.open.length" aria-label="What is going wrong"><AlarmLine v-for="alarm in groups.open" :key="alarm.id" :alarm="alarm" /></ul>
    <details v-if="groups.folded.length">
      <summary>{{ groups.folded.length }} {{ groups.open.length ? 'more ' : '' }}to watch</summary>
      <ul aria-label="What to watch"><AlarmLine v-for="alarm in groups.folded" :key="alarm.id" :alarm="alarm" /></ul>
    </details>
  </div>
</template>

<style scoped>
.alarms {
  margin-bottom: 1rem;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 24rem), 1fr));
  gap: 0.375rem 2rem;
}
summary {
  cursor: pointer;
  min-height: 2.75rem;
  display: flex;
  align-items: center;
  color: var(--ui-text-muted);
  text-decoration: underline;
}
</style>
