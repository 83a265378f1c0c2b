<script setup lang="ts">
import type { Feeder } from '#core/almanac'

/** One feeder to read, with every number and where it came from. */
const props = defineProps<{ feeder: Feeder }>()
const emit = defineEmits<{ choose: [id: string] }>()
const marks = computed(() => countMarks(props.feeder))
const editing = ref(false)
const PARTS = ['massG', 'supply', 'care', 'cautions']
const sections = computed(() => feederSections(props.feeder))
</script>

<!-- prettier-ignore -->
<template>
  <AlmanacFrame of="feeder" :row="feeder" @choose="emit('choose', $event)">
    <template #about>
      <p v-if="marks.borrowed">{{ marks.borrowed }} of {{ marks.all }} values are <i>borrowed</i> from {{ marks.from.join(' and ') }}.</p>
      <p>{{ feeder.care }}</p>
    </template>
    <template #actions><UButton
      label="Edit" size="sm" variant="outline" color="neutral" :aria-label="`Edit ${feeder.name}`" @click="editing = true"
    /></template>
    <template v-for="[title, rows] in sections" :key="title">
      <section v-if="rows.length"><h3>{{ title }}</h3><AlmanacRows :rows="rows" /></section>
    </template>
    <LazyAlmanacPartForm
      v-if="editing" v-model:open="editing" of="feeder" :row="feeder" title="Supply, size and care" :parts="PARTS"
    />
  </AlmanacFrame>
</template>
