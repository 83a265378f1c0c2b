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
  <FeedersLesson
    v-if="lesson"
    data-testid="appetite"
    class="mb-2"
    title="Appetite of the house"
    :says="lesson.text"
    :reasons="lesson.reasons"
    label="Set it so"
    :busy="busy"
    @take="take(lesson.appetite)"
  />
</template>
