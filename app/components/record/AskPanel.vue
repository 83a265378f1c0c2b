<script setup lang="ts">
import { UnitError, formatQuantity, parseAs } from '#core/units'

/** The field that a button opens to ask for one number. */
const props = defineProps<{
  title: string
  unit?: 'mass'
  likely?: number
  /** Writes the number; the field closes when it was written, and keeps it when it was not. */
  onRecord: (value: number) => Promise<unknown>
  /** The button that it stands at. */
  button: HTMLElement | null
}>()

const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const text = ref('')
const problem = ref('')
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
  if (is) problem.value = ''
})

/** The button opens and closes the field itself. */
function keep(event: Event): void {
  if (props.button?.contains(event.target as Node)) event.preventDefault()
}
function back(event: Event): void {
  event.preventDefault()
  props.button?.focus()
}

/** The number that was written. @throws UnitError */
function read(): number {
  const value =
    props.unit === 'mass' ? Number(parseAs('mass', text.value, house.settings.massUnit).toFixed(2)) : Number(text.value)
  if (!text.value.trim() || !Number.isFinite(value) || value < 0) throw new UnitError('Write a number')
  if (props.unit !== 'mass' && !Number.isInteger(value)) throw new UnitError('Write a whole number')
  return value
}

async function send(): Promise<void> {
  problem.value = ''
  sending.value = true
  try {
    if (!(await props.onRecord(read()))) return
    text.value = ''
    open.value = false
  } catch (error) {
    if (!(error instanceof UnitError)) throw error
    problem.value = error.message
  } finally {
    sending.value = false
  }
}
</script>

<!-- prettier-ignore -->
<template>
  <UPopover v-model:open="open" :reference="button ?? undefined" :content="{ align: 'end', onInteractOutside: keep, onCloseAutoFocus: back }">
    <template #content>
      <form class="ask" @submit.prevent="send">
        <UFormField :label="title" :hint="hint" :error="problem || undefined">
          <UInput v-model="text" autofocus inputmode="decimal" autocomplete="off" class="w-full" size="lg">
            <template v-if="unit === 'mass'" #trailing><span class="quiet">{{ house.settings.massUnit }}</span></template>
          </UInput>
        </UFormField>
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
  width: 15rem;
}
</style>
