<script setup lang="ts">
import { HEATS, LAMP_SOURCES, LAMP_SOURCE_IDS, type LampSource, type LampState } from '#core/subjects/lamp/state'

/** What a lamp is, and how far from the spot it hangs. */
const props = defineProps<{ lamp: LampState }>()
const { record, busy } = useRecord()
const open = ref(false)
const house = useHouse()
const blank = () => ({
  source: props.lamp.source ?? ('tube' as LampSource),
  distanceCm: props.lamp.distanceCm ?? 30,
  powerW: props.lamp.powerW,
  between: Boolean(props.lamp.mesh),
  mesh: Math.round(100 * (props.lamp.mesh ?? house.almanac.common.meshLets!.value)),
  thermostat: props.lamp.thermostat === undefined ? 'unsaid' : props.lamp.thermostat ? 'yes' : 'no',
})
const state = reactive(blank())
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const sources = LAMP_SOURCE_IDS.map(value => ({ value, label: LAMP_SOURCES[value] }))
const heats = computed(() => HEATS.includes(state.source))
const THERMOSTAT = [
  { value: 'unsaid', label: 'not said' },
  { value: 'yes', label: 'switched by one' },
  { value: 'no', label: 'none' },
]
watch(open, is => {
  if (is) Object.assign(state, blank())
})
async function hang(): Promise<void> {
  const { source, distanceCm, powerW, between, mesh, thermostat } = state
  const data = {
    source,
    distanceCm,
    ...(powerW && { powerW }),
    mesh: between ? mesh / 100 : null,
    ...(thermostat !== 'unsaid' && { thermostat: thermostat === 'yes' }),
  }
  const done = await record(
    { kind: 'lampHung', subject: { type: 'lamp', id: props.lamp.id }, data },
    `${props.lamp.tag} hangs ${distanceCm} cm from the spot${heats.value ? '' : ': measure again there'}`,
    refusals,
  )
  if (done) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Hung at …" size="sm" variant="outline" color="neutral" :aria-label="`How ${lamp.tag} hangs`" />
    <template #content>
      <UForm ref="form" :state="state" :validate="refusals.still" class="grid gap-3 p-4 w-72" @submit="hang">
        <UFormField label="Lamp" name="source"
          ><USelect v-model="state.source" :items="sources" value-key="value" class="w-full"
        /></UFormField>
        <UFormField label="From the spot, cm" name="distanceCm"
          ><UInputNumber v-model="state.distanceCm" :min="1" :max="300" class="w-full"
        /></UFormField>
        <UFormField label="Power, W" name="powerW"
          ><UInputNumber v-model="state.powerW" :min="1" :max="500" class="w-full"
        /></UFormField>
        <UCheckbox v-if="!heats" v-model="state.between" label="Mesh between lamp and spot" />
        <UFormField v-if="state.between && !heats" label="It lets through, %" name="mesh" hint="usually 50–70"
          ><UInputNumber v-model="state.mesh" :min="10" :max="100" class="w-full"
        /></UFormField>
        <UFormField v-if="heats" label="Thermostat" name="thermostat"
          ><USelect v-model="state.thermostat" :items="THERMOSTAT" value-key="value" class="w-full"
        /></UFormField>
        <p class="small quiet">Cold and unplugged first. Guard and thermostat: lamps burn houses.</p>
        <UButton type="submit" label="It hangs so" :loading="busy" block />
      </UForm>
    </template>
  </UPopover>
</template>
