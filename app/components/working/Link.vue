<script setup lang="ts">
import type { Reason } from '#core/judgement'

/** A number or date that opens its working. */
const props = defineProps<{ title: string; answer: string; reasons: Reason[] }>()
const { show } = useWorking()
</script>

<template>
  <button
    type="button"
    class="working-link"
    :aria-label="`${props.answer}: show the working`"
    @click.stop="show(props)"
  >
    <slot><Unbroken :text="answer" /></slot>
  </button>
</template>

<style scoped>
.working-link {
  min-height: 1.5rem;
  text-decoration: underline dotted;
  text-underline-offset: 0.2em;
  text-decoration-color: var(--ui-text-dimmed);
  cursor: help;
  text-align: inherit;
}
.working-link:hover {
  text-decoration-color: var(--ui-primary);
}
@media (pointer: coarse) {
  .working-link {
    padding-block: 0.375rem;
  }
}
</style>
