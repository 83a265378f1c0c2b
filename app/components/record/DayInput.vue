<script setup lang="ts">
import { CalendarDate, type DateValue } from '@internationalized/date'
import { dayFromIso } from '#core/units'

/**
 * The typed and the picked day of a day field; loaded apart, since the calendar is large and most screens ask for no
 * day.
 */
defineProps<{ label: string; max?: number; min?: number; optional?: boolean }>()
const day = defineModel<number | null>({ required: true })

const asDate = (d: number) => {
  const date = new Date(d * 86_400_000)
  return new CalendarDate(date.getUTCFullYear(), date.getUTCMonth() + 1, date.getUTCDate())
}
const date = computed({
  get: () => (day.value === null ? undefined : asDate(day.value)),
  set: (value: DateValue | undefined) => {
    day.value = value ? dayFromIso(value.toString().slice(0, 10)) : null
  },
})
const picking = ref(false)
function pick(value: DateValue | undefined): void {
  date.value = value
  picking.value = false
}
/** The kit's segments keep Escape to themselves; it belongs to the sheet that the field stands in. */
function leave(event: KeyboardEvent): void {
  event.stopPropagation()
  ;(document.activeElement as HTMLElement | null)?.blur()
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }))
}
</script>

<template>
  <div class="field" role="group" :aria-label="label" @keydown.esc.capture="leave">
    <UInputDate v-model="date" locale="en-GB" granularity="day" class="grow" :data-day="day ?? ''" />
    <UPopover v-model:open="picking" :content="{ align: 'end' }">
      <UButton icon="i-lucide-calendar" variant="outline" color="neutral" :aria-label="`${label}: pick a day`" />
      <template #content>
        <UCalendar
          :model-value="date"
          locale="en-GB"
          :week-starts-on="1"
          class="p-2"
          :max-value="max === undefined ? undefined : asDate(max)"
          :min-value="min === undefined ? undefined : asDate(min)"
          @update:model-value="pick($event as DateValue | undefined)"
        />
      </template>
    </UPopover>
    <UButton
      v-if="optional && day !== null"
      icon="i-lucide-x"
      variant="ghost"
      color="neutral"
      :aria-label="`${label}: no day`"
      @click="day = null"
    />
  </div>
</template>

<style scoped>
.field {
  display: flex;
  gap: 0.25rem;
  min-width: 13rem;
}
</style>
