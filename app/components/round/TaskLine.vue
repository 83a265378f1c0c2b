<script setup lang="ts">
import type { Task, TaskAction } from '#core/season'
import { formatDay, lowerFirst } from '#core/units'

const props = defineProps<{ task: Task }>()
const house = useHouse()
const { perform, busy } = useTaskActions()
const line = useTemplateRef<HTMLElement>('line')
const leaving = useNextLine(() => line.value)

async function act(
  action: TaskAction,
  ...said: [asked?: number, further?: object, form?: FormErrors]
): Promise<boolean> {
  const goOn = leaving()
  const done = await perform(props.task, action, ...said)
  if (done) await goOn()
  return done
}

const late = computed(() => house.today - props.task.due)
const link = computed(() => {
  const { type, id } = props.task.subject
  if (type === 'animal') return `/animals/${id}${props.task.kind === 'sex' ? '#sex' : ''}`
  if (type === 'group') return `/groups/${id}`
  return type === 'clutch' && house.house.clutches[id]?.kind === 'eggs' ? `/eggs/${id}` : null
})
</script>

<template>
  <li ref="line" class="task" :data-task="task.id">
    <div class="who">
      <NuxtLink v-if="link" :to="link" class="tag">{{ task.tag }}</NuxtLink>
      <span v-else class="tag">{{ task.tag }}</span>
    </div>
    <div class="what">
      <WorkingLink :title="`${task.tag}: ${task.what}`" :answer="task.what" :reasons="task.reasons" />
      <span v-if="task.detail" class="detail"><Unbroken :text="task.detail" /></span>
      <span v-if="late > 1" class="late">due {{ formatDay(task.due, house.today) }}</span>
      <p v-if="task.mind" class="mind">
        <UIcon name="i-lucide-hand" class="size-4 flex-none" aria-label="To mind" /> {{ task.mind }}
      </p>
      <p v-if="task.caution" class="caution">
        <UIcon name="i-lucide-triangle-alert" class="size-3.5 flex-none" /> {{ task.caution }}
      </p>
    </div>
    <div class="do">
      <template v-for="action in task.actions" :key="action.label">
        <RecordAskNumber
          v-if="action.ask"
          :label="action.label"
          :title="`${task.tag}: ${lowerFirst(action.ask.label)}`"
          :unit="action.ask.unit"
          :likely="action.ask.likely"
          :main="action.tone === 'main'"
          :busy="busy"
          :kind="action.kind"
          @record="(...said) => act(action, ...said)"
        />
        <UButton
          v-else
          :label="action.label"
          :color="action.tone === 'main' ? 'primary' : 'neutral'"
          :variant="action.tone === 'main' ? 'solid' : 'outline'"
          :disabled="busy"
          @click="act(action)"
        />
      </template>
    </div>
  </li>
</template>

<style scoped>
.task {
  display: grid;
  grid-template-columns: minmax(5.5rem, max-content) minmax(0, 1fr) auto;
  gap: 0.25rem 1rem;
  align-items: center;
  padding: 0.4375rem 0;
  border-top: 1px solid var(--ui-border);
}
.detail,
.late {
  margin-left: 0.625rem;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
}
.late {
  color: var(--ui-text-highlighted);
  font-weight: 600;
}
.mind {
  display: flex;
  align-items: baseline;
  gap: 0.375rem;
  font-weight: 600;
}
.caution {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
  display: flex;
  align-items: baseline;
  gap: 0.375rem;
}
.do {
  display: flex;
  gap: 0.375rem;
  justify-content: flex-end;
}
@media (max-width: 640px) {
  .task {
    grid-template-columns: minmax(4.25rem, auto) minmax(0, 1fr);
    gap: 0.25rem 0.75rem;
    padding: 0.5rem 0 0.625rem;
    /* by the baseline it would stand beside the last line of a long task */
    align-items: start;
  }
  .who {
    padding-top: 0.375rem;
  }
  .do {
    grid-column: 1 / -1;
    justify-content: stretch;
  }
  .do > :deep(*) {
    flex: 1;
    justify-content: center;
  }
  .detail,
  .late {
    display: block;
    margin-left: 0;
  }
}
</style>
