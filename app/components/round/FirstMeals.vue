<script setup lang="ts">
import type { Task } from '#core/season'
import type { Wish } from '~/composables/useRecord'

/** «When did they last eat?», asked once for all that came without a meal written. */
const props = defineProps<{ groups: FirstMeals[] }>()
const house = useHouse()
const { recordMany, busy } = useRecord()

const day = ref<number | null>(null)
const count = computed(() => props.groups.reduce((n, g) => n + g.tasks.length, 0))
const canWrite = computed(() => day.value !== null && dayProblem(day.value, { max: house.today }) === undefined)

/** Their usual meal, as taken on that day. */
function wishOf(task: Task): Wish[] {
  const took = task.actions[0]!
  // what state its prey was then is not known
  return [took.data, ...(took.also ?? [])].map(({ prey, offered, taken }) => ({
    kind: 'fed',
    subject: task.subject,
    data: { prey, offered, taken },
    day: day.value!,
  }))
}
async function ate(tasks: readonly Task[]): Promise<void> {
  if (canWrite.value) await recordMany(tasks.map(wishOf), `Last meal of ${tasks.length} animals`)
}
</script>

<template>
  <section class="first" aria-label="When did they last eat?">
    <h2>
      When did they last eat? <span class="quiet small">{{ count }} animals without a meal written</span>
    </h2>
    <p class="quiet">
      What they ate before they came is not known, so all of them are due today. Say it once for all, or species by
      species; the next meals follow from it.
    </p>
    <div class="all">
      <RecordDayField v-model="day" label="Last ate on" :max="house.today" optional />
      <UButton
        :label="`All ${count} ate then`"
        size="lg"
        :loading="busy"
        :disabled="!canWrite"
        @click="ate(groups.flatMap(g => g.tasks))"
      />
    </div>
    <ul v-if="groups.length > 1">
      <li v-for="g in groups" :key="g.speciesId">
        <span
          >{{ house.speciesName(g.speciesId) }} <span class="quiet">{{ g.tasks.length }}</span></span
        ><UButton
          :label="`These ${g.tasks.length} ate then`"
          variant="outline"
          color="neutral"
          :disabled="busy || !canWrite"
          @click="ate(g.tasks)"
        />
      </li>
    </ul>
    <Fold class="each" summary="Feed them one by one"><RoundTaskList :tasks="groups.flatMap(g => g.tasks)" /></Fold>
  </section>
</template>

<style scoped>
.first {
  margin-top: 1.25rem;
  max-width: 64rem;
  border-left: 3px solid var(--stage-feeder);
  padding-left: 1rem;
  display: grid;
  gap: 0.5rem;
}
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
}
.each {
  border-top: 1px solid var(--ui-border);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  justify-content: space-between;
  align-items: center;
  max-width: 32rem;
  padding: 0.25rem 0;
}
.each :deep(li) {
  max-width: none;
}
</style>
