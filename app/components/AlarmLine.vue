<script setup lang="ts">
import type { Alarm } from '#core/season'

const props = defineProps<{ alarm: Alarm }>()
const house = useHouse()
const { takeBack, busy } = useRecord()
/** The page of what it is about, and its name. */
const page = computed(() => {
  const { subject } = props.alarm
  if (subject?.type === 'animal') return { to: `/animals/${subject.id}`, name: house.house.animals[subject.id]?.tag }
  if (subject?.type === 'group') return { to: `/groups/${subject.id}`, name: house.house.groups[subject.id]?.tag }
  if (subject?.type === 'place') return { to: `/places/${subject.id}`, name: house.house.places[subject.id]?.name }
  return null
})
const route = useRoute()
const opens = computed(() => (page.value && route.path !== page.value.to ? page.value : null))
</script>

<template>
  <li :class="alarm.level">
    <UIcon
      :name="alarm.level === 'harm' ? 'i-lucide-octagon-alert' : 'i-lucide-eye'"
      class="size-4.5 mt-0.5 flex-none"
      :aria-label="alarm.level === 'harm' ? 'Harm' : 'Watch'"
    />
    <p>
      <WorkingLink :title="alarm.text" :answer="alarm.text" :reasons="alarm.reasons" class="text" />
      <!-- a link alone stands in the sentence; a button does not -->
      <span class="todo"
        ><Unbroken :text="alarm.todo" /> <AlarmPage v-if="opens && !alarm.answerable" v-bind="opens"
      /></span>
      <span v-if="alarm.answerable" class="todo acts">
        <LazyAlarmAnswer :alarm="alarm" />
        <AlarmPage v-if="opens" v-bind="opens" />
      </span>
      <span v-if="alarm.suspect && alarm.suspectId" class="todo"
        >Written last: {{ withAlmanacNames(alarm.suspect, house.almanac) }}
        <UButton
          label="Take it back"
          size="xs"
          variant="outline"
          color="neutral"
          :disabled="busy"
          @click="takeBack([alarm.suspectId])"
      /></span>
    </p>
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 0.625rem;
}
.text {
  font-weight: 600;
  color: var(--ui-text-highlighted);
}
.harm .text,
.harm > :first-child {
  color: var(--harm);
}
.todo {
  display: block;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
}
.acts {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  margin-top: 0.25rem;
}
.acts :deep(a) {
  display: inline-flex;
  align-items: center;
  min-height: 1.5rem;
}
@media (pointer: coarse) {
  .acts :deep(a) {
    min-height: 2.75rem;
  }
}
</style>
