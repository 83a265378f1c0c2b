<script setup lang="ts">
import { appetiteLesson } from '#core/season'

/** What the meals of the house say of its appetite, to be set as it is seen. */
const context = useSeasonContext()
const { record, busy } = useRecord()
const lesson = computed(() => appetiteLesson(context.value))
const take = (appetite: number) =>
  record(
    { kind: 'settingsChanged', subject: { type: 'settings', id: 'house' }, data: { appetite } },
    `Appetite: ${appetite} × the ladder`,
  )
</script>

<template>
  <p v-if="lesson" class="appetite" data-testid="appetite">
    <WorkingLink title="Appetite of the house" :answer="lesson.text" :reasons="lesson.reasons" />
    <UButton
      label="Set it so"
      size="xs"
      variant="outline"
      color="neutral"
      :disabled="busy"
      :aria-label="`Set it so: appetite ${lesson.appetite} × the ladder`"
      @click="take(lesson.appetite)"
    />
  </p>
</template>

<style scoped>
.appetite {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
  margin-bottom: 0.5rem;
  font-size: 0.9375rem;
}
</style>
