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
  <ul v-if="lessons.length" class="lessons">
    <li v-for="lesson in lessons" :key="lesson.text">
      <WorkingLink title="What the house has seen" :answer="lesson.text" :reasons="lesson.reasons" />
      <UButton
        label="Take as ours"
        size="xs"
        variant="outline"
        color="neutral"
        :disabled="busy"
        :aria-label="`Take as ours: ${lesson.text}`"
        @click="take(lesson)"
      />
    </li>
  </ul>
</template>

<style scoped>
.lessons li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: center;
  font-size: 0.9375rem;
}
</style>
