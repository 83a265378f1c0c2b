<script setup lang="ts">
import type { SheetPlan } from '#core/almanac'

/** What other knowledge would move in this house, worked out when it is asked for and before anything is kept. */
const props = defineProps<{ facts: () => SheetPlan['facts'] }>()
const { tryKnowledge } = useKnowledgeTrial()
const moves = ref<string[] | null>(null)
const running = ref(false)
const problem = ref('')
async function ask(): Promise<void> {
  running.value = true
  problem.value = ''
  moves.value = null
  try {
    moves.value = await tryKnowledge(props.facts())
  } catch (error) {
    problem.value = `This cannot be worked out: ${error instanceof Error ? error.message : String(error)}`
  } finally {
    running.value = false
  }
}
</script>

<template>
  <div class="grid gap-1" aria-live="polite">
    <UButton
      label="What would it move?"
      size="sm"
      variant="outline"
      color="neutral"
      :loading="running"
      class="justify-self-start"
      @click="ask"
    />
    <p v-if="problem" class="problem">{{ problem }}</p>
    <p v-if="moves && !moves.length" class="quiet">Nothing in this house today.</p>
    <ul v-if="moves?.length" class="moves">
      <li v-for="m in moves.slice(0, 8)" :key="m">{{ m }}</li>
      <li v-if="moves.length > 8" class="quiet">and {{ moves.length - 8 }} more</li>
    </ul>
  </div>
</template>

<style scoped>
.moves {
  list-style: disc;
  padding-left: 1.25rem;
}
</style>
