<script setup lang="ts">
import type { ALLELE_MODES, LINKAGES } from '#core/genetics'
import { LocusData, unstatedPercent } from '#core/genetics'
import type { LocusState } from '#core/subjects'
import { parseNumber } from '#core/units'

/** Names a locus, or changes one: its alleles, how they show, and what harms in double form. */
const props = defineProps<{ speciesId: string; locus: LocusState | null }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()

const blankAllele = () => ({
  sign: '',
  mode: 'recessive' as (typeof ALLELE_MODES)[number],
  look: '',
  doubleLook: '',
  double: 'well' as 'well' | 'weak' | 'lethal',
})
const state = reactive({
  name: '',
  linkage: 'autosomal' as (typeof LINKAGES)[number],
  note: '',
  unstated: '',
  alleles: [blankAllele()],
})
/** What counts where nothing is said. */
const usualPercent = computed(() => unstatedPercent({ unstatedShare: house.almanac.common.unstatedShare!.value }))
const problems = useProblems()
watch(open, is => {
  if (!is) return
  problems.value = {}
  const l = props.locus
  Object.assign(
    state,
    l
      ? {
          name: l.name,
          linkage: l.linkage,
          note: l.note ?? '',
          unstated: l.unstatedShare === undefined ? '' : String(unstatedPercent({ unstatedShare: l.unstatedShare })),
          alleles: l.alleles.map(a => ({ ...a, doubleLook: a.doubleLook ?? '' })),
        }
      : { name: '', linkage: 'autosomal', note: '', unstated: '', alleles: [blankAllele()] },
  )
})

const MODES = [
  { value: 'recessive', label: 'recessive' },
  { value: 'dominant', label: 'dominant' },
  { value: 'incomplete', label: 'incomplete dominant' },
]
const DOUBLES = [
  { value: 'well', label: 'double form lives well' },
  { value: 'weak', label: 'double form is weak' },
  { value: 'lethal', label: 'double form does not live' },
]
const LINKS = [
  { value: 'autosomal', label: 'not sex-linked' },
  { value: 'Z', label: 'on Z (females have one)' },
  { value: 'X', label: 'on X (males have one)' },
]

async function send(): Promise<void> {
  const wish = {
    name: state.name,
    speciesId: props.speciesId,
    linkage: state.linkage,
    note: state.note.trim() || null,
    // what cannot be read is no number, and is told at its field
    ...(state.unstated.trim() && { unstatedShare: (parseNumber(state.unstated) ?? Number.NaN) / 100 }),
    alleles: state.alleles.map(a => ({
      ...a,
      doubleLook: a.mode === 'incomplete' && a.doubleLook.trim() ? a.doubleLook : null,
    })),
  }
  const checked = LocusData.safeParse(wish)
  if (!checked.success) {
    problems.value = Object.fromEntries(checked.error.issues.map(i => [i.path.join('.'), i.message]))
    return
  }
  problems.value = {}
  const done = props.locus
    ? await record(
        { kind: 'locusChanged', subject: { type: 'locus', id: props.locus.id }, data: checked.data },
        `Locus ${checked.data.name} changed`,
      )
    : await record({ kind: 'locusNamed', founds: 'locus', data: checked.data }, `Locus ${checked.data.name} named`)
  if (done) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="locus ? `Change ${locus.name}` : 'Name a locus'"
    :description="house.speciesName(speciesId)"
    :ui="{ content: 'sm:max-w-lg' }"
  >
    <template #body>
      <form class="grid gap-4" @submit.prevent="send">
        <p class="quiet small">
          A striking single animal may be chance: repeat it before you call it a locus. Two lines under one trade name
          that do not make the look together are two loci.
        </p>
        <UFormField label="Name" required :error="problems.name"
          ><UInput v-model="state.name" class="w-full" placeholder="Ash"
        /></UFormField>
        <UFormField label="Linked to sex"
          ><USelect v-model="state.linkage" :items="LINKS" class="w-full" aria-label="Linked to sex"
        /></UFormField>
        <fieldset v-for="(a, i) in state.alleles" :key="i">
          <legend>Allele {{ i + 1 }} <span class="quiet small">beside the wild one, +</span></legend>
          <div class="two">
            <UFormField label="Sign" required :error="problems[`alleles.${i}.sign`]"
              ><UInput v-model="a.sign" class="w-full" placeholder="a"
            /></UFormField>
            <UFormField label="Shows as"
              ><USelect v-model="a.mode" :items="MODES" class="w-full" :aria-label="`Allele ${i + 1}: shows as`"
            /></UFormField>
            <UFormField
              :label="a.mode === 'recessive' ? 'Look, doubled' : 'Look, one copy'"
              required
              :error="problems[`alleles.${i}.look`]"
              ><UInput v-model="a.look" class="w-full" placeholder="ash"
            /></UFormField>
            <UFormField
              v-if="a.mode === 'incomplete'"
              label="Look, doubled"
              :error="problems[`alleles.${i}.doubleLook`]"
              ><UInput v-model="a.doubleLook" class="w-full"
            /></UFormField>
            <UFormField label="Doubled"
              ><USelect v-model="a.double" :items="DOUBLES" class="w-full" :aria-label="`Allele ${i + 1}: doubled`"
            /></UFormField>
          </div>
          <UButton
            v-if="state.alleles.length > 1"
            label="Take this allele out"
            size="xs"
            variant="ghost"
            color="neutral"
            @click="state.alleles.splice(i, 1)"
          />
        </fieldset>
        <p v-if="problems.alleles" class="harm">{{ problems.alleles }}</p>
        <UButton
          v-if="state.alleles.length < 6"
          label="Another allele of this locus"
          size="sm"
          variant="outline"
          color="neutral"
          class="justify-self-start"
          @click="state.alleles.push(blankAllele())"
        />
        <UFormField
          label="In animals of which nothing is known, %"
          :help="`Share of each allele. Nothing written: ${usualPercent} %, as in the Almanac; more where a morph is common in the trade.`"
          :error="problems.unstatedShare"
          ><UInput v-model="state.unstated" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField label="Note"><UTextarea v-model="state.note" class="w-full" :rows="2" /></UFormField>
        <UButton
          type="submit"
          :label="locus ? 'Change locus' : 'Name locus'"
          :loading="busy"
          class="justify-self-start"
        />
      </form>
    </template>
  </USlideover>
</template>

<style scoped>
fieldset {
  border-top: 1px solid var(--ui-border);
  padding-top: 0.5rem;
}
legend {
  font-weight: 650;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.5rem 0.75rem;
}
.harm {
  color: var(--harm);
}
</style>
