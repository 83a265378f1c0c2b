<script setup lang="ts">
import type { Cold, Species } from '#core/almanac'
import { fromBase, toBase } from '#core/units'

/** What a group does otherwise than its species usually: fast, steps, warmth, length and light. */
const props = defineProps<{ species: Species }>()
const ways = defineModel<GroupWays>({ required: true })
const house = useHouse()

type Numbered = 'gutClearDays' | 'stepDownDays' | 'holdC' | 'holdDays' | 'lightHours'
interface Field {
  key: Numbered
  label: string
  min: number
  max: number
  step?: number
  usual: (cold: Cold) => number
  /** A temperature: typed and shown in the unit that the house reads. */
  warmth?: true
}
const unit = computed(() => house.settings.tempUnit)
const FIELDS: readonly Field[] = [
  { key: 'gutClearDays', label: 'Fast, days', min: 0, max: 60, usual: c => c.gutClearDays.likely },
  { key: 'stepDownDays', label: 'Cool down over, days', min: 0, max: 60, usual: c => c.stepDownDays.value },
  { key: 'holdC', label: 'Hold', min: 2, max: 30, step: 0.5, usual: c => c.holdC.value, warmth: true },
  { key: 'holdDays', label: 'Length, days', min: 0, max: 250, usual: c => Math.round(c.weeks.likely * 7) },
  { key: 'lightHours', label: 'Light in the hold, h', min: 0, max: 24, step: 0.5, usual: c => c.lightHours.value },
]
const shown = ({ warmth }: Field, value: number) => (warmth ? Number(fromBase(value, unit.value).toFixed(1)) : value)
const said = ({ key, warmth }: Field, value: number | null | undefined) => {
  const read = value ?? undefined
  ways.value[key] = warmth && read !== undefined ? Number(toBase(read, unit.value).toFixed(2)) : read
}
const WARM = [
  { value: 'atOnce', label: 'At once' },
  { value: 'steps', label: 'In steps' },
  { value: 'gradual', label: 'Gradually' },
]
const rests = computed(() => props.species.winter === 'dormancy')
const pairing = computed(() => house.almanac.schools.pairAfterCold!.choices.map(c => ({ value: c.id, label: c.name })))
</script>

<template>
  <details>
    <summary>Own ways of this group</summary>
    <div class="ways">
      <UFormField
        v-for="field in FIELDS"
        :key="field.key"
        :label="field.warmth ? `${field.label}, ${unit}` : field.label"
        ><UInputNumber
          :model-value="ways[field.key] === undefined ? undefined : shown(field, ways[field.key]!)"
          :min="Math.round(shown(field, field.min))"
          :max="Math.round(shown(field, field.max))"
          :step-snapping="false"
          :step="field.step ?? 1"
          :placeholder="species.cold ? String(shown(field, field.usual(species.cold))) : ''"
          class="w-full"
          @update:model-value="said(field, $event)"
      /></UFormField>
      <template v-if="!rests">
        <UFormField label="Warm up"
          ><USelect v-model="ways.warmUp" :items="WARM" placeholder="as the house does" class="w-full"
        /></UFormField>
        <UFormField label="Pair after it"
          ><USelect v-model="ways.pairAfterCold" :items="pairing" placeholder="as the house does" class="w-full"
        /></UFormField>
      </template>
    </div>
    <UButton label="Back to the species’ usual" size="sm" variant="ghost" color="neutral" @click="ways = {}" />
  </details>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
  padding: 0.5rem 0;
}
summary {
  cursor: pointer;
  min-height: 2.75rem;
  display: flex;
  align-items: center;
  text-decoration: underline;
}
</style>
