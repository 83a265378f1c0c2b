<script setup lang="ts">
import type { HouseLocus } from '#core/season'
import type { LookRow } from '#core/genetics'
import { computedInput, factInput, spreadInput, type Reason } from '#core/judgement'
import type { CrossParent } from '~/composables/useCross'

/** The young of two animals, of the house or invented: looks, genotypes, and what a clutch may bring. */
const props = defineProps<{ speciesId: string; loci: HouseLocus[] }>()
const house = useHouse()
const route = useRoute()

const dam = ref<CrossParent>({ animalId: null, genotypes: {} })
const sire = ref<CrossParent>({ animalId: null, genotypes: {} })
watch(
  () => [route.query.dam, route.query.sire],
  ([d, s]) => {
    if (typeof d === 'string' && house.house.animals[d]) dam.value = { animalId: d, genotypes: {} }
    if (typeof s === 'string' && house.house.animals[s]) sire.value = { animalId: s, genotypes: {} }
  },
  { immediate: true },
)
watch(
  () => props.speciesId,
  id => {
    for (const p of [dam, sire])
      if (p.value.animalId) {
        const animal = house.house.animals[p.value.animalId]
        if (!animal || !house.isOneSpecies(animal.speciesId, id)) p.value = { animalId: null, genotypes: {} }
      } else p.value = { animalId: null, genotypes: {} }
  },
)

const used = ref<string[]>([])
watch(
  () => props.loci,
  list => {
    used.value = list.slice(0, 3).map(l => l.id)
  },
  { immediate: true },
)
const chosen = computed(() => props.loci.filter(l => used.value.includes(l.id)))
const { parts, young, clutchOf } = useCross(
  chosen,
  reactive({
    get animalId() {
      return dam.value.animalId
    },
    get genotypes() {
      return dam.value.genotypes
    },
  }) as CrossParent,
  reactive({
    get animalId() {
      return sire.value.animalId
    },
    get genotypes() {
      return sire.value.genotypes
    },
  }) as CrossParent,
)
const beliefs = (side: 'dam' | 'sire') => parts.value.map(p => tellBelief(p.locus, p[side]))

const species = computed(() => house.almanac.species[props.speciesId]!)
const eggs = ref<number>()
const size = computed(() =>
  eggs.value ? { earliest: eggs.value, likely: eggs.value, latest: eggs.value } : species.value.clutchSize,
)
const through = computed(
  () => species.value.fertility.value * species.value.hatchRate.value * (species.value.larvalSurvival?.value ?? 1),
)
const byGenotype = ref(false)
const atLeast = ref(1)

const percent = (p: number) =>
  p === 0
    ? '0 %'
    : p < 0.001
      ? 'under 0.1 %'
      : p > 0.9995 && p < 1
        ? 'over 99.9 %'
        : `${(p * 100).toFixed(p < 0.1 || (p > 0.99 && p < 1) ? 1 : 0)} %`
const tellLooks = (row: { looks: string[]; sex: string | null }) =>
  `${row.sex ? `${row.sex}, ` : ''}${row.looks.filter(Boolean).join(' ') || 'wild look'}`
/** Looks that only unstated stock could bring are folded away. */
const rare = computed(() =>
  dam.value.animalId || sire.value.animalId ? (young.value?.looks ?? []).filter(r => r.chance < 0.01) : [],
)
const withRare = ref(false)
const lookRows = computed(() =>
  (young.value?.looks ?? [])
    .filter(r => withRare.value || !rare.value.includes(r))
    .slice(0, 40)
    .map(row => {
      const clutch = clutchOf(row, size.value, through.value)
      return {
        row,
        name: tellLooks(row),
        chance: row.chance,
        expected: clutch.expected,
        atLeast: clutch.atLeast[atLeast.value - 1] ?? 0,
      }
    }),
)
function reasonsOf(row: LookRow): Reason[] {
  const p = `species.${props.speciesId}`
  return [
    {
      rule: 'Each parent gives one of its two alleles at each locus, by halves; loci taken as unlinked',
      inputs: parts.value.flatMap((x, i) => [
        computedInput(`${x.locus.name}: dam`, tellBelief(x.locus, x.dam)),
        computedInput(`${x.locus.name}: sire`, tellBelief(x.locus, x.sire)),
        computedInput('Look', row.looks[i] || 'wild'),
      ]),
    },
    {
      rule: 'Young of one clutch share their parents: an uncertain parent gives all or nothing, so chances are averaged over what the parents may be, not within one clutch',
      inputs: [computedInput('Share of the young', percent(row.chance))],
    },
    {
      rule: 'Eggs spread by PERT; each comes through by the species’ rates',
      inputs: [
        eggs.value
          ? computedInput('Eggs', `${eggs.value}`)
          : spreadInput('Clutch', `${p}.clutchSize`, species.value.clutchSize),
        factInput('Good eggs', `${p}.fertility.value`, species.value.fertility),
        factInput('Hatch or birth', `${p}.hatchRate.value`, species.value.hatchRate),
      ],
    },
  ]
}
</script>

