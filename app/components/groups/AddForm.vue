<script setup lang="ts">
import { entryKinds } from '#core/subjects'
import type { Typed } from '~/composables/readFields'

/** A colony or a tank of young, of which none bears a tag. */
const open = defineModel<boolean>('open', { required: true })
const router = useRouter()
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('groupAdded')!

const blank = (): Typed => ({ male: '0', female: '0', unknown: '0' })
const typed = ref(blank())
async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const ids = await record({ kind: 'groupAdded', founds: 'group', data }, `${typed.value.tag} added`, form)
  if (!ids) return
  typed.value = blank()
  open.value = false
  await router.push(`/groups/${ids[0]}`)
}
</script>

<template>
  <USlideover v-model:open="open" title="Add a group" description="Animals that live together and bear no tags">
    <template #body>
      <KindForm v-model="typed" :fields="fields!" :schema="schema" label="Add group" :send="send" />
    </template>
  </USlideover>
</template>
