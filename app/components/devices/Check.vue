<script setup lang="ts">
import {
  CALIBRATIONS,
  CALIBRATION_METHODS,
  CHANNELS,
  MOST_OFF,
  calibrationProblem,
  formatDifference,
  saltHumidityPct,
  type CalibrationMethod,
  type Channel,
} from '#core/channels'
import { UnitError, parseAs, parseNumber } from '#core/units'
import type { DeviceView } from '#shared/contracts/devices'

/** Holds a probe against ice water, salt or a second instrument; its readings are corrected from then on. */
const props = defineProps<{ device: DeviceView }>()
const emit = defineEmits<{ done: [] }>()
const house = useHouse()
const toast = useToast()
const busy = ref(false)
const problem = ref<string | null>(null)
const channels = computed(() => props.device.latest.flatMap(l => (l.channel === 'mass' ? [] : [l.channel])))
const state = reactive({
  channel: (channels.value[0] ?? 'temperature') as Channel,
  method: 'second' as CalibrationMethod,
  shown: '',
  reference: '',
  box: house.settings.tempUnit === '°F' ? '72 °F' : '22 °C',
})
const channelItems = computed(() =>
  (channels.value.length ? channels.value : (['temperature'] as const)).map(value => ({
    value,
    label: CHANNELS[value].label,
  })),
)
const methods = computed(() =>
  CALIBRATION_METHODS.filter(m => CALIBRATIONS[m].channel === null || CALIBRATIONS[m].channel === state.channel).map(
    value => ({ value, label: CALIBRATIONS[value].label }),
  ),
)
watch(
  () => state.channel,
  () => {
    state.method = methods.value[0]!.value
  },
  { immediate: true },
)
function read(text: string): number {
  if (state.channel === 'temperature') return parseAs('temperature', text, house.settings.tempUnit)
  const value = parseNumber(text.replace('%', ''))
  if (value === null) throw new UnitError(`“${text}” is not a number`)
  return value
}
function referenceSaid(): number {
  if (state.method === 'ice') return 0
  if (state.method === 'salt') return saltHumidityPct(parseAs('temperature', state.box, house.settings.tempUnit))
  return read(state.reference)
}

async function write(): Promise<void> {
  problem.value = null
  try {
    const { channel, method } = state
    const [shown, reference] = [read(state.shown), referenceSaid()]
    problem.value = calibrationProblem(channel, shown, reference, house.almanac.common[MOST_OFF[channel]]!.value)
    if (problem.value) return
    busy.value = true
    await callApi(`/api/devices/${props.device.id}/calibrations`, {
      method: 'POST',
      body: { channel, method, shown: Number(shown.toFixed(3)), reference: Number(reference.toFixed(3)) },
    })
    const off = shown - reference
    toast.add({
      title:
        Math.abs(off) < 0.05
          ? `${props.device.name} reads true`
          : `${props.device.name} reads ${formatDifference(channel, Math.abs(off), house.settings.tempUnit)} too ${off > 0 ? 'high' : 'low'}: corrected from now on`,
      color: 'neutral',
      icon: 'i-lucide-check',
    })
    emit('done')
  } catch (error) {
    if (!(error instanceof UnitError || error instanceof ApiProblem)) throw error
    problem.value = error instanceof ApiProblem ? (error.problem.errors?.[0]?.message ?? error.message) : error.message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="check" @submit.prevent="write">
    <UFormField v-if="channelItems.length > 1" label="What"
      ><USelect v-model="state.channel" :items="channelItems" value-key="value" class="w-36"
    /></UFormField>
    <UFormField label="Against"
      ><USelect v-model="state.method" :items="methods" value-key="value" class="w-52"
    /></UFormField>
    <UFormField label="It shows" :error="problem ?? undefined"
      ><UInput
        v-model="state.shown"
        class="w-32"
        inputmode="text"
        :placeholder="state.channel === 'temperature' ? house.settings.tempUnit : CHANNELS[state.channel].unit"
    /></UFormField>
    <UFormField v-if="state.method === 'second'" label="The reference says"
      ><UInput v-model="state.reference" class="w-32" inputmode="text"
    /></UFormField>
    <UFormField v-if="state.method === 'salt'" label="Warmth of the box"
      ><UInput v-model="state.box" class="w-32" inputmode="text"
    /></UFormField>
    <UButton
      type="submit"
      label="Write check"
      variant="outline"
      color="neutral"
      :disabled="busy || !state.shown.trim()"
    />
    <p class="small quiet basis-full">{{ CALIBRATIONS[state.method].how }}. What was read before stays as it was.</p>
  </form>
</template>

<style scoped>
.check {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: end;
  padding: 0.375rem 0;
}
</style>
