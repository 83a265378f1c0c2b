<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { feederOf } from '#core/almanac'
import { PREY_STATES, PREY_STATE_WORDS, isHelped, tellOffer, type AnimalState, type Meal } from '#core/subjects'
import { formatDay } from '#core/units'

/** Meals on the axis of time, a line for each state of the prey: full is taken, hollow refused, half struck. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const LEFT = 108
const ROW = 26

const meals = computed(() => props.animal.meals)
const weans = computed(() => Boolean(house.almanac.species[props.animal.speciesId]?.weaning))
const rows = computed(() => {
  const used = new Set(meals.value.map(m => m.state ?? 'notSaid'))
  return [
    ...[...PREY_STATES].reverse().map(id => ({ id: id as string, name: PREY_STATE_WORDS[id] })),
    { id: 'notSaid', name: weans.value ? 'prey not said' : 'meals' },
  ].filter(r => used.has(r.id as never))
})
const span = computed(() => ({
  from: Math.min(meals.value[0]?.day ?? house.today, house.today - 30) - 2,
  to: house.today + 3,
  width: Math.max(160, Math.floor(width.value) - LEFT - 8),
}))
const x = computed(() => timeScale(span.value))
/** Smaller where meals stand close, so that each is seen. */
const r = computed(() => {
  const days = [...new Set(meals.value.map(m => m.day))]
  const nearest = Math.min(...days.slice(1).map((d, i) => x.value(d) - x.value(days[i]!)))
  return Math.max(2.5, Math.min(6.5, nearest / 2 - 0.5))
})
const yOf = (meal: Meal) => rows.value.findIndex(r => r.id === (meal.state ?? 'notSaid')) * ROW + ROW / 2
const lookOf = (meal: Meal) =>
  meal.taken > 0 ? (isHelped(meal) ? 'helped' : 'took') : meal.outcome === 'struck' ? 'struck' : 'refused'
const WORDS = { took: 'took', helped: 'took with help', struck: 'struck and let go', refused: 'refused' }
function told(meal: Meal): string {
  const { one, many } = feederOf(house.almanac, meal.prey)
  const how = tellOffer(meal)
  const of = meal.taken && meal.taken < meal.offered ? `${meal.taken} of ${meal.offered}` : `${meal.offered}`
  const what = `${WORDS[lookOf(meal)]} ${of} ${meal.offered === 1 ? one : many}`
  return `${formatDay(meal.day, house.today)}: ${[what, how].filter(Boolean).join(', ')}`
}
const height = computed(() => rows.value.length * ROW + 24)
const summary = computed(() => {
  const count = (look: string) => meals.value.filter(m => lookOf(m) === look).length
  return `Meals: ${count('took')} taken, ${count('refused')} refused, ${count('struck')} struck, ${count('helped')} with help`
})
const used = computed(() => new Set(meals.value.map(lookOf)))
</script>

<template>
  <div ref="box">
    <template v-if="meals.length">
      <svg :width="span.width + LEFT + 8" :height="height" role="img" :aria-label="summary" class="chart">
        <text v-for="(row, i) in rows" :key="row.id" x="0" :y="i * ROW + ROW / 2 + 4">{{ row.name }}</text>
        <g :transform="`translate(${LEFT},0)`">
          <line
            v-for="(row, i) in rows"
            :key="row.id"
            :y1="i * ROW + ROW / 2"
            :y2="i * ROW + ROW / 2"
            x1="0"
            :x2="span.width"
            stroke="var(--ui-border)"
          />
          <g
            v-for="tick in ticksApart(timeTicks(span), x).filter(t => x(t.day) < span.width - 28)"
            :key="tick.day"
            :transform="`translate(${x(tick.day)},${rows.length * ROW})`"
          >
            <line y2="5" stroke="var(--ui-border-accented)" />
            <text y="18">{{ tick.label }}</text>
          </g>
          <line
            :x1="x(house.today)"
            :x2="x(house.today)"
            y1="0"
            :y2="rows.length * ROW"
            stroke="var(--ui-primary)"
            stroke-width="1.25"
          />
          <g v-for="meal in meals" :key="meal.entryId" :transform="`translate(${x(meal.day)},${yOf(meal)})`">
            <title>{{ told(meal) }}</title>
            <circle :r="r" fill="var(--ui-bg)" stroke="var(--ui-text-highlighted)" stroke-width="1.5" />
            <circle v-if="lookOf(meal) === 'took'" :r="r" fill="var(--ui-text-highlighted)" />
            <path v-else-if="lookOf(meal) === 'struck'" :d="`M0,${-r} A${r},${r} 0 0 0 0,${r} Z`" class="full" />
            <circle v-else-if="lookOf(meal) === 'helped'" :r="r / 2.5" fill="var(--ui-text-highlighted)" />
          </g>
        </g>
      </svg>
      <p class="quiet small key">
        <span v-for="(word, look) in WORDS" v-show="used.has(look)" :key="look"
          ><svg width="16" height="16" aria-hidden="true">
            <g transform="translate(8,8)">
              <circle r="6" fill="none" stroke="var(--ui-text-highlighted)" stroke-width="1.5" />
              <circle v-if="look === 'took'" r="6" fill="var(--ui-text-highlighted)" />
              <path v-else-if="look === 'struck'" d="M0,-6 A6,6 0 0 0 0,6 Z" class="full" />
              <circle v-else-if="look === 'helped'" r="2.5" fill="var(--ui-text-highlighted)" />
            </g>
          </svg>
          {{ word }}</span
        >
      </p>
      <Fold :summary="`The ${meals.length} meals as a list`">
        <ol class="small">
          <li v-for="meal in [...meals].reverse()" :key="meal.entryId">{{ told(meal) }}</li>
        </ol>
      </Fold>
    </template>
    <p v-else class="quiet">No meal is written yet.</p>
  </div>
</template>

<style scoped>
.full {
  fill: var(--ui-text-highlighted);
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1rem;
}
.key span {
  display: inline-flex;
  align-items: center;
  gap: 0.25rem;
}
</style>
