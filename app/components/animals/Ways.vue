<script setup lang="ts">
import { WAYS, WAY_WORDS, tellWays, type AnimalState, type Way } from '#core/subjects'

/** What is minded of an animal before its door is opened: it stands at every task about it. */
const props = defineProps<{ animal: AnimalState }>()
const { record, busy } = useRecord()
const ways = ref<Way[]>([])
const more = ref('')
const only = ref('')
watch(
  () => props.animal.ways,
  set => {
    ways.value = [...(set?.ways ?? [])]
    more.value = set?.more ?? ''
    only.value = set?.only ?? ''
  },
  { immediate: true },
)
const problems = ref<Record<string, string>>({})
const beside: FormErrors = {
  setErrors: list => {
    problems.value = Object.fromEntries(list.map(e => [e.name, e.message]))
  },
}
const items = WAYS.map(value => ({ value, label: WAY_WORDS[value] }))
async function write(): Promise<void> {
  problems.value = {}
  const data = { ways: ways.value, more: more.value.trim(), only: only.value.trim() }
  await record(
    { kind: 'waysSet', subject: { type: 'animal', id: props.animal.id }, data },
    `${props.animal.tag}: ${tellWays(data) || 'nothing to mind'}`,
    beside,
  )
}
</script>

<template>
  <Fold class="ways" :summary="animal.ways ? 'Change what is minded' : 'What is minded before its door is opened?'">
    <form class="mt-2 grid gap-3 max-w-md" @submit.prevent="write">
      <UFormField label="Ways" :error="problems.ways"
        ><USelectMenu
          v-model="ways"
          :items="items"
          value-key="value"
          multiple
          placeholder="None"
          class="w-full"
          aria-label="Ways"
      /></UFormField>
      <UFormField label="In your words" :error="problems.more"
        ><UInput v-model="more" class="w-full" placeholder="hides behind the cork, opens the lid itself"
      /></UFormField>
      <UFormField label="Handled only by" hint="name or initials" :error="problems.only"
        ><UInput v-model="only" class="w-full"
      /></UFormField>
      <UButton type="submit" label="Write its ways" variant="outline" color="neutral" class="w-fit" :loading="busy" />
    </form>
  </Fold>
</template>
