<script setup lang="ts">
import { tellLeast, type LadderStep } from '#core/almanac'

/** A feeding ladder as a row of prey, each as long as it is: mass to the third root. */
const props = defineProps<{ ladder: readonly LadderStep[] }>()
const house = useHouse()
const LARGEST = 26

const steps = computed(() => {
  const sizes = props.ladder.flatMap(s => s.meal.map(m => Math.cbrt(house.almanac.feeders[m.prey]?.massG.likely ?? 0)))
  const most = Math.max(...sizes, 0.01)
  return props.ladder.map((s, i) => ({
    ...s,
    until: props.ladder[i + 1]?.fromDay,
    meal: s.meal.map(m => {
      const feeder = house.almanac.feeders[m.prey]
      return {
        ...m,
        r: Math.max(2, (LARGEST * Math.cbrt(feeder?.massG.likely ?? 0)) / most),
        what: `${m.count} ${(m.count === 1 ? feeder?.one : feeder?.many) ?? m.prey}${tellLeast(m)}`,
      }
    }),
  }))
})
</script>

<template>
  <ol class="ladder">
    <li v-for="s in steps" :key="s.fromDay">
      <svg :width="s.meal.reduce((w, m) => w + 2 * m.r + 6, 0)" height="56" aria-hidden="true">
        <template v-for="(m, i) in s.meal" :key="m.prey">
          <ellipse
            :cx="s.meal.slice(0, i).reduce((w, o) => w + 2 * o.r + 6, 0) + m.r + 1"
            :cy="54 - m.r * 0.62"
            :rx="m.r"
            :ry="m.r * 0.6"
          />
        </template>
      </svg>
      <b>{{ s.meal.map(m => m.what).join(', ') }}</b>
      <span>{{ s.everyDays === 1 ? 'daily' : `every ${s.everyDays} days` }}</span>
      <span class="quiet">from day {{ s.fromDay }}</span>
    </li>
  </ol>
</template>

<style scoped>
.ladder {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  margin-top: 0.5rem;
}
li {
  display: flex;
  flex-direction: column;
  max-width: 10rem;
  font-size: 0.9375rem;
  line-height: 1.3;
}
ellipse {
  fill: var(--stage-feeder);
}
b {
  font-weight: 600;
}
@media (forced-colors: active) {
  ellipse {
    fill: CanvasText;
  }
}
</style>
