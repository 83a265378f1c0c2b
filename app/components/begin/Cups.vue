<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { cultureWay, nextCultureTags } from '#core/supply'

/** Cultures that stand already, with the day on which they were started. */
const emit = defineEmits<{ done: [ids: string[]] }>()
const house = useHouse()
const { record, busy } = useRecord()
const state = reactive({ feederId: 'fly.small', count: 2, day: house.today as number | null })
const { problem, refusal } = useRefusalText()
const feeders = computed(() =>
  Object.values(house.almanac.feeders)
    .filter(f => !f.retired && cultureWay(f))
    .map(f => ({ value: f.id, label: f.name })),
)
async function send(): Promise<void> {
  problem.value = ''
  const feeder = feederOf(house.almanac, state.feederId)
  const tags = nextCultureTags(Object.values(house.house.cultures), feeder, state.count)
  const wishes = tags.map(tag => ({
    kind: 'cultureStarted',
    founds: 'culture' as const,
    day: state.day ?? house.today,
    data: { tag, feederId: state.feederId, placeId: null },
  }))
  const written = await record(wishes, `${tags.length} of ${feeder.name.toLowerCase()} written`, refusal, true)
  if (written) emit('done', written)
}
</script>

<template>
  <form class="grid gap-3" @submit.prevent="send">
    <div class="sentence">
      <UInputNumber v-model="state.count" :min="1" :max="40" aria-label="How many" class="w-28" />
      <span>of</span><RecordPick v-model="state.feederId" :items="feeders" name="Feeder" class="w-56" />
      <span>started</span><LazyRecordDayInput v-model="state.day" label="Day" :max="house.today" />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <UButton type="submit" label="Write these cultures" :loading="busy" class="justify-self-start" />
  </form>
</template>
