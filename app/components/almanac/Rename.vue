<script setup lang="ts">
import type { Species } from '#core/almanac'

/** Another name; what is written of the species stays with it. */
const props = defineProps<{ species: Species }>()
const open = defineModel<boolean>('open', { required: true })
const { record, busy } = useRecord()
const state = reactive({ name: props.species.name, latin: props.species.latin })
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
async function send(): Promise<void> {
  const wish = { kind: 'speciesChanged', subject: { type: 'species', id: props.species.id }, data: { ...state } }
  if (await record(wish, `Renamed ${state.name}`, refusals)) open.value = false
}
</script>

<template>
  <USlideover v-model:open="open" title="Rename" description="What is written of it stays with it">
    <template #body>
      <UForm
        ref="form"
        :state="state"
        :validate="refusals.still"
        class="grid gap-4"
        @submit="send"
        @error="focusFirstWrong"
      >
        <UFormField name="name" label="Name" required
          ><UInput v-model="state.name" class="w-full" autocomplete="off"
        /></UFormField>
        <UFormField name="latin" label="Latin name" hint="if known"
          ><UInput v-model="state.latin" class="w-full" autocomplete="off"
        /></UFormField>
        <UButton
          type="submit"
          label="Rename"
          :loading="busy"
          :disabled="!state.name.trim()"
          class="justify-self-start"
        />
      </UForm>
    </template>
  </USlideover>
</template>
