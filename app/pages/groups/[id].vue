<script setup lang="ts">
import { feederOf, speciesOf } from '#core/almanac'
import { mealNow, tellPortion } from '#core/season'
import { hereOf, oneOf, tellNumbers, type Sex } from '#core/subjects'
import { formatDay, formatDistance, formatQuantity } from '#core/units'

const route = useRoute()
const house = useHouse()
const context = useSeasonContext()
const { record, busy } = useRecord()
const id = computed(() => String(route.params.id))
const group = computed(() => house.house.groups[id.value])
const species = computed(() => (group.value ? speciesOf(house.almanac, group.value.speciesId) : null))
const here = computed(() => (group.value ? hereOf(group.value) : 0))
const alarms = computed(() => house.alarms.filter(a => a.subject?.id === id.value))
const places = usePlaceItems()

const when = ref<number | null>(house.today)
const canWrite = computed(() => dayProblem(when.value, { max: house.today }) === undefined)

/** One of them, times their number. */
const meal = computed(() =>
  group.value && here.value ? mealNow(oneOf(group.value), context.value, { times: here.value }) : null,
)
const portions = computed(() =>
  (meal.value?.value.portions ?? []).map(p => ({ prey: p.prey, count: p.count * here.value })),
)
const mealDue = computed(() => Boolean(meal.value && meal.value.value.due <= house.today))
const prey = ref<string>()
const offered = ref(1)
watch(
  () => portions.value[0],
  portion => {
    prey.value = portion?.prey ?? prey.value ?? group.value?.meals.at(-1)?.prey
    offered.value = portion?.count ?? offered.value
  },
  { immediate: true },
)
const preyItems = usePreyItems()

const some = reactive({ count: 1, sex: 'unsaid' as Sex | 'unsaid', cause: '' })
const problems = ref<Record<string, string>>({})
const beside: FormErrors = {
  setErrors: list => {
    problems.value = Object.fromEntries(list.map(e => [e.name, e.message]))
  },
}
const SEX_ITEMS = [
  { value: 'unsaid', label: 'sex not said' },
  { value: 'male', label: 'males' },
  { value: 'female', label: 'females' },
  { value: 'unknown', label: 'of unknown sex' },
]
const sexes = reactive({ male: 0, female: 0 })
watch(
  () => group.value?.numbers,
  numbers => {
    if (numbers) Object.assign(sexes, { male: numbers.male, female: numbers.female })
  },
  { immediate: true },
)

async function write(kind: string, data: Record<string, unknown>, says: string, form?: FormErrors): Promise<boolean> {
  problems.value = {}
  if (!canWrite.value || when.value === null) return false
  const wish = { kind, subject: { type: 'group' as const, id: id.value }, data, day: when.value }
  return (await record(wish, `${group.value!.tag}: ${says}`, form)) !== null
}
const leave = (kind: 'groupLost' | 'groupSold', word: string) => {
  const { count, sex, cause } = some
  const why = kind === 'groupLost' && cause.trim() ? { cause: cause.trim() } : {}
  return write(kind, { count, ...(sex !== 'unsaid' && { sex }), ...why }, `${count} ${word}`, beside)
}
const join = () => {
  const { count, sex } = some
  return write('groupJoined', { [sex === 'unsaid' ? 'unknown' : sex]: count }, `${count} joined`, beside)
}
async function feed(): Promise<void> {
  const feeder = feederOf(house.almanac, prey.value!)
  const said = `fed ${offered.value} ${offered.value === 1 ? feeder.one : feeder.many}`
  await write('groupOffered', { prey: prey.value, count: offered.value }, said, beside)
}
/** What the plan has for them: all of a mixed meal at once. */
const feedAsPlanned = () =>
  record(
    portions.value.map(p => ({
      kind: 'groupOffered',
      subject: { type: 'group' as const, id: id.value },
      data: p,
      day: when.value!,
    })),
    `${group.value!.tag}: fed`,
    beside,
  )
