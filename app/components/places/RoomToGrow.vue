<script setup lang="ts">
import { residentsOf } from '#core/climate'
import { fittedAs, holderOf, homeFaults, sizeOf, tellHomeFault, tellHomeSize, tellNeed } from '#core/homes'
import { routeTo } from '#core/places'
import type { HomeView } from '#core/season'
import { formatDay, formatRange } from '#core/units'

/** Which homes are or will be too small, where there is room, and whether the young that come have homes. */
const house = useHouse()
const { record, busy } = useRecord()
const unit = useLengthUnit()
const homes = computed(() => house.season?.homes ?? null)

/** An animal, or a group without tags. */
const livesThere = (id: string) => house.house.animals[id] ?? house.house.groups[id]

/** Homes of one size with the same species in them: who wants larger ones wants them together. */
interface Alike {
  key: string
  speciesId: string
  rows: HomeView[]
  /** Of them all: the last one that is moved wants as much. */
  most: HomeView
  fitting: number
}
function alike(rows: readonly HomeView[]): Alike[] {
  const by = new Map<string, HomeView[]>()
  for (const h of rows) {
    const speciesId = livesThere(h.animalIds[0]!)?.speciesId ?? ''
    const key = `${speciesId}:${tellHomeSize(h.size, 'cm')}`
    by.set(key, [...(by.get(key) ?? []), h])
  }
  return [...by].map(([key, list]) => ({
    key,
    speciesId: key.split(':')[0]!,
    rows: list,
    most: list.reduce((a, b) => (b.later.floorM2 > a.later.floorM2 ? b : a)),
    fitting: Math.min(...list.map(h => h.fitting)),
  }))
}
const parts = computed(() => {
  const outgrown = homes.value?.outgrown ?? []
  return [
    { id: 'now', title: 'Too small now', groups: alike(outgrown.filter(h => h.mid! <= house.today)) },
    { id: 'soon', title: 'Will be too small', groups: alike(outgrown.filter(h => h.mid! > house.today)) },
  ].filter(part => part.groups.length)
})
/** So many homes with one each, or so many animals in them. */
function told({ rows }: Alike): string {
  const animals = rows.reduce((n, h) => n + h.count, 0)
  return animals === rows.length ? `${rows.length} ×` : `${animals} in ${rows.length === 1 ? 'one' : rows.length}:`
}
/** First and last day of those that are alike. */
function spanOf({ rows }: Alike): string {
  const [first, last] = [rows[0]!.mid!, rows.at(-1)!.mid!]
  if (last <= house.today) return 'now'
  return first === last
    ? formatDay(first, house.today)
    : `${formatDay(first, house.today)} to ${formatDay(last, house.today)}`
}

const placeOf = (h: HomeView) => house.house.places[h.placeId]
const tagsOf = (h: HomeView) => h.animalIds.map(id => livesThere(id)?.tag ?? '').sort()
function whenOf({ low, mid, high }: HomeView): string {
  if (mid! <= house.today) return 'now'
  const median = mid!
  return high === null
    ? `${formatDay(median, house.today)} (from ${formatDay(low ?? median, house.today)})`
    : formatRange({ median, low: low ?? median, high })
}
const sizeTold = (placeId: string) => {
  const place = house.house.places[placeId]
  const size = place && sizeOf(house.house.places, place)
  return size ? tellHomeSize(size, unit.value) : ''
}
/** Free homes by size: of those that are alike the first in the walk does. */
function choices(h: HomeView) {
  const met = new Set<string>()
  return h.fits.flatMap(id => {
    const told = sizeTold(id)
    if (met.has(told)) return []
    met.add(told)
    return [{ value: id, label: `${routeTo(house.house.places, id).names.slice(-2).join(' · ')}, ${told}` }]
  })
}
function move(h: HomeView, placeId: string): void {
  const to = house.house.places[placeId]
  void record(
    h.animalIds.map(id =>
      Object.hasOwn(house.house.groups, id)
        ? { kind: 'groupMoved', subject: { type: 'group' as const, id }, data: { placeId } }
        : { kind: 'moved', subject: { type: 'animal' as const, id }, data: { placeId } },
    ),
    `${tagsOf(h).join(', ')} moved to ${to?.name}`,
  )
}

