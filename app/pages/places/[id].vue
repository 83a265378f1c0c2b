<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { CHANNELS, ZONES, formatReading } from '#core/channels'
import { residentsOf } from '#core/climate'
import { fittedAs, homeFaults, sizeOf, tellHomeFault, tellHomeSize, tellNeed } from '#core/homes'
import { jobsAt, proposalReasons, tellProposal, tellRhythm, type JobDue } from '#core/jobs'
import { lightHoursOf, tellHour, uvBandAt, type SeriesView, type ShownLimits } from '#core/season'
import { judgeLampAt, tellLamp } from '#core/light'
import { LAMP_SOURCES } from '#core/subjects/lamp/state'
import { JOB_WORDS, isRoundJob } from '#core/subjects/jobWords'
import { calendarOf, formatDay, formatDistance, formatQuantity } from '#core/units'

const route = useRoute()
const house = useHouse()
const { record, busy } = useRecord()
const { now } = usePlaces()
const lengthUnit = useLengthUnit()
const id = computed(() => String(route.params.id))
const place = computed(() => house.house.places[id.value])
const standing = computed(() => (place.value ? now(place.value) : null))
const open = ref(false)
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const alarms = computed(() =>
  (house.season?.alarms ?? []).filter(a => a.subject?.type === 'place' && a.subject.id === id.value),
)
const residents = computed(() => residentsOf(house.house).get(id.value) ?? [])
const inside = computed(() => Object.values(house.house.places).filter(p => p.parentId === id.value))
const lamps = computed(() => Object.values(house.house.lamps).filter(l => l.placeId === id.value))
/** What the meter says of the lamp over the spot. */
const lit = computed(() => {
  if (!place.value) return null
  const band = uvBandAt(house.house, place.value, house.almanac)
  return judgeLampAt(house.house, place.value, band, house.almanac.common)
})
const jobs = computed(() => jobsAt(house.house, house.almanac, id.value, house.today))
const answered = computed(() => standing.value?.series.flatMap(s => s.troubles.filter(t => t.answered !== null)) ?? [])
const light = computed(() => lightHoursOf(house.house, house.almanac, id.value, house.today, house.settings.latitude))
/** Mist at first light and half an hour before dark. */
const mistAt = computed(() => [light.value.on, (light.value.off + 23.5) % 24].map(tellHour).join(' and '))

const answer = computed(() => {
  const s = standing.value
  if (!s) return ''
  const wrong = alarms.value.length
  const read = wrong
    ? `${wrong} ${wrong === 1 ? 'thing is' : 'things are'} wrong.`
    : s.series.length
      ? 'All that is read is as it should be.'
      : 'Nothing is read here yet.'
  const due = s.due ? `${s.due} ${s.due === 1 ? 'job is' : 'jobs are'} due.` : ''
  return [
    read,
    due,
    s.free ? 'It is free.' : '',
    s.keptFor.length ? `It is kept for ${s.keptFor.join(', ')}, in the cold.` : '',
  ]
    .filter(Boolean)
    .join(' ')
})
/** How large it is inside, and how long that will do. */
const homeSaid = computed(() => {
  const size = place.value && sizeOf(house.house.places, place.value)
  if (!size) return ''
  const home = house.season?.homes.outgrown.find(h => h.placeId === id.value)
  const inside = `Inside ${tellHomeSize(size, lengthUnit.value)}.`
  if (!home) return inside
  const when =
    home.mid! <= house.today ? 'It is too small now' : `It will be too small about ${formatDay(home.mid!, house.today)}`
  return `${inside} ${when}: who lives here will want ${tellNeed(home.later, lengthUnit.value)}.`
})
/** What must be in it and is not, and a floor that does not suit. */
const faults = computed(() =>
  place.value
    ? homeFaults(
        fittedAs(house.house.places, place.value),
        residents.value.map(r => r.speciesId),
        house.almanac,
      ).map(f => tellHomeFault(f, house.almanac))
    : [],
)
const show = (s: SeriesView, v: number) => formatReading(s.channel, v, house.settings.tempUnit)
function limits(s: SeriesView, of: ShownLimits | null): string {
  if (!of || (of.low === null && of.high === null)) return 'no band'
  if (of.low === null) return `at most ${show(s, of.high!)}`
  if (of.high === null) return `at least ${show(s, of.low)}`
  return `${show(s, of.low)} to ${show(s, of.high)}`
}
function bandOf(s: SeriesView): string {
  const [day, night] = [limits(s, s.light), limits(s, s.dark)]
  return day === night ? `should be ${day}` : `should be ${day} by light, ${night} by night`
}
const dayOf = computed(() => calendarOf(house.settings.timeZone))
const latest = (s: SeriesView) =>
  s.latest
    ? `${show(s, s.latest.value)}${s.latest.byHand ? ` by hand ${formatDistance(dayOf.value(s.latest.at), house.today)}` : ''}`
    : 'nothing lately'
