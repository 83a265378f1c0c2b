<script setup lang="ts">
import type { WinterGroupView } from '#core/season'
import { formatDay, formatWeekday } from '#core/units'

/** Every winter group: its curve, and its animals as bars on the same time. */
const props = defineProps<{ groups: WinterGroupView[]; width: number }>()
const emit = defineEmits<{ change: [groupId: string]; wake: [groupId: string] }>()
const house = useHouse()
const { record, busy } = useRecord()
const { narrow } = useNarrow()

const LABEL = 268
const span = computed(() => ({
  from: Math.min(...props.groups.map(g => g.programme.lastMealDay), house.today) - 4,
  to: Math.max(...props.groups.map(g => g.programme.firstMealDay), house.today) + 8,
  width: Math.max(220, Math.floor(props.width - (narrow.value ? 0 : LABEL + 12))),
}))
const x = computed(() => timeScale(span.value))

function status(g: WinterGroupView): string {
  const of = (state: string) => g.members.filter(m => m.state === state).length
  const parts = [
    [of('cold'), g.programme.kind === 'dormancy' ? 'at rest' : 'in the cold'],
    [of('awake'), 'awake'],
    [of('warmed'), 'woken'],
  ]
    .filter(([n]) => n)
    .map(([n, w]) => `${n} ${w}`)
  return parts.join(', ') || 'nobody in it'
}
/** The next day on which something is done. */
function next(g: WinterGroupView): string {
  const p = g.programme
  const rest = p.kind === 'dormancy'
  const days: [number, string][] =
    g.members.some(m => m.state === 'awake') && p.wakeDay > house.today
      ? [
          [p.lastMealDay, 'last meal'],
          [p.coolDay, rest ? 'rest begins' : 'cooling begins'],
          [p.holdDay, 'hold'],
        ]
      : [
          [p.holdDay, 'hold'],
          [p.maleDay ?? -1, 'male goes in'],
          [p.wakeDay, rest ? 'rest ends' : 'warm up'],
          [p.warmDay, 'full warmth'],
          [p.firstMealDay, 'first small meal'],
        ]
  const coming = days.find(([d]) => d >= house.today)
  return coming ? `${coming[1]} ${formatWeekday(coming[0])}` : 'over'
}
/** What one member's bar shows: the stay as it is, or as planned. */
function bar(g: WinterGroupView, m: WinterGroupView['members'][number]) {
  const a = house.house.animals[m.animalId]
  const from = m.state === 'awake' ? g.programme.coolDay : (a?.cooled?.day ?? g.programme.coolDay)
  const to =
    m.state === 'warmed'
      ? (a?.warmed?.day ?? g.programme.wakeDay)
      : Math.max(g.programme.wakeDay, m.state === 'cold' ? house.today : 0)
  const unfit = m.eligibility !== null && !['cool', 'shorten'].includes(m.eligibility.value.fitness)
  return {
    x: x.value(from),
    width: Math.max(2, x.value(to) - x.value(from)),
    past:
      m.state === 'cold'
        ? Math.max(0, Math.min(x.value(house.today), x.value(to)) - x.value(from))
        : m.state === 'warmed'
          ? x.value(to) - x.value(from)
          : 0,
    unfit,
  }
}
const bars = (g: WinterGroupView) => g.members.map(m => ({ m, b: bar(g, m) }))
const over = (g: WinterGroupView) => g.members.every(m => m.state === 'warmed' || m.state === 'gone')
/** Many animals are drawn as a block of thin bars. */
const barOf = (g: WinterGroupView) => (g.members.length > 24 ? 5 : 17)
</script>

