<script setup lang="ts">
import { tadpolesLeft, youngInGroup, type AnimalState } from '#core/subjects'
import { speciesOf } from '#core/almanac'
import { isYoung, stepOf, type NextMeal } from '#core/feeding'
import { littersOf, lossesOf, mealNow, mealWinterOf, tellPortion, type Lane, type Losses } from '#core/season'
import { formatDistance, formatQuantity } from '#core/units'

const house = useHouse()
const context = useSeasonContext()
const lanes = computed(() =>
  (house.season?.lanes ?? []).filter(l => {
    const c = l.kind === 'pair' ? undefined : house.house.clutches[l.subject.id]
    return c && youngInGroup(c) + tadpolesLeft(c) > 0
  }),
)
const youngOf = (lane: Lane) => youngInGroup(house.house.clutches[lane.subject.id]!)
/** Losses that are held against others; null where none are, or nothing is known to hold them against. */
function lossesIn(lane: Lane): Losses | null {
  const losses = lossesOf(house.house.clutches[lane.subject.id]!, context.value)
  return losses?.lost ? losses : null
}
function line(lane: Lane): string {
  const c = house.house.clutches[lane.subject.id]!
  const parts = [
    [tadpolesLeft(c), 'tadpoles'],
    [youngInGroup(c), 'young'],
    [c.tagged, 'tagged'],
    [c.sold, 'sold'],
    [c.grouped.reduce((n, g) => n + g.count, 0), 'with a group'],
  ] as const
  const lost = c.youngLost && !lossesIn(lane) ? `${c.youngLost} lost` : ''
  const here = parts.filter(([n]) => n > 0).map(([n, word]) => `${n} ${word}`)
  return [here.join(', '), house.placeName(c.placeId), lost].filter(Boolean).join('; ')
}

/** A year and younger, one line each, those that refuse first. */
const young = computed(() =>
  Object.values(house.house.animals)
    .filter(a => a.status === 'alive' && isYoung(a, house.today, house.almanac.common))
    .sort((a, b) => b.refusals - a.refusals || (a.tag < b.tag ? -1 : 1)),
)
const refusers = computed(() => young.value.filter(a => a.refusals >= house.almanac.common.refusesFrom!.value).length)

function mealText({ due, portions }: NextMeal): string {
  const when = due <= house.today ? 'due' : formatDistance(due, house.today)
  return `${when}: ${portions.map(p => tellPortion(house.almanac, p)).join(' and ')}`
}
function row(a: AnimalState) {
  const species = speciesOf(house.almanac, a.speciesId)
  const { index } = stepOf(species, a, house.today)
  const meal = mealNow(a, context.value, { winter: mealWinterOf(a, context.value) })
  const [before, now] = [a.weights.at(-3) ?? a.weights[0], a.weights.at(-1)]
  const gain =
    before && now && now.day > before.day ? ((now.massG / before.massG - 1) / (now.day - before.day)) * 7 * 100 : null
  return { a, step: `${index + 1} of ${species.ladder.length}`, meal, now, gain }
}
const litters = computed(() => littersOf(context.value))
const all = computed(() => litters.value.flatMap(l => l.young))
const mayGo = computed(() => all.value.filter(y => y.standing === 'mayGo').length)
const behind = computed(() => all.value.filter(y => y.behind).length)
const headline = computed(() =>
  [
    `${young.value.length} young with tags`,
    refusers.value ? `${refusers.value} refusing` : 'none refusing',
    ...(behind.value ? [`${behind.value} behind`] : []),
    ...(mayGo.value ? [`${mayGo.value} may go`] : []),
  ].join(', '),
)
const VIEWS = ['Litters', 'All in a table']
const view = ref(VIEWS[0]!)
const { shown: boards, more: moreBoards, showAll: allBoards } = useFirst(() => litters.value, 12)
const rows = computed(() => young.value.map(row))
const { shown, more, showAll } = useFirst(() => rows.value, 150)
</script>

<template>
  <div class="screen">
    <header>
      <h1>Who does not eat, who is behind, who may go?</h1>
      <p v-if="young.length">{{ headline }}.</p>
    </header>
    <ViewSwitch v-if="young.length" v-model="view" :views="VIEWS" />
    <template v-if="view === VIEWS[0]">
      <NurseryBoard v-for="litter in boards" :key="litter.id" :litter="litter" />
      <UButton
        v-if="moreBoards"
        class="mt-4"
        variant="outline"
        color="neutral"
        :label="`Show ${moreBoards} more litters`"
        @click="allBoards"
      />
    </template>
    <div v-if="young.length && view === VIEWS[1]" class="overflow-x-auto mt-4">
      <table class="plain">
        <thead>
          <tr>
            <th>Tag</th>
            <th>Species</th>
            <th class="num">Weight</th>
            <th class="num">Gain a week</th>
            <th>Step</th>
            <th>Next meal</th>
            <th>Refused</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in shown" :key="r.a.id">
            <td>
              <NuxtLink :to="`/animals/${r.a.id}`" class="tag">{{ r.a.tag }}</NuxtLink>
            </td>
            <td>{{ house.speciesName(r.a.speciesId) }}</td>
            <td class="num">{{ r.now ? formatQuantity(r.now.massG, house.settings.massUnit) : '' }}</td>
            <td class="num" :class="{ falling: (r.gain ?? 0) < -1 }">
              {{ r.gain === null ? '' : `${r.gain > 0 ? '+' : ''}${r.gain.toFixed(1)} %` }}
            </td>
            <td>{{ r.step }}</td>
            <td>
              <WorkingLink
                v-if="r.meal"
                :title="`${r.a.tag}: next meal`"
                :reasons="r.meal.reasons"
                :answer="mealText(r.meal.value)"
              />
            </td>
            <td :class="{ falling: r.a.refusals >= 3 }">{{ r.a.refusals ? `${r.a.refusals} in a row` : '' }}</td>
          </tr>
        </tbody>
      </table>
      <UButton
        v-if="more"
        class="mt-2"
        variant="outline"
        color="neutral"
        :label="`Show ${more} more young`"
        @click="showAll"
      />
    </div>
    <h2 v-if="lanes.length && young.length" class="mt-8 mb-2">Without tags yet</h2>
    <ClutchList :lanes="lanes">
      <template #line="{ lane }"
        >{{ line(lane) }} · <NuxtLink :to="`/eggs/${lane.subject.id}`" class="underline">Its page</NuxtLink></template
      >
      <template #after="{ lane }">
        <NurseryLosses v-if="lossesIn(lane)" class="mt-2" :tag="lane.title" :losses="lossesIn(lane)!" />
        <div v-if="youngOf(lane) > 0" :key="youngOf(lane)" class="mt-3 flex flex-wrap gap-2">
          <AnimalsTagYoung :of="{ type: 'clutch', id: lane.subject.id }" :tag="lane.title" :most="youngOf(lane)" />
          <GroupsJoinForm :clutch="house.house.clutches[lane.subject.id]!" :young="youngOf(lane)" />
        </div>
        <GenesCountLooks v-if="youngOf(lane) > 0" class="mt-2" :clutch="house.house.clutches[lane.subject.id]!" />
      </template>
    </ClutchList>
    <p v-if="!lanes.length && !young.length" class="quiet">
      No young yet. They appear here when a hatching or birth is recorded.
    </p>
    <p class="quiet small mt-6">
      A refuser is left alone between tries and never forced. Never sell an animal that does not eat. Falling weight
      with refusals is for the reptile vet.
    </p>
  </div>
</template>

<style scoped>
.falling {
  color: var(--harm);
  font-weight: 600;
}
</style>
