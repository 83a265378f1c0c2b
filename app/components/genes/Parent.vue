<script setup lang="ts">
import type { HouseLocus } from '#core/season'
import type { CrossParent } from '~/composables/useCross'

/** One parent of the calculator: invented, or an animal of the house, with its genotypes. */
const props = defineProps<{ role: 'dam' | 'sire'; speciesId: string; loci: HouseLocus[]; beliefs: string[] }>()
const parent = defineModel<CrossParent>({ required: true })
const house = useHouse()
const INVENTED = 'invented'
const sex = computed(() => (props.role === 'dam' ? ('female' as const) : ('male' as const)))
const animals = computed(() => [
  { value: INVENTED, label: 'An invented one' },
  ...Object.values(house.house.animals)
    .filter(
      a => house.isOneSpecies(a.speciesId, props.speciesId) && a.sex !== (props.role === 'dam' ? 'male' : 'female'),
    )
    .sort((a, b) => (a.tag < b.tag ? -1 : 1))
    .map(a => ({ value: a.id, label: a.tag })),
])
const KNOWN = 'as known'
const items = (locus: HouseLocus) => [
  ...(parent.value.animalId ? [{ value: KNOWN, label: 'as known of it' }] : []),
  ...genotypeItems(locus, sex.value).map(({ value, label }) => ({ value, label })),
]
function choose(locusId: string, told: string): void {
  const genotypes = { ...parent.value.genotypes }
  if (told === KNOWN) Reflect.deleteProperty(genotypes, locusId)
  else genotypes[locusId] = told
  parent.value = { ...parent.value, genotypes }
}
</script>

<template>
  <fieldset :data-parent="role">
    <legend>{{ role === 'dam' ? 'Dam' : 'Sire' }}</legend>
    <RecordPick
      :model-value="parent.animalId ?? INVENTED"
      :items="animals"
      class="w-full"
      :name="role === 'dam' ? 'Dam' : 'Sire'"
      @update:model-value="parent = { animalId: $event === INVENTED ? null : $event, genotypes: {} }"
    />
    <div v-for="(locus, i) in loci" :key="locus.id" class="row">
      <span>{{ locus.name }}</span>
      <USelect
        :model-value="parent.genotypes[locus.id] ?? (parent.animalId ? KNOWN : inventedGenotype(locus, sex, i === 0))"
        :items="items(locus)"
        class="w-full"
        :aria-label="`${role === 'dam' ? 'Dam' : 'Sire'}: ${locus.name}`"
        @update:model-value="choose(locus.id, $event)"
      />
      <span v-if="parent.animalId && !parent.genotypes[locus.id]" class="quiet small belief">{{ beliefs[i] }}</span>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 0.5rem;
  align-content: start;
}
legend {
  font-weight: 650;
  padding-bottom: 0.25rem;
}
.row {
  display: grid;
  grid-template-columns: 5rem minmax(0, 1fr);
  gap: 0.125rem 0.75rem;
  align-items: center;
}
.belief {
  grid-column: 2;
}
</style>
