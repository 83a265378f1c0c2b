<script setup lang="ts">
import { lampStanding } from '#core/season'
import { entryKinds } from '#core/subjects'
import type { LampSource } from '#core/subjects/lamp/state'
import { formatDay, formatDistance } from '#core/units'
import type { Typed } from '~/composables/readFields'

/** Lamps fade before they fail: when each was fitted and when it is due. */
const house = useHouse()
const { record, busy } = useRecord()
const { data: schema, fields } = entryKinds.get('lampFitted')!
const open = ref(false)
const LIFE: Partial<Record<LampSource, string>> = {
  tube: 'lampLifeTube',
  compact: 'lampLifeCompact',
  vapour: 'lampLifeVapour',
}
/** What its kind usually lasts, where nobody measures. */
const lifeOf = (source: LampSource) => String(house.almanac.common[LIFE[source] ?? 'lampLifeHeat']!.value)
const blank = (): Typed => ({ source: 'tube', lifeDays: lifeOf('tube') })
const typed = ref(blank())
watch(
  () => typed.value.source as LampSource,
  source => (typed.value = { ...typed.value, lifeDays: lifeOf(source) }),
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
const nextTag = computed(() => {
  const highest = Math.max(0, ...lamps.value.map(l => Number(/(\d+)$/.exec(l.tag)?.[1] ?? 0)))
  return `U-${highest + 1}`
})

async function fit(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const wish = { kind: 'lampFitted', founds: 'lamp' as const, data }
  if (!(await record(wish, `Fitted ${typed.value.lamp} as ${nextTag.value}`, form))) return
  typed.value = blank()
  open.value = false
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
          <KindForm
            v-model="typed"
            :fields="fields!"
            :schema="schema"
            :complete="read => ({ ...read, tag: nextTag })"
            :idle="!typed.lamp?.trim()"
            label="Fit lamp"
            :send="fit"
            class="p-4 w-72"
          >
            <p class="small quiet">Cold and unplugged first. Guard, thermostat and smoke alarm: lamps burn houses.</p>
          </KindForm>
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