const nameOf = (job: string) => (isRoundJob(job) ? JOB_WORDS[job].name : job)
const lastOf = (j: JobDue) => (j.last ? formatDistance(j.last.day, house.today) : 'never written')
const dueOf = (j: JobDue) =>
  j.due <= house.today ? (house.today >= j.lateFrom ? 'late' : 'today') : formatDay(j.due, house.today)

const RHYTHMS = [
  { label: 'as its species want it', value: 'kind' },
  ...[0.5, 1, 2, 3, 7, 14, 30, 60, 91, 182, 365].map(n => ({ label: tellRhythm(n), value: String(n) })),
  { label: 'not done here', value: 'none' },
]
function rhythmOf(job: string): string {
  const own = place.value?.rhythms
  if (!own || !Object.hasOwn(own, job)) return 'kind'
  return own[job] === null ? 'none' : String(own[job])
}
const itemsFor = (job: string) => {
  const value = rhythmOf(job)
  return RHYTHMS.some(r => r.value === value) ? RHYTHMS : [...RHYTHMS, { label: tellRhythm(Number(value)), value }]
}
function setRhythm(job: string, value: string): void {
  const everyDays = value === 'kind' ? {} : { everyDays: value === 'none' ? null : Number(value) }
  void record(
    { kind: 'rhythmSet', subject: { type: 'place', id: id.value }, data: { job, ...everyDays } },
    `${nameOf(job)} in ${place.value?.name}: ${RHYTHMS.find(r => r.value === value)?.label ?? tellRhythm(Number(value))}`,
  )
}
/** Jobs that the place, or the rack that it stands in, has switched off: they can be switched on again. */
const off = computed(() =>
  Object.entries(place.value?.rhythms ?? {}).flatMap(([job, every]) =>
    every === null && !jobs.value.some(j => j.job === job) ? [job] : [],
  ),
)
</script>

