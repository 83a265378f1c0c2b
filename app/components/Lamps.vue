<script setup lang="ts">
import { lampStanding } from '#core/season'
import { LAMP_SOURCES, LAMP_SOURCE_IDS, type LampSource } from '#core/subjects/lamp/state'
import { formatDay, formatDistance } from '#core/units'

/** Lamps fade before they fail: when each was fitted and when it is due. */
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const state = reactive({
  lamp: '',
  source: 'tube' as LampSource,
  placeId: undefined as string | undefined,
  lifeDays: 365,
})
const sources = LAMP_SOURCE_IDS.map(value => ({ value, label: LAMP_SOURCES[value] }))
const LIFE: Partial<Record<LampSource, string>> = {
  tube: 'lampLifeTube',
  compact: 'lampLifeCompact',
  vapour: 'lampLifeVapour',
}
/** What its kind usually lasts, where nobody measures. */
watch(
  () => state.source,
  source => {
    state.lifeDays = house.almanac.common[LIFE[source] ?? 'lampLifeHeat']!.value
  },
  { immediate: true },
)

const lamps = computed(() =>
  Object.values(house.house.lamps)
    .map(l => ({
      ...l,
      ...lampStanding(l, {
        house: house.house,
        almanac: house.almanac,
        today: house.today,
      }),
    }))
    .sort((a, b) => (a.due ?? Infinity) - (b.due ?? Infinity)),
)
const places = usePlaceItems()

async function fit(): Promise<void> {
  const highest = Math.max(0, ...lamps.value.map(l => Number(/(\d+)$/.exec(l.tag)?.[1] ?? 0)))
  const done = await record(
    {
      kind: 'lampFitted',
      founds: 'lamp',
      data: {
        tag: `U-${highest + 1}`,
        lamp: state.lamp.trim(),
        source: state.source,
        placeId: state.placeId ?? null,
        lifeDays: state.lifeDays,
      },
    },
    `Fitted ${state.lamp.trim()} as U-${highest + 1}`,
  )
  if (done) open.value = false
}
/** Until when a lamp is good, and by what. */
function untilWhen({ due, by }: (typeof lamps.value)[number]): string {
  if (due === null) return 'good by the meter'
  const late = due < house.today && formatDistance(due, house.today)
  return [formatDay(due, house.today), late, by === 'meter' && 'by the meter'].filter(Boolean).join(', ')
}
</script>

<template>
  <section class="mt-10 max-w-3xl">
    <div class="flex flex-wrap items-baseline justify-between gap-2">
      <h2>Lamps</h2>
      <UPopover v-model:open="open" :content="{ align: 'end' }">
        <UButton label="Fit a lamp" variant="outline" color="neutral" icon="i-lucide-lightbulb" />
        <template #content>
          <form class="grid gap-3 p-4 w-72" @submit.prevent="fit">
            <UFormField label="Lamp"
              ><UInput v-model="state.lamp" class="w-full" placeholder="UVB tube, 39 W" maxlength="60"
            /></UFormField>
            <UFormField label="Kind"
              ><USelect v-model="state.source" :items="sources" value-key="value" class="w-full"
            /></UFormField>
            <UFormField label="Place"
              ><USelectMenu v-model="state.placeId" :items="places" value-key="value" class="w-full" placeholder="None"
            /></UFormField>
            <UFormField label="Life" hint="days, where nobody measures"
              ><UInputNumber v-model="state.lifeDays" :min="1" :max="3650" class="w-full"
            /></UFormField>
            <p class="small quiet">Cold and unplugged first. Guard, thermostat and smoke alarm: lamps burn houses.</p>
            <UButton type="submit" label="Fit lamp" :disabled="!state.lamp.trim()" :loading="busy" block />
          </form>
        </template>
      </UPopover>
    </div>
    <p v-if="!lamps.length" class="quiet">No lamps yet.</p>
    <table v-else class="plain">
      <thead>
        <tr>
          <th>Tag</th>
          <th>Lamp</th>
          <th>Place</th>
          <th>Replace by</th>
          <th><span class="sr-only">Record</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in lamps" :key="l.id">
          <td class="tag">{{ l.tag }}</td>
          <td>{{ l.lamp }}</td>
          <td>{{ house.placeName(l.placeId) }}</td>
          <td :class="{ 'font-semibold': l.due !== null && l.due < house.today }">
            <WorkingLink :title="`${l.tag}: until when it is good`" :reasons="l.reasons" :answer="untilWhen(l)" />
          </td>
          <td>
            <UButton
              label="Replaced"
              size="xs"
              variant="outline"
              color="neutral"
              :disabled="busy"
              @click="
                record({ kind: 'lampReplaced', subject: { type: 'lamp', id: l.id }, data: {} }, `${l.tag} replaced`)
              "
            />
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
