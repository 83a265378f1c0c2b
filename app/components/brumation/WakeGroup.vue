<script setup lang="ts">
import { tellWarmUp } from '#core/brumation'
import type { WinterGroupView } from '#core/season'
import { formatWeekday } from '#core/units'

/** Wakes those of a group that are in the cold, as one act. */
const props = defineProps<{ group: WinterGroupView | null }>()
const emit = defineEmits<{ close: [] }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = computed({
  get: () => props.group !== null,
  set: is => {
    if (!is) emit('close')
  },
})

const cold = computed(() => (props.group?.members ?? []).filter(m => m.state === 'cold'))
const early = computed(() => (props.group ? props.group.programme.wakeDay - house.today : 0))
const how = computed(() => tellWarmUp(props.group!.programme.warmUp, house.almanac, house.settings.tempUnit))

async function wake(): Promise<void> {
  const g = props.group!
  const done = await record(
    cold.value.map(m => ({ kind: 'warmedUp', subject: { type: 'animal' as const, id: m.animalId }, data: {} })),
    `${g.tag}: ${cold.value.length} woken`,
  )
  if (done) emit('close')
}
</script>

<template>
  <UModal
    v-model:open="open"
    :title="group ? `${group.programme.kind === 'dormancy' ? 'End the rest of' : 'Wake'} ${group.tag}` : ''"
    :description="group ? house.speciesName(group.speciesId) : ''"
  >
    <template #body>
      <div v-if="group" class="grid gap-3">
        <p>
          <b>{{ cold.map(m => m.tag).join(', ') }}</b>
        </p>
        <p v-if="early > 0">
          The programme wakes them {{ formatWeekday(group.programme.wakeDay) }}, in {{ early }} days.
        </p>
        <p v-if="group.programme.kind === 'brumation'">
          {{ how }} Water first; first meal, smaller than usual, when they are warm. Separate those that share a tub.
        </p>
        <p v-else>Warmth, light and meals rise again over about a week.</p>
        <div class="flex gap-2">
          <UButton
            :label="group.programme.kind === 'dormancy' ? `End rest of ${cold.length}` : `Wake ${cold.length}`"
            size="lg"
            :loading="busy"
            @click="wake"
          />
          <UButton label="Not today" size="lg" variant="outline" color="neutral" @click="emit('close')" />
        </div>
      </div>
    </template>
  </UModal>
</template>
