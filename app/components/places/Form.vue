<script setup lang="ts">
import { FITTINGS, SUBSTRATES, type Fitting, type Substrate } from '#core/almanac'
import { FITTING_WORDS, SUBSTRATE_WORDS, readHomeSize, tellHomeSize } from '#core/homes'
import { PLACE_KINDS, type Place } from '#core/subjects'
import { compareRoutes, routeTo } from '#core/places'
import { UnitError, formatQuantity, parseAs } from '#core/units'

/** Adds a place, or changes one. */
const props = defineProps<{ place?: Place }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const toast = useToast()
const intent = useIntent()
const problems = useProblems()
const state = reactive({
  name: '',
  kind: 'room' as Place['kind'],
  parentId: undefined as string | undefined,
  order: 1,
  temp: '',
  capacity: null as number | null,
  size: '',
  lit: false,
  quarantine: false,
  on: 8,
  off: 20,
  bySun: false,
  fitted: false,
  fittings: [] as Fitting[],
  substrate: 'unsaid' as Substrate | 'unsaid',
})
const fittings = FITTINGS.map(value => ({ value, label: FITTING_WORDS[value] }))
const substrates = [
  { value: 'unsaid' as const, label: 'not said' },
  ...SUBSTRATES.map(value => ({ value, label: SUBSTRATE_WORDS[value] })),
]
const list = computed(() =>
  Object.values(house.house.places)
    .map(p => ({ place: p, route: routeTo(house.house.places, p.id) }))
    .sort((a, b) => compareRoutes(a.route, b.route)),
)
const sizeProblem = computed(() => Object.entries(problems.value).find(([path]) => path.startsWith('size'))?.[1])
const parents = computed(() => list.value.map(l => ({ value: l.place.id, label: l.route.names.join(' · ') })))

const lengthUnit = useLengthUnit()
const isCold = computed(() => state.kind === 'cold')
/** On which cultures may stand. */
const takesCultures = computed(() => ['shelf', 'rack'].includes(state.kind))
/** What animals live in, or what holds such homes of one size. */
const isHome = computed(() => ['tub', 'rack', 'shelf'].includes(state.kind))

watch(
  open,
  is => {
    if (!is) return
    const { place } = props
    problems.value = {}
    const { lightOn, lightOff } = house.almanac.common
    Object.assign(state, {
      name: place?.name ?? '',
      kind: place?.kind ?? 'room',
      parentId: place?.parentId ?? undefined,
      order: place?.order ?? list.value.length + 1,
      temp: place && place.tempC !== null ? formatQuantity(place.tempC, house.settings.tempUnit) : '',
      capacity: place?.capacity ?? null,
      size: place?.size ? tellHomeSize(place.size, lengthUnit.value) : '',
      lit: Boolean(place?.light),
      quarantine: Boolean(place?.quarantine),
      on: place?.light?.on ?? lightOn!.value,
      off: place?.light?.off ?? lightOff!.value,
      bySun: Boolean(place?.light?.bySun),
      fitted: Boolean(place?.fittings),
      fittings: [...(place?.fittings ?? [])],
      substrate: place?.substrate ?? 'unsaid',
    })
  },
  { immediate: true },
)

/** What stands in the field, or the size as it was where nothing was written over it: inches are rounded. */
function sizeSaid() {
  const before = props.place?.size
  return before && state.size === tellHomeSize(before, lengthUnit.value)
    ? before
    : readHomeSize(state.size, lengthUnit.value)
}

