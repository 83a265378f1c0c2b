<script setup lang="ts">
import { UnitError, formatQuantity, parseAs } from '#core/units'
import type { Typed } from '~/composables/readFields'

/** The fields that a button opens before it records. */
const props = defineProps<{
  title: string
  unit?: 'mass'
  likely?: number
  /** Writes the number; the field closes when it was written, and keeps it when it was not. */
  onRecord: (value: number, further: Record<string, unknown>, form: FormErrors) => Promise<unknown>
  kind?: string
  noNumber?: boolean
  /** The button that it stands at. */
  button: HTMLElement | null
}>()

const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const text = ref('')
const { log, load } = useLog()
void load()
/** What else may be said; it can stay empty. */
const hints = computed(() => (props.kind ? log.value?.entryKinds.get(props.kind)?.fields : undefined) ?? {})
const further = ref<Typed>({})
const problems = useProblems()
const sending = ref(false)

const hint = computed(() =>
  props.likely === undefined
    ? ''
    : props.unit === 'mass'
      ? `last ${formatQuantity(props.likely, house.settings.massUnit)}`
      : `perhaps ${props.likely}`,
)

// a number that was typed and not written is still there when the field is opened again
watch(open, is => {
  if (is) problems.value = {}
})

/** The button opens and closes the field itself. */
function keep(event: Event): void {
  if (props.button?.contains(event.target as Node)) event.preventDefault()
}
function back(event: Event): void {
  event.preventDefault()
  props.button?.focus()
}

/** What the button itself asks for; not the name of a field, which is of its kind. */
const ASKED = ''

/** The number that was written. @throws UnitError */
function read(): number {
  if (props.noNumber) return 0
  if (props.unit !== 'mass') return wholeNumber(text.value)
  return notNegative(Number(parseAs('mass', text.value, house.settings.massUnit).toFixed(2)))
}

/** What the house refuses stands beside its field; what is about none of them, beside the first. */
const form: FormErrors = {
  setErrors: errors => {
    const first = props.noNumber ? (Object.keys(hints.value)[0] ?? ASKED) : ASKED
    problems.value = Object.fromEntries(errors.map(e => [e.name in hints.value ? e.name : first, e.message]))
  },
}

async function send(): Promise<void> {
  const said = readFields(hints.value, further.value, house.settings)
  problems.value = said.problems
  sending.value = true
  try {
    const value = read()
    if (Object.keys(said.problems).length || !(await props.onRecord(value, said.data, form))) return
    text.value = ''
    further.value = {}
    open.value = false
  } catch (error) {
    if (!(error instanceof UnitError)) throw error
    problems.value = { ...said.problems, [ASKED]: error.message }
  } finally {
    sending.value = false
  }
}
</script>

<template>
  <UPopover
    v-model:open="open"
    :reference="button ?? undefined"
    :content="{ align: 'end', onInteractOutside: keep, onCloseAutoFocus: back }"
  >
    <template #content>
      <form class="ask" :class="{ many: Object.keys(hints).length > 3 }" @submit.prevent="send">
        <p v-if="noNumber" class="quiet">{{ title }}</p>
        <FormFields v-model="further" :fields="hints" :problems="problems">
          <UFormField v-if="!noNumber" :label="title" :hint="hint" :error="problems[ASKED]" class="short">
            <UInput v-model="text" autofocus inputmode="decimal" autocomplete="off" class="w-full">
              <template v-if="unit === 'mass'" #trailing
                ><span class="quiet">{{ house.settings.massUnit }}</span></template
              >
            </UInput>
          </UFormField>
        </FormFields>
        <UButton type="submit" label="Record" size="lg" block :loading="sending" />
      </form>
    </template>
  </UPopover>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 0.75rem;
  padding: 0.875rem;
  width: 17rem;
}
/* numbers side by side, so that what records them stays in view */
.many {
  width: min(23rem, 100vw - 2rem);
}
</style>
