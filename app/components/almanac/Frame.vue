<script setup lang="ts">
import type { Feeder, Species } from '#core/almanac'

/**
 * A sheet of the almanac, be it of a species or a feeder: its name, its cautions, and what can be done with the whole
 * of it.
 */
const props = defineProps<{ of: 'species' | 'feeder'; row: Species | Feeder }>()
const emit = defineEmits<{ choose: [id: string] }>()
const { record, busy } = useRecord()
const adding = ref(false)
const exchanging = ref(false)

function retire(): Promise<unknown> {
  const { id, name, retired } = props.row
  const wish = { kind: `${props.of}${retired ? 'Used' : 'Retired'}`, subject: { type: props.of, id }, data: {} }
  return record(wish, `${name} ${retired ? 'offered again' : 'retired'}`)
}
</script>

<template>
  <div class="almanac-sheet">
    <h2>
      {{ row.name }} <i class="quiet font-normal">{{ row.latin }}</i>
    </h2>
    <slot name="about" />
    <p v-for="c in row.cautions" :key="c" class="small caution">
      <UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ c }}
    </p>
    <div class="actions">
      <UButton :label="`Add a ${of} like it`" icon="i-lucide-plus" size="sm" @click="adding = true" />
      <UButton label="Sheets out and in" size="sm" variant="outline" color="neutral" @click="exchanging = true" />
      <slot name="actions" />
      <UButton
        :label="row.retired ? 'Offer again' : 'Retire'"
        size="sm"
        variant="ghost"
        color="neutral"
        :loading="busy"
        @click="retire"
      />
    </div>
    <slot />
    <LazyAlmanacAddForm v-if="adding" v-model:open="adding" :of="of" :like="row.id" @added="emit('choose', $event)" />
    <LazyAlmanacExchange v-if="exchanging" v-model:open="exchanging" :chosen="row.id" />
  </div>
</template>

<style>
.almanac-sheet > h2 {
  font-size: 1.25rem;
}
.almanac-sheet section {
  margin-top: 1.25rem;
}
.almanac-sheet h3 {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.almanac-sheet .caution {
  color: var(--ui-text-muted);
  margin-top: 0.25rem;
}
.almanac-sheet .actions {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.75rem;
}
</style>
