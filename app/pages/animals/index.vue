<script setup lang="ts">
import { h, resolveComponent } from 'vue'
import type { Column } from '@tanstack/vue-table'
import { useLocalStorage } from '@vueuse/core'
import type { TableColumn } from '@nuxt/ui'
import type { AnimalState } from '#core/subjects'
import { formatDistance, formatQuantity } from '#core/units'

const house = useHouse()
const router = useRouter()
const adding = ref(false)
const listing = ref(false)
const grouping = ref(false)

const filter = useLocalStorage('animals-filter', '')
const speciesId = useLocalStorage('animals-species', 'all')
const status = useLocalStorage('animals-status', 'here')
const sorting = useLocalStorage<{ id: string; desc: boolean }[]>('animals-sorting', [{ id: 'tag', desc: false }])

interface Row {
  id: string
  tag: string
  species: string
  sex: string
  ageDays: number | null
  massG: number | null
  fedDay: number | null
  refusals: number
  place: string
  state: string
}

function stateOf(a: AnimalState): string {
  if (a.status !== 'alive') return a.status
  return a.cooled && !a.warmed ? 'in the cold' : 'awake'
}

const rows = computed<Row[]>(() =>
  Object.values(house.house.animals)
    .filter(
      a =>
        (status.value === 'here' ? a.status === 'alive' : status.value === 'gone' ? a.status !== 'alive' : true) &&
        (speciesId.value === 'all' || a.speciesId === speciesId.value),
    )
    .map(a => ({
      id: a.id,
      tag: a.tag,
      species: house.speciesName(a.speciesId),
      sex: a.sex,
      ageDays: a.bornDay === null ? null : house.today - a.bornDay,
      massG: a.weights.at(-1)?.massG ?? null,
      fedDay: a.lastTaken?.day ?? null,
      refusals: a.refusals,
      place: house.placeName(a.placeId),
      state: stateOf(a),
    })),
)

const words = computed(() => filter.value.toLowerCase().split(/\s+/).filter(Boolean))
const shown = computed(() =>
  words.value.length
    ? rows.value.filter(r =>
        words.value.every(w => `${r.tag} ${r.species} ${r.sex} ${r.place} ${r.state}`.toLowerCase().includes(w)),
      )
    : rows.value,
)

const speciesItems = computed(() => [
  { value: 'all', label: 'All species' },
  ...[
    ...new Set([...Object.values(house.house.animals), ...Object.values(house.house.groups)].map(a => a.speciesId)),
  ].map(id => ({
    value: id,
    label: house.speciesName(id),
  })),
])
const statusItems = [
  { value: 'here', label: 'In the house' },
  { value: 'gone', label: 'Sold, dead, elsewhere' },
  { value: 'all', label: 'All' },
]

/** A phone has room for what one looks for first. */
const { narrow } = useNarrow()
const WIDE_ONLY = ['species', 'sex', 'ageDays', 'state', 'place']
const visible = computed<Record<string, boolean>>(() =>
  Object.fromEntries(WIDE_ONLY.map(column => [column, !narrow.value])),
)

const sortable =
  (label: string) =>
  ({ column }: { column: Column<Row> }) =>
    h(resolveComponent('UButton'), {
      label,
      color: 'neutral',
      variant: 'ghost',
      size: 'sm',
      class: '-mx-2.5',
      trailingIcon:
        column.getIsSorted() === 'asc'
          ? 'i-lucide-arrow-up'
          : column.getIsSorted() === 'desc'
            ? 'i-lucide-arrow-down'
            : 'i-lucide-chevrons-up-down',
      onClick: () => column.toggleSorting(column.getIsSorted() === 'asc'),
    })

const columns: TableColumn<Row>[] = [
  {
    accessorKey: 'tag',
    header: sortable('Tag'),
    // the row itself is the one stop of the keyboard
    cell: ({ row }) =>
      h(
        resolveComponent('NuxtLink'),
        { to: `/animals/${row.original.id}`, class: 'tag', tabindex: -1 },
        () => row.original.tag,
      ),
  },
  { accessorKey: 'species', header: sortable('Species') },
  { accessorKey: 'sex', header: sortable('Sex') },
  {
    accessorKey: 'ageDays',
    header: sortable('Age'),
    cell: ({ row }) =>
      row.original.ageDays === null
        ? ''
        : row.original.ageDays < 730
          ? `${Math.round(row.original.ageDays / 30.44)} months`
          : `${(row.original.ageDays / 365.25).toFixed(1)} years`,
  },
  {
    accessorKey: 'massG',
    header: sortable('Weight'),
    cell: ({ row }) => (row.original.massG === null ? '' : formatQuantity(row.original.massG, house.settings.massUnit)),
  },
  {
    accessorKey: 'fedDay',
    header: sortable('Ate'),
    cell: ({ row }) =>
      [
        row.original.fedDay === null ? '' : formatDistance(row.original.fedDay, house.today),
        row.original.refusals > 1 ? ` (refused ${row.original.refusals})` : '',
      ].join(''),
  },
  { accessorKey: 'state', header: sortable('State') },
  { accessorKey: 'place', header: sortable('Place') },
]
</script>

<template>
  <div class="screen">
    <header>
      <h1>Who lives here?</h1>
      <div class="flex flex-wrap gap-2">
        <UButton
          label="Add a list"
          icon="i-lucide-list-plus"
          variant="outline"
          color="neutral"
          @click="listing = true"
        />
        <UButton label="Add a group" icon="i-lucide-users" variant="outline" color="neutral" @click="grouping = true" />
        <UButton label="Add an animal" icon="i-lucide-plus" @click="adding = true" />
      </div>
    </header>
    <GroupsList v-if="status !== 'gone'" :species-id="speciesId" :words="words" />
    <p v-if="!rows.length && status === 'here' && speciesId === 'all'" class="quiet">
      No animal yet. Add the first with the tag on its tub.
    </p>
    <template v-else>
      <div class="tools">
        <UInput
          v-model="filter"
          icon="i-lucide-filter"
          placeholder="Tag, species, place"
          aria-label="Filter"
          class="w-64"
        />
        <USelect v-model="speciesId" :items="speciesItems" aria-label="Species" class="w-52" />
        <USelect v-model="status" :items="statusItems" aria-label="Status" class="w-36" />
        <span class="quiet">{{ shown.length }} animals</span>
      </div>
      <UTable
        v-model:sorting="sorting"
        :column-visibility="visible"
        :data="shown"
        :columns="columns"
        sticky
        :virtualize="{ estimateSize: 41, overscan: 12 }"
        class="animals"
        caption="Animals of the house"
        :ui="{ td: 'py-2 px-3 text-[15px] text-default', th: 'py-1 px-3', caption: 'sr-only' }"
        @select="(_, row) => router.push(`/animals/${row.original.id}`)"
      >
        <template #empty>No animal fits this filter.</template>
      </UTable>
    </template>
    <AnimalsAddForm v-model:open="adding" />
    <AnimalsAddList v-model:open="listing" />
    <GroupsAddForm v-model:open="grouping" />
  </div>
</template>

<style scoped>
/* the table scrolls, and not the screen */
@media (min-width: 801px) {
  .screen {
    padding-bottom: 6rem;
  }
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  margin-bottom: 0.5rem;
}
:deep(.animals) {
  max-height: calc(100dvh - 13.5rem);
  max-width: 100%;
  overflow: auto;
}
</style>
