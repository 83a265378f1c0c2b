<script setup lang="ts">
import type { Alarm } from '#core/season'

/** Says why an alarm may be silent until it is over; it speaks again when it begins anew, or becomes harm. */
const props = defineProps<{ alarm: Alarm }>()
const { record, busy } = useRecord()
const open = ref(false)
const why = ref('')
const answer = () =>
  record(
    {
      kind: 'alarmAnswered',
      subject: props.alarm.subject,
      data: { alarm: props.alarm.id, why: why.value.trim() },
    },
    'Answered: silent until it is over',
  )
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Answer" size="xs" variant="outline" color="neutral" :aria-label="`Answer: ${alarm.text}`" />
    <template #content>
      <form class="grid gap-3 p-4 w-72" @submit.prevent="answer">
        <UFormField label="Why it may be silent until it is over"
          ><UInput v-model="why" class="w-full" maxlength="200" placeholder="Lamp is ordered; looked at each"
        /></UFormField>
        <UButton type="submit" label="Let it be silent" :disabled="!why.trim() || busy" block />
      </form>
    </template>
  </UPopover>
</template>
