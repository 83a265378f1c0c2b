<script setup lang="ts">
import type { CareLine } from '#core/jobs'
import type { CareArea } from '#core/round'

/** What comes round in one rack: one press a job does it for all, an arrow opens what was left out or found. */
defineProps<{ area: CareArea }>()
const { doneFor, busy } = useCare()
const opened = ref<string | null>(null)
const head = useTemplateRef<HTMLElement>('head')
const leaving = useNextLine(() => head.value)

/** What is measured is not done by a press: the number is asked for. */
const isMeasured = (line: CareLine) => line.job === 'uvReading'
const toggle = (line: CareLine) => {
  opened.value = opened.value === line.id ? null : line.id
}

async function done(line: CareLine): Promise<void> {
  if (isMeasured(line)) return toggle(line)
  const goOn = leaving()
  if (await doneFor(line)) await goOn()
}
const late = (line: CareLine) => line.stops.filter(s => s.late).length
/** What stands on the button, part by part: its name, how many, how often today, how many late. */
const wordsOf = (line: CareLine): string[] => [
  line.name,
  ...(line.areaId === null ? [] : [`${line.stops.length}`]),
  ...(line.timesADay > 1 ? [`${line.doneToday} of ${line.timesADay} today`] : []),
  ...(late(line) ? [late(line) === line.stops.length ? 'late' : `${late(line)} late`] : []),
]
</script>

<template>
  <li ref="head" class="area" :data-care="area.id">
    <h3>{{ area.place || 'Here' }}</h3>
    <div class="jobs">
      <div v-for="line in area.lines" :key="line.id" class="job" :data-care-line="line.id">
        <UButton
          class="main"
          variant="outline"
          color="neutral"
          :icon="isMeasured(line) ? 'i-lucide-sun' : 'i-lucide-check'"
          :disabled="busy"
          :aria-label="`${wordsOf(line).join(' ')}, ${area.place || 'here'}: ${isMeasured(line) ? 'write' : 'done'}`"
          @click="done(line)"
        >
          <span>{{ line.name }}</span>
          <template v-for="word in wordsOf(line).slice(1)" :key="word"
            >{{ ' ' }}<span class="said" :class="{ strong: word.endsWith('late') }">{{ word }}</span></template
          >
        </UButton>
        <UButton
          v-if="line.areaId !== null"
          class="more"
          variant="outline"
          color="neutral"
          :icon="opened === line.id ? 'i-lucide-chevron-up' : 'i-lucide-chevron-down'"
          :aria-label="`${line.name}, ${area.place || 'here'}: leave some out, or write what was found`"
          :aria-expanded="opened === line.id"
          @click="toggle(line)"
        />
      </div>
    </div>
    <template v-for="line in area.lines" :key="`${line.id}-each`">
      <LazyRoundCareEach v-if="opened === line.id" class="each" :line="line" @done="opened = null" />
    </template>
  </li>
</template>

<style scoped>
.area {
  display: grid;
  grid-template-columns: 12rem minmax(0, 1fr);
  gap: 0.25rem 0;
  align-items: center;
  border-top: 1px solid var(--ui-border);
  padding: 0.375rem 0;
}
h3 {
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
  padding-right: 1rem;
}
.jobs {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem;
}
.job {
  display: flex;
}
.main {
  border-start-end-radius: 0;
  border-end-end-radius: 0;
}
.job > .main:only-child {
  border-radius: var(--ui-radius);
}
.more {
  border-start-start-radius: 0;
  border-end-start-radius: 0;
  margin-left: -1px;
}
.said {
  font-size: 0.875rem;
  font-variant-numeric: tabular-nums;
  color: var(--ui-text-muted);
}
.strong {
  color: var(--ui-text-highlighted);
  font-weight: 600;
}
.each {
  grid-column: 2;
}
@media (max-width: 800px) {
  .area {
    display: block;
    padding: 0.5rem 0 0.625rem;
  }
  h3 {
    padding-bottom: 0.25rem;
  }
  .job {
    flex: 1 1 auto;
  }
  .main {
    flex: 1;
  }
  .job :deep(button) {
    min-height: 2.75rem;
  }
}
</style>
