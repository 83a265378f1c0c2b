<script setup lang="ts">
import { appetiteLesson, wasteLesson } from '#core/season'

/** What the meals of the house say of its appetite and of what is never eaten, to be set as it is seen. */
const context = useSeasonContext()
const { record, busy } = useRecord()
const lessons = computed(() => {
  const [eats, left] = [appetiteLesson(context.value), wasteLesson(context.value)]
  const percent = (share: number) => `${Math.round(100 * share)} %`
  return [
    eats && {
      ...{ id: 'appetite', title: 'Appetite of the house', text: eats.text, reasons: eats.reasons },
      data: { appetite: eats.appetite },
      told: `Appetite: ${eats.appetite} × the ladder`,
    },
    left && {
      ...{ id: 'waste', title: 'What is never eaten', text: left.text, reasons: left.reasons },
      data: { waste: left.waste },
      told: `Never eaten: ${percent(left.waste)} of what is offered`,
    },
  ].filter(lesson => lesson !== null)
})
const take = (data: Record<string, unknown>, told: string) =>
  record({ kind: 'settingsChanged', subject: { type: 'settings', id: 'house' }, data }, told)
</script>

<template>
  <FeedersLesson
    v-for="lesson in lessons"
    :key="lesson.id"
    :data-testid="lesson.id"
    class="mb-2"
    :title="lesson.title"
    :says="lesson.text"
    :reasons="lesson.reasons"
    label="Set it so"
    :busy="busy"
    @take="take(lesson.data, lesson.told)"
  />
</template>
