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
      <span class="todo"
        >{{ alarm.todo }}
        <NuxtLink
          v-if="page && $route.path !== page.to"
          :to="page.to"
          class="underline whitespace-nowrap"
          :aria-label="`Open its page: ${page.name ?? ''}`"
          >Open its page</NuxtLink
        >
        <LazyAlarmAnswer v-if="alarm.answerable" :alarm="alarm"
      /></span>
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
</style>
