<script setup lang="ts">
import type { BreedingOutlook } from '#core/season'
import { ROTA_DAYS } from '#core/season'
import { formatDay } from '#core/units'
import { signOf } from '../season/marks'

/** Which male is with whom, on the shared axis: past visits, those that run, and the plan. */
const props = defineProps<{ outlook: BreedingOutlook; width: number }>()
const emit = defineEmits<{ open: [pairingId: string] }>()
const house = useHouse()
const { narrow } = useNarrow()

const LABEL = 132
const HEIGHT = 44
const BACK_DAYS = 14
const span = computed(() => ({
  from: house.today - BACK_DAYS,
  to: house.today + ROTA_DAYS,
  width: Math.max(280, Math.floor(props.width - (narrow.value ? 0 : LABEL))),
}))
const x = computed(() => timeScale(span.value))
const tag = (id: string) => house.house.animals[id]?.tag ?? '?'

interface Bar {
  key: string
  pairingId: string
  x: number
  width: number
  label: string
  how: 'past' | 'running' | 'planned'
  said: string
}
/** A bar between two days, cut to what the strip shows. */
function bar(key: string, pairingId: string, from: number, to: number, how: Bar['how']): Bar {
  const start = Math.max(from, span.value.from)
  const dam = tag(house.house.pairings[pairingId]!.damId)
  return {
    key,
    pairingId,
    how,
    x: x.value(start),
    width: Math.max(6, x.value(to + 0.8) - x.value(start)),
    label: dam,
    said: `${dam}, ${formatDay(from, house.today)} to ${formatDay(to, house.today)}${how === 'planned' ? ', planned' : how === 'running' ? ', together now' : ''}`,
  }
}
const males = computed(() => {
  const rows = new Map<string, { id: string; bars: Bar[]; locks: { x: number; key: string }[]; next: string }>()
  const row = (id: string) => {
    let r = rows.get(id)
    if (!r) rows.set(id, (r = { id, bars: [], locks: [], next: '' }))
    return r
  }
  for (const p of Object.values(house.house.pairings)) {
    const sire = p.sireId ? house.house.animals[p.sireId] : undefined
    if (!sire || sire.status !== 'alive') continue
    for (const v of p.visits)
      if (v.to >= span.value.from) row(sire.id).bars.push(bar(`${p.id}:${v.from}`, p.id, v.from, v.to, 'past'))
    for (const l of p.locks)
      if (l.day >= span.value.from) row(sire.id).locks.push({ key: l.entryId, x: x.value(l.day + 0.4) })
  }
  for (const v of props.outlook.rota) {
    const r = row(v.sireId)
    r.bars.push(bar(`${v.pairingId}:${v.from}`, v.pairingId, v.from, v.to, v.running ? 'running' : 'planned'))
    if (!r.next)
      r.next = v.running
        ? v.to <= house.today
          ? `out today from ${tag(v.damId)}`
          : `with ${tag(v.damId)} to ${formatDay(v.to, house.today)}`
        : v.from === house.today
          ? `today to ${tag(v.damId)}`
          : `${tag(v.damId)} ${formatDay(v.from, house.today)}`
  }
  return [...rows.values()].sort((a, b) => (tag(a.id) < tag(b.id) ? -1 : 1))
})
/** What can be helped before what only waits. */
const unvisited = computed(() => [...props.outlook.unvisited].sort((a, b) => Number(a.waits) - Number(b.waits)))
const todays = computed(() => (house.season?.tasks ?? []).filter(t => t.kind === 'pairing'))
</script>

