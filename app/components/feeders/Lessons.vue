<script setup lang="ts">
import { cultureLessons, type Lesson } from '#core/season'

/** What the cultures of a feeder have taught the house, to be taken as its own number. */
const props = defineProps<{ feederId: string }>()
const context = useSeasonContext()
const { record, busy } = useRecord()
const lessons = computed(() => cultureLessons(props.feederId, context.value))
const take = ({ numbers, text }: Lesson) =>
  record(
    numbers.map(({ path, value }) => ({
      kind: 'numberSet',
      subject: { type: 'number' as const, id: path },
      data: { value, note: text.slice(0, 300) },
    })),
    'Taken as the house’s own number',
  )
</script>

<template>
  <ul v-if="lessons.length">
    <li v-for="lesson in lessons" :key="lesson.text">
      <FeedersLesson
        title="What the house has seen"
        :says="lesson.text"
        :reasons="lesson.reasons"
        label="Take as ours"
        :busy="busy"
        @take="take(lesson)"
      />
    </li>
  </ul>
</template>
