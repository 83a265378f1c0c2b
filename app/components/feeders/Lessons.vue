<script setup lang="ts">
import { cultureLessons, groupWords, type Lesson } from '#core/season'
import { tellApart, type CultureApart } from '#core/subjects'

/** What the cultures of a feeder have taught the house, to be taken as its own number; and which are counted apart. */
const props = defineProps<{ feederId: string }>()
const house = useHouse()
const context = useSeasonContext()
const { record, busy } = useRecord()
const lessons = computed(() => cultureLessons(props.feederId, context.value))
const apart = computed(() => house.house.stocks[props.feederId]?.apart ?? [])
const words = (group: CultureApart) => `those ${groupWords(group.by, group.of, house.house)} ${tellApart(group)}`
const prey = () => ({ type: 'prey' as const, id: props.feederId })
const take = ({ numbers, apart, text }: Lesson) =>
  apart
    ? record({ kind: 'culturesApart', subject: prey(), data: { ...apart }, note: text.slice(0, 300) }, 'Counted apart')
    : record(
        numbers.map(({ path, value }) => ({
          kind: 'numberSet',
          subject: { type: 'number' as const, id: path },
          data: { value, note: text.slice(0, 300) },
        })),
        'Taken as the house’s own number',
      )
const takeBack = ({ by, of }: CultureApart) =>
  record({ kind: 'culturesApart', subject: prey(), data: { by, of } }, 'Counted as the others again')
</script>

<template>
  <ul v-if="lessons.length || apart.length" class="lessons">
    <li v-for="lesson in lessons" :key="lesson.text">
      <FeedersLesson
        title="What the house has seen"
        :says="lesson.text"
        :reasons="lesson.reasons"
        :label="lesson.apart ? 'Count them apart' : 'Take as ours'"
        :busy="busy"
        @take="take(lesson)"
      />
    </li>
    <li v-for="group in apart" :key="`${group.by} ${group.of}`" :data-apart="group.of">
      <FeedersLesson
        title="Counted apart"
        :says="words(group)"
        label="Count as the others"
        :busy="busy"
        @take="takeBack(group)"
      />
    </li>
  </ul>
</template>

<style scoped>
.lessons {
  display: grid;
  gap: 0.375rem;
  margin-bottom: 0.5rem;
}
</style>
