<script setup lang="ts">
import { unstatedPercent } from '#core/genetics'
import { ALLELE_FIELDS, entryKinds, type FieldHint, type LocusState } from '#core/subjects'
import type { Fields, Typed } from '~/composables/readFields'

/** Names a locus, or changes one: its alleles, how they show, and what harms in double form. */
const props = defineProps<{ speciesId: string; locus: LocusState | null }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record } = useRecord()
const { data: schema, fields: asked } = entryKinds.get('locusNamed')!
const MOST_ALLELES = 6
type AlleleField = keyof typeof ALLELE_FIELDS
const alleleNames = Object.keys(ALLELE_FIELDS) as AlleleField[]

const at = (i: number, name: AlleleField) => `alleles.${i}.${name}`
const typedAllele = (i: number, a?: LocusState['alleles'][number]): Typed => ({
  [at(i, 'sign')]: a?.sign ?? '',
  [at(i, 'mode')]: a?.mode ?? 'recessive',
  [at(i, 'look')]: a?.look ?? '',
  [at(i, 'doubleLook')]: a?.doubleLook ?? '',
  [at(i, 'double')]: a?.double ?? 'well',
})
const typed = ref<Typed>({})
const count = ref(1)
watch(
  open,
  is => {
    if (!is) return
    const l = props.locus
    count.value = l?.alleles.length ?? 1
    typed.value = {
      name: l?.name ?? '',
      linkage: l?.linkage ?? 'autosomal',
      unstatedShare: l?.unstatedShare === undefined ? '' : String(unstatedPercent({ unstatedShare: l.unstatedShare })),
      note: l?.note ?? '',
      ...Object.assign({}, ...Array.from({ length: count.value }, (_, i) => typedAllele(i, l?.alleles[i]))),
    }
  },
  { immediate: true },
)
function addAllele(): void {
  typed.value = { ...typed.value, ...typedAllele(count.value++) }
}
/** Those after it move up. */
function takeOut(gone: number): void {
  const next: Record<string, string | undefined> = { ...typed.value }
  for (let i = gone; i + 1 < count.value; i++) for (const name of alleleNames) next[at(i, name)] = next[at(i + 1, name)]
  count.value--
  typed.value = next
}

/** What counts where nothing is said. */
const usualPercent = computed(() => unstatedPercent({ unstatedShare: house.almanac.common.unstatedShare!.value }))
const first = computed<Fields>(() => ({ name: asked!.name!, linkage: asked!.linkage! }))
const last = computed<Fields>(() => ({
  unstatedShare: {
    ...asked!.unstatedShare!,
    help: `Share of each allele. Nothing written: ${usualPercent.value} %, as in the Almanac; more where a morph is common in the trade.`,
  },
  note: asked!.note!,
}))
function fieldsOf(i: number): Fields {
  const mode = typed.value[at(i, 'mode')]
  const hintOf = (name: AlleleField): FieldHint =>
    name === 'look' && mode === 'recessive' ? { ...ALLELE_FIELDS.look, label: 'Look, doubled' } : ALLELE_FIELDS[name]
  return Object.fromEntries(
    alleleNames.filter(name => name !== 'doubleLook' || mode === 'incomplete').map(name => [at(i, name), hintOf(name)]),
  )
}
const alleles = computed(() => Array.from({ length: count.value }, (_, i) => fieldsOf(i)))
const fields = computed<Fields>(() => ({ ...first.value, ...Object.assign({}, ...alleles.value), ...last.value }))

function complete(read: Record<string, unknown>): Record<string, unknown> {
  return {
    name: read.name,
    speciesId: props.speciesId,
    linkage: read.linkage,
    note: read.note ?? null,
    ...(read.unstatedShare !== undefined && { unstatedShare: read.unstatedShare }),
    alleles: alleles.value.map((_, i) => ({
      ...Object.fromEntries(alleleNames.map(name => [name, read[at(i, name)]])),
      doubleLook: read[at(i, 'doubleLook')] ?? null,
    })),
  }
}

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const name = String(data.name)
  const wish = props.locus
    ? { kind: 'locusChanged', subject: { type: 'locus' as const, id: props.locus.id }, data }
    : { kind: 'locusNamed', founds: 'locus' as const, data }
  if (await record(wish, `Locus ${name} ${props.locus ? 'changed' : 'named'}`, form)) open.value = false
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
      <KindForm
        v-model="typed"
        :fields="fields"
        :schema="schema"
        :complete="complete"
        :label="locus ? 'Change locus' : 'Name locus'"
        :send="send"
      >
        <template #fields>
          <p class="quiet small">
            A striking single animal may be chance: repeat it before you call it a locus. Two lines under one trade name
            that do not make the look together are two loci.
          </p>
          <FormFields v-model="typed" :fields="first" />
          <fieldset v-for="(ofAllele, i) in alleles" :key="i">
            <legend>Allele {{ i + 1 }} <span class="quiet small">beside the wild one, +</span></legend>
            <FormFields v-model="typed" :fields="ofAllele" class="two" />
            <UButton
              v-if="count > 1"
              label="Take this allele out"
              size="xs"
              variant="ghost"
              color="neutral"
              @click="takeOut(i)"
            />
          </fieldset>
          <UButton
            v-if="count < MOST_ALLELES"
            label="Another allele of this locus"
            size="sm"
            variant="outline"
            color="neutral"
            class="justify-self-start"
            @click="addAllele"
          />
          <FormFields v-model="typed" :fields="last" />
        </template>
      </KindForm>
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
.two > :deep(*) {
  flex: 1 1 40%;
}
/* its words need the line */
.two > :deep(:last-child) {
  flex-basis: 100%;
}
</style>
