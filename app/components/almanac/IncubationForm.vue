<script setup lang="ts">
import { ownWhereChanged, type Fact, type Species } from '#core/almanac'

/** The incubation table of a species: days at each temperature. */
const props = defineProps<{ species: Species }>()
const open = defineModel<boolean>('open', { required: true })
const points = ref<{ tempC: number; days: number }[]>([])
const usualC = ref(28)
const lethalC = ref(33)

watch(
  open,
  is => {
    if (!is) return
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
function said() {
  const now = props.species.incubation
  const incubation = {
    ...(now?.shell && { shell: now.shell }),
    ...(now?.phases && { phases: now.phases }),
    ...(now?.pipToOut && { pipToOut: now.pipToOut }),
    points: [...points.value].sort((a, b) => a.tempC - b.tempC).map(p => ({ ...p, mark: 'own' as const })),
    usualTempC: own(usualC.value, '°C'),
    lethalAboveC: own(lethalC.value, '°C'),
    spreadShare: now?.spreadShare ?? own(0.12, 'of the likely time'),
  }
  return { incubation: ownWhereChanged(now, incubation) }
}
</script>

<template>
  <AlmanacPartFrame
    v-model:open="open"
    of="species"
    :row="species"
    title="Incubation table"
    :description="`${species.name}: how long eggs take, by their warmth`"
    :parts="['incubation']"
    :said="said"
    says="incubation table"
    button="Set table"
  >
    <div v-for="(p, i) in points" :key="i" class="row">
      <UFormField :label="i ? undefined : 'At, °C'"
        ><UInputNumber
          v-model="p.tempC"
          :step="0.5"
          :step-snapping="false"
          :min="10"
          :max="40"
          class="w-32"
          :aria-label="`Temperature ${i + 1}, °C`"
      /></UFormField>
      <UFormField :label="i ? undefined : 'Days'"
        ><UInputNumber v-model="p.days" :min="1" :max="600" class="w-32" :aria-label="`Days ${i + 1}`"
      /></UFormField>
      <UButton
        v-if="points.length > 2"
        icon="i-lucide-x"
        variant="ghost"
        color="neutral"
        :aria-label="`Drop row ${i + 1}`"
        @click="points.splice(i, 1)"
      />
    </div>
    <UButton
      label="Add a row"
      icon="i-lucide-plus"
      variant="outline"
      class="justify-self-start"
      @click="
        points.push({ tempC: (points.at(-1)?.tempC ?? 27) + 1, days: Math.max(1, (points.at(-1)?.days ?? 60) - 5) })
      "
    />
    <div class="row">
      <UFormField label="Usual, °C"
        ><UInputNumber v-model="usualC" :step="0.5" :step-snapping="false" :min="10" :max="40" class="w-32"
      /></UFormField>
      <UFormField label="Kills above, °C"
        ><UInputNumber v-model="lethalC" :step="0.5" :step-snapping="false" :min="15" :max="45" class="w-32"
      /></UFormField>
    </div>
    <p class="quiet small">
      At least two rows; warmer must be quicker. Between them, and a little beyond, days follow from the warmth that
      was.
    </p>
  </AlmanacPartFrame>
</template>

<style scoped>
.row {
  display: flex;
  gap: 0.75rem;
  align-items: end;
}
</style>