async function send(): Promise<void> {
  problems.value = {}
  const { place } = props
  let field = 'tempC'
  try {
    const tempC = state.temp.trim()
      ? Number(parseAs('temperature', state.temp, house.settings.tempUnit).toFixed(2))
      : null
    field = 'size'
    const size = isHome.value && state.size.trim() ? sizeSaid() : null
    const body = {
      name: state.name,
      kind: state.kind,
      parentId: state.parentId ?? null,
      order: state.order,
      tempC,
      capacity: state.capacity ?? null,
      // said only where something is to be said
      ...((state.quarantine || place?.quarantine) && { quarantine: state.quarantine }),
      ...((size || place?.size) && { size }),
      ...((state.fitted || place?.fittings) && { fittings: state.fitted && isHome.value ? state.fittings : null }),
      ...((state.substrate !== 'unsaid' || place?.substrate) && {
        substrate: state.substrate === 'unsaid' || !isHome.value ? null : state.substrate,
      }),
      ...((state.lit || place?.light) && {
        light: state.lit ? { on: state.on, off: state.off, ...(state.bySun && { bySun: true as const }) } : null,
      }),
    }
    await (place
      ? callApi(`/api/places/${place.id}`, { method: 'PUT', body })
      : intent.send(id => callApi('/api/places', { method: 'POST', body: { id, ...body }, again: true })))
    await house.load()
    open.value = false
    toast.add({ title: `${state.name} ${place ? 'changed' : 'added'}`, color: 'neutral', icon: 'i-lucide-check' })
  } catch (error) {
    if (error instanceof UnitError) problems.value = { [field]: error.message }
    else if (error instanceof ApiProblem)
      problems.value = Object.fromEntries(
        error.problem.errors?.map(e => [e.path, e.message]) ?? [['name', error.message]],
      )
    else throw error
  }
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="place ? 'Change a place' : 'Add a place'"
    description="Temperatures steer incubation and cultures"
  >
    <template #body>
      <form class="grid gap-4" @submit.prevent="send">
        <UFormField label="Name" required :error="problems.name"
          ><UInput v-model="state.name" class="w-full"
        /></UFormField>
        <UFormField label="Kind"><USelect v-model="state.kind" :items="[...PLACE_KINDS]" class="w-full" /></UFormField>
        <UFormField label="Stands in" :error="problems.parentId"
          ><USelectMenu
            v-model="state.parentId"
            :items="parents"
            value-key="value"
            class="w-full"
            placeholder="Nowhere: a room"
        /></UFormField>
        <UFormField label="Rank in the walk" :error="problems.order"
          ><UInputNumber v-model="state.order" :min="0" :max="9999" class="w-full"
        /></UFormField>
        <UFormField
          v-if="isHome"
          :label="state.kind === 'tub' ? 'Size inside' : 'Size inside of each in it'"
          :error="sizeProblem"
          hint="width × depth × height"
          ><UInput v-model="state.size" class="w-full" placeholder="60 × 40 × 30 cm"
        /></UFormField>
        <template v-if="isHome">
          <UFormField label="Floored with"
            ><USelect v-model="state.substrate" :items="substrates" value-key="value" class="w-full"
          /></UFormField>
          <UCheckbox
            v-model="state.fitted"
            label="Say what is in it"
            description="What a species must have and is not there is told"
          />
          <UCheckboxGroup
            v-if="state.fitted"
            v-model="state.fittings"
            :items="fittings"
            value-key="value"
            legend="In it"
          />
        </template>
        <UCheckbox
          v-if="state.kind !== 'incubator' && state.kind !== 'cold'"
          v-model="state.quarantine"
          label="Quarantine"
          description="What comes new stands here: own tools, last in the Round"
        />
        <UCheckbox v-model="state.lit" label="It has lamp hours of its own" />
        <div v-if="state.lit" class="grid grid-cols-2 gap-3">
          <UFormField label="Lamps on at" hint="hour" :error="problems['light.on'] ?? problems.light"
            ><UInputNumber v-model="state.on" :min="0" :max="24" :step="0.5" class="w-full"
          /></UFormField>
          <UFormField label="off at" hint="hour" :error="problems['light.off']"
            ><UInputNumber v-model="state.off" :min="0" :max="24" :step="0.5" class="w-full"
          /></UFormField>
          <UCheckbox
            v-model="state.bySun"
            class="col-span-2"
            label="With the sun: these are the hours of the longest day"
            :description="
              house.settings.latitude === null
                ? 'Say the latitude in Settings first'
                : 'They shorten with the day outside, about their middle'
            "
          />
        </div>
        <UFormField label="Temperature" :hint="`such as 28 °C or 82 °F`" :error="problems.tempC"
          ><UInput v-model="state.temp" class="w-full" inputmode="text"
        /></UFormField>
        <UFormField
          v-if="isCold || takesCultures"
          :label="isCold ? 'Takes, tubs' : 'Takes, in cups of a culture'"
          hint="empty: not said"
          :error="problems.capacity"
          ><UInputNumber v-model="state.capacity" :min="1" :max="9999" class="w-full"
        /></UFormField>
        <p class="small quiet">
          Heat mats and lamps burn houses: thermostat, guard, smoke alarm. Check an incubator with a second thermometer.
        </p>
        <UButton type="submit" :label="place ? 'Change place' : 'Add place'" class="justify-self-start" />
      </form>
    </template>
  </USlideover>
</template>
