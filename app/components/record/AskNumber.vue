<script setup lang="ts">
/** A button that asks before it records: for one number, for what else may be said of the entry, or both. */
defineProps<{
  label: string
  title: string
  unit?: 'mass'
  likely?: number
  main?: boolean
  busy?: boolean
  disabled?: boolean
  /** The kind of entry, when more may be said of it. */
  kind?: string
  /** Nothing but that is asked. */
  noNumber?: boolean
  /** Writes the number; the field closes when it was written, and keeps it when it was not. */
  onRecord: (value: number, further: Record<string, unknown>, form: FormErrors) => Promise<unknown>
}>()

const tellNotLoaded = useNotLoaded()
const button = useTemplateRef<{ $el: HTMLElement }>('button')
const loadPanel = () => import('./AskPanel.vue')
const open = ref(false)
/** A list of a thousand such buttons holds no field until one is pressed. */
const asked = ref(false)
async function toggle(): Promise<void> {
  try {
    await loadPanel()
  } catch {
    return tellNotLoaded()
  }
  asked.value = true
  open.value = !open.value
}
</script>

<template>
  <UButton
    ref="button"
    :label="label"
    :color="main ? 'primary' : 'neutral'"
    :variant="main ? 'solid' : 'outline'"
    :loading="busy"
    :disabled="disabled"
    aria-haspopup="dialog"
    :aria-expanded="open"
    @click="toggle"
  />
  <LazyRecordAskPanel
    v-if="asked"
    v-model:open="open"
    :button="button?.$el ?? null"
    :title="title"
    :unit="unit"
    :likely="likely"
    :kind="kind"
    :no-number="noNumber"
    @record="onRecord"
  />
</template>
