<script setup lang="ts">
import { lotsAhead, standsInFor, type PreyOutlook } from '#core/season'
import { formatDay } from '#core/units'

/** The lots of what is bought: since when they are here, until when they are used, and what nobody eats by then. */
const props = defineProps<{ look: PreyOutlook }>()
const house = useHouse()

/** So many are named; of more the first to end. */
const SHOWN = 3
/** Fewer pieces over are no surplus. */
const FEW = 5
const lots = computed(() => lotsAhead(props.look, house.today).filter(lot => lot.pieces >= 0.5))
const shown = computed(() => lots.value.slice(0, SHOWN))
const over = computed(() => {
  const all = lots.value.filter(lot => lot.over >= FEW)
  if (!all.length) return ''
  const count = Math.round(all.reduce((n, lot) => n + lot.over, 0))
  const others = standsInFor(props.look.prey, house.almanac).slice(0, 3)
  return `about ${count} more than is eaten by ${formatDay(all.at(-1)!.useBy, house.today)}${others.length ? `; may stand in for ${others.join(', ')}` : ''}`
})
</script>

<template>
  <ul v-if="lots.length" class="lots quiet small">
    <li v-for="lot in shown" :key="lot.entryId" :class="{ past: lot.useBy < house.today }">
      {{ shown.length > 1 || lots.length > SHOWN ? `${Math.round(lot.pieces)} of` : 'of' }}
      {{ formatDay(lot.day, house.today) }}, {{ lot.useBy < house.today ? 'past' : 'use by' }}
      {{ formatDay(lot.useBy, house.today) }}
    </li>
    <li v-if="lots.length > SHOWN">and {{ lots.length - SHOWN }} lots more</li>
    <li v-if="over">{{ over }}</li>
  </ul>
</template>

<style scoped>
.lots {
  margin-top: 0.125rem;
  max-width: 22rem;
  font-weight: 400;
}
.past {
  color: var(--ui-text-highlighted);
}
</style>
