<script setup lang="ts">
import type { AnimalState } from '#core/logbook'

/** Sets a female with a male of her species; kinship and readiness are still the keeper's to judge. */
const props = defineProps<{ dam: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const sireId = ref<string>()

const males = computed(() => Object.values(house.house.animals)
  .filter(a => a.speciesId === props.dam.speciesId && a.status === 'alive' && a.sex !== 'female' && a.id !== props.dam.id)
  .map(a => ({ value: a.id, label: `${a.tag}${a.sex === 'unknown' ? ' (sex unknown)' : ''}` })))
const caution = computed(() => house.almanac.species[props.dam.speciesId]?.cautions[0])

async function send(): Promise<void> {
  const sire = sireId.value ? house.house.animals[sireId.value] : null
  const done = await record({ kind: 'paired', founds: 'pairing', data: { tag: nextPairTag(house.house), damId: props.dam.id, sireId: sire?.id ?? null } }, `${props.dam.tag} set with ${sire?.tag ?? 'an unknown male'}`)
  if (done) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Set pair" variant="outline" color="neutral" />
    <template #content>
      <form class="grid gap-3 p-4 w-72" @submit.prevent="send">
        <UFormField label="Male" hint="empty: unknown"><USelectMenu v-model="sireId" :items="males" value-key="value" class="w-full" placeholder="Unknown" /></UFormField>
        <p v-if="caution" class="small quiet">{{ caution }}</p>
        <UButton type="submit" label="Set pair" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
