<script setup lang="ts">
import { v7 } from 'uuid'
import type { Wish } from '~/composables/useRecord'

/** A room, a rack of tubs and an incubator, in one go. */
const emit = defineEmits<{ done: [ids: string[]] }>()
const house = useHouse()
const { record, busy } = useRecord()
const inF = computed(() => house.settings.tempUnit === '°F')
const state = reactive({
  room: 'Room',
  roomTemp: inF.value ? 79 : 26,
  tubs: 10,
  prefix: 'Tub',
  incubator: true,
  incubatorTemp: inF.value ? 82 : 28,
})
const { problem, refusal } = useRefusalText()
const toC = (t: number) => (inF.value ? Math.round(((t - 32) / 1.8) * 10) / 10 : t)
/** Ids are made once for what is meant, so that sending it again does not do it twice. */
const fresh = () => ({ room: v7(), rack: v7(), incubator: v7(), tubs: Array.from({ length: 200 }, () => v7()) })
let made = fresh()
async function send(): Promise<void> {
  problem.value = ''
  const { room, rack } = made
  const place = (id: string, data: Record<string, unknown>): Wish => ({ id, founds: 'place', kind: 'placeAdded', data })
  const { tubs } = state
  const wishes = [
    place(room, {
      name: state.room.trim() || 'Room',
      kind: 'room',
      parentId: null,
      order: 0,
      tempC: toC(state.roomTemp),
      capacity: null,
    }),
    ...(tubs > 0
      ? [place(rack, { name: 'Rack', kind: 'rack', parentId: room, order: 0, tempC: null, capacity: null })]
      : []),
    ...Array.from({ length: tubs }, (_, i) =>
      place(made.tubs[i]!, {
        name: `${state.prefix.trim() || 'Tub'} ${i + 1}`,
        kind: 'tub',
        parentId: rack,
        order: i,
        tempC: null,
        capacity: null,
      }),
    ),
    ...(state.incubator
      ? [
          place(made.incubator, {
            name: 'Incubator',
            kind: 'incubator',
            parentId: room,
            order: 1,
            tempC: toC(state.incubatorTemp),
            capacity: null,
          }),
        ]
      : []),
  ]
  const written = await record(wishes, `${wishes.length} places added`, refusal, true)
  if (!written) return
  made = fresh()
  emit('done', written)
}
</script>

<template>
  <form class="grid gap-3" @submit.prevent="send">
    <div class="sentence">
      <span>A room</span><UInput v-model="state.room" aria-label="Name of the room" class="w-36" /> <span>at</span
      ><UInputNumber
        v-model="state.roomTemp"
        :min="-5"
        :max="120"
        :aria-label="`Temperature of the room, ${house.settings.tempUnit}`"
        class="w-28"
      /><span>{{ house.settings.tempUnit }},</span> <span>with a rack of</span
      ><UInputNumber v-model="state.tubs" :min="0" :max="200" aria-label="How many tubs" class="w-28" />
      <span>tubs, called</span><UInput v-model="state.prefix" aria-label="What a tub is called" class="w-28" /><span
        >1, 2, 3 …</span
      >
    </div>
    <div class="sentence">
      <UCheckbox v-model="state.incubator" label="and an incubator at" />
      <UInputNumber
        v-model="state.incubatorTemp"
        :disabled="!state.incubator"
        :min="5"
        :max="110"
        :aria-label="`Temperature of the incubator, ${house.settings.tempUnit}`"
        class="w-28"
      /><span>{{ house.settings.tempUnit }}</span>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <UButton type="submit" label="Add these places" :loading="busy" class="justify-self-start" />
  </form>
</template>
