<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { entryKinds, type CultureState } from '#core/subjects'
import { cultureWay } from '#core/supply'
import { z } from 'zod'
import { asSeveral, severalOf, type Fields, type Typed } from '~/composables/readFields'

/** Where a culture stands now, and what was written wrong of it. Only what is another is written. */
const props = defineProps<{ culture: CultureState }>()
const house = useHouse()
const { record } = useRecord()
const moved = entryKinds.get('cultureMoved')!
const corrected = entryKinds.get('cultureCorrected')!
const open = ref(false)
/** Of the house’s own cups it is learnt how those of one recipe do. */
const isCup = computed(
  () =>
    !props.culture.bought &&
    cultureWay(feederOf(house.almanac, props.culture.feederId), props.culture)?.kind === 'batch',
)
const fields = computed<Fields>(() => {
  const { tag, parentIds, strain, recipe } = corrected.fields!
  return {
    tag: tag!,
    // one that stands somewhere can be moved, and not to nowhere
    placeId: { ...moved.fields!.placeId!, needed: props.culture.placeId === null ? undefined : true },
    ...(!props.culture.bought && { parentIds: parentIds! }),
    strain: strain!,
    ...(isCup.value && { recipe: recipe! }),
  }
})
const parents = computed(() =>
  Object.values(house.house.cultures)
    .filter(c => c.feederId === props.culture.feederId && c.startDay < props.culture.startDay)
    .sort((a, b) => b.startDay - a.startDay)
    .map(c => ({ value: c.id, label: c.tag })),
)

/** As it is said now. */
const said = (): Record<string, string> => {
  const { tag, placeId, strain = '', recipe = '', parentIds = [] } = props.culture
  return { tag, placeId: placeId ?? '', strain, recipe, parentIds: asSeveral(parentIds) }
}
const typed = ref<Typed>(said())
watch(open, is => {
  if (is) typed.value = said()
})
const isOther = (name: string) => (typed.value[name] ?? '').trim() !== said()[name]

/** What is said otherwise; what is empty now is not known. */
const correction = (): Record<string, unknown> => ({
  ...(isOther('tag') && { tag: (typed.value.tag ?? '').trim() }),
  ...(isOther('strain') && { strain: typed.value.strain?.trim() || null }),
  ...(isOther('recipe') && { recipe: typed.value.recipe?.trim() || null }),
  ...(isOther('parentIds') && { parentIds: severalOf(typed.value.parentIds) }),
})
const goesTo = computed(() => (isOther('placeId') ? typed.value.placeId : undefined))
const corrects = computed(() => Object.keys(correction()).length > 0)

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const { id, tag } = props.culture
  const subject = { type: 'culture' as const, id }
  const wishes = [
    ...(goesTo.value ? [{ kind: 'cultureMoved', subject, data: { placeId: goesTo.value } }] : []),
    ...(corrects.value ? [{ kind: 'cultureCorrected', subject, data }] : []),
  ]
  if (await record(wishes, `${tag}: corrected`, form)) open.value = false
}
</script>

<template>
  <UPopover v-model:open="open" :content="{ align: 'end' }">
    <UButton label="Correct" :aria-label="`Correct ${culture.tag}`" variant="outline" color="neutral" />
    <template #content>
      <KindForm
        v-model="typed"
        class="p-4 w-80"
        :fields="fields"
        :schema="corrects ? corrected.data : z.strictObject({})"
        :items="{ parentIds: parents }"
        :complete="correction"
        :idle="!corrects && !goesTo"
        label="Save"
        :send="send"
      />
    </template>
  </UPopover>
</template>