<template>
  <div v-if="!place || !standing" class="screen">
    <header><h1>There is no such place</h1></header>
    <p><NuxtLink to="/places" class="underline">All places</NuxtLink></p>
  </div>
  <div v-else class="screen">
    <header>
      <h1>How is {{ place.name }}?</h1>
      <UButton
        label="Change"
        variant="outline"
        color="neutral"
        icon="i-lucide-pencil"
        :aria-label="`Change ${place.name}`"
        @click="open = true"
      />
      <UButton
        :to="`/helper?place=${id}`"
        label="Card for a helper"
        variant="outline"
        color="neutral"
        icon="i-lucide-clipboard-list"
      />
      <p class="basis-full">
        {{ answer }}
        <span class="quiet"
          >{{ house.placeName(id)
          }}{{ place.tempC === null ? '' : `, set to ${formatQuantity(place.tempC, house.settings.tempUnit)}` }}; lamps
          {{ tellHour(light.on) }}–{{ tellHour(light.off) }}{{ place.light?.bySun ? ', with the sun' : '' }}.</span
        >
      </p>
    </header>
    <AlarmList v-if="alarms.length" :alarms="alarms" />
    <ul v-if="answered.length" class="quiet small answered">
      <li v-for="t in answered" :key="t.id">Answered, silent until it is over: {{ t.answered }}</li>
    </ul>

    <section>
      <h2>Readings</h2>
      <p v-if="!standing.series.length" class="quiet">
        None yet: write one by hand, or set a probe to it in
        <NuxtLink to="/devices" class="underline">Devices</NuxtLink>.
      </p>
      <div ref="box" class="series">
        <div v-for="s in standing.series" :key="`${s.channel}:${s.zone}`" class="one">
          <p>
            <b>{{ CHANNELS[s.channel].label }}, {{ ZONES[s.zone] }}</b>
            <WorkingLink
              :title="`${place.name}: ${CHANNELS[s.channel].label.toLowerCase()}, ${ZONES[s.zone]}`"
              :answer="latest(s)"
              :reasons="s.reasons"
            />
            <span class="quiet">{{ bandOf(s) }}</span>
          </p>
          <PlacesSeriesStrip v-if="s.days.length && width" :series="s" :name="place.name" :width="width" :height="64" />
        </div>
      </div>
      <p v-if="standing.series.some(s => s.days.length)" class="quiet small">
        Two weeks to today: lowest to highest of each day, shaded what it should be over day and night.
      </p>
      <PlacesMeasure class="mt-3" :place-id="id" :name="place.name" />
    </section>

    <section v-if="residents.length || inside.length">
      <h2>{{ residents.length ? 'Who lives here' : 'What stands in it' }}</h2>
      <p class="who">
        <span v-for="r in residents" :key="r.tag"
          ><span class="tag">{{ r.tag }}</span>
          <span class="quiet">{{ r.count ? `${r.count} × ` : '' }}{{ house.speciesName(r.speciesId) }}</span></span
        >
        <span v-if="homeSaid">{{ homeSaid }}</span>
        <NuxtLink v-for="p in inside" :key="p.id" :to="`/places/${p.id}`" class="underline">{{ p.name }}</NuxtLink>
      </p>
      <p v-for="fault in faults" :key="fault" class="mt-1 font-semibold">
        {{ fault[0]!.toUpperCase() + fault.slice(1) }}.
      </p>
      <p v-if="faults.length" class="quiet small">
        By what the Almanac lists for each species (from memory, to be checked); it can be set there.
      </p>
    </section>

    <section v-if="jobs.length || off.length">
      <h2>Care that comes round</h2>
      <table class="plain max-w-3xl">
        <thead>
          <tr>
            <th>Job</th>
            <th>Last</th>
            <th>Next</th>
            <th>Rhythm here</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="j in jobs" :key="j.job" :data-job="j.job">
            <td>
              {{ nameOf(j.job) }}
              <span class="quiet"
                >{{ tellRhythm(j.everyDays) }}{{ j.job === 'mist' && j.timesADay === 2 ? `, at ${mistAt}` : '' }}</span
              >
            </td>
            <td class="quiet">{{ lastOf(j) }}</td>
            <td :class="{ 'font-semibold': j.due <= house.today }">{{ dueOf(j) }}</td>
            <td>
              <USelect
                :model-value="rhythmOf(j.job)"
                :items="itemsFor(j.job)"
                value-key="value"
                size="sm"
                class="w-44"
                :aria-label="`Rhythm of ${nameOf(j.job)}`"
                :disabled="busy"
                @update:model-value="setRhythm(j.job, $event)"
              />
              <p v-if="j.proposal" class="small">
                <WorkingLink
                  :title="`${nameOf(j.job)} in ${place.name}`"
                  :answer="tellProposal(j.proposal)"
                  :reasons="proposalReasons(j.proposal, house.almanac.common)"
                />
                <UButton
                  :label="`Set ${tellRhythm(j.proposal.everyDays)}`"
                  size="xs"
                  variant="outline"
                  color="neutral"
                  :disabled="busy"
                  @click="setRhythm(j.job, String(j.proposal.everyDays))"
                />
              </p>
            </td>
          </tr>
          <tr v-for="job in off" :key="job">
            <td class="quiet">{{ nameOf(job) }}</td>
            <td />
            <td class="quiet">not done here</td>
            <td>
              <UButton
                label="Do it again"
                size="sm"
                variant="outline"
                color="neutral"
                :disabled="busy"
                @click="setRhythm(job, 'kind')"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <PlacesOwnJobs :place-id="id" />

    <section v-if="lamps.length">
      <h2>Lamps</h2>
      <ul>
        <li v-for="l in lamps" :key="l.id">
          <span class="tag">{{ l.tag }}</span> {{ l.lamp }}
          <span class="quiet"
            >{{ l.source ? `${LAMP_SOURCES[l.source]}, ` : '' }}fitted {{ formatDistance(l.fittedDay, house.today)
            }}{{ l.distanceCm ? `, ${l.distanceCm} cm from the spot` : '' }}{{ l.powerW ? `, ${l.powerW} W` : ''
            }}{{ l.mesh ? `, through mesh that lets ${Math.round(100 * l.mesh)} % through` : ''
            }}{{
              l.thermostat === undefined ? '' : l.thermostat ? ', on a thermostat' : ', without a thermostat'
            }}</span
          >
          <PlacesHangLamp :lamp="l" class="ms-2" />
          <p v-if="lit?.lamp.id === l.id">{{ tellLamp(lit, house.today, house.almanac.common) }}</p>
        </li>
      </ul>
      <p class="quiet small">
        By the meter at the spot; distances follow the inverse square, for a tube nearer than its length in line. Never
        look into it.
      </p>
    </section>

    <section>
      <h2>What is written</h2>
      <Timeline :subjects="[{ type: 'place', id }]" />
    </section>
    <PlacesForm v-model:open="open" :place="place" />
  </div>
</template>

<style scoped>
section {
  margin-top: 1.75rem;
  max-width: 64rem;
}
.series {
  display: grid;
  gap: 1rem;
}
.one p {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  padding-bottom: 0.25rem;
}
.who {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.25rem;
}
.answered {
  margin-top: 0.5rem;
}
</style>
