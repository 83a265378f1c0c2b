<script setup lang="ts">
import { CHANNELS, CHANNEL_IDS, ZONES, ZONE_IDS, formatReading, type Channel, type Zone } from '#core/channels'
import { UnitError, parseAs, parseNumber } from '#core/units'

/** Writes a reading by hand: of a thermometer, a hygrometer or a UV meter. */
const props = defineProps<{ placeId: string; name: string; channel?: Channel; zone?: Zone }>()
const house = useHouse()
const { record, busy } = useRecord()
const state = reactive({
  channel: props.channel ?? ('temperature' as Channel),
  zone: props.zone ?? ('air' as Zone),
  value: '',
})
const problem = ref<string | null>(null)
const errors: FormErrors = {
  setErrors: list => {
    problem.value = list[0]?.message ?? null
  },
}
const channels = CHANNEL_IDS.map(value => ({ value, label: CHANNELS[value].label }))
const zones = ZONE_IDS.map(value => ({ value, label: ZONES[value] }))
const hint = computed(() =>
  state.channel === 'temperature' ? house.settings.tempUnit : state.channel === 'humidity' ? '%' : 'UV index',
)

async function write(): Promise<void> {
  problem.value = null
  try {
    const value =
      state.channel === 'temperature'
        ? Number(parseAs('temperature', state.value, house.settings.tempUnit).toFixed(2))
        : parseNumber(state.value.replace('%', ''))
    if (value === null) {
      problem.value = `“${state.value}” is not a number`
      return
    }
    const { channel, zone } = state
    const done = await record(
      { kind: 'placeRead', subject: { type: 'place', id: props.placeId }, data: { channel, zone, value } },
      `${props.name}, ${ZONES[zone]}: ${formatReading(channel, value, house.settings.tempUnit)}`,
      errors,
    )
    if (done) state.value = ''
  } catch (error) {
    if (!(error instanceof UnitError)) throw error
    problem.value = error.message
  }
}
</script>

<template>
  <form class="measure" @submit.prevent="write">
    <USelect
      v-if="!channel"
      v-model="state.channel"
      :items="channels"
      value-key="value"
      aria-label="What was read"
      class="w-36"
    />
    <USelect
      v-if="!zone"
      v-model="state.zone"
      :items="zones"
      value-key="value"
      aria-label="Where in the place"
      class="w-36"
    />
    <UFormField :error="problem ?? false" class="value"
      ><UInput
        v-model="state.value"
        inputmode="decimal"
        :placeholder="hint"
        :aria-label="`Reading of ${name}, ${hint}`"
        class="w-28"
    /></UFormField>
    <UButton type="submit" label="Write reading" :disabled="busy || !state.value.trim()" />
  </form>
</template>

<style scoped>
.measure {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: flex-start;
}
@media (max-width: 800px) {
  .measure :deep(button),
  .measure :deep(input) {
    min-height: 2.75rem;
  }
}
</style>