/** What homes lack for who lives there, said once for all that lack the same in one rack. */
const lacking = computed(() => {
  const by = new Map<string, { where: string; id: string; said: string; n: number }>()
  for (const [id, who] of residentsOf(house.house)) {
    const place = house.house.places[id]
    if (!place) continue
    const faults = homeFaults(
      fittedAs(house.house.places, place),
      who.map(r => r.speciesId),
      house.almanac,
    )
    for (const fault of faults) {
      const own = fault.why === 'missing' ? place.fittings : place.substrate
      const holder = own ? place : (holderOf(house.house.places, place) ?? place)
      const said = tellHomeFault(fault, house.almanac)
      const key = `${holder.id}:${said}`
      by.set(key, { where: holder.name, id: holder.id, said, n: (by.get(key)?.n ?? 0) + 1 })
    }
  }
  return [...by.values()]
})

const SHOWN = 12
const all = ref(false)
const young = computed(() => homes.value?.young ?? [])
const shown = computed(() => (all.value ? young.value : young.value.slice(0, SHOWN)))
const short = (free: number, wanted: number) => Math.max(0, wanted - free)
/** Homes of whose size nothing is said, by what they stand in: a rack is told once. */
const unsized = computed(() => {
  const by = new Map<string, { name: string; n: number }>()
  for (const id of homes.value?.unsized ?? []) {
    const { parentId } = house.house.places[id] ?? {}
    const key = parentId ?? id
    by.set(key, { name: house.house.places[key]?.name ?? '', n: (by.get(key)?.n ?? 0) + 1 })
  }
  return [...by].map(([id, x]) => ({ id, ...x }))
})
</script>

