<script setup lang="ts">
import type { Species } from '#core/almanac'

/** A species that was entered twice counts as the other from now on; what is written of it stays with it. */
const props = defineProps<{ species: Species }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()
const state = reactive({ into: undefined as string | undefined })
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const others = computed(() =>
  house.speciesOffered
    .filter(s => s.id !== props.species.id && s.mode === props.species.mode && s.group === props.species.group)
    .map(s => ({ value: s.id, label: s.name, latin: s.latin })),
)
async function send(): Promise<void> {
  const wish = { kind: 'speciesMerged', subject: { type: 'species', id: props.species.id }, data: { into: state.into } }
  if (await record(wish, `${props.species.name} counts as ${house.speciesName(state.into!)}`, refusals))
    open.value = false
}
</script>

<template>
  <USlideover v-model:open="open" title="Entered twice" :description="`${species.name} is the same as another species`">
    <template #body>
      <UForm
        ref="form"
        :state="state"
        :validate="refusals.still"
        class="grid gap-4"
        @submit="send"
        @error="focusFirstWrong"
      >
        <UFormField name="into" label="It is the same as" required
          ><USelectMenu
            v-model="state.into"
            :items="others"
            value-key="value"
            :filter-fields="['label', 'latin']"
            class="w-full"
            placeholder="Choose"
        /></UFormField>
        <p class="quiet small">
          Its animals count as that species in every forecast and breed with it; numbers that were set here are left
          behind. Undo brings them back.
        </p>
        <UButton
          type="submit"
          label="Make them one"
          :loading="busy"
          :disabled="!state.into"
          class="justify-self-start"
        />
      </UForm>
    </template>
  </USlideover>
</template>
