<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { speciesOf } from '#core/almanac'
import { summarise } from '#core/chance'
import { doneOf, eggPhase, sexOutlook } from '#core/season/eggs'
import { eggsLeft, isAliveEgg, pippedNow, tadpolesLeft, waysUp } from '#core/subjects'
import { formatDay, formatQuantity, formatRange } from '#core/units'
import { EGG_LOOK_WORDS } from '~/components/eggs/drawing'

const route = useRoute()
const house = useHouse()
const { record, busy } = useRecord()
const context = useSeasonContext()
const id = computed(() => String(route.params.id))
const clutch = computed(() => house.house.clutches[id.value])
const species = computed(() => (clutch.value ? speciesOf(house.almanac, clutch.value.speciesId) : null))
const lane = computed(() => house.season?.lanes.find(l => l.id === `clutch:${id.value}`))
const done = computed(() => (clutch.value ? doneOf(clutch.value, context.value) : null))
const phase = computed(() => (clutch.value ? eggPhase(clutch.value, context.value)?.phase : null))
const sex = computed(() => (clutch.value ? sexOutlook(clutch.value, context.value) : null))
const alarms = computed(() => {
  const up = new Set([id.value, ...[...waysUp(house.house.places, clutch.value?.placeId ?? null)].map(p => p.id)])
  return house.alarms.filter(a => a.subject && up.has(a.subject.id) && /^(?:egg|heat|hatch)/.test(a.id))
})
const hatch = computed(() => lane.value?.events.find(e => e.event === 'hatched'))
const when = computed(() => (hatch.value && !hatch.value.observed ? summarise(hatch.value.dist) : null))
const parents = computed(() => {
  const c = clutch.value
  if (!c) return ''
  if (c.groupId) return `laid in ${house.house.groups[c.groupId]?.tag ?? 'a group'}`
  const pairing = c.pairingId ? house.house.pairings[c.pairingId] : undefined
  if (!pairing) return c.origin ? `from ${c.origin}` : 'of an unknown dam'
  const tag = (a: string | null) => (a ? (house.house.animals[a]?.tag ?? 'unknown') : 'unknown sire')
  return `${tag(pairing.damId)} × ${tag(pairing.sireId)}`
})
const counts = computed(() => {
  const c = clutch.value!
  const out = c.hatched.reduce((n, h) => n + h.count, 0)
  const pipped = pippedNow(c)
  const tadpoles = tadpolesLeft(c)
  return [
    tadpoles ? `${tadpoles} tadpoles, of ${c.eggs} eggs` : `${eggsLeft(c)} of ${c.eggs} eggs left`,
    c.slugs && `${c.slugs} slug${c.slugs === 1 ? '' : 's'}`,
    c.eggsLost && `${c.eggsLost} dead`,
    pipped && `${pipped.count} pipped`,
    out && `${out} out`,
    c.good !== null && `${c.good} good`,
  ]
    .filter(Boolean)
    .join(', ')
})
const day = ref<number | null>(house.today)
const canWrite = computed(() => dayProblem(day.value, { max: house.today, min: clutch.value?.startDay }) === undefined)
const places = usePlaceItems()
const subject = computed(() => ({ type: 'clutch' as const, id: id.value }))
async function write(kind: string, data: Record<string, unknown>, says: string, form?: FormErrors): Promise<boolean> {
  if (!canWrite.value || day.value === null) return false
  const wish = { kind, subject: subject.value, data, day: day.value }
  return (await record(wish, `${clutch.value!.tag}: ${says}`, form)) !== null
}
const dividing = ref(false)
const planning = ref(false)
/** Clutches that its eggs came from, or that some of them lie in now. */
const kin = computed(() =>
  Object.values(house.house.clutches)
    .filter(c => c.id === clutch.value?.partOf || c.partOf === id.value)
    .map(c => ({ id: c.id, tag: c.tag, says: c.partOf === id.value ? `${c.eggs} of its eggs are` : 'Out of' })),
)

const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const span = computed<TimeSpan>(() => ({
  from: (clutch.value?.startDay ?? house.today) - 3,
  to: Math.max(house.today + 14, when.value?.high ?? 0) + 5,
  width: Math.max(200, width.value || 300),
}))
/** The rows of readings of the place that the eggs lie in. */
const series = computed(() => {
  for (const place of waysUp(house.house.places, clutch.value?.placeId ?? null)) {
    const of = house.season?.places.find(p => p.placeId === place.id)?.series ?? []
    if (of.length)
      return { name: place.name, of: of.filter(s => s.channel === 'temperature' || s.channel === 'humidity') }
    if (place.kind === 'incubator') break
  }
  return null
})
const rows = computed(() => Object.values(clutch.value?.rows ?? {}).sort((a, b) => a.n - b.n))
const next = computed(() => {
  const standing = clutch.value ? eggPhase(clutch.value, context.value) : null
  return standing?.phase ? { index: standing.index + 1, name: standing.phase.name } : null
})
</script>

