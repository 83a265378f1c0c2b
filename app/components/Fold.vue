<script setup lang="ts">
/** A line that opens; what is in it is made when it is first opened, since it may be long. */
defineProps<{ summary: string }>()
const emit = defineEmits<{ open: [] }>()
const opened = ref(false)
function toggled(event: Event): void {
  if (opened.value || !(event.target as HTMLDetailsElement).open) return
  opened.value = true
  emit('open')
}
</script>

<template>
  <details @toggle="toggled">
    <summary><UIcon name="i-lucide-chevron-right" class="mark size-4.5" />{{ summary }}</summary>
    <slot v-if="opened" />
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--ui-text-muted);
  min-height: 2.75rem;
  display: flex;
  align-items: center;
  gap: 0.25rem;
}
.mark {
  flex: none;
}
details[open] > summary .mark {
  transform: rotate(90deg);
}
</style>
