<script setup lang="ts">
import { YOUNG_STANDINGS, type Litter, type YoungStanding } from '#core/season'
import { formatDay, formatDistance } from '#core/units'

/** The young of one litter side by side, from who has not eaten to who may go. */
const props = defineProps<{ litter: Litter }>()
const house = useHouse()
const weans = computed(() => Boolean(house.almanac.species[props.litter.speciesId]?.weaning))
const NAMES: Record<YoungStanding, string> = {
  notStarted: 'Not started',
  live: 'Live prey',
  onTheWay: 'Changing to thawed',
  eats: 'Stay yet',
  mayGo: 'May go',
}
/** Columns share the width by how many stand in them; an empty one shows that it is empty, and no more. */
const wide = (n: number) => (n ? `minmax(9.5rem, ${Math.min(5, 1 + 0.4 * (n - 1))}fr)` : 'minmax(4.5rem, 0.4fr)')
const columns = computed(() =>
  YOUNG_STANDINGS.filter(s => weans.value || (s !== 'live' && s !== 'onTheWay')).map(s => ({
    id: s,
    name: NAMES[s],
    young: props.litter.young.filter(y => y.standing === s),
  })),
)
const MOST = 12
const open = ref(new Set<string>())
const shownOf = (column: (typeof columns.value)[number]) =>
  open.value.has(column.id) ? column.young : column.young.slice(0, MOST)

const outlookText = computed(() => {
  const o = props.litter.outlook
  if (!o) return ''
  const range = o.count.low === o.count.high ? `${o.count.low}` : `${o.count.low}–${o.count.high}`
  const live = Math.round(o.live)
  const costs = live ? `, for about ${live} more live ${live === 1 ? 'meal' : 'meals'}` : ''
  return `${o.already} of ${o.of} take thawed prey; by ${formatDay(o.by, house.today)} ${range} will${costs}`
})
const heading = computed(() => {
  const { tag, bornDay, young } = props.litter
  const when = bornDay === null ? '' : `, born ${formatDistance(bornDay, house.today)}`
  return `${tag ? ': ' : 'Of unknown parents: '}${house.speciesName(props.litter.speciesId)}, ${young.length}${when}`
})
</script>

<template>
  <section :data-litter="litter.tag ?? litter.id">
    <h2>
      <template v-if="litter.tag"
        >Young of <span class="tag">{{ litter.tag }}</span></template
      >{{ heading }}
    </h2>
    <p v-if="litter.outlook" class="small">
      <WorkingLink
        :title="`${litter.tag ?? 'The litter'}: over to thawed prey`"
        :answer="outlookText"
        :reasons="litter.outlook.reasons"
      />
    </p>
    <NurseryLosses v-if="litter.losses?.lost" :tag="litter.tag ?? 'The litter'" :losses="litter.losses" />
    <div class="board" :style="{ '--columns': columns.map(c => wide(c.young.length)).join(' ') }">
      <div v-for="column in columns" :key="column.id" class="column" :class="{ none: !column.young.length }">
        <h3>
          {{ column.name }} <span class="count">{{ column.young.length }}</span>
        </h3>
        <ul>
          <NurseryYoung v-for="y in shownOf(column)" :key="y.animal.id" :young="y" />
        </ul>
        <UButton
          v-if="column.young.length > MOST && !open.has(column.id)"
          size="xs"
          variant="link"
          color="neutral"
          :label="`${column.young.length - MOST} more`"
          :aria-label="`${column.young.length - MOST} more: ${column.name.toLowerCase()}`"
          @click="open = new Set([...open, column.id])"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 1.75rem;
}
.board {
  display: grid;
  grid-template-columns: var(--columns);
  margin-top: 0.5rem;
  border-top: 2px solid var(--ui-border-accented);
}
.column {
  padding: 0.375rem 0.75rem 0.5rem;
  border-left: 1px solid var(--ui-border);
}
.column:first-child {
  border-left: 0;
  padding-left: 0;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
  gap: 0 1rem;
}
h3 {
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
  display: flex;
  justify-content: space-between;
  gap: 0.5rem;
}
.count {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.none .count {
  color: var(--ui-text-dimmed);
  font-weight: 400;
}
@media (max-width: 800px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
  }
  .column {
    border-left: 0;
    border-bottom: 1px solid var(--ui-border);
    padding-inline: 0;
  }
  .column.none {
    display: none;
  }
}
</style>
