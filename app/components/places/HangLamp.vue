<script setup lang="ts">
import { LAMP_SOURCES, LAMP_SOURCE_IDS, type LampSource, type LampState } from '#core/subjects/lamp/state'

/** What a lamp is, and how far from the spot it hangs. */
const props = defineProps<{ lamp: LampState }>()
const { record, busy } = useRecord()
const open = ref(false)
const form = useTemplateRef<FormErrors>('form')
const state = reactive({ source: 'tube' as LampSource, distanceCm: 30 })
const sources = LAMP_SOURCE_IDS.map(value => ({ value, label: LAMP_SOURCES[value] }))
watch(open, is => {
  if (is) Object.assign(state, { source: props.lamp.source ?? 'tube', distanceCm: props.lamp.distanceCm ?? 30 })
})
async function hang(): Promise<void> {
  const done = await record(
    { kind: 'lampHung', subject: { type: 'lamp', id: props.lamp.id }, data: { ...state } },
    `${props.lamp.tag} hangs ${state.distanceCm} cm from the spot: measure again there`,
    form.value,
  )
  if (done) open.value = false
}
</script>

<!-- prettier-ignore -->
<template>
  <UPopover v-model:open="open">
    <UButton label="Hung at …" size="sm" variant="outline" color="neutral" :aria-label="`How ${lamp.tag} hangs`" />
    <template #content>
      <UForm ref="form" :state="state" class="grid gap-3 p-4 w-72" @submit="hang">
        <UFormField label="Lamp" name="source"><USelect
          v-model="state.source" :items="sources" value-key="value" class="w-full"
        /></UFormField>
        <UFormField label="From the spot, cm" name="distanceCm"><UInputNumber
          v-model="state.distanceCm" :min="1" :max="300" class="w-full"
        /></UFormField>
        <p class="small quiet">Cold and unplugged first. Guard and thermostat: lamps burn houses.</p>
        <UButton type="submit" label="It hangs so" :loading="busy" block />
      </UForm>
    </template>
  </UPopover>
</template>
