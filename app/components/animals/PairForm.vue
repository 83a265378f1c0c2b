<script setup lang="ts">
import { entryKinds, type AnimalState } from '#core/subjects'
import type { CellSnapshot } from '#shared/contracts/bench'
import type { Typed } from '~/composables/readFields'

/** Sets a female with a male of her species, with what the bench says of the two. */
const props = defineProps<{ dam: AnimalState }>()
const house = useHouse()
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('paired')!
const open = ref(false)
const typed = ref<Typed>({})
const sireId = computed(() => typed.value.sireId)

const males = computed(() =>
  Object.values(house.house.animals)
    .filter(
      a =>
        house.isOneSpecies(a.speciesId, props.dam.speciesId) &&
        a.status === 'alive' &&
        a.sex !== 'female' &&
        a.id !== props.dam.id,
    )
    .map(a => ({ value: a.id, label: `${a.tag}${a.sex === 'unknown' ? ' (sex unknown)' : ''}` })),
)
const cell = shallowRef<CellSnapshot | null>(null)
watch(sireId, async id => {
  cell.value = null
  if (id)
    cell.value = await callApi<CellSnapshot>(`/api/bench/cell?damId=${props.dam.id}&sireId=${id}`).catch(() => null)
})
const WORDS = { good: 'Fits', wait: 'Wait', doubtful: 'Doubtful', no: 'Not to be paired' } as const
const caution = computed(() => house.almanac.species[props.dam.speciesId]?.cautions[0])

const complete = ({ sireId = null }: Record<string, unknown>) => ({
  tag: nextPairTag(house.house),
  damId: props.dam.id,
  sireId,
})
async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const sire = sireId.value ? house.house.animals[sireId.value] : null
  const wish = { kind: 'paired', founds: 'pairing' as const, data }
  if (await record(wish, `${props.dam.tag} set with ${sire?.tag ?? 'an unknown male'}`, form)) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Set pair" variant="outline" color="neutral" />
    <template #content>
      <KindForm
        v-model="typed"
        class="p-4 w-72"
        :fields="fields!"
        :schema="schema"
        :items="{ sireId: males }"
        :complete="complete"
        label="Set pair"
        :send="send"
      >
        <template v-if="cell">
          <p>
            <WorkingLink
              :title="`${dam.tag} with this male`"
              :answer="`${WORDS[cell.pair.value.level]}: ${cell.pair.value.text}`"
              :reasons="cell.pair.reasons"
            />
          </p>
          <p class="small">
            <WorkingLink
              :title="`${dam.tag}: room for young`"
              :answer="cell.room.value.text"
              :reasons="cell.room.reasons"
            />
          </p>
        </template>
        <p v-if="caution" class="small quiet">{{ caution }}</p>
      </KindForm>
    </template>
  </UPopover>
</template>
