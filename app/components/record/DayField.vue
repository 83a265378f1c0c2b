<script setup lang="ts">
/**
 * A day of the calendar, typed or picked, day before month as the house writes days; what is wrong with it stands
 * beside it.
 */
const props = defineProps<{
  label: string
  /** In a form, which says what is wrong with it. */
  name?: string
  hint?: string
  error?: string
  max?: number
  min?: number
  optional?: boolean
  /** In a form: nothing is written without it. */
  needed?: boolean
}>()
const day = defineModel<number | null>({ required: true })
const problem = computed(() => dayProblem(day.value, props) ?? props.error)
</script>

<template>
  <UFormField :name="name" :required="needed" :label="label" :hint="hint" :error="problem">
    <div class="at">
      <LazyRecordDayInput v-model="day" :label="label" :max="max" :min="min" :optional="optional" />
    </div>
  </UFormField>
</template>

<style scoped>
.at {
  min-height: 2rem;
  min-width: 13rem;
}
</style>
