<script setup lang="ts">
/** A slider that shifts one thing of a trial; what it stands at is told beside its name. */
defineProps<{ label: string; hint: string; min: number; max: number; step: number; says: string; testid?: string }>()
const value = defineModel<number>({ required: true })
</script>

<template>
  <UFormField :label="label" :hint="hint"
    ><USlider v-model="value" :min="min" :max="max" :step="step" :aria-label="says" :data-testid="testid"
  /></UFormField>
</template>
