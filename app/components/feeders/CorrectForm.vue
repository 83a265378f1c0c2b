<script setup lang="ts">
import { feederOf } from '#core/almanac'
import type { CultureState } from '#core/subjects'
import { cultureWay } from '#core/supply'

/** Where a culture stands now, and what was written wrong of it. Only what is another is written. */
const props = defineProps<{ culture: CultureState }>()
const house = useHouse()
const { record, busy } = useRecord()
/** Of the house’s own cups it is learnt how those of one recipe do. */
const isCup = computed(
  () =>
    !props.culture.bought &&
    cultureWay(feederOf(house.almanac, props.culture.feederId), props.culture)?.kind === 'batch',
)
const problems = useProblems()
const open = ref(false)
const places = usePlaceItems()
const state = reactive({ tag: '', placeId: null as string | null, strain: '', recipe: '', parentIds: [] as string[] })
watch(open, isOpen => {
  if (!isOpen) return
  problems.value = {}
  const { tag, placeId, strain = '', recipe = '', parentIds = [] } = props.culture
  Object.assign(state, { tag, placeId, strain, recipe, parentIds: [...parentIds] })
})
const parents = computed(() =>
  Object.values(house.house.cultures)
    .filter(c => c.feederId === props.culture.feederId && c.startDay < props.culture.startDay)
    .sort((a, b) => b.startDay - a.startDay)
    .map(c => ({ value: c.id, label: c.tag })),
)

async function send(): Promise<void> {
  const { id, tag, placeId, strain = '', recipe = '', parentIds = [] } = props.culture
  const subject = { type: 'culture' as const, id }
  const said = state.strain.trim()
  const made = state.recipe.trim()
  const correction = {
    ...(state.tag.trim() !== tag && { tag: state.tag }),
    ...(said !== strain && { strain: said || null }),
    ...(made !== recipe && { recipe: made || null }),
    ...(state.parentIds.join() !== parentIds.join() && { parentIds: state.parentIds }),
  }
  const wishes = [
    ...(state.placeId && state.placeId !== placeId
      ? [{ kind: 'cultureMoved', subject, data: { placeId: state.placeId } }]
      : []),
    ...(Object.keys(correction).length ? [{ kind: 'cultureCorrected', subject, data: correction }] : []),
  ]
  if (!wishes.length || (await record(wishes, `${tag}: corrected`, toFields(problems)))) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open" :content="{ align: 'end' }">
    <UButton label="Correct" :aria-label="`Correct ${culture.tag}`" variant="outline" color="neutral" />
    <template #content>
      <form class="grid grid-cols-[minmax(0,1fr)] gap-3 p-4 w-80" @submit.prevent="send">
        <UFormField label="Tag" :error="problems.tag"><UInput v-model="state.tag" class="w-full" /></UFormField>
        <UFormField label="Stands in" :error="problems.placeId"
          ><USelectMenu
            v-model="state.placeId as string | undefined"
            :items="places"
            value-key="value"
            class="w-full"
            placeholder="No place"
        /></UFormField>
        <UFormField v-if="!culture.bought && parents.length" label="Founded from" :error="problems.parentIds">
          <RecordPick
            name="Founded from"
            :items="parents"
            :model-value="state.parentIds"
            multiple
            class="w-full"
            placeholder="Nothing of the house"
            @update:model-value="state.parentIds = $event"
          />
        </UFormField>
        <UFormField label="Strain" hint="empty: its parents’" :error="problems.strain"
          ><UInput v-model="state.strain" class="w-full"
        /></UFormField>
        <UFormField v-if="isCup" label="Recipe" hint="where made otherwise" :error="problems.recipe"
          ><UInput v-model="state.recipe" class="w-full" placeholder="As usual"
        /></UFormField>
        <UButton type="submit" label="Save" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
