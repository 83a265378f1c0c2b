<script setup lang="ts">
import { tellEntry, type Subject } from '#core/subjects'
import { formatDay } from '#core/units'
import type { TimelineEntry } from '#shared/contracts/house'

/** What is written of some subjects, newest first; each line can be taken back. */
const props = defineProps<{ subjects: Subject[] }>()
const house = useHouse()
const { takeBack } = useRecord()
const entries = ref<TimelineEntry[] | null>(null)
const more = ref(false)

async function load(): Promise<void> {
  // while the house does not answer, what was read stays
  const lists = await Promise.all(
    props.subjects.map(s =>
      callApi<TimelineEntry[]>(`/api/entries?subjectType=${s.type}&subjectId=${encodeURIComponent(s.id)}`),
    ),
  ).catch(() => null)
  if (lists) entries.value = lists.flat().sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0))
}
watch(() => [house.snapshot?.version, props.subjects.map(s => s.id).join()], load, { immediate: true })

function words(entry: TimelineEntry): string {
  return withAlmanacNames(tellEntry(entry, house.settings), house.almanac)
}
const shown = computed(() => (more.value ? entries.value : entries.value?.slice(0, 25)) ?? [])
</script>

<template>
  <div>
    <div v-if="!entries" class="grid gap-2" aria-hidden="true">
      <USkeleton v-for="n in 6" :key="n" class="h-5 w-2/3" />
    </div>
    <p v-else-if="!entries.length" class="quiet">Nothing is written yet.</p>
    <ol v-else>
      <li v-for="entry in shown" :key="entry.id" :class="{ voided: entry.voided }">
        <time class="quiet">{{ formatDay(entry.day, house.today) }}</time>
        <span
          >{{ words(entry) }}<span v-if="entry.voided" class="quiet"> (taken back)</span
          ><span v-if="entry.note" class="note">{{ entry.note }}</span></span
        >
        <UButton
          v-if="!entry.voided"
          size="xs"
          variant="link"
          color="neutral"
          label="Take back"
          :aria-label="`Take back: ${words(entry)}`"
          @click="takeBack([entry.id])"
        />
      </li>
    </ol>
    <UButton
      v-if="entries && entries.length > 25 && !more"
      class="mt-2"
      variant="link"
      color="neutral"
      :label="`All ${entries.length}`"
      @click="more = true"
    />
  </div>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 6.5rem 1fr auto;
  gap: 0.5rem;
  align-items: baseline;
  padding: 0.125rem 0;
  border-bottom: 1px solid var(--ui-border);
}
.voided {
  text-decoration: line-through;
  color: var(--ui-text-dimmed);
}
.note {
  display: block;
  font-size: 0.875rem;
  color: var(--ui-text-muted);
}
</style>
