<script setup lang="ts">
import { dayToIso, upperFirst } from '#core/units'
import type { TimelineEntry } from '#shared/contracts/house'

/** What was written today, each to be taken back. */
const house = useHouse()
const { takeBack } = useRecord()
const { log, load } = useLog()

const done = ref<TimelineEntry[]>([])
async function loadDone(): Promise<void> {
  // what was written today is told as it was last known, while the house does not answer
  const entries = await callApi<TimelineEntry[]>(`/api/entries?day=${dayToIso(house.today)}`).catch(() => null)
  if (entries) done.value = entries.filter(e => e.kind !== 'void' && !e.voided && e.source !== 'demo')
}
watch(
  () => house.snapshot?.version,
  () => {
    void loadDone()
  },
  { immediate: true },
)

function subjectTag(entry: TimelineEntry): string {
  const h = house.house
  const { type, id } = entry.subject
  if (type === 'prey') return house.almanac.feeders[id]?.name ?? id
  if (type === 'supplier') return h.suppliers[id]?.name ?? ''
  // named by what it is, and its unit
  if (type === 'material') return upperFirst(id.split('|')[0]!)
  const groups = {
    animal: h.animals,
    pairing: h.pairings,
    clutch: h.clutches,
    culture: h.cultures,
    lamp: h.lamps,
    group: h.groups,
    entry: {},
  } as Record<string, Record<string, { tag: string }>>
  return groups[type]?.[id]?.tag ?? ''
}
</script>

<template>
  <Fold v-if="done.length" class="done" :summary="`${done.length} written today`" @open="load">
    <ul>
      <li v-for="entry in done" :key="entry.id">
        <span class="tag">{{ subjectTag(entry) }}</span>
        {{ log ? withAlmanacNames(log.tellEntry(entry, house.settings), house.almanac) : '' }}
        <UButton size="xs" variant="link" color="neutral" label="Take back" @click="takeBack([entry.id])" />
      </li>
    </ul>
  </Fold>
</template>

<style scoped>
.done {
  margin-top: 2rem;
}
li {
  padding: 0.125rem 0;
}
</style>
