<script setup lang="ts">
import { isFedByWeight, proposedStep, stepOf } from '#core/feeding'
import { tellPortion } from '#core/season'
import type { AnimalState } from '#core/subjects'
import { formatDay } from '#core/units'

/** Where an animal stands on the ladder of its species; the step proposed by how it eats, and one of its own. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()
const species = computed(() => house.almanac.species[props.animal.speciesId]!)
const byWeight = computed(() => isFedByWeight(house.almanac, species.value, props.animal, house.today))
const at = computed(() => stepOf(species.value, props.animal, house.today))
const proposed = computed(() => proposedStep(house.almanac, species.value, props.animal, house.today, byWeight.value))
const every = (days: number) => (days === 1 ? 'every day' : `every ${days} days`)
const rung = (index: number) => {
  const { meal, everyDays } = species.value.ladder[index]!
  return `${meal.map(m => tellPortion(house.almanac, m)).join(' and ')} ${every(everyDays)}`
}
const stands = computed(() => {
  const { ownLadder: own } = props.animal
  const { index, step, everyDays } = at.value
  const meal = step.meal.map(m => tellPortion(house.almanac, m)).join(' and ')
  const set = own ? `, set ${formatDay(own.day, house.today)}` : ''
  if (byWeight.value) return `Prey by its weight, ${every(everyDays)}${own?.everyDays ? set : ''}`
  return `Step ${index + 1} of ${species.value.ladder.length}: ${meal}, ${every(everyDays)}${set}`
})
const proposal = computed(() => {
  const { to, way } = proposed.value?.value ?? {}
  return to === undefined ? '' : `${way === 'up' ? 'Ready for' : 'Back to'} step ${to + 1}: ${rung(to)}`
})

const BY_AGE = 'age'
const step = ref<string>(BY_AGE)
const everyDays = ref<number | null>(null)
watch(
  () => props.animal.ownLadder,
  own => {
    step.value = own?.step == null ? BY_AGE : String(own.step)
    everyDays.value = own?.everyDays ?? null
  },
  { immediate: true },
)
const steps = computed(() => [
  { value: BY_AGE, label: 'By its age' },
  ...species.value.ladder.map((_, i) => ({ value: String(i), label: `${i + 1}: ${rung(i)}` })),
])
const put = (to: number | null, every: number | null) =>
  record(
    {
      kind: 'ladderSet',
      subject: { type: 'animal', id: props.animal.id },
      data: { step: to === null ? null : to + 1, everyDays: every },
    },
    `${props.animal.tag}: ${to === null ? 'ladder by its age' : `step ${to + 1} of the ladder`}`,
  )
const take = () => put(proposed.value!.value.to, props.animal.ownLadder?.everyDays ?? null)
const set = () => put(step.value === BY_AGE ? null : Number(step.value), everyDays.value)
</script>

<template>
  <div class="ladder">
    <p>{{ stands }}</p>
    <p v-if="proposed" class="proposal">
      <WorkingLink
        :title="`${animal.tag}: ${proposed.value.way} a step`"
        :answer="proposal"
        :reasons="proposed.reasons"
      />
      <UButton size="sm" :label="proposed.value.way === 'up' ? 'Go up' : 'Go back'" :loading="busy" @click="take" />
    </p>
    <Fold summary="Set it otherwise">
      <form class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="set">
        <UFormField v-if="!byWeight" label="Step"
          ><USelect v-model="step" :items="steps" class="w-72 max-w-full"
        /></UFormField>
        <UFormField label="Days between meals" :hint="`${at.step.everyDays} by its step`"
          ><UInputNumber
            v-model="everyDays"
            :min="1"
            :max="120"
            class="w-full"
            aria-label="Days between meals"
            placeholder="as its step"
        /></UFormField>
        <UButton type="submit" label="Set" variant="outline" color="neutral" :loading="busy" />
      </form>
    </Fold>
  </div>
</template>

<style scoped>
.proposal {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: center;
  margin-top: 0.25rem;
}
</style>
