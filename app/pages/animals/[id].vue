<script setup lang="ts">
import { speciesOf } from '#core/almanac'
import { bodyCondition } from '#core/brumation'
import { openPairingOf, tellWays, type Subject } from '#core/subjects'
import { gravidIn, mealNow, mealWinterOf, ofItsAge, powderOf, tellPortion } from '#core/season'
import { summarise } from '#core/chance'
import { formatDay, formatDistance, formatQuantity, formatRange } from '#core/units'

const route = useRoute()
const router = useRouter()
const VIEWS = [
  { hash: '', label: 'Now', is: null },
  { hash: '#eating', label: 'Eating and leaving', is: 'eating' },
  { hash: '#sex', label: 'Sex', is: 'sex' },
  { hash: '#genes', label: 'Genes', is: 'genes' },
  { hash: '#lineage', label: 'Lineage', is: 'lineage' },
] as const
const view = computed(() => VIEWS.find(v => v.hash === route.hash) ?? VIEWS[0])
const shown = computed({
  get: () => view.value.label,
  set: label => {
    void router.replace({ hash: VIEWS.find(v => v.label === label)!.hash })
  },
})
const id = computed(() => String(route.params.id))
const house = useHouse()
const { record, busy } = useRecord()
const context = useSeasonContext()

const animal = computed(() => house.house.animals[id.value])
const species = computed(() => (animal.value ? speciesOf(house.almanac, animal.value.speciesId) : null))
const when = ref<number | null>(house.today)
const canWrite = computed(() => dayProblem(when.value, { max: house.today }) === undefined)
const correcting = ref(false)

const pairing = computed(() => (animal.value ? openPairingOf(house.house, animal.value.id) : undefined))
const lane = computed(() => house.season?.lanes.find(l => l.subject.id === pairing.value?.id))
const gravid = computed(() =>
  animal.value && house.season ? (gravidIn(house.season.lanes, context.value).get(animal.value.id) ?? false) : false,
)
const meal = computed(() =>
  animal.value
    ? mealNow(animal.value, context.value, {
        gravid: gravid.value,
        winter: mealWinterOf(animal.value, context.value),
      })
    : null,
)
const subjects = computed<Subject[]>(() => [
  { type: 'animal', id: id.value },
  ...Object.values(house.house.pairings)
    .filter(p => p.damId === id.value || p.sireId === id.value)
    .map(p => ({ type: 'pairing' as const, id: p.id })),
])
const alarms = computed(() => house.alarms.filter(a => a.subject?.id === id.value))
const cold = computed(() => house.season?.winter.cold.find(c => c.animalId === id.value) ?? null)
const back = computed(() => house.season?.winter.recovering.find(r => r.animalId === id.value) ?? null)
const readyText = computed(() => {
  if (!back.value) return ''
  if (back.value.readiness.since !== null)
    return `Ready to pair since ${formatDay(back.value.readiness.since, house.today)}`
  const sum = summarise(back.value.readiness.dist)
  return sum ? `Ready to pair ${formatRange(sum)}` : ''
})
const condition = computed(() =>
  animal.value && species.value && species.value.winter !== 'none'
    ? bodyCondition(species.value, animal.value, house.almanac.common)
    : null,
)
const conditionText = computed(() => {
  if (!condition.value) return ''
  const { ofBest, ofLastWinter, shell, state } = condition.value.value
  const parts = [`Condition ${state}: ${Math.round(ofBest * 100)} % of its best`]
  if (ofLastWinter !== null) parts.push(`${Math.round(ofLastWinter * 100)} % of the weight before its last winter`)
  if (shell) parts.push(`${shell.ratio.toFixed(2)} of the healthy mass for ${shell.mm} mm (Jackson ratio)`)
  return parts.join(', ')
})
const ofAge = computed(() => (animal.value ? ofItsAge(animal.value, context.value) : null))
const OF_AGE = {
  small: 'Small for its age: thin, cold, wormy, or of a small line?',
  large: 'Large for its age: what is fed up quickly is seldom healthier or longer-lived',
}
const ofAgeText = computed(() => {
  if (!ofAge.value) return ''
  const { is, lighter } = ofAge.value.value
  const share = lighter < 0.01 ? 'under 1' : lighter > 0.99 ? 'over 99' : `${Math.round(100 * lighter)}`
  // the band drawn holds 80 % of them
  const usual = lighter < 0.1 ? 'Smaller than most' : lighter > 0.9 ? 'Larger than most' : 'As most'
  return `${is === 'usual' ? `${usual} of its age` : OF_AGE[is]}; about ${share} % of its kind are lighter`
})
const dusted = computed(() => {
  const powder = animal.value && powderOf(animal.value, context.value)?.value
  return powder && powder !== 'none' ? powder : undefined
})
const inCold = computed(() => Boolean(animal.value?.cooled && !animal.value.warmed))
const relative = (id: string | null | undefined) => (id ? house.house.animals[id] : undefined)

