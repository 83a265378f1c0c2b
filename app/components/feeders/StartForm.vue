<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { foundersOn } from '#core/season'
import { cultureStage, cultureWay, homeOf, nextCultureTags } from '#core/supply'

/** Starts cultures of any feeder, whether the plan asks for them or not. */
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const feederId = ref<string>()
const count = ref(1)
const placeId = ref<string>()
const feeders = computed(() =>
  Object.values(house.almanac.feeders)
    .filter(f => !f.retired && cultureWay(f))
    .map(f => ({ value: f.id, label: f.name })),
)
const places = usePlaceItems()
const feeder = computed(() => (feederId.value ? feederOf(house.almanac, feederId.value) : null))
/** What it may be founded from; those at their best are proposed. */
const parents = computed(() =>
  Object.values(house.house.cultures)
    .filter(c => {
      const way = c.feederId === feederId.value && cultureWay(feeder.value!, c)
      return way && cultureStage(c, way, house.today) === 'producing'
    })
    .map(c => ({ value: c.id, label: c.tag })),
)
const picked = ref<string[] | null>(null)
watch(feederId, () => (picked.value = null))
const parentIds = computed(
  () =>
    picked.value ?? (feeder.value ? foundersOn(feeder.value, house.today, count.value, house).from.map(c => c.id) : []),
)
const strain = ref('')
const recipe = ref('')
/** They come about to yield, as the house gets them now. */
const bought = computed(() => feeder.value?.supply.kind === 'batch' && feeder.value.supply.boughtProducing)

async function send(): Promise<void> {
  if (!feeder.value) return
  const own = Object.values(house.house.cultures)
  const place = placeId.value ?? homeOf(feeder.value.id, own)
  const wishes = nextCultureTags(own, feeder.value, count.value).map(tag => ({
    kind: 'cultureStarted',
    founds: 'culture' as const,
    data: {
      tag,
      feederId: feederId.value,
      placeId: place,
      ...(bought.value ? { bought: true } : parentIds.value.length && { parentIds: parentIds.value }),
      ...(strain.value.trim() && { strain: strain.value }),
      ...(feeder.value!.supply.kind === 'batch' && recipe.value.trim() && { recipe: recipe.value }),
    },
  }))
  if (await record(wishes, `Started ${count.value} of ${feeder.value.name.toLowerCase()}`)) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open" :content="{ align: 'end' }">
    <UButton label="Start cultures" icon="i-lucide-plus" />
    <template #content>
      <form class="grid grid-cols-[minmax(0,1fr)] gap-3 p-4 w-80" @submit.prevent="send">
        <UFormField label="Feeder"
          ><USelectMenu v-model="feederId" :items="feeders" value-key="value" class="w-full" placeholder="Choose"
        /></UFormField>
        <UFormField label="How many"><UInputNumber v-model="count" :min="1" :max="50" class="w-full" /></UFormField>
        <UFormField label="Place" hint="as the last one"
          ><USelectMenu
            v-model="placeId"
            :items="places"
            value-key="value"
            class="w-full"
            placeholder="As the last one"
        /></UFormField>
        <UFormField v-if="parents.length && !bought" label="Founded from">
          <RecordPick
            name="Founded from"
            :items="parents"
            :model-value="parentIds"
            multiple
            class="w-full"
            placeholder="Nothing of the house"
            @update:model-value="picked = $event"
          />
        </UFormField>
        <UFormField label="Strain" hint="where it is kept apart"><UInput v-model="strain" class="w-full" /></UFormField>
        <UFormField v-if="feeder?.supply.kind === 'batch' && !bought" label="Recipe" hint="where made otherwise"
          ><UInput v-model="recipe" class="w-full" placeholder="As usual"
        /></UFormField>
        <p v-if="feeder" class="small quiet">{{ feeder.care }} {{ feeder.cautions[0] }}</p>
        <UButton type="submit" :label="`Start ${count}`" :disabled="!feederId" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
