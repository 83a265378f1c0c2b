<script setup lang="ts">
import { SEX_PROOFS, type AnimalState, type SexProof } from '#core/subjects'
import { sexOf } from '#core/season'
import { nextEvidence, type NextEvidence } from '#core/sexing'

/** What an animal is, by all that was seen; what to look at next; and writing it. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const context = useSeasonContext()
const { record, busy } = useRecord()

const species = computed(() => house.almanac.species[props.animal.speciesId]!)
const judged = computed(() => sexOf(props.animal, context.value))
const verdict = computed(() => judged.value.value)
const next = computed(() => nextEvidence(species.value, house.almanac, props.animal, verdict.value, house.today))
const percent = (p: number) => `${Number((p * 100).toFixed(p > 0.995 && p < 1 ? 2 : 1))} %`
const answer = computed(() => {
  const v = verdict.value
  const word = v.sex === 'male' ? 'Male' : 'Female'
  if (v.state === 'proven') return `${word}, proven`
  if (v.chance < 0.55) return `Open: nothing tells yet`
  return `${word}, ${percent(v.chance)}: ${v.state === 'certain' ? 'past' : 'not yet at'} the ${percent(house.settings.sexCertainty)} at which this house takes it as known`
})
const settled = computed(() => props.animal.sex)

const about = computed(() => ({ type: 'animal' as const, id: props.animal.id }))
const write = (kind: string, data: Record<string, unknown>, says: string) =>
  record({ kind, subject: about.value, data }, `${props.animal.tag}: ${says}`)
const signOf = (offer: NextEvidence) => (offer.sort.startsWith('sign:') ? offer.sort.slice(5) : null)
const unreadable = computed(() => next.value.value.not)

const tail = reactive({ tailMm: undefined as number | undefined, totalMm: undefined as number | undefined })
async function writeTail(): Promise<void> {
  if (
    tail.tailMm &&
    tail.totalMm &&
    (await write(
      'tailMeasured',
      { tailMm: tail.tailMm, totalMm: tail.totalMm },
      `tail ${tail.tailMm} of ${tail.totalMm} mm`,
    ))
  )
    tail.tailMm = tail.totalMm = undefined
}
const PROOFS: Record<SexProof, { label: string; says: ('male' | 'female')[] }> = {
  eggs: { label: 'laid eggs', says: ['female'] },
  birth: { label: 'gave birth', says: ['female'] },
  sperm: { label: 'seen giving sperm', says: ['male'] },
  sired: { label: 'sired young', says: ['male'] },
  ultrasound: { label: 'ultrasound', says: ['female', 'male'] },
  dna: { label: 'DNA', says: ['female', 'male'] },
}
const proofItems = SEX_PROOFS.flatMap(p =>
  PROOFS[p].says.map(says => ({
    value: `${p}|${says}`,
    label: `${says === 'male' ? 'Male' : 'Female'}: ${PROOFS[p].label}`,
  })),
)
function prove(key: string): void {
  const [proof, says] = key.split('|') as [SexProof, string]
  void write('sexProved', { proof, says }, `${says}, ${PROOFS[proof].label}`)
}
</script>

<template>
  <div class="sex">
    <p class="answer"><WorkingLink :title="`${animal.tag}: sex`" :answer="answer" :reasons="judged.reasons" /></p>
    <p v-if="settled !== 'unknown' && verdict.state !== 'proven'" class="quiet">
      Counts as {{ settled }} in the house{{ animal.sexSettled ? ', taken so by you' : ', as it came' }}.
    </p>
    <p v-for="c in verdict.contradictions" :key="c" class="harm">
      <UIcon name="i-lucide-triangle-alert" class="size-4" /> {{ c }} Best look again, and at the tag.
    </p>
    <SexingOddsBars v-if="verdict.pieces.length || Math.abs(verdict.prior.logOdds) > 0.001" :verdict="verdict" />
    <div v-if="verdict.state !== 'proven'" class="buttons">
      <UButton
        v-for="sex in (['female', 'male'] as const).filter(s => s !== settled)"
        :key="sex"
        :label="`Take as ${sex}`"
        size="sm"
        :variant="
          verdict.sex !== sex && verdict.chance > 0.6 ? 'ghost' : verdict.state === 'certain' ? 'solid' : 'outline'
        "
        :color="verdict.state === 'certain' && verdict.sex === sex ? 'primary' : 'neutral'"
        :disabled="busy"
        @click="write('sexSettled', { sex }, `taken as ${sex}`)"
      />
      <UButton
        v-if="settled !== 'unknown'"
        label="Leave open"
        size="sm"
        variant="ghost"
        color="neutral"
        :disabled="busy"
        @click="write('sexSettled', { sex: 'unknown' }, 'sex open again')"
      />
    </div>

    <details v-if="next.value.offers.length" :open="verdict.state === 'open'">
      <summary>{{ verdict.state === 'open' ? 'What to look at next' : 'Look at more' }}</summary>
      <p class="how">
        <WorkingLink
          :title="`${animal.tag}: what to look at next`"
          answer="In order of what would tell most"
          :reasons="next.reasons"
        />
      </p>
      <ol class="next">
        <li v-for="offer in next.value.offers" :key="offer.sort" :data-offer="offer.sort">
          <span class="gain" aria-hidden="true"
            ><span :style="{ width: `${Math.max(2, offer.gainBits * 100)}%` }"
          /></span>
          <span class="name"
            >{{ offer.name }} <small>settles it {{ Math.round(offer.settles * 100) }} times in 100</small
            ><small v-if="offer.caution" class="caution">{{ offer.caution }}</small></span
          >
          <span class="do">
            <RecordAskNumber
              v-if="offer.sort === 'probe'"
              label="Scales passed"
              :title="`${animal.tag}: scales passed by the probe`"
              :busy="busy"
              @record="write('probed', { scales: $event }, `probed, ${$event} scales`)"
            />
            <RecordAskNumber
              v-else-if="offer.sort === 'subcaudals'"
              label="Count"
              :title="`${animal.tag}: scales under the tail`"
              :busy="busy"
              @record="write('subcaudalsCounted', { scales: $event }, `${$event} subcaudals`)"
            />
            <form v-else-if="offer.sort === 'tail'" class="tail" @submit.prevent="writeTail">
              <UInput
                v-model.number="tail.tailMm"
                type="number"
                inputmode="decimal"
                placeholder="tail"
                aria-label="Tail, mm"
                class="w-20"
              /><span>of</span
              ><UInput
                v-model.number="tail.totalMm"
                type="number"
                inputmode="decimal"
                placeholder="total"
                aria-label="Total length, mm"
                class="w-20"
              /><span>mm</span>
              <UButton
                type="submit"
                label="Record"
                variant="outline"
                color="neutral"
                :disabled="busy || !tail.tailMm || !tail.totalMm"
              />
            </form>
            <template v-else>
              <UButton
                v-for="says in ['female', 'male'] as const"
                :key="says"
                :label="says === 'male' ? 'Male' : 'Female'"
                :aria-label="`${offer.name}: ${says}`"
                variant="outline"
                color="neutral"
                :disabled="busy"
                @click="write('sexSignSeen', { sign: signOf(offer), says }, `${offer.name.toLowerCase()}, ${says}`)"
              />
            </template>
          </span>
        </li>
      </ol>
    </details>
    <p v-for="n in unreadable" :key="n.name" class="quiet small">{{ n.name }}: {{ n.why }}</p>
    <div class="buttons proof">
      <RecordPick
        :key="animal.sexEvidence.length"
        :items="proofItems"
        placeholder="A proof …"
        class="w-60"
        name="Record a proof"
        @update:model-value="prove($event)"
      />
    </div>
    <SexingGuide :animal="animal" />
  </div>
</template>

<style scoped>
.sex {
  display: grid;
  gap: 0.75rem;
  max-width: 46rem;
}
.answer {
  font-size: 1.0625rem;
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.harm {
  color: var(--harm);
}
.how {
  color: var(--ui-text-muted);
  margin-bottom: 0.25rem;
}
summary {
  cursor: pointer;
  font-weight: 650;
  color: var(--ui-text-highlighted);
  padding: 0.375rem 0;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.next li {
  display: grid;
  grid-template-columns: 5rem minmax(0, 1fr) auto;
  gap: 0.25rem 0.75rem;
  align-items: center;
  padding: 0.375rem 0;
  border-top: 1px solid var(--ui-border);
}
.gain {
  height: 0.5rem;
  background: var(--ui-bg-accented);
  display: block;
}
.gain span {
  display: block;
  height: 100%;
  background: var(--ui-text-muted);
}
small {
  display: block;
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
}
.do,
.tail {
  display: flex;
  gap: 0.375rem;
  align-items: center;
  flex-wrap: wrap;
}
@media (max-width: 640px) {
  .next li {
    grid-template-columns: 3rem minmax(0, 1fr);
  }
  .do {
    grid-column: 1 / -1;
  }
  .do :deep(button),
  .buttons :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
