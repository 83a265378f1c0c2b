<script setup lang="ts">
import { borrowed, feederOf, type Feeder, type StandIn, type Supply } from '#core/almanac'
import { withWay } from '#core/supply'

/** One feeder to read, with every number and where it came from; the ways in which it comes, one of them in force. */
const props = defineProps<{ feeder: Feeder }>()
const emit = defineEmits<{ choose: [id: string] }>()
const house = useHouse()
const { save: keep, problem, busy } = usePartChange('feeder', () => props.feeder)
/** What was changed last: what is refused is said beside it. */
const changed = ref('')
const save = (parts: Record<string, unknown>, says: string) => {
  changed.value = Object.keys(parts)[0] ?? ''
  return keep(parts, says)
}
const refused = (part: string) => (changed.value === part ? problem.value : '')
const marks = computed(() => countMarks(props.feeder))
const editing = ref(false)
const PARTS = ['massG', 'minerals', 'supply', 'care', 'cautions']
const sections = computed(() => feederSections(props.feeder))
const others = computed(() => props.feeder.otherWays ?? [])

/** Ways of other feeders, to be taken over as a beginning. */
const ways = computed(() => {
  const known = [props.feeder.supply, ...others.value].map(wayWords)
  return Object.values(house.almanac.feeders)
    .filter(f => f.id !== props.feeder.id)
    .flatMap(f => [f.supply, ...(f.otherWays ?? [])].map(way => ({ f, way })))
    .filter(({ way }) => !known.includes(wayWords(way)))
    .map(({ f, way }, i) => ({ value: `${i}`, label: `${wayWords(way)}, as ${f.name.toLowerCase()}`, f, way }))
})
const add = (index: string) => {
  const { f, way } = ways.value[Number(index)]!
  const taken: Supply = borrowed(JSON.parse(JSON.stringify(way)) as Supply, f.name)
  return save({ otherWays: [...others.value, taken] }, 'another way added')
}
const use = (i: number) => save(withWay(props.feeder, i), `now ${wayWords(others.value[i]!)}`)
/** What may stand for it, the best first. */
const standIns = computed(() => props.feeder.standIns ?? [])
/** All other feeders, to pick from. */
const otherFeeders = computed(() =>
  Object.values(house.almanac.feeders)
    .filter(f => f.id !== props.feeder.id && !f.retired)
    .map(f => ({ value: f.id, label: f.name })),
)
const further = computed(() => otherFeeders.value.filter(f => !standIns.value.some(s => s.prey === f.value)))
const saveStandIns = (list: readonly StandIn[], says: string) =>
  save({ standIns: JSON.parse(JSON.stringify(list)) as StandIn[] }, says)
const letStandIn = (prey: string) =>
  saveStandIns(
    [...standIns.value, { prey, mostShare: { value: 1, unit: 'share', mark: 'own' } }],
    `${nameOf(prey)} may stand for it`,
  )
const limit = (i: number, percent: number) =>
  saveStandIns(
    standIns.value.map((s, at) =>
      at === i ? { ...s, mostShare: { value: percent / 100, unit: 'share', mark: 'own' } } : s,
    ),
    `${nameOf(standIns.value[i]!.prey)}: at most ${percent} % of a day`,
  )
const stop = (i: number) =>
  saveStandIns(
    standIns.value.filter((_, at) => at !== i),
    `${nameOf(standIns.value[i]!.prey)} no more stands for it`,
  )
const nameOf = (id: string) => feederOf(house.almanac, id).name.toLowerCase()
/** Chosen, and its days not said yet. */
const nextSize = ref('')
watch(
  () => props.feeder.id,
  () => ([nextSize.value, changed.value] = ['', '']),
)
const growInto = (into: string, days: number) =>
  save({ grows: { into, days: { value: days, unit: 'days', mark: 'own' } } }, `${nameOf(into)} after ${days} days`)
const drop = (i: number) => save({ otherWays: others.value.filter((_, at) => at !== i) }, 'a way dropped')
</script>

