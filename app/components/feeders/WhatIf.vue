<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { planDifferences, shelvesOf, type WhatIf } from '#core/season'
import { placeTempC } from '#core/season/warmth'
import { cultureStage, cultureWay } from '#core/supply'
import { formatQuantity } from '#core/units'

/** Tries a misfortune, or a little more of something, beside the plan that stands. Nothing is written. */
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()

const lost = ref<string[]>([])
const more = ref<string[]>([])
const closedFrom = ref<number | null>(null)
const closedTo = ref<number | null>(null)
const noOrders = ref<number | null>(null)
const room = ref<Record<string, number>>({})
const shiftC = ref<Record<string, number>>({})

const name = (prey: string) => feederOf(house.almanac, prey).name
const cultures = computed(() =>
  Object.values(house.house.cultures)
    .filter(c => {
      const way = cultureWay(feederOf(house.almanac, c.feederId), c)
      return way && ['growing', 'producing'].includes(cultureStage(c, way, house.today))
    })
    .map(c => ({ value: c.id, label: `${c.tag} ${name(c.feederId).toLowerCase()}` })),
)
const feeders = computed(() =>
  house.plans.filter(p => p.starts.length).map(p => ({ value: p.prey, label: name(p.prey) })),
)
const shelves = computed(() => {
  const ids = new Set(Object.values(house.house.cultures).flatMap(c => shelvesOf(c.feederId, house.house)))
  return [...ids].map(id => ({ id, name: house.house.places[id]!.name, now: house.house.places[id]!.capacity! }))
})
/** Places of cultures whose temperature is known, with what it would be. */
const warmth = computed(() => {
  const ids = new Set(cultures.value.map(c => house.house.cultures[c.value]!.placeId))
  return [...ids].flatMap(id => {
    const nowC = placeTempC(id, house)
    if (id === null || nowC === null) return []
    const shift = shiftC.value[id] ?? 0
    const says = formatQuantity(nowC + shift, house.settings.tempUnit)
    return [{ id, shift, name: house.house.places[id]!.name, says: shift ? says : `${says}, as now` }]
  })
})
const closed = computed(() =>
  closedFrom.value !== null && closedTo.value !== null && closedTo.value >= closedFrom.value
    ? { from: closedFrom.value, to: closedTo.value }
    : undefined,
)
const changes = computed<WhatIf>(() => {
  const wider = Object.fromEntries(
    shelves.value.flatMap(s => ((room.value[s.id] ?? s.now) === s.now ? [] : [[s.id, room.value[s.id]!]])),
  )
  const warmer = Object.fromEntries(Object.entries(shiftC.value).filter(([, shift]) => shift))
  return {
    ...(lost.value.length && { lost: lost.value }),
    ...(more.value.length && { more: Object.fromEntries(more.value.map(prey => [prey, 1])) }),
    ...(closed.value && { closed: closed.value }),
    ...(noOrders.value !== null && noOrders.value > house.today && { noOrdersBefore: noOrders.value }),
    ...(Object.keys(wider).length && { room: wider }),
    ...(Object.keys(warmer).length && { shelfShiftC: warmer }),
  }
})
const { outcome, running, problem, stop } = useWhatIf(changes)

