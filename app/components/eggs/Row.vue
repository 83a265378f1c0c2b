<script setup lang="ts">
import { summarise } from '#core/chance'
import { doneOf, eggPhase, sexOutlook } from '#core/season/eggs'
import { eggsLeft, pippedNow } from '#core/subjects'
import type { Lane } from '#core/season'
import { formatRange } from '#core/units'

/** One clutch in its incubator: the box from above, how far it is, and when it opens. */
const props = defineProps<{ lane: Lane; span: TimeSpan; narrow: boolean }>()
const house = useHouse()
const context = useSeasonContext()
const clutch = computed(() => house.house.clutches[props.lane.subject.id]!)
const done = computed(() => doneOf(clutch.value, context.value))
const phase = computed(() => eggPhase(clutch.value, context.value)?.phase ?? null)
const sex = computed(() => sexOutlook(clutch.value, context.value))
const pipped = computed(() => pippedNow(clutch.value))
const hatch = computed(() => props.lane.events.find(e => e.event === 'hatched'))
const when = computed(() => (hatch.value && !hatch.value.observed ? summarise(hatch.value.dist) : null))
const answer = computed(() =>
  hatch.value?.observed
    ? `${clutch.value.hatched.reduce((n, h) => n + h.count, 0)} out`
    : when.value
      ? `hatch ${formatRange(when.value)}`
      : 'hatch not known',
)
const counts = computed(() => {
  const c = clutch.value
  return [
    `${eggsLeft(c)} of ${c.eggs} left`,
    pipped.value ? `${pipped.value.count} pipped` : c.good === null ? 'not candled' : `${c.good} good`,
    phase.value
      ? phase.value.name.toLowerCase()
      : done.value === null
        ? ''
        : `${Math.round(done.value * 100)} % developed`,
    sex.value ? `${Math.round(sex.value.value.female * 100)} % females` : '',
  ]
    .filter(Boolean)
    .join(', ')
})
</script>

<template>
  <section :id="lane.subject.id" class="row" :data-clutch="lane.title">
    <div class="head">
      <NuxtLink :to="`/eggs/${clutch.id}`" class="open">
        <h3>
          <span class="stage stage-egg"
            ><span class="tag">{{ lane.title }}</span></span
          >
        </h3>
        <span class="species">{{ house.speciesName(lane.speciesId) }}</span>
      </NuxtLink>
      <WorkingLink
        v-if="hatch"
        class="when"
        :title="`${lane.title}: hatch`"
        :answer="answer"
        :reasons="hatch.reasons"
      />
      <span v-else class="when quiet">{{ answer }}</span>
      <p class="quiet small counts">{{ counts }}</p>
    </div>
    <NuxtLink :to="`/eggs/${clutch.id}`" class="box" :aria-label="`Open the box of ${lane.title}`">
      <EggsBoxDrawing :clutch="clutch" :width="narrow ? 84 : 104" :height="52" />
    </NuxtLink>
    <EggsStrip :lane="lane" :done="done" :laid="clutch.startDay" :span="span" />
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: var(--label) 7.25rem auto;
  align-items: center;
  border-bottom: 1px solid var(--ui-border);
  padding: 0.25rem 0;
  content-visibility: auto;
  contain-intrinsic-size: auto 72px;
}
.head {
  min-width: 0;
  padding-right: 0.75rem;
}
.open {
  display: flex;
  gap: 0.5rem;
  align-items: baseline;
  min-height: 24px;
  white-space: nowrap;
}
.open:hover .tag {
  text-decoration: underline;
}
h3 {
  font-size: inherit;
}
.species {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 800px) {
  .row {
    grid-template-columns: minmax(0, 1fr) auto;
    row-gap: 0.25rem;
    contain-intrinsic-size: auto 150px;
  }
  .row > .strip {
    grid-column: 1 / -1;
  }
  .open {
    min-height: 44px;
    align-items: center;
  }
}
</style>