<template>
  <section aria-label="Rota">
    <h2 v-if="todays.length">Today</h2>
    <ul v-if="todays.length" class="todays">
      <RoundTaskLine v-for="t in todays" :key="t.id" :task="t" />
    </ul>
    <template v-if="outlook.unvisited.length">
      <h2>No visit for</h2>
      <ul class="without">
        <li v-for="u in unvisited" :key="u.pairingId" :data-unvisited="tag(u.damId)">
          <button type="button" class="pair" @click="emit('open', u.pairingId)">
            <span class="tag">{{ tag(u.damId) }}</span> <span class="quiet">with</span>
            <span class="tag">{{ tag(u.sireId) }}</span>
          </button>
          <WorkingLink
            :title="`${tag(u.damId)} with ${tag(u.sireId)}: no visit`"
            :answer="u.why"
            :reasons="u.reasons"
            :class="{ quiet: u.waits }"
          />
        </li>
      </ul>
    </template>
    <p v-if="!males.length" class="quiet">
      No visit is planned. Set pairs on the bench; the rota then says which male goes to whom on which days.
    </p>
    <template v-else>
      <div class="axis" :style="{ paddingLeft: narrow ? 0 : `${LABEL}px` }">
        <SeasonTimeAxis :span="span" :today="house.today" weeks />
      </div>
      <div
        v-for="m in males"
        :key="m.id"
        class="male"
        :data-rota="tag(m.id)"
        :style="{ gridTemplateColumns: narrow ? '1fr' : `${LABEL}px auto` }"
      >
        <div class="who">
          <NuxtLink :to="`/animals/${m.id}`" class="tag">{{ tag(m.id) }}</NuxtLink><span class="quiet">{{
            m.next
          }}</span>
        </div>
        <svg :width="span.width" :height="HEIGHT" role="group" :aria-label="`Visits of ${tag(m.id)}`">
          <SeasonGrid :span="span" :today="house.today" :height="HEIGHT" />
          <g
            v-for="b in m.bars"
            :key="b.key"
            class="visit"
            :class="b.how"
            role="button"
            tabindex="0"
            :aria-label="b.said"
            @click="emit('open', b.pairingId)"
            @keydown.enter="emit('open', b.pairingId)"
            @keydown.space.prevent="emit('open', b.pairingId)"
          >
            <title>{{ b.said }}</title>
            <rect :x="b.x" y="8" :width="b.width" height="26" rx="3" />
            <text :x="b.x + 4" y="26">{{ b.width > 30 ? b.label : '' }}</text>
          </g>
          <path
            v-for="l in m.locks"
            :key="l.key"
            :d="signOf('copulation')"
            :transform="`translate(${l.x},38)`"
            fill="var(--stage-pairing)"
          >
            <title>Lock</title>
          </path>
        </svg>
      </div>
      <p class="key">
        Full: over. Outlined: together now. Pale: planned, and planned anew as soon as anything is written.
        <svg width="12" height="12" viewBox="-6 -6 12 12" aria-hidden="true">
          <path :d="signOf('copulation')" fill="var(--stage-pairing)" />
        </svg>
        lock.
      </p>
    </template>
  </section>
</template>

<style scoped>
.todays {
  margin-bottom: 1.25rem;
  border-bottom: 1px solid var(--ui-border);
}
.without {
  margin-bottom: 1.25rem;
  border-bottom: 1px solid var(--ui-border);
}
.without li {
  display: grid;
  grid-template-columns: minmax(8rem, 14.5rem) minmax(0, 1fr);
  gap: 0.25rem 1.25rem;
  align-items: baseline;
  padding: 0.375rem 0;
}
.pair {
  text-align: left;
  cursor: pointer;
  min-height: 2rem;
}
.pair:hover .tag {
  text-decoration: underline;
}
.axis {
  overflow: hidden;
}
.male {
  display: grid;
  align-items: center;
  border-bottom: 1px solid var(--ui-border);
}
.who {
  display: grid;
  line-height: 1.2;
  padding-right: 0.5rem;
}
.who .quiet {
  font-size: 0.875rem;
}
svg {
  display: block;
}
.visit {
  cursor: pointer;
}
.visit rect {
  fill: var(--stage-pairing);
  fill-opacity: 0.75;
  stroke: transparent;
  stroke-width: 2;
}
.visit.running rect {
  fill-opacity: 0.35;
  stroke: var(--stage-pairing);
}
.visit.planned rect {
  fill-opacity: 0.18;
  stroke: var(--stage-pairing);
  stroke-opacity: 0.5;
  stroke-dasharray: 3 3;
}
.visit text {
  font-size: 13px;
  fill: var(--ui-text-highlighted);
  font-family: var(--font-mono);
  pointer-events: none;
}
.visit.past text {
  fill: var(--ui-bg);
}
.key {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
  margin-top: 0.5rem;
}
.key svg {
  display: inline;
  vertical-align: -1px;
}
@media (max-width: 800px) {
  .without li {
    grid-template-columns: minmax(0, 1fr);
  }
  .pair {
    min-height: 2.75rem;
  }
  .who {
    display: flex;
    gap: 0.75rem;
    align-items: baseline;
    padding: 0.375rem 0 0;
  }
}
</style>
