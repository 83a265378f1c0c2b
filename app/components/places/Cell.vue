<script setup lang="ts">
import { ZONES, formatReading } from '#core/channels'
import { formatQuantity } from '#core/units'
import type { PlaceNow } from '~/composables/usePlaces'

/** One place as one stands before it: who is in it, what is wrong, what it reads. */
const props = defineProps<{ place: PlaceNow }>()
const house = useHouse()
const SHOWN = 2
const who = computed(() => {
  const { tags } = props.place
  return tags.length > SHOWN ? `${tags.slice(0, SHOWN - 1).join(' ')} +${tags.length - SHOWN + 1}` : tags.join(' ')
})
/** The reading that is wrong, else the first. */
const series = computed(
  () => props.place.series.find(s => s.troubles.some(t => t.answered === null)) ?? props.place.series[0] ?? null,
)
const said = computed(() => {
  const s = series.value
  if (s?.latest && s.channel === 'uvIndex') return `UV ${s.latest.value.toFixed(1)}`
  if (s?.latest) return formatReading(s.channel, s.latest.value, house.settings.tempUnit)
  const { tempC } = props.place.place
  return tempC === null ? '' : `set ${formatQuantity(tempC, house.settings.tempUnit)}`
})
</script>

<template>
  <NuxtLink
    :to="`/places/${place.place.id}`"
    class="cell"
    :class="[place.level, { free: place.free }]"
    :data-place="place.place.name"
  >
    <span class="name"
      >{{ place.place.name
      }}<UIcon
        v-if="place.level"
        :name="place.level === 'harm' ? 'i-lucide-octagon-alert' : 'i-lucide-eye'"
        class="size-4 sign"
        aria-hidden="true" /></span
    >{{ ' ' }}<span v-if="place.level" class="sr-only">{{ place.level }} </span>
    <span v-if="place.tags.length" class="tag">{{ who }}</span>
    <span v-else class="quiet holds">{{
      place.holds || (place.keptFor.length ? `for ${place.keptFor.join(' ')}` : 'free')
    }}</span>{{ ' ' }}
    <span class="foot"
      ><span v-if="said"
        ><span v-if="series && series.zone !== 'air'" class="sr-only">{{ ZONES[series.zone] }} </span>{{ said }}</span
      >{{ ' ' }}<span v-if="place.due" class="due">{{ place.due }} due</span></span
    >
    <PlacesSeriesStrip
      v-if="series?.days.length"
      class="days"
      :series="series"
      :name="place.place.name"
      :width="96"
      :height="14"
      quiet
    />
  </NuxtLink>
</template>

<style scoped>
.cell {
  display: grid;
  grid-template-rows: auto auto 1fr auto;
  min-height: 5rem;
  padding: 0.375rem 0.5rem;
  border: 1px solid var(--ui-border);
  margin: 0 -1px -1px 0;
  font-size: 0.875rem;
  line-height: 1.25rem;
  overflow: hidden;
}
.cell:hover {
  background: var(--ui-bg-muted);
}
.cell:focus-visible {
  position: relative;
  z-index: 1;
}
.name {
  color: var(--ui-text-muted);
  display: flex;
  justify-content: space-between;
  gap: 0.25rem;
}
.tag,
.holds {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.foot {
  display: flex;
  justify-content: space-between;
  gap: 0.25rem;
  font-variant-numeric: tabular-nums;
}
.due {
  color: var(--ui-text-muted);
}
.free {
  border-style: dashed;
}
.harm {
  box-shadow: inset 0 0 0 2px var(--harm);
}
.harm .sign,
.harm .foot > :first-child {
  color: var(--harm);
  font-weight: 600;
}
.watch {
  box-shadow: inset 0 0 0 2px var(--ui-border-accented);
}
.watch .foot > :first-child {
  font-weight: 600;
}
</style>
