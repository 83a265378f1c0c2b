<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computedInput, type Reason } from '#core/judgement'
import type { AnimalState, Origin } from '#core/subjects'
import { inbreedingOf, kinOf, kinshipWith, lineOf } from '#core/season'

/** Where an animal comes from: parents with their doubt, inbreeding, how rare its genes are, and the drawing. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const kin = computed(() => kinOf(house.house))
const tag = (id: string | null) => (id ? (house.house.animals[id]?.tag ?? '?') : 'unknown')
const f = computed(() => inbreedingOf(kin.value, props.animal.id))
const line = computed(() => lineOf(house.house, props.animal.speciesId))
const mean = computed(() => line.value?.meanKinship.get(props.animal.id) ?? null)
const rank = computed(() =>
  line.value && mean.value !== null
    ? [...line.value.meanKinship.values()].filter(m => m < mean.value! - 1e-12).length + 1
    : null,
)
const parentsText = computed(() => {
  const { damId, sires, origin, clonal } = props.animal
  if (origin === 'wild') return 'Wild-caught: a founder.'
  if (clonal) return `Born of ${tag(damId)} alone: her clone.`
  if (!damId && !sires.length) return 'Parents unknown: counts as a founder.'
  return `From ${tag(damId)} × ${sires.length ? sires.map(s => (s.chance < 1 ? `${tag(s.id)} ${Math.round(s.chance * 100)} %` : tag(s.id))).join(' or ') : 'unknown'}.`
})
const fReasons = computed((): Reason[] => [
  {
    rule: 'Inbreeding is the kinship of its parents: the chance that both copies of a gene come from one ancestor. Meuwissen & Luo 1992, Genet. Sel. Evol. 24:305–313; uncertain sires are averaged over',
    inputs: [
      computedInput('Dam', tag(props.animal.damId)),
      ...props.animal.sires.map(s =>
        computedInput(
          `Sire, ${Math.round(s.chance * 100)} %`,
          `${tag(s.id)}, kinship with the dam ${props.animal.damId ? (kinshipWith(kin.value, props.animal.damId, [s.id])[0]! * 100).toFixed(1) : 0} %`,
        ),
      ),
    ],
    change: 'Parents stated of it or of its ancestors',
  },
])
const lineReasons = computed((): Reason[] =>
  line.value
    ? [
        {
          rule: 'Mean kinship with the living of its species, itself included (Ballou & Lacy 1995): the lower, the rarer its genes',
          inputs: [
            computedInput('Living', `${line.value.meanKinship.size}`),
            computedInput('Gene diversity kept', `${(line.value.geneDiversity * 100).toFixed(1)} %`),
            computedInput('As many unrelated founders', line.value.founderEquivalents.toFixed(1)),
            ...line.value.founders
              .slice(0, 8)
              .map(x => computedInput(`From founder ${tag(x.id)}`, `${(x.share * 100).toFixed(1)} %`)),
          ],
        },
      ]
    : [],
)

const editing = ref(false)
const NONE = 'none'
const form = reactive({
  damId: NONE,
  sireId: NONE,
  sireChance: 100,
  otherId: NONE,
  otherChance: 0,
  origin: 'bred' as Origin,
  clonal: false,
})
function edit(): void {
  const { damId, sires, origin, clonal } = props.animal
  Object.assign(form, {
    damId: damId ?? NONE,
    sireId: sires[0]?.id ?? NONE,
    sireChance: Math.round((sires[0]?.chance ?? 1) * 100),
    otherId: sires[1]?.id ?? NONE,
    otherChance: Math.round((sires[1]?.chance ?? 0) * 100),
    origin: origin === 'unknown' ? 'bred' : origin,
    clonal,
  })
  editing.value = true
}
const own = computed(() =>
  Object.values(house.house.animals)
    .filter(a => house.isOneSpecies(a.speciesId, props.animal.speciesId) && a.id !== props.animal.id)
    .sort((a, b) => (a.tag < b.tag ? -1 : 1)),
)
const items = (sex: 'female' | 'male') => [
  { value: NONE, label: 'unknown' },
  ...own.value.filter(a => a.sex !== (sex === 'male' ? 'female' : 'male')).map(a => ({ value: a.id, label: a.tag })),
]
async function send(): Promise<void> {
  const wild = form.origin === 'wild'
  const sires =
    wild || form.clonal
      ? []
      : [
          { id: form.sireId, chance: form.sireChance / 100 },
          { id: form.otherId, chance: form.otherChance / 100 },
        ].filter(s => s.id !== NONE && s.chance > 0)
  const done = await record(
    {
      kind: 'parentsStated',
      subject: { type: 'animal', id: props.animal.id },
      data: { damId: wild || form.damId === NONE ? null : form.damId, sires, origin: form.origin, clonal: form.clonal },
    },
    `${props.animal.tag}: parents stated`,
  )
  if (done) editing.value = false
}
</script>

<template>
  <div ref="box" class="lineage">
    <p class="answer">
      {{ parentsText }}
      <WorkingLink
        :title="`${animal.tag}: inbreeding`"
        :answer="f > 0 ? `Inbred by ${(f * 100).toFixed(1)} %` : 'Not inbred as far as known'"
        :reasons="fReasons"
      />.
    </p>
    <p v-if="line && mean !== null">
      <WorkingLink
        :title="`${animal.tag}: mean kinship`"
        :answer="`Mean kinship ${(mean * 100).toFixed(1)} %; ${rank === 1 ? `of ${line.meanKinship.size} living none has rarer genes` : `${rank! - 1} of ${line.meanKinship.size} living have rarer genes`}`"
        :reasons="lineReasons"
      />. The line keeps {{ (line.geneDiversity * 100).toFixed(0) }} % of its founders’ diversity.
    </p>
    <div class="buttons">
      <UButton label="State parents" size="sm" variant="outline" color="neutral" @click="edit" />
      <UButton label="Large, to print" size="sm" variant="outline" color="neutral" :to="`/pedigree/${animal.id}`" />
      <UButton
        v-if="animal.status === 'alive'"
        label="Not here, known by its papers"
        size="sm"
        variant="ghost"
        color="neutral"
        :disabled="busy"
        @click="
          record(
            { kind: 'keptElsewhere', subject: { type: 'animal', id: animal.id }, data: {} },
            `${animal.tag}: kept elsewhere`,
          )
        "
      />
    </div>
    <form v-if="editing" class="form" @submit.prevent="send">
      <UFormField label="Origin"
        ><USelect
          v-model="form.origin"
          :items="[
            { value: 'bred', label: 'bred' },
            { value: 'wild', label: 'wild-caught' },
            { value: 'unknown', label: 'unknown' },
          ]"
          class="w-36"
      /></UFormField>
      <template v-if="form.origin !== 'wild'">
        <UFormField label="Dam"
          ><RecordPick v-model="form.damId" :items="items('female')" class="w-36" name="Dam"
        /></UFormField>
        <UFormField v-if="!form.clonal" label="Sire"
          ><RecordPick v-model="form.sireId" :items="items('male')" class="w-36" name="Sire"
        /></UFormField>
        <UFormField v-if="!form.clonal && form.sireId !== NONE" label="by, %"
          ><UInputNumber v-model="form.sireChance" :min="1" :max="100" class="w-28"
        /></UFormField>
        <UFormField v-if="!form.clonal && form.sireId !== NONE" label="or sire"
          ><RecordPick v-model="form.otherId" :items="items('male')" class="w-36" name="Other possible sire"
        /></UFormField>
        <UFormField v-if="!form.clonal && form.otherId !== NONE" label="by, %"
          ><UInputNumber v-model="form.otherChance" :min="0" :max="100" class="w-28"
        /></UFormField>
        <label v-if="house.almanac.species[animal.speciesId]?.sexing?.system === 'clonal'" class="small"
          ><input v-model="form.clonal" type="checkbox" /> born of the dam alone</label
        >
      </template>
      <UButton type="submit" label="Write parents" :loading="busy" />
      <UButton label="Cancel" variant="ghost" color="neutral" @click="editing = false" />
    </form>
    <LineagePedigreeDrawing
      v-if="width && (animal.damId || animal.sires.length)"
      :animal-id="animal.id"
      :generations="3"
      :width="width"
    />
  </div>
</template>

<style scoped>
.lineage {
  display: grid;
  gap: 0.75rem;
}
.answer {
  font-size: 1.0625rem;
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.buttons,
.form {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: end;
}
@media (max-width: 640px) {
  .buttons :deep(button),
  .buttons :deep(a),
  .form :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
