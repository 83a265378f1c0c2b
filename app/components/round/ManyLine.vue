<script setup lang="ts">
import type { Task } from '#core/season'

/** The same task for many siblings: done for all by one press, or one by one. */
const props = defineProps<{ tasks: Task[]; clutchTag: string }>()
const { performAll, busy } = useTaskActions()

const first = computed(() => props.tasks[0]!)
/** What needs no number of each can be done for all at once. */
const forAll = computed(() => first.value.actions.filter(a => (a.tone === 'main' || a.instead) && !a.ask))
/** What is the same for all: a last weight is not. */
const said = computed(() =>
  [first.value.kind === 'feed' && first.value.detail, first.value.caution].filter(Boolean).join('. '),
)
const open = ref(false)
</script>

<template>
  <li class="many" :data-many="clutchTag">
    <div class="head">
      <span class="who"
        ><span class="tag">{{ clutchTag }}</span> {{ tasks.length }} young</span
      >
      <div>
        <WorkingLink
          class="what"
          :title="`${tasks.length} young of ${clutchTag}: ${first.what}`"
          :answer="`${first.what} each`"
          :reasons="first.reasons"
        />
        <p v-if="said" class="quiet small"><Unbroken :text="said" /></p>
      </div>
      <div class="do">
        <UButton
          v-for="action in forAll"
          :key="action.label"
          :label="`All ${tasks.length} ${action.label.toLowerCase()}`"
          :color="action.instead ? 'neutral' : 'primary'"
          :variant="action.instead ? 'outline' : 'solid'"
          :disabled="busy"
          @click="performAll(tasks, action.label, `${tasks.length} young of ${clutchTag}`)"
        />
        <UButton
          :label="open ? 'Fold' : 'One by one'"
          variant="outline"
          color="neutral"
          :aria-expanded="open"
          @click="open = !open"
        />
      </div>
    </div>
    <RoundTaskList v-if="open" class="each" :tasks="tasks" />
  </li>
</template>

<style scoped>
.many {
  border-top: 1px solid var(--ui-border);
}
.head {
  display: grid;
  grid-template-columns: minmax(5.5rem, max-content) minmax(0, 1fr) auto;
  gap: 0.25rem 1rem;
  align-items: center;
  padding: 0.4375rem 0;
}
.what {
  justify-self: start;
}
.each {
  border-left: 3px solid var(--stage-hatchling);
  padding-left: 0.75rem;
}
.do {
  display: flex;
  gap: 0.375rem;
  justify-content: flex-end;
}
@media (max-width: 640px) {
  .head {
    grid-template-columns: minmax(0, 1fr);
    padding: 0.5rem 0 0.625rem;
  }
  .do > :deep(*) {
    flex: 1;
    justify-content: center;
  }
}
</style>
