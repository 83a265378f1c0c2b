<script setup lang="ts">
import type { judgeEligibility } from '#core/brumation'
import type { AnimalState } from '#core/subjects'

/** Who goes into a winter, with what speaks for or against each. */
defineProps<{
  candidates: readonly { animal: AnimalState; cold: boolean; judged: ReturnType<typeof judgeEligibility> }[]
}>()
const chosen = defineModel<string[]>({ required: true })
const FIT = { cool: 'fit', shorten: 'shortly', notYet: 'not yet', keepUp: 'keep up' } as const
</script>

<template>
  <fieldset>
    <legend>Who goes</legend>
    <p v-if="!candidates.length" class="quiet small">No animal of this species is free.</p>
    <label v-for="{ animal, cold, judged } in candidates" :key="animal.id" :class="judged.value.fitness">
      <input v-model="chosen" type="checkbox" :value="animal.id" :disabled="cold" />
      <span
        ><span class="tag">{{ animal.tag }}</span>
        <WorkingLink
          v-if="!cold"
          :title="`${animal.tag}: may it be cooled?`"
          :answer="`${FIT[judged.value.fitness]}: ${judged.value.text}`"
          :reasons="judged.reasons"
          ><b>{{ FIT[judged.value.fitness] }}</b
          >: {{ judged.value.text }}</WorkingLink
        ><span v-else class="quiet">in the cold already</span></span
      >
    </label>
  </fieldset>
</template>

<style scoped>
legend {
  font-weight: 600;
}
label {
  display: flex;
  gap: 0.625rem;
  align-items: center;
  min-height: 2.5rem;
  border-bottom: 1px solid var(--ui-border);
}
input[type='checkbox'] {
  accent-color: var(--ui-primary);
  width: 1.25rem;
  height: 1.25rem;
  flex: none;
}
</style>
