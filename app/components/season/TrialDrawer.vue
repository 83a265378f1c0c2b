<script setup lang="ts">
/** What is tried beside the plan that stands, and below it what would come of it. Nothing is written. */
defineProps<{
  description: string
  running: boolean
  problem: string
  /** Something was tried and is answered. */
  answered: boolean
  /** Said while nothing is tried. */
  hint: string
}>()
const emit = defineEmits<{ reset: []; stop: [] }>()
const open = defineModel<boolean>('open', { required: true })
const { narrow } = useNarrow()
</script>

<template>
  <USlideover
    v-model:open="open"
    :side="narrow ? 'bottom' : 'right'"
    :overlay="false"
    :modal="false"
    :dismissible="false"
    title="What if …"
    :description="description"
    :ui="{ content: 'max-w-xl max-h-[85dvh] sm:max-h-none', description: 'pe-8' }"
  >
    <template #body>
      <div class="fields">
        <slot />
        <div class="flex gap-2">
          <UButton label="Back to today’s plan" variant="outline" color="neutral" @click="emit('reset')" />
          <UButton
            v-if="running"
            label="Stop"
            variant="ghost"
            color="neutral"
            icon="i-lucide-square"
            @click="emit('stop')"
          />
        </div>
      </div>
      <p v-if="problem" role="alert" class="mt-4">{{ problem }}</p>
      <p v-else-if="running" class="quiet mt-4" role="status">Computing …</p>
      <slot v-else-if="answered" name="answer" />
      <p v-else class="quiet mt-4">{{ hint }}</p>
    </template>
  </USlideover>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 1rem;
}
.fields > * {
  min-width: 0;
}
</style>