const rows = computed(() => (outcome.value ? planDifferences(house.plans, outcome.value.plans) : []))
const percent = (chance: number) => Math.round(100 * chance)
const whole = (n: number) => Math.ceil(n).toLocaleString('en-GB')
/** Who would go hungry that does not now, or the other way about. */
const answer = computed(() => {
  const short = rows.value
    .filter(r => r.missing.after - r.missing.before >= 0.5)
    .map(r => `${whole(r.missing.after - r.missing.before)} ${feederOf(house.almanac, r.prey).many}`)
  const told = (worse: boolean) =>
    rows.value.filter(r => (worse ? 1 : -1) * (r.hungry.after - r.hungry.before) > 0.005).map(r => name(r.prey))
  const [worse, better] = [told(true), told(false)]
  const parts = [
    short.length && `Short whatever is done: ${short.join(', ')} more.`,
    worse.length && `Hunger is likelier: ${worse.join(', ')}.`,
    better.length && `Hunger is less likely: ${better.join(', ')}.`,
  ].filter(Boolean)
  return parts.length ? parts.join(' ') : 'Nobody goes hungry who does not now; other things are started.'
})
const told = useTemplateRef<HTMLElement>('told')
watch(outcome, async () => {
  await nextTick()
  told.value?.scrollIntoView({ block: 'nearest' })
})
function reset(): void {
  lost.value = []
  more.value = []
  closedFrom.value = closedTo.value = noOrders.value = null
  room.value = {}
  shiftC.value = {}
}
</script>

<template>
  <SeasonTrialDrawer
    v-model:open="open"
    description="Tries it beside the plan that stands. Nothing is written."
    :running="running"
    :problem="problem"
    :answered="outcome !== null"
    hint="Choose something above: what would then be short, and what would be started."
    @reset="reset"
    @stop="stop"
  >
    <UFormField v-if="cultures.length" label="These die today">
      <RecordPick
        :model-value="lost"
        name="These die today"
        :items="cultures"
        multiple
        class="w-full"
        placeholder="None"
        data-testid="lost"
        @update:model-value="lost = $event"
      />
    </UFormField>
    <div class="two">
      <RecordDayField v-model="closedFrom" label="Nothing started or ordered from" :min="house.today" optional />
      <RecordDayField v-model="closedTo" label="to" :min="closedFrom ?? house.today" optional />
      <RecordDayField v-model="noOrders" label="No order before" :min="house.today" optional />
    </div>
    <UFormField v-if="feeders.length" label="One more each time of">
      <RecordPick
        :model-value="more"
        name="One more each time of"
        :items="feeders"
        multiple
        class="w-full"
        placeholder="None"
        data-testid="more"
        @update:model-value="more = $event"
      />
    </UFormField>
    <div class="two">
      <UFormField v-for="s in shelves" :key="s.id" :label="`Room on ${s.name}, in cups`">
        <UInputNumber
          :model-value="room[s.id] ?? s.now"
          :min="1"
          :max="9999"
          class="w-full"
          @update:model-value="room[s.id] = $event ?? s.now"
        />
      </UFormField>
    </div>
    <SeasonShift
      v-for="s in warmth"
      :key="s.id"
      :model-value="s.shift"
      :label="`${s.name} from now on`"
      :hint="s.says"
      :min="-6"
      :max="6"
      :step="0.5"
      :says="`${s.name}, degrees warmer from now on`"
      :testid="`warmth-${s.name}`"
      @update:model-value="shiftC[s.id] = $event"
    />
    <template #answer>
      <div v-if="outcome" ref="told" class="mt-4" role="status" data-testid="feeder-what-if">
        <p v-if="!rows.length">Nothing changes.</p>
        <template v-else>
          <p>
            <b>{{ answer }}</b>
          </p>
          <table class="plain mt-2">
            <thead>
              <tr>
                <th>Feeder</th>
                <th class="num">Hungry day, of 100 seasons</th>
                <th class="num">Started, ordered</th>
                <th class="num">Missing</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in rows" :key="r.prey">
                <td>{{ name(r.prey) }}</td>
                <td class="num">
                  {{ percent(r.hungry.before) }} → <b>{{ percent(r.hungry.after) }}</b>
                </td>
                <td class="num">
                  {{ r.units.before }} → <b>{{ r.units.after }}</b>
                </td>
                <td class="num">
                  {{ whole(r.missing.before) }} → <b>{{ whole(r.missing.after) }}</b>
                </td>
              </tr>
            </tbody>
          </table>
        </template>
      </div>
    </template>
  </SeasonTrialDrawer>
</template>

<style scoped>
.two {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
}
</style>
