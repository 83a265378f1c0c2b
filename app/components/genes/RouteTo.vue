<script setup lang="ts">
import { genotypesOf, type RouteStep, type Stock } from '#core/genetics'
import { computedInput, factInput, type Reason } from '#core/judgement'
import type { HouseLocus } from '#core/season'
import { inbreeding, pedigreeOf } from '#core/pedigree'
import { geneOf, kinOf } from '#core/season'
import { counted } from '#core/units'

/** The cheapest way from the animals at hand to a wished genotype, over generations. */
const props = defineProps<{ speciesId: string; loci: HouseLocus[] }>()
const house = useHouse()
const { routes, running, problem, search, stop } = useRoutes()

const ANY = 'any'
const wish = ref<Record<string, string>>({})
watch(
  () => props.speciesId,
  () => {
    wish.value = {}
    routes.value = null
  },
)
const wished = computed(() => props.loci.filter(l => (wish.value[l.id] ?? ANY) !== ANY))
const items = (l: HouseLocus) => [
  { value: ANY, label: 'any' },
  ...genotypeItems(l, 'unknown').map(({ value, label }) => ({ value, label })),
]
const species = computed(() => house.almanac.species[props.speciesId]!)
const years = computed(
  () => ((species.value.mating?.femaleFromDays.value ?? species.value.matureDays.value) + 90) / 365.25,
)

const stock = computed<Stock[]>(() =>
  Object.values(house.house.animals)
    .filter(a => house.isOneSpecies(a.speciesId, props.speciesId) && a.status === 'alive' && a.sex !== 'unknown')
    .map(a => ({
      id: a.id,
      sex: a.sex as 'female' | 'male',
      beliefs: wished.value.map(l => {
        const { belief } = geneOf(house.house, l, a)
        // the rare unknown of unstated stock is no plan to build on
        const kept = belief.map(p => (p < 0.05 ? 0 : p))
        const total = kept.reduce((x, y) => x + y, 0)
        return total > 0 ? kept.map(p => p / total) : genotypesOf(l).map((_, i) => (i === 0 ? 1 : 0))
      }),
    })),
)
const tag = (id: string) => house.house.animals[id]?.tag ?? '?'
const parent = (p: RouteStep['dam'], steps: RouteStep[]) =>
  'stockId' in p ? tag(p.stockId) : `the ${steps[p.step]!.keep} kept in step ${p.step + 1}`

/** Inbreeding of what comes out, by the pedigree as it would be. */
function inbreedingOf(steps: RouteStep[]): number {
  const list = [...kinOf(house.house).animals.values()]
  const idOf = (p: RouteStep['dam']) => ('stockId' in p ? p.stockId : `step ${p.step}`)
  steps.forEach((s, i) => list.push({ id: `step ${i}`, damId: idOf(s.dam), sires: [{ id: idOf(s.sire), chance: 1 }] }))
  const p = pedigreeOf(list)
  return inbreeding(p).f[p.index.get(`step ${steps.length - 1}`)!]!
}
const shown = computed(() => (routes.value ?? []).map(r => ({ ...r, f: inbreedingOf(r.steps) })))
const reasons = computed((): Reason[] => [
  {
    rule: 'For each number of generations the plan with the fewest young: least cost of each genotype and sex from those of the generation before (exact dynamic programming, within the reckoning below)',
    inputs: [
      computedInput('Animals at hand', `${stock.value.length} of known sex`),
      computedInput('Loci', wished.value.map(l => l.name).join(', ')),
    ],
  },
  {
    rule: 'A kept animal costs one over its chance, half for its sex; those that look alike are all kept until one proves itself. Each is raised for its one mating',
    inputs: [],
  },
  {
    rule: 'A generation: until a female may breed, and about three months to the next birth',
    inputs: species.value.mating
      ? [
          factInput(
            'Females from',
            `species.${props.speciesId}.mating.femaleFromDays.value`,
            species.value.mating.femaleFromDays,
          ),
        ]
      : [factInput('Mature', `species.${props.speciesId}.matureDays.value`, species.value.matureDays)],
  },
])
const go = () =>
  search(
    wished.value.map(({ name, speciesId, linkage, alleles, note }) => ({ name, speciesId, linkage, alleles, note })),
    wished.value.map(l => wish.value[l.id]!),
    stock.value,
    years.value,
  )
/** What a way to the wished genotype takes. */
const tellRoute = (r: (typeof shown.value)[number]): string =>
  [
    counted(r.generations, 'generation'),
    `about ${r.years.toFixed(1)} years`,
    `${Math.round(r.young)} young raised`,
    `inbred by ${(r.f * 100).toFixed(1)} %`,
  ].join(', ')
</script>

<template>
  <section aria-label="Route" class="route">
    <h2>The way to a wished genotype</h2>
    <div class="line">
      <label v-for="l in loci" :key="l.id"
        >{{ l.name }}
        <USelect
          :model-value="wish[l.id] ?? ANY"
          :items="items(l)"
          class="w-44"
          :aria-label="`Wished: ${l.name}`"
          @update:model-value="wish = { ...wish, [l.id]: $event }"
      /></label>
      <UButton v-if="!running" label="Find the way" :disabled="!wished.length || wished.length > 3" @click="go" />
      <UButton v-else label="Stop" variant="outline" color="neutral" @click="stop" />
    </div>
    <p v-if="wished.length > 3" class="harm">At most three loci are searched exactly.</p>
    <p v-if="running" role="status" class="quiet">Searching over five generations …</p>
    <p v-if="problem" class="harm">{{ problem }}</p>
    <p v-if="routes && !routes.length" class="quiet">
      No way leads there from the animals at hand within five generations: an allele is missing, or a sex. Bring in
      stock that carries it.
    </p>
    <article v-for="(r, i) in shown" :key="i" data-testid="route">
      <h3>
        <WorkingLink :title="`Way of ${r.generations} generations`" :answer="tellRoute(r)" :reasons="reasons" />
      </h3>
      <ol>
        <li v-for="(s, k) in r.steps" :key="k">
          <b>{{ parent(s.dam, r.steps) }} × {{ parent(s.sire, r.steps) }}</b
          >: keep {{ s.sex ? `a ${s.sex} ` : '' }}<span class="tag">{{ s.keep }}</span
          >, 1 in {{ s.young.toFixed(s.young < 10 ? 1 : 0)
          }}<template v-if="s.holdbacks > 1.01"
            >; it looks like others, keep about {{ s.holdbacks.toFixed(1) }} to have one</template
          >
        </li>
      </ol>
    </article>
    <p v-if="shown.some(r => r.f > 0.0625)" class="quiet small">
      Breeding for looks drives inbreeding and shorter lives: bring unrelated stock in between.
    </p>
  </section>
</template>

<style scoped>
.route {
  display: grid;
  gap: 0.5rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
}
.line label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  color: var(--ui-text-muted);
}
article {
  border-top: 1px solid var(--ui-border);
  padding-top: 0.5rem;
}
h3 {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
ol {
  list-style: decimal;
  padding-left: 1.5rem;
}
li {
  padding: 0.125rem 0;
}
.harm {
  color: var(--harm);
}
</style>
