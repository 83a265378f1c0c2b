<script setup lang="ts">
import type { Task } from '#core/season'

/** Task lines under a fold; the first of a long list, and the rest when asked for. */
const props = defineProps<{ tasks: readonly Task[] }>()
const { shown, more, showAll } = useFirst(() => props.tasks, 60)
</script>

<template>
  <div>
    <ul>
      <RoundTaskLine v-for="task in shown" :key="task.id" :task="task" />
    </ul>
    <UButton v-if="more" class="mt-2" variant="outline" color="neutral" :label="`Show ${more} more`" @click="showAll" />
  </div>
</template>
