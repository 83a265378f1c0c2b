<script setup lang="ts">
import { carries, carriesAfter, youngToProve } from '#core/genetics'
import { computedInput, type Reason } from '#core/judgement'
import type { HouseLocus } from '#core/season'
import { geneOf } from '#core/season'

/** How many young without the look it takes to say that an animal does not carry. */
const props = defineProps<{ speciesId: string; loci: HouseLocus[] }>()
const house = useHouse()

const recessives = computed(() =>
  props.loci.flatMap(l =>
    l.alleles.flatMap((a, i) =>
      a.mode === 'recessive' && l.linkage === 'autosomal'
        ? [{ value: `${l.id}|${i + 1}`, label: `${l.name}: ${a.look}`, locus: l, allele: i + 1 }]
        : [],
    ),
  ),
)
const key = ref('')
watch(
  recessives,
  list => {
    if (!list.some(x => x.value === key.value)) key.value = list[0]?.value ?? ''
  },
  { immediate: true },
)
const chosen = computed(() => recessives.value.find(x => x.value === key.value) ?? null)
const INVENTED = 'invented'
const animalId = ref(INVENTED)
watch(
  () => props.speciesId,
  () => {
    animalId.value = INVENTED
  },
)
const possible = computed(() =>
  chosen.value
    ? Object.values(house.house.animals)
        .filter(a => house.isOneSpecies(a.speciesId, props.speciesId) && a.status === 'alive')
        .map(a => ({
          a,
          p: carries(chosen.value!.locus, geneOf(house.house, chosen.value!.locus, a).belief, chosen.value!.allele),
        }))
        .filter(x => x.p > 0.02 && x.p < 0.98)
        .sort((x, y) => y.p - x.p)
    : [],
)
const items = computed(() => [
  { value: INVENTED, label: 'An invented one' },
  ...possible.value.map(x => ({ value: x.a.id, label: `${x.a.tag}, ${Math.round(x.p * 100)} %` })),
])
const ownChance = ref(66)
const prior = computed(() =>
  animalId.value === INVENTED ? ownChance.value / 100 : (possible.value.find(x => x.a.id === animalId.value)?.p ?? 0.5),
)
const mate = ref<'shows' | 'carries'>('shows')
const shows = computed(() => (mate.value === 'shows' ? 0.5 : 0.25))
const seen = ref(0)
const now = computed(() => carriesAfter(prior.value, shows.value, seen.value))
const proofs = computed(() => [0.95, 0.99].map(level => ({ level, ...youngToProve(now.value, shows.value, level) })))
const reasons = computed((): Reason[] => [
  {
    rule: 'Bayes: a carrier shows nothing in n young with the chance (1 − s)ⁿ; one that does not carry never shows it',
    inputs: [
      computedInput('Chance before', `${(prior.value * 100).toFixed(1)} %`),
      computedInput(
        's, a carrier’s young shows it',
        `${shows.value * 100} %: the mate ${mate.value === 'shows' ? 'shows it' : 'carries it'}`,
      ),
      computedInput('n, young without the look', `${seen.value}`),
    ],
    change: 'One young that shows it proves it at once',
  },
  {
    rule: 'Disproved once the chance left is at most 5 % or 1 %; a carrier would show within so many young by 1 − (1 − s)ⁿ, whatever was thought before (textbook of test matings)',
    inputs: proofs.value.map(p =>
      computedInput(
        `${p.level * 100} %`,
        `${Number.isFinite(p.toDisprove) ? p.toDisprove : 'never'}; ${p.toDetect} by the textbook`,
      ),
    ),
  },
])
const tell = (n: number) => (Number.isFinite(n) ? `${n} more` : 'never: it is known to carry')
</script>

<template>
  <section v-if="chosen" aria-label="Proving" class="proving">
    <h2>Proving: does it carry?</h2>
    <p class="line">
      <RecordPick v-model="key" :items="recessives" class="w-44" name="Look to prove" />
      in <RecordPick v-model="animalId" :items="items" class="w-48" name="Animal to prove" />
      <template v-if="animalId === INVENTED"
        >possible by
        <UInputNumber v-model="ownChance" :min="1" :max="99" class="w-28" aria-label="Chance that it carries, %" />
        %</template
      >
    </p>
    <p class="line">
      with a mate that
      <USelect
        v-model="mate"
        :items="[
          { value: 'shows', label: 'shows it' },
          { value: 'carries', label: 'carries it' },
        ]"
        class="w-36"
        aria-label="The mate"
      />
      after
      <UInputNumber v-model="seen" :min="0" :max="200" class="w-28" aria-label="Young without the look so far" /> young
      without the look:
    </p>
    <p class="now">
      It carries by
      <WorkingLink
        title="Proving"
        :answer="now > 0.0005 ? `${(now * 100).toFixed(1)} %` : 'under 0.1 %'"
        :reasons="reasons"
      />.
    </p>
    <ul data-testid="proving">
      <li v-for="p in proofs" :key="p.level">
        <b>{{ p.level * 100 }} %</b>:
        {{ p.toDisprove === 0 ? 'disproved already' : `${tell(p.toDisprove)} without the look disprove it` }}
        <span class="quiet">(a carrier would show within {{ p.toDetect }} by {{ p.level * 100 }} %)</span>
      </li>
    </ul>
    <p class="quiet small">One young that shows it proves it at once.</p>
  </section>
</template>

<style scoped>
.proving {
  display: grid;
  gap: 0.5rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem 0.5rem;
  align-items: center;
}
.now {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
</style>