function laid(count: number, further: Record<string, unknown>, form?: FormErrors): Promise<boolean> {
  const live = species.value!.mode === 'live'
  const tag = nextClutchTag(house.house, live ? 'L' : species.value!.mode === 'larval' ? 'S' : 'C')
  return live
    ? write('groupBore', { tag, live: count, ...further }, `birth of ${count}`, form)
    : write('groupLaid', { tag, eggs: count, ...further }, `laid ${count}`, form)
}
const weighing = computed(() => group.value?.weighings.at(-1))
const clutches = computed(() =>
  (group.value?.clutchIds ?? []).flatMap(clutchId => house.house.clutches[clutchId] ?? []),
)
const answer = computed(() => {
  if (!group.value) return ''
  if (!here.value) return 'Nobody is left of it.'
  const { missing, lastCounted } = group.value
  const counted = lastCounted ? `counted ${formatDistance(lastCounted.day, house.today)}` : 'not counted yet'
  return missing ? '' : `All there, as far as known: ${counted}.`
})
</script>

<template>
  <div v-if="!group || !species" class="screen">
    <header><h1>There is no such group</h1></header>
    <p><NuxtLink to="/animals" class="underline">All animals</NuxtLink></p>
  </div>
  <div v-else class="screen">
    <header>
      <div>
        <h1>
          <span class="tag">{{ group.tag }}</span>{{ group.name ? ` ${group.name}` : '' }}: {{ tellNumbers(group) }}
        </h1>
        <p>
          <NuxtLink :to="`/almanac#${species.id}`" class="underline">{{ species.name }}</NuxtLink> without tags,
          {{ group.bornDay === null ? 'grown' : `born about ${formatDay(group.bornDay, house.today)}` }}.
          <NuxtLink v-if="group.placeId" :to="`/places/${group.placeId}`" class="underline">{{
            house.placeName(group.placeId)
          }}</NuxtLink>
          {{ answer }}
        </p>
      </div>
      <p v-if="meal">
        <WorkingLink
          :title="`${group.tag}: next meal`"
          :reasons="meal.reasons"
          :answer="`Next meal ${mealDue ? 'is due' : formatDistance(meal.value.due, house.today)}: ${portions.map(p => tellPortion(house.almanac, p)).join(' and ')} for all ${here}`"
        />
      </p>
    </header>
    <AlarmList :alarms="alarms" />

    <div class="columns">
      <section>
        <h2>Record</h2>
        <div class="record">
          <RecordDayField v-model="when" label="Happened on" :max="house.today" class="max-w-80" />
          <fieldset class="contents" :disabled="!canWrite">
            <div class="line">
              <UButton
                v-if="portions.length"
                label="Fed as planned"
                :variant="mealDue ? 'solid' : 'outline'"
                :color="mealDue ? 'primary' : 'neutral'"
                :disabled="busy"
                @click="feedAsPlanned"
              />
              <RecordAskNumber
                label="Counted"
                :title="`${group.tag}: how many are there`"
                :likely="here"
                :busy="busy"
                @record="(count, _, form) => write('groupCounted', { count }, `${count} counted`, form)"
              />
              <RecordAskNumber
                label="Seen eating"
                :title="`${group.tag}: how many of ${here} were seen eating`"
                :likely="here"
                :busy="busy"
                @record="(ate, _, form) => write('groupSeenEating', { ate }, `${ate} seen eating`, form)"
              />
              <RecordAskNumber
                label="Weighed"
                :title="`${group.tag}: weight of all that were weighed together`"
                unit="mass"
                kind="groupWeighed"
                :busy="busy"
                @record="
                  (massG, further, form) =>
                    write('groupWeighed', { count: here, massG, ...further }, `${massG} g together`, form)
                "
              />
              <RecordAskNumber
                :label="species.mode === 'live' ? 'Gave birth' : 'Laid'"
                :title="`${group.tag}: ${species.mode === 'live' ? 'live young' : 'eggs'}`"
                :kind="species.mode === 'live' ? 'groupBore' : 'groupLaid'"
                :likely="Math.round(species.clutchSize.likely)"
                :busy="busy"
                @record="laid"
              />
              <AnimalsTagYoung
                v-if="here"
                :key="here"
                :of="{ type: 'group', id: group.id }"
                :tag="group.tag"
                :most="here"
                by-sex
              />
            </div>
            <form class="line" @submit.prevent="feed">
              <span class="quiet small what">Other food</span>
              <UInputNumber v-model="offered" :min="1" :max="10000" class="w-28" aria-label="Offered to all" />
              <USelectMenu
                v-model="prey"
                :items="preyItems"
                value-key="value"
                class="w-48"
                :aria-label="`Feeder: ${prey ? feederOf(house.almanac, prey).name : 'none'}`"
              />
              <UButton type="submit" label="Fed" variant="outline" color="neutral" :disabled="!prey || busy" />
            </form>
            <form class="line" @submit.prevent="leave('groupLost', 'lost')">
              <span class="quiet small what">Came or went</span>
              <UInputNumber v-model="some.count" :min="1" :max="2000" class="w-28" aria-label="How many" />
              <USelect v-model="some.sex" :items="SEX_ITEMS" value-key="value" class="w-36" aria-label="Which sex" />
              <UButton label="Joined" variant="outline" color="neutral" :disabled="busy" @click="join" />
              <UButton
                label="Sold"
                variant="outline"
                color="neutral"
                :disabled="busy"
                @click="leave('groupSold', 'sold')"
              />
              <UInput v-model="some.cause" placeholder="Cause of death, if known" class="w-52" maxlength="300" />
              <UButton type="submit" label="Lost" variant="outline" color="neutral" :disabled="busy" />
            </form>
            <p v-for="(message, field) in problems" :key="field" class="small text-error" role="alert">{{ message }}</p>
            <form class="line" @submit.prevent="write('groupSexed', { ...sexes }, 'sexes written', beside)">
              <span class="quiet small what">Of these</span>
              <UInputNumber id="group-males" v-model="sexes.male" :min="0" class="w-24" />
              <label class="quiet small" for="group-males">males</label>
              <UInputNumber id="group-females" v-model="sexes.female" :min="0" class="w-24" />
              <label class="quiet small" for="group-females">females</label>
              <UButton type="submit" label="Write sexes" variant="outline" color="neutral" :disabled="busy" />
            </form>
            <RecordNote :write="text => write('groupNoted', { text }, 'note written')" />
            <USelectMenu
              :items="places"
              value-key="value"
              placeholder="Move to …"
              class="w-56"
              aria-label="Move to …"
              @update:model-value="write('groupMoved', { placeId: $event }, 'moved')"
            />
          </fieldset>
        </div>
        <ul class="cautions">
          <li v-for="caution in species.cautions" :key="caution">
            <UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ caution }}
          </li>
        </ul>
      </section>
      <section>
        <template v-if="weighing || clutches.length">
          <h2>Weight and young</h2>
          <p v-if="weighing">
            {{ formatQuantity(weighing.massG / weighing.count, house.settings.massUnit) }} each in the mean of
            {{ weighing.count }}, {{ formatDistance(weighing.day, house.today) }}.
          </p>
          <p v-for="c in clutches" :key="c.id">
            <NuxtLink :to="c.kind === 'eggs' ? `/eggs/${c.id}` : `/nursery#${c.id}`" class="tag">{{ c.tag }}</NuxtLink>
            of {{ formatDay(c.startDay, house.today) }}. Which of them laid is not known, nor who sired.
          </p>
        </template>
        <h2 class="mt-5">Timeline</h2>
        <Timeline :subjects="[{ type: 'group', id }]" class="mt-2" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 2rem;
}
.record {
  display: grid;
  gap: 0.75rem;
  margin-top: 0.5rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.what {
  flex-basis: 100%;
  margin-bottom: -0.25rem;
}
.cautions {
  margin-top: 1.25rem;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
  display: grid;
  gap: 0.25rem;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
