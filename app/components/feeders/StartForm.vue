<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { foundersOn } from '#core/season'
import { entryKinds } from '#core/subjects'
import { cultureStage, cultureWay, homeOf, nextCultureTags } from '#core/supply'
import { asSeveral, type Fields, type Typed } from '~/composables/readFields'

/** Starts cultures of any feeder, whether the plan asks for them or not. */
const house = useHouse()
const { record } = useRecord()
const { data: schema, fields: asked } = entryKinds.get('cultureStarted')!
const open = ref(false)
const MOST = 50
const blank = (): Typed => ({ count: '1' })
const said = ref(blank())
const feeder = computed(() => (said.value.feederId ? feederOf(house.almanac, said.value.feederId) : null))
const count = computed(() => Math.min(MOST, Math.max(1, Number(said.value.count) || 1)))
/** They come about to yield, as the house gets them now. */
const bought = computed(() => feeder.value?.supply.kind === 'batch' && feeder.value.supply.boughtProducing)
const items = computed(() => ({
  feederId: Object.values(house.almanac.feeders)
    .filter(f => !f.retired && cultureWay(f))
    .map(f => ({ value: f.id, label: f.name })),
  // what it may be founded from
  parentIds: Object.values(house.house.cultures)
    .filter(c => {
      const way = c.feederId === said.value.feederId && cultureWay(feeder.value!, c)
      return way && cultureStage(c, way, house.today) === 'producing'
    })
    .map(c => ({ value: c.id, label: c.tag })),
}))
const fields = computed<Fields>(() => {
  const { feederId, parentIds, recipe, ...rest } = asked!
  return {
    feederId: feederId!,
    count: { label: 'How many', as: 'count', needed: true },
    ...(!bought.value && { parentIds: parentIds! }),
    ...rest,
    ...(feeder.value?.supply.kind === 'batch' && !bought.value && { recipe: recipe! }),
  }
})
/** Those at their best are proposed, until others are picked. */
const founders = computed(() =>
  feeder.value && !bought.value ? foundersOn(feeder.value, house.today, count.value, house).from.map(c => c.id) : [],
)
const typed = computed<Typed>({
  get: () => ({ parentIds: asSeveral(founders.value), ...said.value }),
  set: now => {
    const other = now.feederId !== said.value.feederId
    const picked = said.value.parentIds !== undefined || now.parentIds !== asSeveral(founders.value)
    said.value = { ...now, parentIds: other || !picked ? undefined : now.parentIds }
    if (said.value.parentIds === undefined) delete (said.value as Record<string, unknown>).parentIds
  },
})

const dataOf = ({ count: _, ...read }: Record<string, unknown>, tag: string) => ({
  tag,
  ...read,
  placeId: read.placeId ?? (feeder.value && homeOf(feeder.value.id, Object.values(house.house.cultures))),
  ...(bought.value && { bought: true }),
})
const tags = computed(() =>
  feeder.value ? nextCultureTags(Object.values(house.house.cultures), feeder.value, count.value) : [],
)
const check = ({ count }: Record<string, unknown>) =>
  Number(count) >= 1 && Number(count) <= MOST ? [] : [{ name: 'count', message: `From 1 to ${MOST} at once` }]

async function send(first: Record<string, unknown>, form: FormErrors): Promise<void> {
  const wishes = tags.value.map(tag => ({
    kind: 'cultureStarted',
    founds: 'culture' as const,
    data: { ...first, tag },
  }))
  if (!(await record(wishes, `Started ${count.value} of ${feeder.value!.name.toLowerCase()}`, form))) return
  open.value = false
  said.value = blank()
}
</script>

<template>
  <UPopover v-model:open="open" :content="{ align: 'end' }">
    <UButton label="Start cultures" icon="i-lucide-plus" />
    <template #content>
      <KindForm
        v-model="typed"
        class="p-4 w-80"
        :fields="fields"
        :schema="schema"
        :items="items"
        :complete="read => dataOf(read, tags[0] ?? '')"
        :check="check"
        :idle="!feeder"
        :label="`Start ${count}`"
        :send="send"
      >
        <p v-if="feeder" class="small quiet">{{ feeder.care }} {{ feeder.cautions[0] }}</p>
      </KindForm>
    </template>
  </UPopover>
</template>