<template>
  <section aria-label="Plan">
    <p v-if="!groups.length" class="quiet">No winter is planned. Plan one: who goes, when, how cold and how long.</p>
    <template v-else>
      <div class="axis" :style="{ gridTemplateColumns: narrow ? '1fr' : `${LABEL}px auto` }">
        <span v-if="!narrow" class="key"
          >Curve: setpoint. Dots: last and first meal. Bars: full is past, hatched is not fit</span
        ><SeasonTimeAxis :span="span" :today="house.today" />
      </div>
      <svg width="0" height="0" class="absolute" aria-hidden="true">
        <defs>
          <pattern id="unfit" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line y2="6" stroke="var(--harm)" stroke-width="2.5" />
          </pattern>
        </defs>
      </svg>
      <article
        v-for="g in groups"
        :key="g.groupId"
        class="group"
        :data-winter="g.tag"
        :style="{ gridTemplateColumns: narrow ? '1fr' : `${LABEL}px auto` }"
      >
        <div class="head">
          <h3>
            <span class="tag">{{ g.tag }}</span> {{ house.speciesName(g.speciesId) }}
          </h3>
          <p class="quiet small">
            {{ status(g) }}<template v-if="g.placeId">, {{ house.house.places[g.placeId]?.name }}</template>
          </p>
          <p><WorkingLink :title="`${g.tag}: programme`" :answer="next(g)" :reasons="g.programme.reasons" /></p>
          <div class="acts">
            <UButton
              label="Change"
              size="xs"
              variant="outline"
              color="neutral"
              :aria-label="`Change ${g.tag}`"
              @click="emit('change', g.groupId)"
            />
            <UButton
              v-if="g.members.some(m => m.state === 'cold')"
              :label="g.programme.kind === 'dormancy' ? 'End rest' : 'Wake group'"
              size="xs"
              :variant="g.programme.wakeDay <= house.today ? 'solid' : 'outline'"
              :color="g.programme.wakeDay <= house.today ? 'primary' : 'neutral'"
              :aria-label="`Wake ${g.tag}`"
              @click="emit('wake', g.groupId)"
            />
            <UButton
              v-if="over(g)"
              label="Close"
              size="xs"
              variant="outline"
              color="neutral"
              :disabled="busy"
              :aria-label="`Close ${g.tag}`"
              @click="
                record({ kind: 'winterEnded', subject: { type: 'winter', id: g.groupId }, data: {} }, `${g.tag} closed`)
              "
            />
            <a
              :href="`/api/winters/${g.groupId}/csv`"
              download
              class="export"
              :aria-label="`${g.tag}: setpoints as CSV`"
              >CSV</a
            >
            <a
              :href="`/api/winters/${g.groupId}/calendar`"
              download
              class="export"
              :aria-label="`${g.tag}: days as calendar`"
              >Calendar</a
            >
          </div>
        </div>
        <div>
          <BrumationCurve
            :programme="g.programme"
            :width="span.width"
            :height="84"
            :from="span.from"
            :to="span.to"
            :today="house.today"
          />
          <svg
            :width="span.width"
            :height="g.members.length * barOf(g) + 4"
            role="img"
            :aria-label="`${g.tag}: ${g.members.map(m => m.tag).join(', ')}`"
            class="bars"
          >
            <line
              :x1="x(house.today)"
              :x2="x(house.today)"
              y1="0"
              :y2="g.members.length * barOf(g) + 4"
              stroke="var(--ui-primary)"
              stroke-width="1.25"
            />
            <g v-for="({ m, b }, i) in bars(g)" :key="m.animalId" :transform="`translate(0,${i * barOf(g)})`">
              <rect
                :x="b.x"
                :y="barOf(g) > 9 ? 3 : 1"
                :width="b.width"
                :height="barOf(g) > 9 ? 11 : 4"
                :fill="b.unfit ? 'url(#unfit)' : 'var(--stage-cooling)'"
                :fill-opacity="b.unfit ? 1 : 0.3"
              />
              <rect
                :x="b.x"
                :y="barOf(g) > 9 ? 3 : 1"
                :width="b.past"
                :height="barOf(g) > 9 ? 11 : 4"
                fill="var(--stage-cooling)"
              />
              <text
                v-if="barOf(g) > 9"
                :x="b.x > 46 ? b.x - 5 : b.x + b.width + 5"
                :y="13"
                :text-anchor="b.x > 46 ? 'end' : 'start'"
              >
                {{ m.tag }}
              </text>
              <title>
                {{ m.tag }}: {{ m.eligibility?.value.text ?? (m.state === 'cold' ? 'in the cold' : m.state) }}
              </title>
            </g>
          </svg>
          <p
            v-for="m in g.members.filter(m => m.eligibility && m.eligibility.value.fitness !== 'cool')"
            :key="m.animalId"
            class="small unfit"
          >
            <span class="tag">{{ m.tag }}</span>
            <WorkingLink
              :title="`${m.tag}: may it be cooled?`"
              :answer="m.eligibility!.value.text"
              :reasons="m.eligibility!.reasons"
            />
          </p>
        </div>
      </article>
      <p class="quiet small">
        Everything that shares a tub is separated the day it warms. From {{ formatDay(span.from) }} to
        {{ formatDay(span.to) }}.
      </p>
    </template>
  </section>
</template>

<style scoped>
.axis,
.group {
  display: grid;
}
.axis {
  align-items: end;
}
.key {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
  line-height: 1.2;
}
.group {
  border-top: 1px solid var(--ui-border-accented);
  padding: 0.5rem 0;
}
h3 {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.head {
  padding-right: 0.75rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding: 0.375rem 0;
}
.export {
  font-size: 0.8125rem;
  text-decoration: underline;
  color: var(--ui-text-muted);
}
.bars {
  display: block;
  max-width: 100%;
}
.unfit {
  line-height: 1.35;
}
text {
  font-family: var(--font-mono);
  font-size: 13px;
  fill: var(--ui-text-toned);
  paint-order: stroke;
  stroke: var(--ui-bg);
  stroke-width: 3px;
}
@media (max-width: 800px) {
  .acts :deep(button),
  .export {
    min-height: 2.75rem;
    display: inline-flex;
    align-items: center;
    padding-inline: 0.75rem;
  }
}
</style>
