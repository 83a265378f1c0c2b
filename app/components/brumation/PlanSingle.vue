<script setup lang="ts">
import type { Programme } from '#core/brumation'

/** What single animals do otherwise than their group. */
const props = defineProps<{ rests: boolean; programme: Programme | null }>()
const single = defineModel<Record<string, OwnWays>>({ required: true })
const house = useHouse()
const tagOf = (id: string) => house.house.animals[id]?.tag ?? ''
const pairing = computed(() => house.almanac.schools.pairAfterCold!.choices.map(c => ({ value: c.id, label: c.name })))
const length = computed(() => (props.programme ? `${props.programme.wakeDay - props.programme.coolDay} days` : 'days'))
</script>

<template>
  <details>
    <summary>Own ways of single animals</summary>
    <div v-for="(own, id) in single" :key="id" class="single">
      <span class="tag">{{ tagOf(id) }}</span>
      <UInputNumber
        v-model="own.holdDays"
        :min="0"
        :max="250"
        :placeholder="length"
        :aria-label="`${tagOf(id)}: length in days`"
        class="w-32"
      />
      <USelect
        v-if="!rests"
        v-model="own.pairAfterCold"
        :items="pairing"
        placeholder="pair as the group"
        :aria-label="`${tagOf(id)}: pair after it`"
        class="w-44"
      />
      <UButton
        label="As the group"
        size="xs"
        variant="ghost"
        color="neutral"
        :aria-label="`${tagOf(id)}: as the group`"
        @click="single[id] = {}"
      />
    </div>
  </details>
</template>

<style scoped>
.single {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--ui-border);
}
summary {
  cursor: pointer;
  min-height: 2.75rem;
  display: flex;
  align-items: center;
  text-decoration: underline;
}
</style>
