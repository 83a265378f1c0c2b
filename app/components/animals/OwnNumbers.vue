<script setup lang="ts">
import { v7 } from 'uuid'
import type { AnimalState } from '#core/subjects'

/**
 * One animal that differs from its kind gets a type of its own, whose numbers are set in the Almanac like any other's.
 */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()
const isOwn = computed(() => house.onlyAnimalOf(props.animal.speciesId) !== null)

/** Made once, so that sending it again does not do it twice. */
let own = v7()
async function give(): Promise<void> {
  const { id, tag, speciesId } = props.animal
  const subject = { type: 'species', id: own }
  const data = { name: `${house.speciesName(speciesId)}: ${tag}`, latin: '', from: speciesId, type: true, parts: {} }
  const written = await record(
    [
      { id: own, founds: 'species', kind: 'speciesAdded', data },
      { subject, kind: 'speciesRetired', data: {} },
      { subject: { type: 'animal', id }, kind: 'animalCorrected', data: { speciesId: own } },
    ],
    `${tag} has numbers of its own`,
  )
  if (!written) return
  const to = `/almanac#${own}`
  own = v7()
  await navigateTo(to)
}
</script>

<template>
  <p v-if="animal.status === 'alive'" class="small">
    <NuxtLink v-if="isOwn" :to="`/almanac#${animal.speciesId}`" class="underline">Numbers of its own</NuxtLink
    ><UButton
      v-else
      label="Give it numbers of its own"
      size="xs"
      variant="ghost"
      color="neutral"
      class="-ml-2"
      :loading="busy"
      @click="give"
    />
  </p>
</template>
