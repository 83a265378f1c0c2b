<script setup lang="ts">
import type { Feeder } from '#core/almanac'

/** One feeder to read, with every number and where it came from. */
const props = defineProps<{ feeder: Feeder }>()
const emit = defineEmits<{ choose: [id: string] }>()
const { record, busy } = useRecord()
const adding = ref(false)
const exchanging = ref(false)
const marks = computed(() => countMarks(props.feeder))
const sections = computed(() => feederSections(props.feeder))
function retire(): Promise<unknown> {
  const back = props.feeder.retired
  return record(
    { kind: back ? 'feederUsed' : 'feederRetired', subject: { type: 'feeder', id: props.feeder.id }, data: {} },
    `${props.feeder.name} ${back ? 'offered again' : 'retired'}`,
  )
}
</script>

<!-- prettier-ignore -->
<template>
  <div>
    <h2 class="title">{{ feeder.name }} <i class="quiet font-normal">{{ feeder.latin }}</i></h2>
    <p v-if="marks.borrowed">{{ marks.borrowed }} of {{ marks.all }} values are <i>borrowed</i> from {{ marks.from.join(' and ') }}.</p>
    <p>{{ feeder.care }}</p>
    <p
      v-for="c in feeder.cautions" :key="c" class="small caution"
    ><UIcon name="i-lucide-triangle-alert" class="size-3.5" /> {{ c }}</p>
    <div class="actions">
      <UButton label="Add a feeder like it" icon="i-lucide-plus" size="sm" @click="adding = true" />
      <UButton label="Sheets out and in" size="sm" variant="outline" color="neutral" @click="exchanging = true" />
      <UButton
        :label="feeder.retired ? 'Offer again' : 'Retire'" size="sm" variant="ghost" color="neutral" :loading="busy"
        @click="retire"
      />
    </div>
    <template v-for="[title, rows] in sections" :key="title">
      <section v-if="rows.length"><h3>{{ title }}</h3><AlmanacRows :rows="rows" /></section>
    </template>
    <LazyAlmanacAddForm
      v-if="adding" v-model:open="adding" of="feeder" :like="feeder.id" @added="emit('choose', $event)"
    />
    <LazyAlmanacExchange v-if="exchanging" v-model:open="exchanging" :chosen="feeder.id" />
  </div>
</template>

<style scoped>
.title {
  font-size: 1.25rem;
}
section {
  margin-top: 1.25rem;
}
h3 {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.75rem;
}
.caution {
  color: var(--ui-text-muted);
  margin-top: 0.25rem;
}
</style>
