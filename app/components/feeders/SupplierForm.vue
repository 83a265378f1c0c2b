<script setup lang="ts">
import { entryKinds, type SupplierState } from '#core/subjects'
import { asSeveral, type Typed } from '~/composables/readFields'

/** Adds a supplier, or changes one. */
const props = defineProps<{ supplier?: SupplierState }>()
const open = defineModel<boolean>('open', { required: true })
const { record } = useRecord()
const kind = computed(() => entryKinds.get(props.supplier ? 'supplierChanged' : 'supplierAdded')!)
const said = (): Typed => {
  const { name, leadDays = 2, sendsOn, minimum, carriage } = props.supplier ?? {}
  return {
    name,
    leadDays: String(leadDays),
    sendsOn: asSeveral((sendsOn ?? []).map(String)),
    minimum: minimum?.toString(),
    carriage: carriage?.toString(),
  }
}
const typed = ref<Typed>(said())
watch(open, is => {
  if (is) typed.value = said()
})
/** What is left empty is none: no least order, a parcel on every day. */
const complete = ({ sendsOn, ...read }: Record<string, unknown>) => ({
  minimum: null,
  carriage: null,
  ...read,
  sendsOn: (sendsOn as string[] | undefined)?.map(Number).sort((a, b) => a - b) ?? null,
})
async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const { supplier } = props
  const wish = supplier
    ? { kind: 'supplierChanged', subject: { type: 'supplier' as const, id: supplier.id }, data }
    : { kind: 'supplierAdded', founds: 'supplier' as const, data }
  if (await record(wish, `${typed.value.name} ${supplier ? 'changed' : 'added'}`, form)) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="supplier ? 'Change a supplier' : 'Add a supplier'"
    description="Packs, prices and days of the plan are those of its price list"
  >
    <template #body>
      <KindForm
        v-model="typed"
        :fields="kind.fields!"
        :schema="kind.data"
        :complete="complete"
        :label="supplier ? 'Change it' : 'Add it'"
        :send="send"
      />
    </template>
  </USlideover>
</template>
