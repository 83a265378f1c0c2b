<script setup lang="ts">
import { entryKinds } from '#core/subjects'
import { dayToIso } from '#core/units'
import type { Typed } from '~/composables/readFields'

/** Eggs that were bought, given or found, whose dam is not known here. */
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const router = useRouter()
const { record } = useRecord()
const { data: schema, fields } = entryKinds.get('eggsBrought')!

const typed = ref<Typed>({
  tag: nextClutchTag(house.house),
  eggs: '2',
  slugs: '0',
  laid: dayToIso(house.today),
  give: '0',
})
const species = computed(() =>
  house.speciesOffered.filter(s => s.mode !== 'live').map(s => ({ value: s.id, label: s.name })),
)
async function send(data: Record<string, unknown>, form: FormErrors): Promise<void> {
  const ids = await record({ kind: 'eggsBrought', founds: 'clutch', data }, `${typed.value.tag} added`, form)
  if (!ids) return
  open.value = false
  await router.push(`/eggs/${ids[0]}`)
}
</script>

<template>
  <USlideover v-model:open="open" title="Add eggs" description="Eggs that were bought, given or found">
    <template #body>
      <KindForm
        v-model="typed"
        :fields="fields!"
        :schema="schema"
        :items="{ speciesId: species }"
        label="Add eggs"
        :send="send"
      />
    </template>
  </USlideover>
</template>
