<script setup lang="ts">
import { partWords, type Species } from '#core/almanac'

/** One species to read: what it is, what is borrowed, how it is fed, and every number with where it came from. */
const props = defineProps<{ species: Species }>()
const emit = defineEmits<{ choose: [id: string] }>()
const house = useHouse()
const editing = ref<'ladder' | 'incubation' | 'names' | 'twice' | null>(null)
/** Parts on the form that follows from what they hold. */
const setting = ref<{ title: string; parts: readonly string[] } | null>(null)

const own = computed(() => house.house.species[props.species.id])
const marks = computed(() => countMarks(props.species))
const root = computed(() => (props.species.typeOf ? house.almanac.species[props.species.typeOf] : undefined))
const kept = computed(() =>
  Object.values(house.house.animals).filter(a => a.status === 'alive' && a.speciesId === props.species.id),
)
/** The one animal whose numbers these are. */
const onlyOf = computed(() => house.onlyAnimalOf(props.species.id))
const MODES = { egg: 'Lays eggs', live: 'Live-bearing', larval: 'Spawns; tadpoles' }
const WINTERS = { brumation: 'cold in winter', dormancy: 'a cool, dry rest', none: 'no rest' }
const sections = computed(() => speciesSections(props.species, house.almanac))
const incubation = computed(() => sections.value.find(([title]) => title === 'Incubation')?.[1] ?? [])

/** Of a type: what it says itself, shipped or set here, and not after its species. */
const saidItself = computed(() => {
  const { id, typeOf } = props.species
  if (!typeOf) return []
  const numbers = (house.snapshot?.overrides ?? [])
    .filter(o => o.path.startsWith(`species.${id}.`))
    .map(o => o.path.split('.')[2]!)
  const shippedRow = house.shipped?.rows.find(r => r.id === id)
  const parts = { ...shippedRow?.parts, ...own.value?.parts }
  return [...new Set([...Object.keys(parts), ...numbers])].map(partWords)
})
const notKnown = computed(() => unknownParts(props.species).filter(p => p.title !== 'Incubation'))

/** Another species beside this one. */
const besideId = ref<string>()
const other = computed(() => (besideId.value ? house.almanac.species[besideId.value] : undefined))
const others = computed(() =>
  house.speciesSorted.filter(s => s.id !== props.species.id).map(s => ({ value: s.id, label: s.name, latin: s.latin })),
)
const otherSections = computed(
  () => new Map((other.value ? speciesSections(other.value, house.almanac) : []).map(([title, rows]) => [title, rows])),
)
const feederName = (id: string) => house.almanac.feeders[id]?.name.toLowerCase() ?? id
const beside = (title: string) =>
  other.value ? { name: other.value.name, rows: otherSections.value.get(title) ?? [] } : undefined
</script>

