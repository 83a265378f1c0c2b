<script setup lang="ts">
import type { DueWithHer } from '#core/season'
import { formatDay, formatRange } from '#core/units'

/** What is due with each female: the next sign, laying or birth, what she bears, and the male. */
defineProps<{ due: DueWithHer[] }>()
const emit = defineEmits<{ open: [pairingId: string] }>()
const house = useHouse()

const tag = (id: string | null) => (id ? (house.house.animals[id]?.tag ?? '?') : 'unknown')
const LOAD_WORDS = { rest: 'Rest', weigh: 'Weigh', feedUp: 'Feed up', again: 'Next clutch', nothing: '' } as const

function withHim(d: DueWithHer): string {
  if (d.together)
    return `together since ${formatDay(d.visit?.from ?? house.today, house.today)}${d.visit && d.visit.to <= house.today ? ', out today' : ''}`
  if (d.visit) return d.visit.from <= house.today ? 'in today' : `in ${formatDay(d.visit.from, house.today)}`
  return ''
}
const never = (share: number) => (share > 0.02 ? `${Math.round(share * 100)} % not at all` : '')
</script>

<template>
  <VirtualRows :rows="due" :key-of="d => d.pairingId" :height="76" role="list">
    <template #default="{ row: d }">
      <div class="pair" role="listitem" :data-due="d.tag">
        <button type="button" class="open" @click="emit('open', d.pairingId)">
          <span class="stage" :class="`stage-${d.stage}`"
            ><span class="tag">{{ tag(d.damId) }}</span></span
          >
          <span class="with"
            >with <span class="tag">{{ tag(d.sireId) }}</span></span
          >
          <span class="species">{{ house.speciesName(d.speciesId) }}</span>
        </button>
        <p class="next">
          <template v-if="d.next"
            ><span class="sign">{{ d.next.event }}</span>
            <WorkingLink
              :title="`${tag(d.damId)}: ${d.next.event}`"
              :answer="formatRange(d.next.when)"
              :reasons="d.next.reasons"
            />
            <small>{{ never(d.next.when.never) }}</small></template
          >
          <span v-else class="quiet">nothing further expected</span>
          <template v-if="d.birth"
            ><br /><span class="sign">{{ d.birth.event }}</span>
            <WorkingLink
              :title="`${tag(d.damId)}: ${d.birth.event}`"
              :answer="formatRange(d.birth.when)"
              :reasons="d.birth.reasons"
            />
            <small>{{ never(d.birth.when.never) }}</small></template
          >
        </p>
        <p class="load">
          <WorkingLink
            v-if="d.load && d.load.value.action !== 'nothing' && (d.next || d.load.value.action !== 'again')"
            :title="`${tag(d.damId)}: what she bears`"
            :answer="`${LOAD_WORDS[d.load.value.action]}: ${d.load.value.text}`"
            :reasons="d.load.reasons"
            ><b :class="d.load.value.action">{{ LOAD_WORDS[d.load.value.action] }}</b
            >: {{ d.load.value.text }}</WorkingLink
          >
          <small v-if="d.load && d.load.value.clutches + d.load.value.further > 0.5" class="quiet"
            >{{ d.load.value.clutches ? `${d.load.value.clutches} this season` : 'none yet'
            }}<template v-if="d.load.value.further > 0.05"
              >, about {{ d.load.value.further.toFixed(1) }} to come</template
            ></small
          >
        </p>
        <p class="him">
          <span v-if="d.locks">{{ d.locks }} lock{{ d.locks > 1 ? 's' : '' }}</span>
          <WorkingLink
            v-if="d.visit && withHim(d)"
            :title="`${tag(d.damId)} with ${tag(d.sireId)}: rota`"
            :answer="withHim(d)"
            :reasons="d.visit.reasons"
          />
          <WorkingLink
            v-else-if="d.unvisited"
            :title="`${tag(d.damId)} with ${tag(d.sireId)}: no visit`"
            :answer="`no visit: ${d.unvisited.why}`"
            :reasons="d.unvisited.reasons"
            >no visit: {{ d.unvisited.why }}</WorkingLink
          >
        </p>
      </div>
    </template>
  </VirtualRows>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 14.5rem minmax(20rem, 1.4fr) minmax(12rem, 1fr) 11rem;
  gap: 0.25rem 1.25rem;
  padding: 0.4375rem 0;
  border-bottom: 1px solid var(--ui-border);
  align-items: start;
}
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.5rem;
  align-items: baseline;
  text-align: left;
  cursor: pointer;
}
.open:hover .tag {
  text-decoration: underline;
}
.with {
  color: var(--ui-text-muted);
}
.species {
  flex-basis: 100%;
  padding-left: 1.125rem;
  font-size: 0.875rem;
  color: var(--ui-text-muted);
}
.sign {
  color: var(--ui-text-muted);
}
small {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  white-space: nowrap;
}
.load small {
  display: block;
}
.rest {
  color: var(--harm);
}
.him {
  display: grid;
  gap: 0.125rem;
}
@media (max-width: 900px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
    padding: 0.625rem 0;
  }
  .open {
    min-height: 2.75rem;
    align-items: center;
  }
  .him {
    display: flex;
    gap: 0.75rem;
  }
}
</style>
