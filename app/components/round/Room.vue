<script setup lang="ts">
import { tellTotals, type CareArea, type WalkRoom } from '#core/round'

/** One room of the walk. In a long walk it comes folded to its totals. */
const props = defineProps<{ room: WalkRoom; care: CareArea[]; foldable: boolean; open: boolean }>()
const emit = defineEmits<{ toggle: [] }>()

/** So many lines are drawn at once; what is done makes room for the next. */
const AT_ONCE = 60
const all = ref(false)
const hidden = computed(() => (all.value || !props.foldable ? 0 : Math.max(0, props.room.lines - AT_ONCE)))
/** Jobs at places that are due, as one says it. */
const jobs = computed(() => props.care.reduce((n, a) => n + a.lines.length, 0))
const totals = computed(() =>
  [...(jobs.value ? [`${jobs.value} ${jobs.value === 1 ? 'job' : 'jobs'}`] : []), tellTotals(props.room.tasks)]
    .filter(Boolean)
    .join(', '),
)
const stops = computed(() => {
  if (!hidden.value) return props.room.stops
  let left = AT_ONCE
  return props.room.stops.flatMap(stop => {
    const lines = stop.lines.slice(0, left)
    left -= lines.length
    return lines.length ? [{ ...stop, lines }] : []
  })
})
</script>

<template>
  <section class="room" :class="{ folded: foldable && !open }" :data-room="room.name">
    <h2 v-if="foldable">
      <button type="button" class="fold" :aria-expanded="open" @click="emit('toggle')">
        <UIcon :name="open ? 'i-lucide-chevron-down' : 'i-lucide-chevron-right'" class="size-4.5" />{{ room.name }}
        <span class="quiet small">{{ totals }}</span>
      </button>
    </h2>
    <h2 v-else>
      {{ room.name }} <span v-if="room.tasks.length" class="quiet small">{{ room.tasks.length }}</span>
    </h2>
    <template v-if="!foldable || open">
      <ul v-if="care.length" :aria-label="`Care in ${room.name}`">
        <RoundCareArea v-for="area in care" :key="area.id" :area="area" />
      </ul>
      <div v-for="stop in stops" :key="stop.id" class="stop" :class="{ bare: !stop.place }">
        <h3 v-if="stop.place">{{ stop.place }}</h3>
        <TransitionGroup tag="ul" name="fold">
          <template v-for="line in stop.lines" :key="line.id">
            <RoundManyLine v-if="'clutchTag' in line" :tasks="line.tasks" :clutch-tag="line.clutchTag" />
            <RoundTaskLine v-else :task="line.tasks[0]" />
          </template>
        </TransitionGroup>
      </div>
      <UButton
        v-if="hidden"
        class="mt-2"
        variant="outline"
        color="neutral"
        :label="`Show ${hidden} more lines of ${room.name}`"
        @click="all = true"
      />
    </template>
  </section>
</template>

<style scoped>
.room {
  margin-top: 1.25rem;
  max-width: 64rem;
}
h2 {
  border-bottom: 2px solid var(--ui-border-accented);
  padding-bottom: 0.25rem;
}
.folded {
  margin-top: 0;
}
.folded h2 {
  border-bottom-width: 1px;
}
.fold {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.5rem;
  align-items: center;
  width: 100%;
  min-height: 2.75rem;
  text-align: left;
  cursor: pointer;
}
.fold .small {
  font-weight: 400;
}
.stop {
  display: grid;
  grid-template-columns: 12rem minmax(0, 1fr);
  border-top: 1px solid var(--ui-border);
}
.stop > ul {
  grid-column: 2;
}
.bare > ul {
  grid-column: 1 / -1;
}
.stop h3 {
  grid-column: 1;
  padding: 0.75rem 1rem 0 0;
  font-size: 0.9375rem;
  color: var(--ui-text-muted);
}
.stop :deep(.task:first-child) {
  border-top: 0;
}
.fold-leave-active {
  transition:
    opacity 150ms,
    transform 150ms;
}
.fold-leave-to {
  opacity: 0;
  transform: translateX(1rem);
}
@media (max-width: 800px) {
  .stop {
    display: block;
  }
  .stop h3 {
    padding-top: 0.5rem;
  }
}
</style>