<template>
  <AlmanacFrame of="species" :row="species" @choose="emit('choose', $event)">
    <template #about>
      <p class="quiet">
        {{ MODES[species.mode] }}; {{ WINTERS[species.winter] }}.<template v-if="root"
          >{{ ' A type of '
          }}<button type="button" class="link" @click="emit('choose', root.id)">{{ root.name }}</button>.</template
        >{{
          onlyOf
            ? ` Numbers of ${onlyOf} alone.`
            : `${kept.length ? ` ${kept.length} kept here.` : ''}${species.retired ? ' Retired: offered no more.' : ''}`
        }}
      </p>
      <p v-if="root" data-layers>
        {{
          saidItself.length
            ? `Of its own: ${saidItself.join(', ')}; all else is that of ${root.name}.`
            : `All of it is that of ${root.name}.`
        }}
      </p>
      <p v-if="species.never?.length">Not given to it: {{ species.never.map(feederName).join(', ') }}.</p>
      <p v-if="marks.borrowed" data-borrowed>
        {{ marks.borrowed }} of {{ marks.all }} values are <i>borrowed</i> from {{ marks.from.join(' and ') }}:
        forecasts stand on them until you set your own.
      </p>
    </template>
    <template #actions>
      <UButton
        label="Food and cautions"
        size="sm"
        variant="ghost"
        color="neutral"
        @click="setting = { title: 'Food and cautions', parts: ['eats', 'cautions'] }"
      />
      <UButton v-if="own?.added" label="Rename" size="sm" variant="ghost" color="neutral" @click="editing = 'names'" />
      <UButton
        v-if="own?.added && !species.retired"
        label="Entered twice"
        size="sm"
        variant="ghost"
        color="neutral"
        @click="editing = 'twice'"
      />
      <RecordPick
        v-model="besideId"
        :items="others"
        :filter-fields="['label', 'latin']"
        size="sm"
        class="w-56"
        clear
        name="Beside it"
        placeholder="Put another beside it"
      />
    </template>
    <AlmanacLifeYear :species="species" />
    <template v-if="other"
      ><p class="quiet mt-3">{{ other.name }}</p>
      <AlmanacLifeYear :species="other"
    /></template>
    <p v-if="notKnown.length" class="unknown">
      <span class="quiet">Not known, or not so:</span
      ><UButton
        v-for="p in notKnown"
        :key="p.title"
        :label="p.title"
        size="xs"
        variant="ghost"
        :aria-label="`Set ${p.title}`"
        @click="setting = p"
      />
    </p>
    <section>
      <div class="head">
        <h3>Feeding ladder, from the first meal</h3>
        <UButton label="Edit ladder" size="xs" variant="outline" color="neutral" @click="editing = 'ladder'" />
      </div>
      <AlmanacLadder :ladder="species.ladder" />
      <template v-if="other"
        ><p class="quiet mt-3">{{ other.name }}</p>
        <AlmanacLadder :ladder="other.ladder"
      /></template>
    </section>
    <section v-if="species.mode === 'egg'">
      <div class="head">
        <h3>Incubation</h3>
        <UButton label="Edit table" size="xs" variant="outline" color="neutral" @click="editing = 'incubation'" />
      </div>
      <p v-if="!species.incubation" class="quiet">Not known: a hatch is not forecast until you set the table.</p>
      <AlmanacRows v-else :rows="incubation" :beside="beside('Incubation')" />
    </section>
    <template v-for="[title, rows, parts] in sections" :key="title">
      <section v-if="rows.length && title !== 'Incubation'">
        <div class="head">
          <h3>{{ title }}</h3>
          <UButton
            v-if="parts"
            label="Edit"
            size="xs"
            variant="outline"
            color="neutral"
            :aria-label="`Edit ${title}`"
            @click="setting = { title, parts }"
          />
        </div>
        <AlmanacClimate
          v-if="species.climate && parts?.includes('climate')"
          :climate="species.climate"
          :name="species.name"
        />
        <AlmanacRows :rows="rows" :beside="beside(title)" />
      </section>
    </template>
    <p class="every">
      <button type="button" class="link" @click="emit('choose', EVERY)">Numbers for every species</button>
      <span class="quiet"> say what is watched, asked about and told of it too.</span>
    </p>
    <LazyAlmanacPartForm
      v-if="setting"
      :open="true"
      of="species"
      :row="species"
      v-bind="setting"
      @update:open="setting = null"
    />
    <LazyAlmanacLadderForm v-if="editing === 'ladder'" :open="true" :species="species" @update:open="editing = null" />
    <LazyAlmanacIncubationForm
      v-if="editing === 'incubation'"
      :open="true"
      :species="species"
      @update:open="editing = null"
    />
    <LazyAlmanacMerge v-if="editing === 'twice'" :open="true" :species="species" @update:open="editing = null" />
    <LazyAlmanacRename v-if="editing === 'names'" :open="true" :species="species" @update:open="editing = null" />
  </AlmanacFrame>
</template>

<style scoped>
.head {
  display: flex;
  gap: 0.75rem;
  align-items: center;
}
.unknown {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
  align-items: center;
  margin-top: 0.5rem;
}
.every {
  margin-top: 1.5rem;
}
.link {
  text-decoration: underline;
  color: var(--ui-primary);
}
</style>