<template>
  <div v-if="!clutch || !species" class="screen">
    <header><h1>There is no such clutch</h1></header>
    <p><NuxtLink to="/eggs" class="underline">All eggs</NuxtLink></p>
  </div>
  <div v-else class="screen">
    <header class="top">
      <h1>
        <span class="tag">{{ clutch.tag }}</span>: {{ counts }}
      </h1>
      <p class="answer">
        <WorkingLink
          v-if="hatch && when"
          :title="`${clutch.tag}: hatch`"
          :answer="`${phase ? phase.name : done === null ? '' : `${Math.round(done * 100)} % developed`}; hatch ${formatRange(when)}`"
          :reasons="hatch.reasons"
        />
        <template v-if="sex">
          ·
          <WorkingLink
            :title="`${clutch.tag}: sex by warmth`"
            :answer="`${Math.round(sex.value.female * 100)} % females`"
            :reasons="sex.reasons"
          />
          <span class="quiet over">
            {{
              sex.value.over === null
                ? 'as written'
                : sex.value.over >= 1
                  ? 'and set'
                  : sex.value.over <= 0
                    ? 'as it goes on; nothing is set yet'
                    : `as it goes on; ${Math.round(sex.value.over * 100)} % of the time that sets it is over`
            }}</span
          >
        </template>
      </p>
      <p>
        <NuxtLink :to="`/almanac#${species.id}`" class="underline">{{ species.name }}</NuxtLink>, {{ parents }}, laid
        {{ formatDay(clutch.startDay, house.today)
        }}{{ clutch.startGive ? `, give or take ${clutch.startGive} days` : ''
        }}{{ clutch.foundAt ? `, found ${clutch.foundAt}` : '' }}.
        <NuxtLink v-if="clutch.placeId" :to="`/places/${clutch.placeId}`" class="underline">{{
          house.placeName(clutch.placeId)
        }}</NuxtLink>
        <template v-if="clutch.programme"> · In the programme “{{ clutch.programme.name }}”</template>
        <template v-for="k in kin" :key="k.id">
          {{ ` · ${k.says} ` }}<NuxtLink :to="`/eggs/${k.id}`" class="underline">{{ k.tag }}</NuxtLink>
        </template>
      </p>
    </header>
    <AlarmList :alarms="alarms" unfolded />

    <div class="columns">
      <section>
        <h2>{{ clutch.kind === 'eggs' ? 'The box from above' : 'What is seen' }}</h2>
        <RecordDayField v-model="day" label="Seen on" :max="house.today" class="max-w-80 mb-2" />
        <EggsCandle v-if="clutch.kind === 'eggs'" :clutch="clutch" :day="day" :disabled="!canWrite || busy" />
        <fieldset class="line mt-4" :disabled="!canWrite">
          <RecordPick
            name="Move to"
            :items="places"
            placeholder="Move to …"
            class="w-52"
            @update:model-value="write('clutchMoved', { placeId: $event }, 'moved')"
          />
          <RecordAskNumber
            v-if="clutch.kind === 'eggs'"
            label="Kept at"
            :title="`${clutch.tag}: what it is kept at where it lies, if it is not read`"
            kind="clutchMoved"
            no-number
            :busy="busy"
            @record="
              (_, further, form) =>
                write('clutchMoved', { placeId: clutch!.placeId, ...further }, 'temperature written', form)
            "
          />
          <UButton
            v-if="next"
            :label="`${next.name} is over`"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="write('phaseBegan', { index: next.index }, 'next phase began')"
          />
          <RecordAskNumber
            v-if="clutch.kind === 'eggs' && !clutch.hatched.length"
            label="More laid"
            :title="`${clutch.tag}: eggs of the same clutch that were laid later`"
            :likely="1"
            kind="eggsAdded"
            :busy="busy"
            @record="(eggs, further, form) => write('eggsAdded', { eggs, ...further }, `${eggs} more laid`, form)"
          />
          <RecordAskNumber
            label="Weighed eggs"
            :title="`${clutch.tag}: weight of all that were weighed`"
            unit="mass"
            kind="eggsWeighed"
            :busy="busy"
            @record="(massG, further, form) => write('eggsWeighed', { massG, ...further }, `eggs ${massG} g`, form)"
          />
          <UButton
            v-if="clutch.kind === 'eggs' && eggsLeft(clutch) > 1 && !clutch.ended"
            label="Some into another box"
            variant="outline"
            color="neutral"
            @click="dividing = true"
          />
          <UButton
            v-if="clutch.kind === 'eggs' && species.incubation && !clutch.hatched.length && !clutch.ended"
            label="Programme"
            variant="outline"
            color="neutral"
            @click="planning = true"
          />
          <UButton
            label="Looked, all well"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="write('eggsChecked', {}, 'looked at')"
          />
        </fieldset>
        <EggsProgramme v-if="species.incubation" v-model:open="planning" :clutch="clutch" :day="day" />
        <EggsApart v-model:open="dividing" :clutch="clutch" :day="day" />
        <RecordNote class="mt-2" :write="text => write('clutchNoted', { text }, 'note written')" />
        <p v-if="clutch.kind === 'eggs'" class="quiet small mt-3">
          <UIcon name="i-lucide-triangle-alert" class="size-3.5" /> Do not turn eggs. A firm doubtful egg is put apart,
          not thrown out. Leave a pipped egg; never pull. Wash hands after.
        </p>
        <EggsTadpoles
          v-if="clutch.kind === 'spawn' && clutch.hatched.length"
          class="mt-5"
          :clutch="clutch"
          :write="write"
        />
        <EggsCountSquares
          v-if="clutch.kind === 'spawn' && !clutch.hatched.length"
          class="mt-5"
          :clutch="clutch"
          :write="write"
          :busy="busy"
        />
        <EggsWater v-if="clutch.kind === 'eggs'" class="mt-5" :clutch="clutch" :write="write" :busy="busy" />
        <Fold
          v-if="rows.length"
          class="mt-5"
          :summary="`${rows.length} ${rows.length === 1 ? 'egg' : 'eggs'} as a table`"
        >
          <table class="eggs">
            <thead>
              <tr>
                <th scope="col">Egg</th>
                <th scope="col">Is</th>
                <th scope="col">Seen</th>
                <th scope="col">Since</th>
                <th scope="col">Weight</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="egg in rows" :key="egg.n" :class="{ quiet: !isAliveEgg(egg) }">
                <th scope="row">{{ egg.n }}</th>
                <td>{{ EGG_LOOK_WORDS[egg.state] }}{{ egg.end ? `, ${egg.end}` : '' }}</td>
                <td>{{ egg.signs.join(', ') }}</td>
                <td>{{ formatDay(egg.since.day, house.today) }}</td>
                <td>
                  {{ egg.weights.length ? formatQuantity(egg.weights.at(-1)!.massG, house.settings.massUnit) : '' }}
                  <RecordAskNumber
                    v-if="isAliveEgg(egg)"
                    label="Weigh"
                    :title="`${clutch.tag}, egg ${egg.n}`"
                    unit="mass"
                    :busy="busy"
                    @record="
                      (massG, _, form) =>
                        write('eggsSeen', { eggs: [{ n: egg.n, massG }] }, `egg ${egg.n} ${massG} g`, form)
                    "
                  />
                </td>
              </tr>
            </tbody>
          </table>
        </Fold>
      </section>
      <section>
        <div ref="box">
          <template v-if="lane && clutch.kind === 'eggs'">
            <h2>On the way to the hatch</h2>
            <SeasonTimeAxis :span="span" :today="house.today" />
            <EggsStrip :lane="lane" :done="done" :laid="clutch.startDay" :span="span" :height="96" />
          </template>
          <template v-if="series">
            <template v-for="s in series.of" :key="`${s.channel}${s.zone}`">
              <p class="quiet small mt-3">{{ series.name }}, {{ s.channel }}, lowest to highest of each day</p>
              <PlacesSeriesStrip :series="s" :name="series.name" :width="span.width" :height="56" />
            </template>
          </template>
        </div>
        <EggsSettings v-if="lane" class="mt-5" :clutch="clutch" />
        <template v-if="lane">
          <h2 class="mt-5">Events</h2>
          <LaneDetail :lane="lane" compact />
        </template>
        <h2 class="mt-5">Timeline</h2>
        <Timeline :subjects="[{ type: 'clutch', id }]" class="mt-2" />
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
.top {
  display: block;
}
.over {
  margin-left: 0.25rem;
}
.answer {
  font-size: 1.0625rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.eggs {
  font-size: 0.9375rem;
}
.eggs th,
.eggs td {
  text-align: left;
  padding: 0.25rem 0.75rem 0.25rem 0;
  border-bottom: 1px solid var(--ui-border);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