<template>
  <AlmanacFrame of="feeder" :row="feeder" @choose="emit('choose', $event)">
    <template #about>
      <p v-if="marks.borrowed">
        {{ marks.borrowed }} of {{ marks.all }} values are <i>borrowed</i> from {{ marks.from.join(' and ') }}.
      </p>
      <p>{{ feeder.care }}</p>
    </template>
    <template #actions
      ><UButton
        label="Edit"
        size="sm"
        variant="outline"
        color="neutral"
        :aria-label="`Edit ${feeder.name}`"
        @click="editing = true"
    /></template>
    <section>
      <h3>How this house gets it</h3>
      <ul class="ways">
        <li>
          <b>{{ wayWords(feeder.supply) }}</b><span class="quiet">in force: the plan goes by it</span>
        </li>
        <li v-for="(way, i) in others" :key="i">
          <span>{{ wayWords(way) }}</span>
          <UButton
            label="Get it this way"
            size="xs"
            variant="outline"
            color="neutral"
            :disabled="busy"
            :aria-label="`Get it this way: ${wayWords(way)}`"
            @click="use(i)"
          />
          <UButton
            label="Drop"
            size="xs"
            variant="ghost"
            color="neutral"
            :disabled="busy"
            :aria-label="`Drop: ${wayWords(way)}`"
            @click="drop(i)"
          />
        </li>
        <li>
          <RecordPick
            :items="ways"
            name="Another way"
            placeholder="Another way …"
            class="w-80"
            @update:model-value="add($event)"
          />
        </li>
      </ul>
      <p v-if="refused('otherWays') || refused('supply')" class="problem" role="alert">{{ problem }}</p>
      <p class="quiet small">What runs already goes on as it was started.</p>
    </section>
    <section class="stand-ins">
      <h3>What may stand for it</h3>
      <ul v-if="standIns.length" class="in-place">
        <li v-for="(s, i) in standIns" :key="s.prey">
          <b>{{ feederOf(house.almanac, s.prey).name }}</b>
          <span class="quiet"
            >at most {{ Math.round(s.mostShare.value * 100) }} % of a day’s meals, {{ s.mostShare.mark }}</span
          >
          <RecordAskNumber
            label="Limit"
            :title="`${feederOf(house.almanac, s.prey).name}, % of a day’s meals at most`"
            :likely="Math.round(s.mostShare.value * 100)"
            :busy="busy"
            @record="limit(i, $event)"
          />
          <UButton
            label="Drop"
            size="xs"
            variant="ghost"
            color="neutral"
            :disabled="busy"
            :aria-label="`Drop: ${feederOf(house.almanac, s.prey).name}`"
            @click="stop(i)"
          />
        </li>
      </ul>
      <p v-else class="quiet">Nothing: who eats it gets it, or goes hungry.</p>
      <RecordPick
        :items="further"
        name="May stand for it"
        placeholder="May stand for it …"
        class="w-80"
        @update:model-value="letStandIn($event)"
      />
      <p v-if="refused('standIns')" class="problem" role="alert">{{ problem }}</p>
      <p class="quiet small">
        By weight: several small ones for a large one. The plan takes it only where there is not enough.
      </p>
    </section>
    <section class="grows">
      <h3>What it grows into</h3>
      <p v-if="feeder.grows" class="in-place">
        <b>{{ feederOf(house.almanac, feeder.grows.into).name }}</b>
        <span class="quiet"
          >half of them {{ feeder.grows.days.value }} days after they came, {{ feeder.grows.days.mark }}</span
        >
        <RecordAskNumber
          label="Days"
          :title="`Days until they are ${feederOf(house.almanac, feeder.grows.into).many}`"
          :likely="feeder.grows.days.value"
          :busy="busy"
          @record="growInto(feeder.grows!.into, $event)"
        />
        <UButton
          label="They do not grow"
          size="xs"
          variant="ghost"
          color="neutral"
          :disabled="busy"
          @click="save({ grows: null }, 'they do not grow')"
        />
      </p>
      <div v-else class="in-place">
        <RecordPick
          v-model="nextSize"
          :items="otherFeeders"
          name="Grows into"
          placeholder="Grows into …"
          class="w-80"
        />
        <RecordAskNumber
          v-if="nextSize"
          label="After so many days"
          :title="`Days until they are ${feederOf(house.almanac, nextSize).many}`"
          :busy="busy"
          @record="growInto(nextSize, $event)"
        />
      </div>
      <p v-if="refused('grows')" class="problem" role="alert">{{ problem }}</p>
      <p class="quiet small">Where it is bought and kept alive: from that day on the plan does not count on it.</p>
    </section>
    <template v-for="[title, rows] in sections" :key="title">
      <section v-if="rows.length">
        <h3>{{ title }}</h3>
        <AlmanacRows :rows="rows" />
      </section>
    </template>
    <LazyAlmanacPartForm
      v-if="editing"
      v-model:open="editing"
      of="feeder"
      :row="feeder"
      title="Supply, size and care"
      :parts="PARTS"
    />
  </AlmanacFrame>
</template>

<style scoped>
.ways li,
.in-place li,
.grows .in-place {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 0.75rem;
  align-items: center;
  padding: 0.25rem 0;
}
</style>
