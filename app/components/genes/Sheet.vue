<script setup lang="ts">
import { genotypesOf, lookOf, looksOf, unstatedPercent } from '#core/genetics'
import { computedInput, entryInput, factInput, type Reason } from '#core/judgement'
import type { AnimalState } from '#core/subjects'
import { geneOf, lociOf, type AnimalGene, type HouseLocus } from '#core/season'
import { formatDay } from '#core/units'

/** What an animal carries at each locus, by what was stated and seen of it and its family. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()

const rows = computed(() =>
  lociOf(house.house, house.almanac, props.animal.speciesId).map(locus => ({
    locus,
    gene: geneOf(house.house, locus, props.animal),
  })),
)

function reasonsOf(locus: HouseLocus, gene: AnimalGene): Reason[] {
  const { animal } = props
  const stated = animal.genes[locus.id]
  const look = animal.looks[locus.id]
  const parents = animal.damId !== null || animal.sires.length > 0
  return [
    ...(gene.contradiction
      ? [{ rule: gene.contradiction, inputs: [], change: 'Take back the statement that is wrong' }]
      : []),
    {
      rule: stated || look ? 'What was stated and seen of it' : 'Nothing was stated or seen of it itself',
      inputs: [
        ...(stated
          ? [
              entryInput(
                'Stated',
                `${stated.alleles.join('/')}${stated.chance < 1 ? `, ${Math.round(stated.chance * 100)} %` : ''}, ${formatDay(stated.day, house.today)}`,
                stated,
              ),
            ]
          : []),
        ...(look ? [entryInput('Looks', `${look.look || 'wild'}, ${formatDay(look.day, house.today)}`, look)] : []),
      ],
      ...(stated &&
        stated.chance < 1 &&
        parents && { change: 'A possible genotype counts only where nothing is known of its forebears’ genes' }),
    },
    {
      rule: `Exact Bayes over its family: ${gene.relatives} relatives that say something (variable elimination)${gene.cut ? '; more distant ones left out' : ''}`,
      inputs: [
        computedInput('Parents', parents ? 'known' : 'not known'),
        house.house.loci[locus.id]?.unstatedShare === undefined
          ? factInput(
              'Share of an allele where nothing is known',
              'common.unstatedShare.value',
              house.almanac.common.unstatedShare!,
            )
          : computedInput('Unstated stock carries', `${unstatedPercent(locus)} % of each allele, as said of the locus`),
      ],
      change: 'Looks of its young, counted or by card; parents stated',
    },
  ]
}

const chance = reactive<Record<string, number>>({})
function state(locus: HouseLocus, told: string): void {
  const item = genotypeItems(locus, props.animal.sex).find(i => i.value === told)!
  const share = (chance[locus.id] ?? 100) / 100
  void record(
    {
      kind: 'geneStated',
      subject: { type: 'animal', id: props.animal.id },
      data: { locusId: locus.id, alleles: item.signs, chance: share },
    },
    `${props.animal.tag}: ${told}${share < 1 ? `, ${Math.round(share * 100)} %` : ''}`,
  )
}
const lookItems = (locus: HouseLocus) => looksOf(locus).map(look => ({ value: look || 'wild', label: look || 'wild' }))
const seeLook = (locus: HouseLocus, value: string) =>
  record(
    {
      kind: 'lookSeen',
      subject: { type: 'animal', id: props.animal.id },
      data: { locusId: locus.id, look: value === 'wild' ? '' : value },
    },
    `${props.animal.tag}: looks ${value}`,
  )
/** The chance of each look, for one that nobody has looked at. */
const likelyLook = (locus: HouseLocus, gene: AnimalGene) => {
  const by = new Map<string, number>()
  genotypesOf(locus).forEach((g, i) => by.set(lookOf(locus, g), (by.get(lookOf(locus, g)) ?? 0) + gene.belief[i]!))
  return [...by].sort((a, b) => b[1] - a[1])[0]![0] || 'wild'
}
</script>

<template>
  <div class="genes">
    <p v-if="!rows.length" class="quiet">
      No locus of this species is named yet. <NuxtLink to="/genes" class="underline">Name one under Genes</NuxtLink>.
    </p>
    <article v-for="{ locus, gene } in rows" :key="locus.id" :data-locus="locus.name">
      <h2>
        {{ locus.name }}
        <span class="quiet small">{{ locus.linkage === 'autosomal' ? '' : `linked to ${locus.linkage}` }}</span>
      </h2>
      <p>
        <WorkingLink
          :title="`${animal.tag}: ${locus.name}`"
          :answer="tellBelief(locus, gene.belief)"
          :reasons="reasonsOf(locus, gene)"
        />
        <span class="quiet">looks {{ likelyLook(locus, gene) }}</span>
      </p>
      <p v-if="gene.contradiction" class="harm">{{ gene.contradiction }}</p>
      <div class="line">
        <RecordPick
          :key="animal.looks[locus.id]?.entryId ?? 'none'"
          :items="lookItems(locus)"
          placeholder="Looks …"
          class="w-40"
          :name="`${locus.name}: look seen`"
          :disabled="busy"
          @update:model-value="seeLook(locus, $event)"
        />
        <RecordPick
          :key="animal.genes[locus.id]?.entryId ?? 'none'"
          :items="genotypeItems(locus, animal.sex)"
          placeholder="State genotype …"
          class="w-52"
          :name="`${locus.name}: state genotype`"
          :disabled="busy"
          @update:model-value="state(locus, $event)"
        />
        <label class="small"
          >by
          <UInputNumber
            :model-value="chance[locus.id] ?? 100"
            :min="1"
            :max="100"
            class="w-28"
            :aria-label="`${locus.name}: chance of the genotype, %`"
            @update:model-value="chance[locus.id] = $event ?? 100"
          />
          %</label
        >
      </div>
    </article>
    <p v-if="rows.length">
      <NuxtLink :to="`/genes?${animal.sex === 'male' ? 'sire' : 'dam'}=${animal.id}`" class="underline"
        >Its young with another, in the calculator</NuxtLink
      >
    </p>
  </div>
</template>

<style scoped>
.genes {
  display: grid;
  gap: 0.25rem;
  max-width: 46rem;
}
article {
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--ui-border);
  display: grid;
  gap: 0.375rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.line label {
  display: flex;
  gap: 0.375rem;
  align-items: center;
  color: var(--ui-text-muted);
}
.harm {
  color: var(--harm);
}
@media (max-width: 640px) {
  .line :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
