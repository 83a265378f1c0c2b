<script setup lang="ts">
import { FITTINGS, SUBSTRATES } from '#core/almanac'
import { FITTING_WORDS, SUBSTRATE_WORDS, tellHomeSize } from '#core/homes'
import { compareRoutes, routeTo } from '#core/places'
import { changedIn, entryKinds, type Place } from '#core/subjects'
import { formatQuantity } from '#core/units'
import { asSeveral, type Fields, type Typed } from '~/composables/readFields'

/** Adds a place, or changes one. */
const props = defineProps<{ place?: Place }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record } = useRecord()
const lengthUnit = useLengthUnit()
const { data: schema, fields: asked } = entryKinds.get('placeAdded')!

const list = computed(() =>
  Object.values(house.house.places)
    .map(p => ({ place: p, route: routeTo(house.house.places, p.id) }))
    .sort((a, b) => compareRoutes(a.route, b.route)),
)
const items = computed(() => ({
  parentId: list.value
    .filter(({ place }) => place.id !== props.place?.id)
    .map(({ place, route }) => ({ value: place.id, label: route.names.join(' · ') })),
  fittings: FITTINGS.map(value => ({ value, label: FITTING_WORDS[value] })),
  substrate: SUBSTRATES.map(value => ({ value, label: SUBSTRATE_WORDS[value] })),
}))

const sizeNow = () => (props.place?.size ? tellHomeSize(props.place.size, lengthUnit.value) : '')
/** As it is said now; of a new one what is usual. */
function said(): Typed {
  const { place } = props
  const { lightOn, lightOff } = house.almanac.common
  const yes = (is: unknown) => (is ? 'yes' : '')
  return {
    'name': place?.name ?? '',
    'kind': place?.kind ?? 'room',
    'parentId': place?.parentId ?? '',
    'order': String(place?.order ?? list.value.length + 1),
    'tempC': place && place.tempC !== null ? formatQuantity(place.tempC, house.settings.tempUnit) : '',
    'capacity': place?.capacity ? String(place.capacity) : '',
    'size': sizeNow(),
    'quarantine': yes(place?.quarantine),
    'fitted': yes(place?.fittings),
    'fittings': asSeveral(place?.fittings ?? []),
    'substrate': place?.substrate ?? '',
    'lit': yes(place?.light),
    'light.on': String(place?.light?.on ?? lightOn!.value),
    'light.off': String(place?.light?.off ?? lightOff!.value),
    'light.bySun': yes(place?.light?.bySun),
  }
}
const typed = ref<Typed>(said())
watch(open, is => {
  if (is) typed.value = said()
})

const kind = computed(() => typed.value.kind)
const isCold = computed(() => kind.value === 'cold')
/** On which cultures may stand. */
const takesCultures = computed(() => ['shelf', 'rack'].includes(kind.value!))
/** What animals live in, or what holds such homes of one size. */
const isHome = computed(() => ['tub', 'rack', 'shelf'].includes(kind.value!))

const fields = computed<Fields>(() => {
  const { size, substrate, fittings, quarantine, tempC, capacity, ...always } = asked!
  const each = kind.value === 'tub' ? size! : { ...size!, label: 'Size inside of each in it' }
  return {
    ...always,
    ...(isHome.value && {
      size: each,
      substrate: substrate!,
      fitted: { label: 'Say what is in it', as: 'flag', help: 'What a species must have and is not there is told' },
      ...(typed.value.fitted && { fittings: fittings! }),
    }),
    ...(kind.value !== 'incubator' && !isCold.value && { quarantine: quarantine! }),
    lit: { label: 'It has lamp hours of its own', as: 'flag' },
    ...(typed.value.lit && {
      'light.on': { label: 'Lamps on at', as: 'number', hint: 'hour', needed: true },
      'light.off': { label: 'off at', as: 'number', hint: 'hour', needed: true },
      'light.bySun': {
        label: 'With the sun: these are the hours of the longest day',
        as: 'flag',
        help:
          house.settings.latitude === null
            ? 'Say the latitude in Settings first'
            : 'They shorten with the day outside, about their middle',
      },
    }),
    tempC: tempC!,
    ...((isCold.value || takesCultures.value) && {
      capacity: { ...capacity!, label: isCold.value ? 'Takes, tubs' : 'Takes, in cups of a culture' },
    }),
  }
})

/** All that is said of the place; what was never said is not said to be nothing. */
function complete(read: Record<string, unknown>): Record<string, unknown> {
  const { place } = props
  // what nobody wrote over is the size as it was: inches are rounded
  const size = place?.size && typed.value.size === sizeNow() ? place.size : (read.size ?? null)
  const { fitted, lit, quarantine = false, fittings = [], substrate = null } = read
  const light = { on: read['light.on'], off: read['light.off'], ...(read['light.bySun'] ? { bySun: true } : {}) }
  return {
    name: read.name,
    kind: read.kind,
    parentId: read.parentId ?? null,
    order: read.order,
    tempC: read.tempC ?? null,
    capacity: read.capacity ?? null,
    ...((quarantine || place?.quarantine) && { quarantine }),
    ...((size || place?.size) && { size: isHome.value ? size : null }),
    ...((fitted || place?.fittings) && { fittings: fitted ? fittings : null }),
    ...((substrate || place?.substrate) && { substrate }),
    ...((lit || place?.light) && { light: lit ? light : null }),
  }
}

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const { place } = props
  const changed = place ? changedIn<object>(place, data) : data
  const wish = place
    ? { kind: 'placeChanged', subject: { type: 'place' as const, id: place.id }, data: { ...changed } }
    : { kind: 'placeAdded', founds: 'place' as const, data }
  const says = `${String(data.name)} ${place ? 'changed' : 'added'}`
  if (!Object.keys(changed).length || (await record(wish, says, form))) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="place ? 'Change a place' : 'Add a place'"
    description="Temperatures steer incubation and cultures"
  >
    <template #body>
      <KindForm
        v-model="typed"
        :fields="fields"
        :schema="schema"
        :items="items"
        :complete="complete"
        :label="place ? 'Change place' : 'Add place'"
        :send="send"
      >
        <p class="small quiet">
          Heat mats and lamps burn houses: thermostat, guard, smoke alarm. Check an incubator with a second thermometer.
        </p>
      </KindForm>
    </template>
  </USlideover>
</template>