<template>
  <section aria-label="Calculator">
    <div v-if="loci.length > 1" class="loci" role="group" aria-label="Loci in the calculation">
      <label v-for="l in loci" :key="l.id"><input v-model="used" type="checkbox" :value="l.id" /> {{ l.name }}</label>
    </div>
    <div class="parents">
      <GenesParent v-model="dam" role="dam" :species-id="speciesId" :loci="chosen" :beliefs="beliefs('dam')" />
      <GenesParent v-model="sire" role="sire" :species-id="speciesId" :loci="chosen" :beliefs="beliefs('sire')" />
    </div>
    <template v-if="young">
      <p v-if="young.lost > 1e-9" class="harm">
        <UIcon name="i-lucide-triangle-alert" class="size-4" /> {{ percent(young.lost) }} of the eggs come to nothing:
        the double form does not live.
      </p>
      <p v-if="young.genotypes.some(g => g.weak)" class="harm">
        <UIcon name="i-lucide-triangle-alert" class="size-4" />
        {{ percent(young.genotypes.filter(g => g.weak).reduce((s, g) => s + g.chance, 0)) }} of the young have a weak
        double form. Do not make this pair for looks.
      </p>
      <div class="tools">
        <UButton
          label="Looks"
          size="sm"
          :variant="byGenotype ? 'ghost' : 'subtle'"
          color="neutral"
          :aria-pressed="!byGenotype"
          @click="byGenotype = false"
        />
        <UButton
          label="Genotypes"
          size="sm"
          :variant="byGenotype ? 'subtle' : 'ghost'"
          color="neutral"
          :aria-pressed="byGenotype"
          @click="byGenotype = true"
        />
        <template v-if="!byGenotype">
          <label
            >at least <UInputNumber v-model="atLeast" :min="1" :max="5" class="w-24" aria-label="At least so many"
          /></label>
          <label
            >of
            <UInputNumber
              v-model="eggs"
              :min="1"
              :max="200"
              class="w-28"
              :placeholder="`${size.earliest}–${size.latest}`"
              aria-label="Eggs in the clutch; empty: as the species lays"
            />
            eggs</label
          >
        </template>
      </div>
      <table v-if="!byGenotype" class="plain" data-testid="looks">
        <thead>
          <tr>
            <th>Look</th>
            <th class="num">Share</th>
            <th class="bars" aria-hidden="true" />
            <th class="num">Young expected</th>
            <th class="num">At least {{ atLeast }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in lookRows" :key="r.name" :data-look="r.name">
            <td>{{ r.name }}</td>
            <td class="num">
              <WorkingLink :title="`Young: ${r.name}`" :answer="percent(r.chance)" :reasons="reasonsOf(r.row)" />
            </td>
            <td class="bars" aria-hidden="true"><span :style="{ width: `${r.chance * 100}%` }" /></td>
            <td class="num">{{ r.expected.toFixed(r.expected < 10 ? 1 : 0) }}</td>
            <td class="num">{{ percent(r.atLeast) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="!byGenotype && rare.length" class="quiet small">
        {{ rare.length }} rarer looks, {{ percent(rare.reduce((s, r) => s + r.chance, 0)) }} together, mostly since
        nothing is stated of a parent.
        <UButton
          :label="withRare ? 'Fold away' : 'Show them'"
          size="xs"
          variant="ghost"
          color="neutral"
          @click="withRare = !withRare"
        />
      </p>
      <table v-if="byGenotype" class="plain" data-testid="genotypes">
        <thead>
          <tr>
            <th>Genotype</th>
            <th>Look</th>
            <th class="num">Share</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="g in young.genotypes.slice(0, 60)" :key="`${g.sex}${g.genotypes.join()}`">
            <td>
              <span v-if="g.sex">{{ g.sex }} </span><span class="tag">{{ g.genotypes.join('  ') }}</span>
            </td>
            <td>{{ g.looks.filter(Boolean).join(' ') || 'wild' }}<b v-if="g.weak" class="harm"> weak</b></td>
            <td class="num">{{ percent(g.chance) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="byGenotype && young.genotypes.length + young.left.rows > 60" class="quiet small">
        {{ young.genotypes.length + young.left.rows - 60 }} rarer genotypes are not listed.
      </p>
    </template>
  </section>
</template>

<style scoped>
.loci,
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  align-items: center;
  margin-bottom: 0.75rem;
}
.loci label,
.tools label {
  display: flex;
  gap: 0.375rem;
  align-items: center;
  color: var(--ui-text-muted);
  min-height: 2.25rem;
}
input[type='checkbox'] {
  width: 1.125rem;
  height: 1.125rem;
  accent-color: var(--ui-primary);
}
.parents {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 1rem 2rem;
  margin-bottom: 1rem;
}
.harm {
  color: var(--harm);
  margin-bottom: 0.5rem;
}
.bars {
  width: 24%;
}
.bars span {
  display: block;
  height: 0.75rem;
  background: var(--stage-hatchling);
}
@media (max-width: 700px) {
  .parents {
    grid-template-columns: minmax(0, 1fr);
  }
  th.bars,
  td.bars {
    display: none;
  }
}
</style>
