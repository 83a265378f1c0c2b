<script setup lang="ts">
import { animalAdded, tagYoung, type Untagged } from '#core/subjects'
import { TagYoung } from '#shared/contracts/house'
import { v7 } from 'uuid'
import type { Fields, Typed } from '~/composables/readFields'
import type { Wish } from '~/composables/useRecord'

/** Makes some of a clutch or a group animals of their own, each with a tag. */
const props = defineProps<{
  of: Untagged
  tag: string
  most: number
  /** Which sex they are can be said. */
  bySex?: boolean
}>()
const house = useHouse()
const { record } = useRecord()
const open = ref(false)
const typed = ref<Typed>({})
watch(open, is => {
  if (is) typed.value = { count: String(props.bySex ? 1 : props.most), prefix: props.tag, sex: 'unknown' }
})
const fields = computed<Fields>(() => ({
  count: { label: 'How many', as: 'count', hint: `${props.most} without a tag`, needed: true },
  prefix: { label: 'Prefix', as: 'text', hint: `${typed.value.prefix ?? ''}-01 …`, needed: true },
  ...(props.bySex && {
    sex: { label: 'Sex', as: 'choice', choices: { unknown: 'unknown', female: 'female', male: 'male' } },
  }),
  placeId: { label: 'Put into', as: 'place', hint: 'where they are', example: 'Where they are' },
}))

/** What is written of them: under the same ids as long as the form says the same, so that none is made twice. */
let made: { said: string; tags: string[]; wishes: Wish[] } | null = null
function wishesOf(wish: TagYoung) {
  const said = JSON.stringify([props.of, wish])
  if (made?.said === said) return made
  const taggedBy = v7()
  const { kind, data, cards } = tagYoung(house.house, props.of, wish, taggedBy, v7)!
  const animals = cards.map(card => animalAdded(card, { at: '', day: 0, source: 'keeper' }))
  made = {
    said,
    tags: cards.map(c => c.tag),
    wishes: [
      { id: taggedBy, kind, subject: props.of, data },
      ...animals.map(({ id, kind, subject, data }) => ({ id, kind, subject, data })),
    ],
  }
  return made
}

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const { tags, wishes } = wishesOf(data as TagYoung)
  const [first, last] = [tags[0]!, tags.at(-1)!]
  const says = tags.length === 1 ? `1 tagged, ${first}` : `${tags.length} tagged, ${first} to ${last}`
  if (!(await record(wishes, says, form))) return
  made = null
  open.value = false
}
</script>

<template>
  <UPopover v-model:open="open">
    <UButton label="Give tags" icon="i-lucide-tags" variant="outline" color="neutral" />
    <template #content>
      <KindForm
        v-model="typed"
        class="p-4 w-64"
        :fields="fields"
        :schema="TagYoung"
        :complete="({ sex, ...read }) => (sex === 'unknown' ? read : { ...read, sex })"
        label="Give tags"
        :send="send"
      />
    </template>
  </UPopover>
</template>
