<script setup lang="ts">
import type { Fact, SheetPlan, Species } from '#core/almanac'

/** The incubation table of a species: days at each temperature. */
const props = defineProps<{ species: Species }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const points = ref<{ tempC: number; days: number }[]>([])
const usualC = ref(28)
const lethalC = ref(33)
const { problem, refusal } = useRefusalText()

watch(
  open,
  is => {
    if (!is) return
    problem.value = ''
    const now = props.species.incubation
    points.value = now?.points.map(({ tempC, days }) => ({ tempC, days })) ?? [
      { tempC: 26, days: 70 },
      { tempC: 29, days: 60 },
    ]
    usualC.value = now?.usualTempC.value ?? 28
    lethalC.value = now?.lethalAboveC.value ?? 33
  },
  { immediate: true },
)
const own = (value: number, unit: string): Fact => ({ value, unit, mark: 'own' })
async function write(data: Record<string, unknown>, says: string): Promise<void> {
  problem.value = ''
  const wish = { kind: 'speciesChanged', subject: { type: 'species', id: props.species.id }, data }
  if (await record(wish, says, refusal)) open.value = false
}
function said() {
  const now = props.species.incubation
  const keep = (fact: Fact | undefined, value: number): Fact => (fact?.value === value ? fact : own(value, '°C'))
  const incubation = {
    points: [...points.value]
      .sort((a, b) => a.tempC - b.tempC)
      .map(p => now?.points.find(o => o.tempC === p.tempC && o.days === p.days) ?? { ...p, mark: 'own' as const }),
    usualTempC: keep(now?.usualTempC, usualC.value),
    lethalAboveC: keep(now?.lethalAboveC, lethalC.value),
    spreadShare: now?.spreadShare ?? own(0.12, 'of the likely time'),
  }
  return { parts: { incubation } }
}
const facts = () =>
  JSON.parse(
    JSON.stringify([
      { id: 'tried', kind: 'speciesChanged', subject: { type: 'species', id: props.species.id }, data: said() },
    ]),
  ) as SheetPlan['facts']
const save = () => write(said(), `${props.species.name}: incubation table set`)
const isOwn = computed(() => house.house.species[props.species.id]?.parts.incubation !== undefined)
</script>

<!-- prettier-ignore -->
<template>
  <USlideover
    v-model:open="open" title="Incubation table" :description="`${species.name}: how long eggs take, by their warmth`"
  >
    <template #body>
      <form class="grid gap-3" @submit.prevent="save">
        <div v-for="(p, i) in points" :key="i" class="row">
          <UFormField :label="i ? undefined : 'At, °C'"><UInputNumber
            v-model="p.tempC" :step="0.5" :step-snapping="false" :min="10" :max="40" class="w-32"
            :aria-label="`Temperature ${i + 1}, °C`"
          /></UFormField>
          <UFormField :label="i ? undefined : 'Days'"><UInputNumber
            v-model="p.days" :min="1" :max="600" class="w-32" :aria-label="`Days ${i + 1}`"
          /></UFormField>
          <UButton
            v-if="points.length > 2" icon="i-lucide-x" variant="ghost" color="neutral" :aria-label="`Drop row ${i + 1}`"
            @click="points.splice(i, 1)"
          />
        </div>
        <UButton
          label="Add a row" icon="i-lucide-plus" variant="outline" class="justify-self-start"
          @click="points.push({ tempC: (points.at(-1)?.tempC ?? 27) + 1, days: Math.max(1, (points.at(-1)?.days ?? 60) - 5) })"
        />
        <div class="row">
          <UFormField label="Usual, °C"><UInputNumber
            v-model="usualC" :step="0.5" :step-snapping="false" :min="10" :max="40" class="w-32"
          /></UFormField>
          <UFormField label="Kills above, °C"><UInputNumber
            v-model="lethalC" :step="0.5" :step-snapping="false" :min="15" :max="45" class="w-32"
          /></UFormField>
        </div>
        <p class="quiet small">At least two rows; warmer must be quicker. Between them, and a little beyond, days follow from the warmth that was.</p>
        <AlmanacMoves :facts="facts" />
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="flex gap-2">
          <UButton type="submit" label="Set table" :loading="busy" />
          <UButton
            v-if="isOwn" label="Put back" variant="outline" color="neutral" :disabled="busy"
            @click="write({ back: ['incubation'] }, `${species.name}: incubation table put back`)"
          />
        </div>
      </form>
    </template>
  </USlideover>
</template>

<style scoped>
.row {
  display: flex;
  gap: 0.75rem;
  align-items: end;
}
</style>
