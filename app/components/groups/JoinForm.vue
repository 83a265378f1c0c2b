<script setup lang="ts">
import { entryKinds, hereOf, isOneSpecies, type ClutchState } from '#core/subjects'
import type { Fields, Typed } from '~/composables/readFields'

/** Puts young of a clutch with a group of their kind, without tags. */
const props = defineProps<{ clutch: ClutchState; young: number }>()
const house = useHouse()
const { record } = useRecord()
const { data: schema, fields: asked } = entryKinds.get('groupJoined')!
const open = ref(false)
const groups = computed(() =>
  Object.values(house.house.groups)
    .filter(g => isOneSpecies(house.house, g.speciesId, props.clutch.speciesId))
    .map(g => ({ value: g.id, label: `${g.tag}, ${hereOf(g)} ${house.placeName(g.placeId)}` })),
)
const fields = computed<Fields>(() => ({
  groupId: { label: 'Group', as: 'one', needed: true },
  unknown: { ...asked!.unknown!, hint: `${props.young} without a tag` },
}))
const typed = ref<Typed>({})
watch(open, is => {
  if (is) typed.value = { groupId: typed.value.groupId ?? groups.value[0]?.value, unknown: String(props.young) }
})

async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const group = house.house.groups[typed.value.groupId!]!
  const wish = { kind: 'groupJoined', subject: { type: 'group' as const, id: group.id }, data }
  if (await record(wish, `${typed.value.unknown} of ${props.clutch.tag} joined ${group.tag}`, form)) open.value = false
}
</script>

<template>
  <UPopover v-if="groups.length" v-model:open="open">
    <UButton label="Put with a group" icon="i-lucide-users" variant="outline" color="neutral" />
    <template #content>
      <KindForm
        v-model="typed"
        class="p-4 w-64"
        :fields="fields"
        :schema="schema"
        :items="{ groupId: groups }"
        :complete="({ groupId: _, ...data }) => ({ ...data, clutchId: clutch.id })"
        label="Put with the group"
        :send="send"
      >
        <p class="quiet small">They eat by the age of the group from then on.</p>
      </KindForm>
    </template>
  </UPopover>
</template>
