<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { lookOf, unstatedPercent } from '#core/genetics'
import { lociOf, type HouseLocus } from '#core/season'

const house = useHouse()
const route = useRoute()
const { record, busy } = useRecord()

const speciesItems = computed(() => {
  const here = new Set([
    ...Object.values(house.house.loci)
      .filter(l => !l.dropped)
      .map(l => house.rootOf(l.speciesId)),
    ...Object.values(house.house.animals).map(a => house.rootOf(a.speciesId)),
  ])
  return house.speciesSorted
    .filter(s => !s.typeOf && (!s.retired || here.has(s.id)))
    .map(s => ({ value: s.id, label: s.name, here: here.has(s.id) }))
    .sort((a, b) => Number(b.here) - Number(a.here))
})
const speciesId = useLocalStorage('genes-species', 'california-kingsnake')
watch(
  () => [route.query.dam, route.query.sire],
  ids => {
    const id = ids.find(x => typeof x === 'string' && house.house.animals[x])
    if (typeof id === 'string') speciesId.value = house.rootOf(house.house.animals[id]!.speciesId)
  },
  { immediate: true },
)
const loci = computed(() => lociOf(house.house, house.almanac, speciesId.value))
const naming = ref(false)
const changing = ref<string | null>(null)
const changed = computed(() => (changing.value ? (house.house.loci[changing.value] ?? null) : null))
function edit(id: string | null): void {
  changing.value = id
  naming.value = true
}
const MODE = { recessive: 'recessive', dominant: 'dominant', incomplete: 'incomplete dominant' } as const
const tellShare = (l: HouseLocus) =>
  house.house.loci[l.id]?.unstatedShare === undefined ? '' : `; ${unstatedPercent(l)} % of each where nothing is known`
const tellAlleles = (l: HouseLocus) =>
  l.alleles
    .map(
      (a, i) =>
        `${a.sign}: ${a.look}, ${MODE[a.mode]}${a.doubleLook ? `, doubled ${lookOf(l, [i + 1, i + 1])}` : ''}${a.double === 'well' ? '' : a.double === 'weak' ? ', doubled weak' : ', doubled lethal'}`,
    )
    .join('; ')
</script>

<template>
  <div class="screen">
    <header>
      <h1>What may their young look like?</h1>
      <RecordPick v-model="speciesId" :items="speciesItems" class="w-64" name="Species" />
    </header>
    <template v-if="loci.length">
      <GenesCalculator :species-id="speciesId" :loci="loci" />
      <GenesProving class="part" :species-id="speciesId" :loci="loci" />
      <GenesRouteTo class="part" :species-id="speciesId" :loci="loci" />
    </template>
    <div v-else class="quiet empty">
      <p>
        No locus of the {{ house.speciesName(speciesId) }} is named yet. Name one: its alleles, how they show, and what
        harms in double form. Then two animals, of the house or invented, show what their young may be.
      </p>
      <UButton label="Name a locus" class="mt-3" @click="edit(null)" />
    </div>
    <section v-if="loci.length" class="part" aria-label="Loci">
      <h2>Loci of the {{ house.speciesName(speciesId) }}</h2>
      <ul class="list">
        <li v-for="l in loci" :key="l.id" :data-locus-row="l.name">
          <span
            ><b>{{ l.name }}</b>
            <span class="quiet"
              >{{ l.linkage === 'autosomal' ? '' : `on ${l.linkage}, ` }}{{ tellAlleles(l) }}{{ tellShare(l) }}</span
            ><span v-if="l.note" class="quiet small note">{{ l.note }}</span></span
          >
          <span class="do">
            <UButton
              label="Change"
              size="sm"
              variant="outline"
              color="neutral"
              :aria-label="`Change ${l.name}`"
              @click="edit(l.id)"
            />
            <UButton
              label="Drop"
              size="sm"
              variant="ghost"
              color="neutral"
              :aria-label="`Drop ${l.name}`"
              :disabled="busy"
              @click="
                record(
                  { kind: 'locusDropped', subject: { type: 'locus', id: l.id }, data: {} },
                  `Locus ${l.name} dropped`,
                )
              "
            />
          </span>
        </li>
      </ul>
      <UButton
        label="Name a locus"
        icon="i-lucide-plus"
        size="sm"
        variant="outline"
        color="neutral"
        class="mt-2"
        @click="edit(null)"
      />
    </section>
    <GenesLocusForm v-model:open="naming" :species-id="speciesId" :locus="changed" />
  </div>
</template>

<style scoped>
.part {
  margin-top: 2rem;
  border-top: 1px solid var(--ui-border);
  padding-top: 0.875rem;
}
.empty {
  padding: 1rem 0;
  max-width: 40rem;
}
.list li {
  display: flex;
  gap: 0.5rem 1rem;
  justify-content: space-between;
  align-items: center;
  padding: 0.375rem 0;
  border-bottom: 1px solid var(--ui-border);
  flex-wrap: wrap;
}
.note {
  display: block;
}
.do {
  display: flex;
  gap: 0.375rem;
}
@media (max-width: 800px) {
  .do :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
