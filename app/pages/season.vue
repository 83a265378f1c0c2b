<script setup lang="ts">
import { useElementSize, useLocalStorage } from '@vueuse/core'
import { laneNeed, type Lane } from '#core/season'
import { summarise } from '#core/chance'
import { formatWeekday } from '#core/units'
import type { WhatIfOutcome } from '~/workers/whatIf.worker'

const house = useHouse()
const { narrow } = useNarrow()

const SPANS = [
  { label: '6 weeks', past: 14, ahead: 42 },
  { label: '3 months', past: 30, ahead: 92 },
  { label: '9 months', past: 60, ahead: 273 },
]
const chosen = useLocalStorage('season-span', 2)
const board = useTemplateRef<HTMLElement>('board')
/** Nothing is drawn before there is a width to draw it in. */
const { width } = useElementSize(board)
const life = useTemplateRef<HTMLElement>('life')
const LABEL = 272
const span = computed(() => {
  const { past, ahead } = SPANS[chosen.value] ?? SPANS[2]!
  return {
    from: house.today - past,
    to: house.today + ahead,
    width: Math.max(260, Math.floor(width.value - (narrow.value ? 0 : LABEL + 12))),
  }
})

const litLane = ref<string | null>(null)
const lit = computed(() =>
  litLane.value && house.season ? laneNeed(house.season, litLane.value, house.almanac, house.settings) : null,
)

const openLane = ref<string | null>(null)
const lane = computed(() => house.season?.lanes.find(l => l.id === openLane.value) ?? null)

const whatIf = ref(false)
const outcome = shallowRef<WhatIfOutcome | null>(null)
watch(whatIf, is => {
  if (!is) outcome.value = null
})
defineShortcuts({
  w: () => {
    whatIf.value = !whatIf.value
  },
})

/** Food that is eaten or grown, most pressing first: what must be started soonest. */
const food = computed(() => {
  const rows = (house.season?.prey ?? []).flatMap(look => {
    const plan = house.plans.find(p => p.prey === look.prey)
    return plan ? [{ look, plan, first: Math.min(plan.starts[0]?.day ?? 1e9, plan.gaps[0]?.from ?? 1e9) }] : []
  })
  const rank = { batch: 0, colony: 1, bought: 2 }
  return rows.sort((a, b) => rank[a.plan.kind] - rank[b.plan.kind] || a.first - b.first)
})

const answer = computed(() => {
  const lanes = house.season?.lanes ?? []
  const soon = lanes
    .flatMap((l: Lane) =>
      l.events
        .filter(e => ['hatched', 'born', 'metamorphosed'].includes(e.event) && !e.observed)
        .map(e => ({ l, sum: summarise(e.dist), never: e.dist.never })),
    )
    .filter(x => x.sum && x.sum.median >= house.today && x.never < 0.6)
    .sort((a, b) => a.sum!.median - b.sum!.median)[0]
  const parts = [
    soon ? `Next young: ${soon.l.title}, about ${formatWeekday(soon.sum!.median)}.` : 'No young are expected.',
  ]
  const starts = startsAnswer(house.upcomingStarts, house.today)
  if (starts) parts.push(starts)
  return parts.join(' ')
})
</script>

<template>
  <div class="screen season">
    <header>
      <h1>Who is coming, and will there be food?</h1>
      <div v-if="!house.isEmpty" class="tools">
        <div role="group" aria-label="Span" class="flex gap-1">
          <UButton
            v-for="(s, i) in SPANS"
            :key="s.label"
            :label="s.label"
            size="sm"
            :variant="chosen === i ? 'subtle' : 'ghost'"
            color="neutral"
            :aria-pressed="chosen === i"
            @click="chosen = i"
          />
        </div>
        <UButton label="What if …" icon="i-lucide-git-branch" variant="outline" size="sm" @click="whatIf = !whatIf" />
      </div>
      <p v-if="!house.isEmpty" class="answer">{{ answer }}</p>
    </header>
    <FirstSteps v-if="house.isEmpty" />
    <div v-else ref="board" class="board" :style="{ '--label': `${LABEL}px` }">
      <div class="axis">
        <span class="corner">Life</span><SeasonTimeAxis v-if="width" :span="span" :today="house.today" />
      </div>
      <div ref="life" class="pane life" tabindex="-1">
        <VirtualRows
          v-if="width"
          :rows="house.season?.lanes ?? []"
          :key-of="l => l.id"
          :height="narrow ? 99 : 50"
          :pane="narrow ? null : life"
        >
          <template #default="{ row: l }"
            ><SeasonLaneRow
              :lane="l"
              :span="span"
              :today="house.today"
              :lit="litLane === l.id"
              @open="openLane = l.id"
              @light="litLane = $event ? l.id : litLane === l.id ? null : litLane"
          /></template>
        </VirtualRows>
        <p v-if="!house.season?.lanes.length" class="quiet py-4">
          No pairs, eggs or young yet. Set a pair on a female’s page.
        </p>
      </div>
      <div class="axis food">
        <span class="corner"
          >Food
          <span class="key"
            >outline: need · full: stock · light: with the plan · hatched: short · green: the lane pointed at</span
          ></span
        >
      </div>
      <div v-if="width" class="pane" tabindex="-1">
        <SeasonPreyRow
          v-for="f in food"
          :key="f.look.prey"
          :look="f.look"
          :plan="f.plan"
          :span="span"
          :today="house.today"
          :lit="lit?.get(f.look.prey) ?? null"
          :other="outcome?.season.prey.find(p => p.prey === f.look.prey) ?? null"
        />
      </div>
    </div>
    <SeasonLanePanel :lane="lane" @close="openLane = null" />
    <SeasonWhatIfDrawer v-if="!house.isEmpty" v-model:open="whatIf" @outcome="outcome = $event" />
  </div>
</template>

<style scoped>
.season {
  max-width: none;
  padding-bottom: 0;
}
.season > header {
  margin-bottom: 0.25rem;
  gap: 0 1.5rem;
}
.answer {
  flex-basis: 100%;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
.axis {
  display: grid;
  grid-template-columns: var(--label) auto;
  background: var(--ui-bg);
  border-bottom: 1px solid var(--ui-border-accented);
  align-items: end;
}
.axis.food {
  padding-top: 0.625rem;
  grid-template-columns: 1fr;
}
.corner {
  font-weight: 650;
  color: var(--ui-text-highlighted);
  padding: 0 0.25rem 0.125rem;
}
.key {
  font-weight: 400;
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  margin-left: 0.75rem;
}
/* life above and food below are seen together, so that one can follow a hatch to the cup */
@media (min-width: 801px) {
  .season {
    display: flex;
    flex-direction: column;
    height: 100dvh;
    padding-bottom: 3.75rem;
  }
  .board {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
  }
  .pane {
    flex: 1 1 46%;
    min-height: 8rem;
    overflow-y: auto;
    scrollbar-width: thin;
    scrollbar-gutter: stable;
  }
  .life {
    flex-basis: 54%;
  }
}
@media (max-width: 800px) {
  .season {
    padding-bottom: 10rem;
  }
  .axis {
    position: sticky;
    top: 0;
    z-index: 5;
    grid-template-columns: minmax(0, 1fr);
  }
  .axis.food {
    position: static;
  }
  .axis:not(.food) .corner {
    display: none;
  }
}
</style>
