<script setup lang="ts">
import type { SupplierState } from '#core/subjects'
import { WEEKDAYS } from '#core/units'

/** Adds a supplier, or changes one. */
const props = defineProps<{ supplier?: SupplierState }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const problems = useProblems()
const DAYS = WEEKDAYS.map((label, i) => ({
  label,
  value: String(i),
}))
const state = reactive({
  name: '',
  leadDays: 2,
  sendsOn: [] as string[],
  minimum: undefined as number | undefined,
  carriage: undefined as number | undefined,
  simulated: false,
})
watch(
  open,
  is => {
    if (!is) return
    const { supplier: s } = props
    problems.value = {}
    Object.assign(state, {
      name: s?.name ?? '',
      leadDays: s?.leadDays ?? 2,
      sendsOn: (s?.sendsOn ?? []).map(String),
      minimum: s?.minimum ?? undefined,
      carriage: s?.carriage ?? undefined,
      simulated: Boolean(s?.simulated),
    })
  },
  { immediate: true },
)
async function send(): Promise<void> {
  const { supplier } = props
  problems.value = {}
  const data = {
    name: state.name,
    leadDays: state.leadDays,
    sendsOn: state.sendsOn.length ? state.sendsOn.map(Number).sort((a, b) => a - b) : null,
    minimum: state.minimum ?? null,
    carriage: state.carriage ?? null,
    ...(!supplier && state.simulated && { simulated: true as const }),
  }
  const wish = supplier
    ? { kind: 'supplierChanged', subject: { type: 'supplier' as const, id: supplier.id }, data }
    : { kind: 'supplierAdded', founds: 'supplier' as const, data }
  if (await record(wish, `${state.name} ${supplier ? 'changed' : 'added'}`, toFields(problems))) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="supplier ? 'Change a supplier' : 'Add a supplier'"
    description="Packs, prices and days of the plan are those of its price list"
  >
    <template #body>
      <form class="grid gap-4" @submit.prevent="send">
        <UFormField label="Name" required :error="problems.name"
          ><UInput v-model="state.name" class="w-full"
        /></UFormField>
        <UFormField label="Days on the road" :error="problems.leadDays"
          ><UInputNumber v-model="state.leadDays" :min="1" :max="60" class="w-full"
        /></UFormField>
        <UFormField label="Parcels leave on" hint="empty: every day" :error="problems.sendsOn">
          <RecordPick
            name="Parcels leave on"
            :items="DAYS"
            :model-value="state.sendsOn"
            multiple
            class="w-full"
            placeholder="Every day"
            @update:model-value="state.sendsOn = $event"
          />
        </UFormField>
        <UFormField :label="`Least order, ${house.settings.currency}`" hint="empty: none" :error="problems.minimum"
          ><UInputNumber v-model="state.minimum" :min="0" :max="100000" :step="0.5" class="w-full"
        /></UFormField>
        <UFormField :label="`Carriage, ${house.settings.currency}`" hint="empty: none" :error="problems.carriage"
          ><UInputNumber v-model="state.carriage" :min="0" :max="100000" :step="0.5" class="w-full"
        /></UFormField>
        <UCheckbox
          v-if="!supplier"
          v-model="state.simulated"
          label="Simulated: it answers orders by itself, to try the plan out"
        />
        <UButton type="submit" :label="supplier ? 'Change it' : 'Add it'" :loading="busy" />
      </form>
    </template>
  </USlideover>
</template>
