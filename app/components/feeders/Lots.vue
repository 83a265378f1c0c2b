<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { surplusOf, type PreyOutlook } from '#core/season'
import { coolestOf, plannedSupply } from '#core/supply'
import { formatDay, formatQuantity } from '#core/units'

/** The lots of what is bought: since when they are here, until when they are used, and what nobody eats by then. */
const props = defineProps<{ look: PreyOutlook }>()
const house = useHouse()

/** So many are named; of more the first to end. */
const SHOWN = 3
const lots = computed(() => props.look.lots.filter(lot => lot.pieces >= 0.5))
const shown = computed(() => lots.value.slice(0, SHOWN))
const grows = computed(() => feederOf(house.almanac, props.look.prey).grows)
/** What those become that are not used by their day. */
const larger = computed(() => (grows.value ? feederOf(house.almanac, grows.value.into).many : ''))
const grown = computed(() => Math.round(props.look.lots.reduce((n, lot) => n + lot.grown, 0)))
/** Where it is kept, and whether that is colder than is good for it. */
const kept = computed(() => {
  const place = house.house.places[house.house.stocks[props.look.prey]?.placeId ?? '']
  if (!place) return null
  const { tempC } = props.look
  const supply = plannedSupply(feederOf(house.almanac, props.look.prey))
  const cold =
    tempC !== undefined && supply?.kind === 'bought' && !supply.frozen
      ? tempC < coolestOf(supply, house.almanac.common) - house.almanac.common.keepTooCold!.value
      : false
  return { name: place.name, warmth: tempC === undefined ? '' : formatQuantity(tempC, house.settings.tempUnit), cold }
})
const surplus = computed(() => surplusOf(props.look, house.almanac, house.today))
const over = computed(() => {
  if (!surplus.value) return ''
  const { pieces, until, mayStandFor } = surplus.value.value
  const others = mayStandFor.length ? `; may stand in for ${mayStandFor.slice(0, 3).join(', ')}` : ''
  return `about ${pieces} more than is eaten by ${formatDay(until, house.today)}${others}`
})
</script>

<template>
  <ul v-if="lots.length || grown || kept" class="lots quiet small">
    <li v-for="lot in shown" :key="lot.entryId" :class="{ past: lot.useBy < house.today }">
      {{ shown.length > 1 || lots.length > SHOWN ? `${Math.round(lot.pieces)} of` : 'of' }}
      {{ formatDay(lot.day, house.today) }}, {{ lot.useBy < house.today ? 'past' : 'use by' }}
      {{ formatDay(lot.useBy, house.today) }}{{ lot.outgrows ? `, then ${larger}` : '' }}
    </li>
    <li v-if="lots.length > SHOWN">and {{ lots.length - SHOWN }} lots more</li>
    <li v-if="grown" class="past">about {{ grown }} are {{ larger }} by now: the Round asks</li>
    <li v-if="kept" :class="{ past: kept.cold }">
      kept at {{ kept.name }}<template v-if="kept.warmth">, {{ kept.warmth }}</template
      ><template v-if="kept.cold">: colder than is known to be good for them</template>
    </li>
    <li v-if="surplus">
      <WorkingLink
        :title="`${feederOf(house.almanac, look.prey).name}: over`"
        :answer="over"
        :reasons="surplus.reasons"
      />
    </li>
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