<template>
  <div v-if="homes">
    <section v-for="part in parts" :key="part.id" :data-homes="part.id">
      <h2>{{ part.title }}</h2>
      <details v-for="g in part.groups" :key="g.key" :open="part.id === 'now' || g.rows.length === 1">
        <summary :data-alike="g.speciesId">
          <span class="what"
            ><b>{{ told(g) }} {{ house.speciesName(g.speciesId) }}</b>
            <span class="quiet">in {{ tellHomeSize(g.most.size, unit) }}</span></span
          >
          <span>{{ spanOf(g) }}</span>
          <span>want up to {{ tellNeed(g.most.later, unit) }}</span>
          <span :class="{ short: g.fitting < g.rows.length }">{{
            g.fitting < g.rows.length ? `${g.rows.length - g.fitting} missing` : `${g.fitting} such free`
          }}</span>
        </summary>
        <ul>
          <li v-for="h in g.rows" :key="h.placeId" :data-home="placeOf(h)?.name">
            <span
              ><span class="tag">{{ tagsOf(h).join(', ') }}</span>
              <NuxtLink :to="`/places/${h.placeId}`" class="underline">{{ placeOf(h)?.name }}</NuxtLink></span
            >
            <span
              ><WorkingLink
                :title="`${placeOf(h)?.name}: too small for ${tagsOf(h).join(', ')}`"
                :answer="whenOf(h)"
                :reasons="h.reasons"
            /></span>
            <span class="do"
              ><USelectMenu
                v-if="h.fits.length"
                :items="choices(h)"
                value-key="value"
                placeholder="Move to …"
                size="sm"
                class="w-64"
                :aria-label="`Move to … : ${tagsOf(h).join(', ')}`"
                :search-input="false"
                :disabled="busy"
                @update:model-value="(id: unknown) => move(h, String(id))"
            /></span>
          </li>
        </ul>
      </details>
    </section>
    <p v-if="!homes.outgrown.length" class="quiet">
      {{
        homes.unsized.length
          ? 'Of no home whose size is known it can be said that it will be too small.'
          : 'No home will be too small within eight months.'
      }}
    </p>

    <section v-if="young.length" data-homes="young">
      <h2>Young that come <span class="quiet small">each first meal, with the homes they want by then</span></h2>
      <table class="plain max-w-4xl">
        <thead>
          <tr>
            <th>Of</th>
            <th>First meal</th>
            <th class="num">Young</th>
            <th class="num">Homes</th>
            <th class="each">Each</th>
            <th>Free then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="y in shown" :key="y.id">
            <td>
              {{ y.label }} <span class="quiet">{{ house.speciesName(y.speciesId) }}</span>
            </td>
            <td>{{ formatRange(y.on) }}</td>
            <td class="num">{{ y.count }}</td>
            <td class="num">{{ y.homes }}</td>
            <td class="quiet each">{{ tellNeed(y.need, unit) }}</td>
            <td :class="{ short: short(y.free, y.homes) }">
              {{ short(y.free, y.homes) ? `${short(y.free, y.homes)} missing` : y.free }}
            </td>
          </tr>
        </tbody>
      </table>
      <UButton
        v-if="young.length > SHOWN"
        variant="link"
        color="neutral"
        size="sm"
        :label="all ? 'Fewer' : `All ${young.length}`"
        @click="all = !all"
      />
    </section>

    <section v-if="lacking.length" data-homes="lacking">
      <h2>What homes lack</h2>
      <p v-for="l in lacking" :key="`${l.id}:${l.said}`">
        <NuxtLink :to="`/places/${l.id}`" class="underline">{{ l.where }}</NuxtLink><span v-if="l.n > 1" class="quiet">
          ({{ l.n }})</span
        >: {{ l.said }}.
      </p>
    </section>

    <section v-if="unsized.length" data-homes="unsized">
      <h2>
        Size not said
        <span class="quiet small">{{ homes.unsized.length }} {{ homes.unsized.length === 1 ? 'home' : 'homes' }}</span>
      </h2>
      <p>
        Say it once of the rack, or of each:
        <template v-for="(u, i) in unsized" :key="u.id"
          >{{ i ? ', ' : '' }}<NuxtLink :to="`/places/${u.id}`" class="underline">{{ u.name }}</NuxtLink> ({{
            u.n
          }})</template
        >.
      </p>
    </section>
  </div>
</template>

<style scoped>
details {
  max-width: 64rem;
  border-bottom: 1px solid var(--ui-border);
}
summary {
  display: grid;
  grid-template-columns: minmax(24rem, 2fr) minmax(9rem, 0.8fr) minmax(17rem, 1.4fr) 7rem;
  gap: 0.125rem 1rem;
  align-items: baseline;
  padding: 0.5rem 0;
  cursor: pointer;
}
.what::before {
  content: '▸ ';
  color: var(--ui-text-muted);
}
details[open] .what::before {
  content: '▾ ';
}
ul {
  padding: 0 0 0.5rem 1.25rem;
}
li {
  display: grid;
  grid-template-columns: minmax(9rem, 14rem) minmax(11rem, 16rem) 1fr;
  gap: 0.25rem 1rem;
  align-items: center;
  padding: 0.25rem 0;
}
h2 {
  margin-top: 1.25rem;
}
.short {
  font-weight: 600;
  color: var(--harm);
}
@media (max-width: 800px) {
  summary,
  li {
    grid-template-columns: 1fr;
  }
  summary > :not(.what) {
    padding-left: 1rem;
  }
  summary {
    padding: 0.75rem 0;
  }
  ul {
    padding-left: 1rem;
  }
  .each {
    display: none;
  }
  table {
    font-size: 0.875rem;
  }
}
</style>