/** The one thing to do here: feed when a meal is due, else weigh. */
const mealDue = computed(() => Boolean(meal.value && meal.value.value.due <= house.today && !inCold.value))
const placeItems = usePlaceItems()

async function write(kind: string, data: Record<string, unknown>, says: string, form?: FormErrors): Promise<boolean> {
  if (!canWrite.value || when.value === null) return false
  return (
    (await record(
      { kind, subject: { type: 'animal', id: id.value }, data, day: when.value },
      `${animal.value!.tag}: ${says}`,
      form,
    )) !== null
  )
}
</script>

<template>
  <div v-if="!animal || !species" class="screen">
    <h1>There is no such animal</h1>
    <p class="mt-2"><NuxtLink to="/animals" class="underline">All animals</NuxtLink></p>
  </div>
  <div v-else class="screen">
    <header>
      <div>
        <h1>
          <span class="tag">{{ animal.tag }}</span> <span v-if="animal.name">{{ animal.name }}</span>
          <UButton
            icon="i-lucide-pencil"
            size="sm"
            variant="ghost"
            color="neutral"
            :aria-label="`Correct the card of ${animal.tag}`"
            title="Correct card"
            @click="correcting = true"
          />
        </h1>
        <AnimalsCorrectCard v-model:open="correcting" :animal="animal" />
        <p>
          <NuxtLink :to="`/almanac#${species.id}`" class="underline">{{ species.name }}</NuxtLink>,
          {{ animal.sex === 'unknown' ? 'sex unknown' : animal.sex
          }}<template v-if="animal.bornDay !== null">, born {{ formatDay(animal.bornDay, house.today) }}</template
          >. {{ house.placeName(animal.placeId) }}.
          <template v-if="relative(animal.damId) || animal.sires.length"
            >From
            <NuxtLink v-if="relative(animal.damId)" :to="`/animals/${animal.damId}`" class="tag">{{
              relative(animal.damId)!.tag
            }}</NuxtLink><span v-else class="tag">unknown</span> ×
            <template v-for="(sire, i) in animal.sires" :key="sire.id"
              ><template v-if="i"> or </template
              ><NuxtLink :to="`/animals/${sire.id}`" class="tag">{{
                relative(sire.id)?.tag ?? 'unknown'
              }}</NuxtLink></template
            ><span v-if="!animal.sires.length" class="tag">{{ animal.clonal ? 'none' : 'unknown' }}</span
            >.</template
          >
        </p>
        <p v-if="animal.ways" class="flex items-baseline gap-1.5 font-semibold">
          <UIcon name="i-lucide-hand" class="size-4 flex-none" aria-label="To mind" /> {{ tellWays(animal.ways) }}
        </p>
        <AnimalsOwnNumbers :animal="animal" />
      </div>
      <p class="status">
        <b v-if="animal.status === 'elsewhere'">Not here: known by its papers</b>
        <b v-else-if="animal.status !== 'alive'"
          >{{ animal.status === 'sold' ? 'Sold' : 'Dead' }} since {{ formatDay(animal.statusDay!, house.today) }}</b
        >
        <template v-else-if="inCold">In the cold since {{ formatDay(animal.cooled!.day, house.today) }}</template>
        <WorkingLink
          v-else-if="meal"
          :title="`${animal.tag}: next meal`"
          :reasons="meal.reasons"
          :answer="`Next meal ${meal.value.due <= house.today ? 'is due' : formatDistance(meal.value.due, house.today)}: ${meal.value.portions.map(p => tellPortion(house.almanac, p)).join(' and ')}`"
        />
        <WorkingLink
          v-if="back && readyText"
          class="block"
          :title="`${animal.tag}: ready to pair`"
          :answer="readyText"
          :reasons="back.readiness.reasons"
        />
      </p>
    </header>
    <AlarmList :alarms="alarms" />
    <ViewSwitch v-model="shown" :views="VIEWS.map(v => v.label)" />
    <AnimalsBackground v-if="view.is" :animal="animal" :view="view.is" />
    <template v-else>
      <section v-if="cold" class="mb-8" aria-label="In the cold">
        <h2>In the cold</h2>
        <BrumationColdSheet :cold="cold" />
      </section>

      <div class="columns">
        <section>
          <h2>
            Weight
            <span v-if="animal.weights.length" class="quiet"
              >{{ formatQuantity(animal.weights.at(-1)!.massG, house.settings.massUnit) }},
              {{ formatDistance(animal.weights.at(-1)!.day, house.today) }}</span
            >
          </h2>
          <AnimalsWeightChart :animal="animal" class="mt-2" />
          <p v-if="ofAge" class="small">
            <WorkingLink :title="`${animal.tag}: weight for its age`" :answer="ofAgeText" :reasons="ofAge.reasons" />
          </p>
          <p v-if="condition" class="small">
            <WorkingLink :title="`${animal.tag}: condition`" :answer="conditionText" :reasons="condition.reasons" />
          </p>

          <template v-if="animal.status === 'alive'">
            <h2 class="mt-5">Record</h2>
            <div class="record">
              <RecordDayField v-model="when" label="Happened on" :max="house.today" class="max-w-80" />
              <fieldset class="contents" :disabled="!canWrite">
                <div class="buttons">
                  <RecordAskNumber
                    label="Weight"
                    :title="`${animal.tag}: weight`"
                    unit="mass"
                    :likely="animal.weights.at(-1)?.massG"
                    :main="!mealDue"
                    :busy="busy"
                    @record="(massG, _, form) => write('weighed', { massG }, `${massG} g`, form)"
                  />
                  <RecordAskNumber
                    label="Length"
                    :title="`${animal.tag}: ${species.shellMass ? 'straight shell length' : 'length from snout to vent'}, mm`"
                    :likely="animal.lengths.at(-1)?.mm"
                    :busy="busy"
                    @record="(mm, _, form) => write('measured', { mm }, `${mm} mm`, form)"
                  />
                  <UButton
                    label="Shed"
                    variant="outline"
                    color="neutral"
                    @click="write('shed', { complete: true }, 'shed')"
                  />
                  <UButton
                    label="Shed in pieces"
                    variant="outline"
                    color="neutral"
                    @click="write('shed', { complete: false }, 'shed in pieces')"
                  />
                  <UButton
                    label="Looked at, well"
                    variant="outline"
                    color="neutral"
                    @click="write('checked', { well: true }, 'looked at')"
                  />
                  <UButton
                    v-if="animal.unwell || !inCold"
                    :label="animal.unwell ? 'Still not well' : 'Not well'"
                    variant="outline"
                    color="neutral"
                    @click="write('checked', { well: false }, 'not well')"
                  />
                  <UButton
                    v-if="!inCold && species.winter !== 'none'"
                    label="Cooled down"
                    variant="outline"
                    color="neutral"
                    @click="write('cooledDown', {}, 'cooled down')"
                  />
                  <UButton
                    v-if="inCold"
                    label="Warmed up"
                    variant="outline"
                    color="neutral"
                    @click="write('warmedUp', {}, 'warmed up')"
                  />
                </div>
                <AnimalsFeedForm
                  v-if="!inCold"
                  :animal="animal"
                  :species="species"
                  :meal="meal"
                  :due="mealDue"
                  :busy="busy"
                  :write="write"
                />
                <AnimalsMenuForm
                  v-if="!inCold && species.eats !== 'rodents'"
                  :animal="animal"
                  :portions="meal?.value.portions ?? []"
                  :dusted="dusted"
                  :powders="Boolean(species.supplements)"
                  :day="canWrite ? when : null"
                />
                <RecordNote :write="text => write('noted', { text }, 'note written')" />
                <div class="line">
                  <USelectMenu
                    :items="placeItems"
                    value-key="value"
                    placeholder="Move to …"
                    class="w-56"
                    aria-label="Move to …"
                    @update:model-value="write('moved', { placeId: $event }, 'moved')"
                  />
                  <AnimalsPairForm v-if="animal.sex !== 'male' && !pairing" :dam="animal" />
                  <RecordAskNumber
                    label="Sold"
                    :title="`${animal.tag} sold`"
                    kind="sold"
                    no-number
                    :busy="busy"
                    @record="(_, said, form) => write('sold', said, 'sold', form)"
                  />
                  <RecordAskNumber
                    label="Died"
                    :title="`${animal.tag} died`"
                    kind="died"
                    no-number
                    :busy="busy"
                    @record="(_, cause, form) => write('died', cause, 'death recorded', form)"
                  />
                </div>
              </fieldset>
              <p v-if="animal.refusals > 1" class="small quiet">
                Refusing: leave it alone between tries, never force. With falling weight, the reptile vet.
              </p>
            </div>
            <AnimalsHealth :animal="animal" :day="canWrite ? when : null" :group="species.group" />
            <AnimalsWays :animal="animal" class="mt-3" />
          </template>
          <ul class="cautions">
            <li v-for="caution in species.cautions" :key="caution">
              <UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ caution }}
            </li>
          </ul>
        </section>

        <section>
          <template v-if="lane">
            <h2>Season with {{ relative(pairing?.sireId)?.tag ?? 'an unknown male' }}</h2>
            <LaneDetail :lane="lane" compact class="mb-6" />
          </template>
          <h2>Timeline</h2>
          <Timeline :subjects="subjects" class="mt-2" />
        </section>
      </div>
    </template>
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
.buttons,
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.status {
  color: var(--ui-text-highlighted);
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
