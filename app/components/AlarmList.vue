<script setup lang="ts">
import type { Alarm } from '#core/season'

const props = defineProps<{
  alarms: readonly Alarm[]
  /** The screen asks what is wrong: what needs watching stands too. */
  unfolded?: boolean
}>()

/** So many stand before the work of the day; beyond them there is more to read than to do. */
const AT_ONCE = 12

/** Harm stands; what only needs watching folds to one line with its count, so that the work of the day is in sight. */
const groups = computed(() => {
  const harm = props.alarms.filter(a => a.level === 'harm')
  const watch = props.alarms.filter(a => a.level === 'watch')
  if (props.unfolded && props.alarms.length <= AT_ONCE) return { open: props.alarms, more: [], watch: [] }
  return {
    open: watch.length > 1 ? harm.slice(0, AT_ONCE) : props.alarms.slice(0, AT_ONCE),
    more: harm.slice(AT_ONCE),
    watch: watch.length > 1 ? watch : [],
  }
})
</script>

<template>
  <div v-if="alarms.length" class="alarms">
    <ul v-if="groups.open.length" aria-label="What is going wrong">
      <AlarmLine v-for="alarm in groups.open" :key="alarm.id" :alarm="alarm" />
    </ul>
    <Fold v-if="groups.more.length" class="watch" :summary="`${groups.more.length} more going wrong`"
      ><ul aria-label="What else is going wrong">
        <AlarmLine v-for="alarm in groups.more" :key="alarm.id" :alarm="alarm" /></ul
    ></Fold>
    <Fold
      v-if="groups.watch.length"
      class="watch"
      :summary="`${groups.watch.length} ${groups.open.length ? 'more ' : ''}to watch`"
      ><ul aria-label="What to watch">
        <AlarmLine v-for="alarm in groups.watch" :key="alarm.id" :alarm="alarm" /></ul
    ></Fold>
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
.watch :deep(summary) {
  text-decoration: underline;
}
</style>
