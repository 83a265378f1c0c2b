<script setup lang="ts">
/** A button that asks for one number before it records. */
defineProps<{
  label: string
  title: string
  unit?: 'mass'
  likely?: number
  main?: boolean
  busy?: boolean
  /** Writes the number; the field closes when it was written, and keeps it when it was not. */
  onRecord: (value: number) => Promise<unknown>
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

<!-- prettier-ignore -->
<template>
  <UButton ref="button" :label="label" :color="main ? 'primary' : 'neutral'" :variant="main ? 'solid' : 'outline'" :loading="busy" aria-haspopup="dialog" :aria-expanded="open" @click="toggle" />
  <LazyRecordAskPanel v-if="asked" v-model:open="open" :button="button?.$el ?? null" :title="title" :unit="unit" :likely="likely" @record="onRecord" />
</template>
