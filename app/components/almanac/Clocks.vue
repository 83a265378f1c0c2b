<script setup lang="ts">
import { BREEDING_EVENTS, type BreedingEvent, type Clock } from '#core/almanac'
import { EVENT_NAMES } from '#core/pairing'

/** From one event of the year to the next: clocks to set, add and drop. */
const clocks = defineModel<Record<string, Clock>>({ required: true })
const events = BREEDING_EVENTS.map(value => ({ value, label: EVENT_NAMES[value] }))
const from = ref<BreedingEvent>('copulation')
const to = ref<BreedingEvent>('laid')
const key = computed(() => `${from.value}>${to.value}`)
const after = computed(() => events.slice(BREEDING_EVENTS.indexOf(from.value) + 1))
watch(after, list => {
  if (!list.some(e => e.value === to.value) && list.length) to.value = list[0]!.value
})
const title = (c: Clock) => `${EVENT_NAMES[c.from]} → ${EVENT_NAMES[c.to]}`
const ask = (title: string) => ({ path: title, optional: false }) as const
const change = (k: string, part: Partial<Clock>) => {
  clocks.value = { ...clocks.value, [k]: { ...clocks.value[k]!, ...part } }
}
function drop(k: string): void {
  clocks.value = Object.fromEntries(Object.entries(clocks.value).filter(([other]) => other !== k))
}
function add(): void {
  const days = { earliest: 20, likely: 30, latest: 45, unit: 'days', mark: 'own' as const }
  const comes = { value: 1, unit: 'share', mark: 'own' as const }
  clocks.value = { ...clocks.value, [key.value]: { from: from.value, to: to.value, days, comes } }
}
const plain = (s: string) => s
</script>

<template>
  <div class="grid gap-4">
    <p v-if="!Object.keys(clocks).length" class="quiet">None: what follows is then not forecast, until it is seen.</p>
    <div v-for="(c, k) in clocks" :key="k" class="clock">
      <AlmanacPartField
        :field="{ ...ask(title(c)), is: 'spread' }"
        :value="c.days"
        :label="title(c)"
        :choice="plain"
        :column="plain"
        @set="change(k, { days: $event as Clock['days'] })"
      />
      <div class="flex flex-wrap gap-2 items-center">
        <AlmanacPartField
          class="grow"
          :field="{ ...ask(title(c)), is: 'fact' }"
          :value="c.comes"
          label="comes at all, chance"
          :choice="plain"
          :column="plain"
          @set="change(k, { comes: $event as Clock['comes'] })"
        />
        <UButton
          label="Drop"
          size="xs"
          variant="ghost"
          color="neutral"
          :aria-label="`Drop clock ${title(c)}`"
          @click="drop(k)"
        />
      </div>
    </div>
    <div class="flex flex-wrap gap-2 items-center">
      <RecordPick v-model="from" :items="events.slice(0, -1)" name="New clock, from" class="w-40" />
      <span>to</span>
      <RecordPick v-model="to" :items="after" name="New clock, to" class="w-40" />
      <UButton
        label="Add clock"
        size="sm"
        variant="outline"
        icon="i-lucide-plus"
        :disabled="key in clocks"
        @click="add"
      />
    </div>
  </div>
</template>

<style scoped>
.clock {
  border-bottom: 1px solid var(--ui-border);
  padding-bottom: 0.5rem;
}
</style>
