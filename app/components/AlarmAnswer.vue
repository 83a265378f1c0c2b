<script setup lang="ts">
import type { Alarm } from '#core/season'
import { entryKinds } from '#core/subjects'
import type { Typed } from '~/composables/readFields'

/** Says why an alarm may be silent until it is over; it speaks again when it begins anew, or becomes harm. */
const props = defineProps<{ alarm: Alarm }>()
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('alarmAnswered')!
const open = ref(false)
const typed = ref<Typed>({})
const answer = (data: Record<string, unknown>, form: FormErrors) =>
  record({ kind: 'alarmAnswered', subject: props.alarm.subject, data }, 'Answered: silent until it is over', form)
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Answer" size="xs" variant="outline" color="neutral" :aria-label="`Answer: ${alarm.text}`" />
    <template #content>
      <KindForm
        v-model="typed"
        :fields="fields!"
        :schema="schema"
        :complete="read => ({ ...read, alarm: alarm.id })"
        :idle="!typed.why?.trim()"
        label="Let it be silent"
        :send="answer"
        class="p-4 w-72"
      />
    </template>
  </UPopover>
</template>
