<script setup lang="ts">
/** Name, time zone and units, taken from the browser where it knows them. */
const emit = defineEmits<{ done: [ids: string[]] }>()
const house = useHouse()
const { record, busy } = useRecord()
const zones = Intl.supportedValuesOf('timeZone')
const browser = Intl.DateTimeFormat().resolvedOptions().timeZone
/** Lands that weigh small things in ounces and read warmth in °F. */
const inOunces = /-(US|LR|MM)$/.test(navigator.language)
const isNew = house.isEmpty && house.snapshot!.settingsVersion === 0
const state = reactive({
  houseName: isNew ? '' : house.settings.houseName,
  timeZone: isNew ? browser : house.settings.timeZone,
  massUnit: isNew && inOunces ? 'oz' : house.settings.massUnit,
  tempUnit: isNew && inOunces ? '°F' : house.settings.tempUnit,
  latitude: house.settings.latitude ?? undefined,
})
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
async function send(): Promise<void> {
  const data = { ...state, houseName: state.houseName.trim() || 'My house', latitude: state.latitude ?? null }
  const said = Object.fromEntries(
    Object.entries(data).filter(
      ([key, value]) => value !== house.settings[key as keyof typeof data] || key === 'houseName',
    ),
  )
  const wish = { kind: 'settingsChanged', subject: { type: 'settings', id: 'house' }, data: said }
  const ids = await record(wish, 'The house is named', refusals, true)
  if (ids) emit('done', ids)
}
</script>

<template>
  <UForm ref="form" :state="state" :validate="refusals.still" class="fields" @submit="send" @error="focusFirstWrong">
    <UFormField name="houseName" label="It is called"
      ><UInput v-model="state.houseName" placeholder="My house" class="w-full" autocomplete="off"
    /></UFormField>
    <UFormField
      name="timeZone"
      label="Time zone"
      :hint="house.isEmpty ? 'from this device' : 'another reads written days anew'"
      ><USelectMenu v-model="state.timeZone" :items="zones" class="w-full"
    /></UFormField>
    <UFormField name="massUnit" label="Weights in"
      ><USelect v-model="state.massUnit" :items="['g', 'oz']" class="w-full"
    /></UFormField>
    <UFormField name="tempUnit" label="Temperatures in"
      ><USelect v-model="state.tempUnit" :items="['°C', '°F']" class="w-full"
    /></UFormField>
    <UFormField name="latitude" label="Latitude, degrees north" hint="south is negative; if known"
      ><UInputNumber v-model="state.latitude" :min="-90" :max="90" :step="0.5" class="w-full"
    /></UFormField>
    <UButton type="submit" label="Set up the house" :loading="busy" class="send" />
  </UForm>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
  gap: 0.75rem 1rem;
  align-items: end;
}
.send {
  justify-self: start;
}
</style>
