<script setup lang="ts">
import type { z } from 'zod'
import type { Fields, Offered, Typed } from '~/composables/readFields'
import type { FieldError } from '~/composables/useRefusals'

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
  /** What a field is picked from, by its name, where that is of the screen. */
  items?: Offered
  /** What else is wrong of what was read, before it is sent. */
  check?: (read: Record<string, unknown>) => FieldError[]
  /** There is nothing to write. */
  idle?: boolean
  /** One among other things on a screen: its button is not what the screen is for. */
  quiet?: boolean
}>()
const typed = defineModel<Typed>({ required: true })
defineSlots<{ default: () => unknown; fields: () => unknown }>()
const house = useHouse()
const form = useTemplateRef<FormErrors & { validate: (how: { silent: true }) => Promise<unknown> }>('form')
const state = reactive({ typed })
const fieldOf = (name: string) => [name, name.split('.')[0]!].find(n => n in props.fields)
// part of what is sent may be chosen beside the fields
const { still, setErrors, placed, beside } = useRefusals(() => [typed.value, data()], form, fieldOf)
const busy = ref(false)
/** It was sent, and something is wrong. */
const refused = ref(false)
const shown: FormErrors = {
  setErrors: errors => {
    refused.value = true
    setErrors(errors)
  },
}
function wrong(): void {
  refused.value = true
  void focusFirstWrong()
}
// what is mended goes while one types, and not between the press and the release of the button under it
watch(
  typed,
  () => {
    if (refused.value) void form.value?.validate({ silent: true })
  },
  { flush: 'post' },
)

const read = () => readFields(props.fields, typed.value, house.settings)
const data = () => props.complete?.(read().data) ?? read().data

/** A press that is not yet released: what is told meanwhile would move the button from under it. */
let released: Promise<unknown> | undefined
function hold(): void {
  released = new Promise(resolve => {
    const release = () => setTimeout(resolve)
    for (const end of ['pointerup', 'pointercancel']) window.addEventListener(end, release, { once: true })
  })
}

async function validate(): Promise<FieldError[]> {
  const errors = found()
  await released
  return placed(errors)
}

function found(): FieldError[] {
  if (props.idle) return []
  const { data: said, problems } = read()
  const unread = Object.entries(problems).map(([name, message]) => ({ name, message }))
  const further = props.check?.(said) ?? []
  const result = props.schema.safeParse(data())
  const unfit = result.error?.issues.map(i => ({ name: i.path.join('.'), message: i.message })) ?? []
  return result.success && !unread.length && !further.length
    ? still()
    : [...unread, ...[...further, ...unfit].filter(({ name }) => !(name in problems))]
}

async function submit(): Promise<void> {
  busy.value = true
  refused.value = false
  try {
    await props.send(data(), shown)
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
    class="grid grid-cols-[minmax(0,1fr)] gap-4"
    @pointerdown="hold"
    @submit="submit"
    @error="wrong"
  >
    <slot name="fields"><FormFields v-model="typed" :fields="fields" :items="items" /></slot>
    <slot />
    <p v-if="refused && beside.length" role="alert" class="small">{{ beside.join('. ') }}</p>
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
