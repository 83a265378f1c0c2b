<script setup lang="ts">
import { hereOf, isOneSpecies, type ClutchState } from '#core/subjects'

/** Puts young of a clutch with a group of their kind, without tags. */
const props = defineProps<{ clutch: ClutchState; young: number }>()
const house = useHouse()
const { record, busy } = useRecord()
const open = ref(false)
const count = ref(props.young)
const problem = ref('')
const groups = computed(() =>
  Object.values(house.house.groups)
    .filter(g => isOneSpecies(house.house, g.speciesId, props.clutch.speciesId))
    .map(g => ({ value: g.id, label: `${g.tag}, ${hereOf(g)} ${house.placeName(g.placeId)}` })),
)
const groupId = ref<string>()
watch(open, is => {
  if (is) groupId.value ??= groups.value[0]?.value
})

async function send(): Promise<void> {
  problem.value = ''
  const group = groupId.value && house.house.groups[groupId.value]
  if (!group) return
  const wish = {
    kind: 'groupJoined',
    subject: { type: 'group' as const, id: group.id },
    data: { unknown: count.value, clutchId: props.clutch.id },
  }
  const ids = await record(wish, `${count.value} of ${props.clutch.tag} joined ${group.tag}`, {
    setErrors: list => {
      problem.value = list[0]?.message ?? ''
    },
  })
  if (ids) open.value = false
}
</script>

<template>
  <UPopover v-if="groups.length" v-model:open="open">
    <UButton label="Put with a group" icon="i-lucide-users" variant="outline" color="neutral" />
    <template #content>
      <form class="grid gap-3 p-4 w-64" @submit.prevent="send">
        <UFormField label="Group">
          <USelect v-model="groupId" :items="groups" value-key="value" class="w-full" />
        </UFormField>
        <UFormField label="How many" :hint="`${young} without a tag`" :error="problem || undefined">
          <UInputNumber v-model="count" :min="1" :max="young" class="w-full" />
        </UFormField>
        <p class="quiet small">They eat by the age of the group from then on.</p>
        <UButton type="submit" label="Put with the group" :loading="busy" block />
      </form>
    </template>
  </UPopover>
</template>
