<script setup lang="ts">
import { countBySquares, type SampledCount } from '#core/incubation'
import type { ClutchState } from '#core/subjects'

/** Large spawn and clumps are counted by some squares of known size. */
const props = defineProps<{
  clutch: ClutchState
  write: (kind: string, data: Record<string, unknown>, says: string, form?: FormErrors) => Promise<boolean>
  busy: boolean
}>()
const state = reactive({ counts: '', sideCm: '2', wholeCm2: '' })
const problem = ref('')
const beside: FormErrors = { setErrors: list => (problem.value = list.map(e => e.message).join(' ')) }
/** A number as it is written, with a point or a comma. */
const read = (text: string) => Number(text.trim().replace(',', '.'))
const found = computed<SampledCount | null>(() => {
  const counts = state.counts
    .split(/[\s;]+/)
    .filter(Boolean)
    .map(read)
  const [side, whole] = [read(state.sideCm), read(state.wholeCm2)]
  if (!counts.length || !state.wholeCm2.trim()) return null
  if (counts.some(c => !Number.isInteger(c) || c < 0)) return null
  try {
    return countBySquares(counts, side * side, whole)
  } catch {
    return null
  }
})
const why = computed(() => {
  const counts = state.counts
    .split(/[\s;]+/)
    .filter(Boolean)
    .map(read)
  if (counts.length && counts.some(c => !Number.isInteger(c) || c < 0)) return 'Write whole numbers, such as 12 9 15'
  if (!counts.length || !state.wholeCm2.trim()) return ''
  try {
    countBySquares(counts, read(state.sideCm) ** 2, read(state.wholeCm2))
    return ''
  } catch (error) {
    return error instanceof Error ? error.message : String(error)
  }
})
async function send(): Promise<void> {
  if (!found.value) return
  problem.value = ''
  const { estimate, low, high } = found.value
  const data = { eggs: Math.max(1, estimate), low: Math.min(low, estimate), high: Math.max(high, estimate) }
  if (await props.write('clutchCounted', data, `about ${estimate} eggs`, beside)) state.counts = ''
}
</script>

<template>
  <form class="squares" @submit.prevent="send">
    <h2>Count by squares</h2>
    <p class="quiet small">
      Lay a frame on some places, picked without looking, and count what lies in each.
      {{ clutch.eggsRange ? `Last: ${clutch.eggsRange.low}–${clutch.eggsRange.high}.` : '' }}
    </p>
    <UFormField label="Eggs in each square" :error="why || problem || undefined">
      <UInput v-model="state.counts" placeholder="12 9 15 11 8" class="w-full" autocomplete="off" />
    </UFormField>
    <div class="grid grid-cols-2 gap-3">
      <UFormField label="Side of the square" hint="cm">
        <UInput v-model="state.sideCm" inputmode="decimal" class="w-full" autocomplete="off" />
      </UFormField>
      <UFormField label="All lies on" hint="cm²">
        <UInput v-model="state.wholeCm2" inputmode="decimal" class="w-full" autocomplete="off" />
      </UFormField>
    </div>
    <p v-if="found" aria-live="polite">About {{ found.estimate }} eggs ({{ found.low }}–{{ found.high }}).</p>
    <UButton
      type="submit"
      label="Record count"
      class="justify-self-start"
      variant="outline"
      color="neutral"
      :disabled="!found"
      :loading="busy"
    />
  </form>
</template>

<style scoped>
.squares {
  display: grid;
  gap: 0.625rem;
  max-width: 24rem;
}
</style>
