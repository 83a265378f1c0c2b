<script setup lang="ts">
import { entryKinds, tellWays, type AnimalState } from '#core/subjects'
import { asSeveral, type Typed } from '~/composables/readFields'

/** What is minded of an animal before its door is opened: it stands at every task about it. */
const props = defineProps<{ animal: AnimalState }>()
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('waysSet')!
const typed = ref<Typed>({})
watch(
  () => props.animal.ways,
  set => (typed.value = { ways: asSeveral(set?.ways ?? []), more: set?.more, only: set?.only }),
  { immediate: true },
)
/** What is left empty is no longer minded. */
const complete = (read: Record<string, unknown>) => ({ ways: [], more: '', only: '', ...read })
const write = (data: Record<string, unknown>, form: FormErrors) =>
  record(
    { kind: 'waysSet', subject: { type: 'animal', id: props.animal.id }, data },
    `${props.animal.tag}: ${tellWays(data as never) || 'nothing to mind'}`,
    form,
  )
</script>

<template>
  <Fold class="ways" :summary="animal.ways ? 'Change what is minded' : 'What is minded before its door is opened?'">
    <KindForm
      v-model="typed"
      :fields="fields!"
      :schema="schema"
      :complete="complete"
      label="Write its ways"
      :send="write"
      quiet
      class="mt-2 max-w-md"
    />
  </Fold>
</template>
