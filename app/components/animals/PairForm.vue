<script setup lang="ts">
import type { AnimalState } from '#core/subjects'
import type { CellSnapshot } from '#shared/contracts/bench'

/** Sets a female with a male of her species, with what the bench says of the two. */
const props = defineProps<{ dam: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const sireId = ref<string>()

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

async function send(): Promise<void> {
  const sire = sireId.value ? house.house.animals[sireId.value] : null
  const done = await record(
    {
      kind: 'paired',
      founds: 'pairing',
      data: { tag: nextPairTag(house.house), damId: props.dam.id, sireId: sire?.id ?? null },
    },
    `${props.dam.tag} set with ${sire?.tag ?? 'an unknown male'}`,
  )
  if (done) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Set pair" variant="outline" color="neutral" />
    <template #content>
      <form class="grid gap-3 p-4 w-72" @submit.prevent="send">
        <UFormField label="Male" hint="empty: unknown"
          ><USelectMenu v-model="sireId" :items="males" value-key="value" class="w-full" placeholder="Unknown"
        /></UFormField>
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
        <UButton type="submit" label="Set pair" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
