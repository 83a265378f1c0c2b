<script setup lang="ts">
import type { Species } from '#core/almanac'
import { entryKinds } from '#core/subjects'
import type { Typed } from '~/composables/readFields'

/** Another name; what is written of the species stays with it. */
const props = defineProps<{ species: Species }>()
const open = defineModel<boolean>('open', { required: true })
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('speciesChanged')!
const typed = ref<Typed>({ name: props.species.name, latin: props.species.latin })
async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const wish = { kind: 'speciesChanged', subject: { type: 'species', id: props.species.id }, data }
  if (await record(wish, `Renamed ${typed.value.name}`, form)) open.value = false
}
</script>

<template>
  <USlideover v-model:open="open" title="Rename" description="What is written of it stays with it">
    <template #body>
      <KindForm
        v-model="typed"
        :fields="fields!"
        :schema="schema"
        :complete="read => ({ latin: '', ...read })"
        label="Rename"
        :send="send"
      />
    </template>
  </USlideover>
</template>
