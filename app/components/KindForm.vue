<script setup lang="ts">
import type { z } from 'zod'
import type { Fields, Typed } from '~/composables/readFields'

/** A form made from the fields of a kind of entry, checked by its schema; what the house refuses stands beside them. */
const props = defineProps<{
  fields: Fields
  schema: z.ZodType
  /** What its button says. */
  label: string
  /** Makes what is written out of what was read. */
  complete?: (read: Record<string, unknown>) => Record<string, unknown>
  /** Writes it. */
  send: (data: Record<string, unknown>, form: FormErrors) => Promise<unknown>
  species?: readonly { value: string; label: string }[]
  /** There is nothing to write. */
  idle?: boolean
  /** One among other things on a screen: its button is not what the screen is for. */
  quiet?: boolean
}>()
const typed = defineModel<Typed>({ required: true })
defineSlots<{ default: () => unknown }>()
const house = useHouse()
const form = useTemplateRef<FormErrors>('form')
const state = reactive({ typed })
const refusals = useRefusals(state, form)
const busy = ref(false)

const read = () => readFields(props.fields, typed.value, house.settings)
const data = () => props.complete?.(read().data) ?? read().data

function validate() {
  if (props.idle) return []
  const { problems } = read()
  const unread = Object.entries(problems).map(([name, message]) => ({ name, message }))
  const result = props.schema.safeParse(data())
  const wrong = result.error?.issues.map(i => ({ name: i.path.join('.'), message: i.message })) ?? []
  return result.success && !unread.length
    ? refusals.still()
    : [...unread, ...wrong.filter(({ name }) => !(name in problems))]
}

async function submit(): Promise<void> {
  busy.value = true
  try {
    await props.send(data(), refusals)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <UForm
    ref="form"
    :state="state"
    :validate="validate"
    :validate-on="['input', 'change']"
    class="grid gap-4"
    @submit="submit"
    @error="focusFirstWrong"
  >
    <FormFields v-model="typed" :fields="fields" :species="species" />
    <slot />
    <UButton
      v-if="quiet"
      type="submit"
      :label="label"
      variant="outline"
      color="neutral"
      class="w-fit"
      :loading="busy"
      :disabled="idle"
    />
    <UButton v-else type="submit" :label="label" size="lg" :loading="busy" :disabled="idle" block />
  </UForm>
</template>
