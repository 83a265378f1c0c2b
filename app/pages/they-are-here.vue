<script setup lang="ts">
import { feederOf, speciesOf } from '#core/almanac'
import { FIRST_DAYS, unexpectedFood, tellInPlace, tellOrder, type WhatIf } from '#core/season'
import { formatDay, dayToIso } from '#core/units'

/** Young that nobody expected: what there is for them this hour, what to order and start, and until when they can wait. */
const house = useHouse()
const speciesId = ref<string>()
const count = ref(12)
const bornDay = ref<number | null>(house.today)
const species = computed(() => (speciesId.value ? speciesOf(house.almanac, speciesId.value) : null))
const items = computed(() => {
  const kept = new Set(Object.values(house.house.animals).map(a => a.speciesId))
  return Object.values(house.almanac.species)
    .filter(s => !s.retired)
    .sort((a, b) => Number(kept.has(b.id)) - Number(kept.has(a.id)) || (a.name < b.name ? -1 : 1))
    .map(s => ({ value: s.id, label: s.name }))
})
const changes = computed<WhatIf>(() =>
  speciesId.value && bornDay.value !== null && count.value >= 1
    ? { arrived: { speciesId: speciesId.value, count: count.value, bornDay: bornDay.value } }
    : {},
)
const { outcome, running, problem } = useWhatIf(changes)
const arrival = computed(() =>
  outcome.value && species.value && bornDay.value !== null && house.season
    ? unexpectedFood(
        species.value,
        bornDay.value,
        { season: house.season, plans: house.plans },
        outcome.value,
        house.almanac,
        house.today,
      )
    : null,
)
const round = (n: number) => Math.round(n).toLocaleString('en-GB')
const short = computed(() => arrival.value?.foods.filter(f => f.short >= 0.5) ?? [])
const when = (day: number) => formatDay(day, house.today)
const answer = computed(() => {
  if (!arrival.value || !species.value) return 'Say who they are and how many: nothing is written yet.'
  const { first, last } = arrival.value
  const wait =
    first <= house.today
      ? `They should eat today${last > house.today ? `, by ${when(last)} at the latest` : ''}.`
      : `They live on their yolk until about ${when(first)}, ${when(last)} at the latest.`
  return `${wait} ${
    short.value.length
      ? `${short.value.map(f => feederOf(house.almanac, f.prey).name).join(' and ')} will be short all the same.`
      : `With what stands below there is food for the first three weeks.`
  }`
})

const { record, busy } = useRecord()
const tag = computed(() => {
  const used = new Set(Object.values(house.house.groups).map(g => g.tag))
  let n = 1
  while (used.has(`YG-${n}`)) n++
  return `YG-${n}`
})
async function write(): Promise<void> {
  if (!species.value || bornDay.value === null) return
  const data = { tag: tag.value, speciesId: species.value.id, unknown: count.value, born: dayToIso(bornDay.value) }
  const ids = await record(
    { kind: 'groupAdded', founds: 'group', data },
    `${count.value} ${species.value.name}: ${tag.value} added`,
  )
  if (ids) await navigateTo('/culture-day')
}
</script>

<template>
  <div class="screen">
    <header>
      <div>
        <h1>They are here: is there food for them?</h1>
        <p role="status">{{ answer }}</p>
      </div>
    </header>
    <form class="who" @submit.prevent="write">
      <UFormField label="Young of"
        ><USelectMenu v-model="speciesId" :items="items" value-key="value" class="w-64" placeholder="Choose"
      /></UFormField>
      <UFormField label="How many"><UInputNumber v-model="count" :min="1" :max="5000" class="w-36" /></UFormField>
      <RecordDayField v-model="bornDay" label="Hatched or born" />
    </form>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="running && !arrival" class="quiet">Working it out …</p>
    <template v-if="arrival && species">
      <section>
        <h2>What they eat in {{ FIRST_DAYS / 7 }} weeks</h2>
        <ul class="foods">
          <li v-for="food in arrival.foods" :key="food.prey" :data-food="food.prey">
            <WorkingLink
              :title="`${feederOf(house.almanac, food.prey).name}: need and plan with them`"
              :answer="`${round(food.wanted)} ${feederOf(house.almanac, food.prey).many}`"
              :reasons="food.reasons"
            />; about {{ round(food.here) }} are free this hour.
            <template v-if="food.inPlace.length"
              >{{ tellInPlace({ standIns: food.inPlace }, house.almanac.feeders, house.today) }}
            </template>
            <template v-for="order in food.orders" :key="order.day"
              >{{ tellOrder(order, feederOf(house.almanac, food.prey)) }} by {{ when(order.day) }}.
            </template>
            <b v-if="food.short >= 0.5" class="short">Short by {{ round(food.short) }}: borrow, or pass some on.</b>
          </li>
        </ul>
        <p v-if="!arrival.foods.length">Nothing in the first three weeks.</p>
        <p v-if="arrival.edible.length">
          In the house they could also be given:
          {{ arrival.edible.map(e => `${round(e.pieces)} ${feederOf(house.almanac, e.prey).many}`).join(', ') }}.
        </p>
      </section>
      <section v-if="arrival.todo.length">
        <h2>To do for them, beside what was planned</h2>
        <ul>
          <li v-for="task in arrival.todo" :key="task.id">
            <WorkingLink :title="task.what" :answer="task.what" :reasons="task.reasons" /> by {{ when(task.due) }}
          </li>
        </ul>
      </section>
      <p v-if="species.cautions.length" class="small">{{ species.cautions.join(' ') }}</p>
      <UButton
        :label="`They are here: write ${count} as ${tag}`"
        :loading="busy"
        :disabled="running"
        class="mt-4"
        @click="write"
      />
      <p class="quiet small mt-2">
        Writes them as a group without tags; the plan then goes by them. Who is of a known clutch is written on its page
        instead, as hatched or born.
      </p>
    </template>
  </div>
</template>

<style scoped>
.who {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem 1.5rem;
  align-items: end;
}
section {
  margin-top: 1rem;
  max-width: 60rem;
}
.foods li {
  padding: 0.25rem 0;
  border-top: 1px solid var(--ui-border);
}
.short {
  color: var(--harm);
}
.problem {
  color: var(--harm);
}
</style>
