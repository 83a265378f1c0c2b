<script setup lang="ts">
import { PLACE_KINDS, type Place } from '#core/subjects'
import { compareRoutes, routeTo } from '#core/places'
import { UnitError, formatQuantity, parseAs } from '#core/units'

const house = useHouse()
const toast = useToast()
const open = ref(false)
const intent = useIntent()
const editing = ref<string | null>(null)
const problems = useProblems()
const state = reactive({
  name: '',
  kind: 'room' as Place['kind'],
  parentId: undefined as string | undefined,
  order: 1,
  temp: '',
  capacity: null as number | null,
})

const list = computed(() =>
  Object.values(house.house.places)
    .map(p => ({ place: p, route: routeTo(house.house.places, p.id) }))
    .sort((a, b) => compareRoutes(a.route, b.route)),
)
const lives = computed(() => {
  const n = new Map<string, number>()
  for (const x of [
    ...Object.values(house.house.animals).filter(a => a.status === 'alive'),
    ...Object.values(house.house.cultures).filter(c => !c.finished),
    ...Object.values(house.house.clutches).filter(c => !c.ended),
  ])
    if (x.placeId) n.set(x.placeId, (n.get(x.placeId) ?? 0) + 1)
  return n
})
const parents = computed(() => list.value.map(l => ({ value: l.place.id, label: l.route.names.join(' · ') })))

function start(place?: Place): void {
  editing.value = place?.id ?? null
  problems.value = {}
  Object.assign(
    state,
    place
      ? {
          name: place.name,
          kind: place.kind,
          parentId: place.parentId ?? undefined,
          order: place.order,
          temp: place.tempC === null ? '' : formatQuantity(place.tempC, house.settings.tempUnit),
          capacity: place.capacity,
        }
      : { name: '', kind: 'room', parentId: undefined, order: list.value.length + 1, temp: '', capacity: null },
  )
  open.value = true
}

async function send(): Promise<void> {
  problems.value = {}
  try {
    const tempC = state.temp.trim()
      ? Number(parseAs('temperature', state.temp, house.settings.tempUnit).toFixed(2))
      : null
    const body = {
      name: state.name,
      kind: state.kind,
      parentId: state.parentId ?? null,
      order: state.order,
      tempC,
      capacity: state.capacity ?? null,
    }
    await (editing.value
      ? callApi(`/api/places/${editing.value}`, { method: 'PUT', body })
      : intent.send(id => callApi('/api/places', { method: 'POST', body: { id, ...body }, again: true })))
    await house.load()
    open.value = false
    toast.add({
      title: `${state.name} ${editing.value ? 'changed' : 'added'}`,
      color: 'neutral',
      icon: 'i-lucide-check',
    })
  } catch (error) {
    if (error instanceof UnitError) problems.value = { tempC: error.message }
    else if (error instanceof ApiProblem)
      problems.value = Object.fromEntries(
        error.problem.errors?.map(e => [e.path, e.message]) ?? [['name', error.message]],
      )
    else throw error
  }
}
</script>

<!-- prettier-ignore -->
<template>
  <div class="screen">
    <header>
      <h1>Where does everything stand?</h1>
      <UButton label="Add a place" icon="i-lucide-plus" @click="start()" />
    </header>
    <p
      v-if="!list.length" class="quiet"
    >No place yet. Begin with a room, then its racks and tubs; the Round walks them in this order.</p>
    <table v-else class="plain max-w-3xl">
      <thead><tr><th>Place, in walking order</th><th class="kind">Kind</th><th class="num">At</th><th class="num">Here</th><th><span class="sr-only">Change</span></th></tr></thead>
      <tbody>
        <tr v-for="l in list" :key="l.place.id">
          <td
            :style="{ paddingLeft: `${(l.route.names.length - 1) * 1.25}rem` }"
            :class="{ 'font-semibold': l.route.names.length === 1 }"
          >{{ l.place.name }}</td>
          <td class="quiet kind">{{ l.place.kind }}</td>
          <td class="num">{{ l.place.tempC === null ? '' : formatQuantity(l.place.tempC, house.settings.tempUnit) }}</td>
          <td class="num">{{ lives.get(l.place.id) ?? '' }}</td>
          <td><UButton
            label="Change" size="xs" variant="link" color="neutral" :aria-label="`Change ${l.place.name}`"
            @click="start(l.place)"
          /></td>
        </tr>
      </tbody>
    </table>
    <div class="overflow-x-auto"><Lamps v-if="list.length" /></div>
    <USlideover
      v-model:open="open" :title="editing ? 'Change a place' : 'Add a place'"
      description="Temperatures steer incubation and cultures"
    >
      <template #body>
        <form class="grid gap-4" @submit.prevent="send">
          <UFormField
            label="Name" required :error="problems.name"
          ><UInput v-model="state.name" class="w-full" /></UFormField>
          <UFormField label="Kind"><USelect
            v-model="state.kind" :items="[...PLACE_KINDS]" class="w-full"
          /></UFormField>
          <UFormField label="Stands in" :error="problems.parentId"><USelectMenu
            v-model="state.parentId" :items="parents" value-key="value" class="w-full" placeholder="Nowhere: a room"
          /></UFormField>
          <UFormField label="Rank in the walk" :error="problems.order"><UInputNumber
            v-model="state.order" :min="0" :max="9999" class="w-full"
          /></UFormField>
          <UFormField
            label="Temperature" :hint="`such as 28 °C or 82 °F`" :error="problems.tempC"
          ><UInput v-model="state.temp" class="w-full" inputmode="text" /></UFormField>
          <UFormField
            v-if="state.kind === 'cold'" label="Takes, tubs" hint="empty: not said" :error="problems.capacity"
          ><UInputNumber v-model="state.capacity" :min="1" :max="9999" class="w-full" /></UFormField>
          <p class="small quiet">Heat mats and lamps burn houses: thermostat, guard, smoke alarm. Check an incubator with a second thermometer.</p>
          <UButton type="submit" :label="editing ? 'Change place' : 'Add place'" class="justify-self-start" />
        </form>
      </template>
    </USlideover>
  </div>
</template>

<style scoped>
@media (max-width: 800px) {
  .kind {
    display: none;
  }
  table {
    font-size: 0.875rem;
  }
}
</style>
