<script setup lang="ts">
import { BroughtData } from '#core/subjects'
import { UnitError, dayToIso, parseAs } from '#core/units'

/** Eggs that were bought, given or found, whose dam is not known here. */
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const router = useRouter()
const { record, busy } = useRecord()

const blank = () => ({
  tag: nextClutchTag(house.house),
  speciesId: undefined as string | undefined,
  eggs: 2,
  slugs: 0,
  laidDay: house.today as number | null,
  give: 0,
  from: '',
  placeId: undefined as string | undefined,
  temp: '',
})
const state = reactive(blank())
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const species = computed(() =>
  house.speciesOffered.filter(s => s.mode !== 'live').map(s => ({ value: s.id, label: s.name })),
)
const places = usePlaceItems()
/** What is typed as a temperature, °C; what is none is refused beside the field. */
function tempC(): number | null {
  return state.temp.trim() ? Number(parseAs('temperature', state.temp, house.settings.tempUnit).toFixed(2)) : null
}
function tempProblem(): string | null {
  try {
    tempC()
    return null
  } catch (error) {
    if (error instanceof UnitError) return error.message
    throw error
  }
}
const wish = () => ({
  tag: state.tag.trim(),
  speciesId: state.speciesId ?? '',
  eggs: Number(state.eggs),
  slugs: Number(state.slugs),
  laid: state.laidDay === null ? '' : dayToIso(state.laidDay),
  give: Number(state.give),
  ...(state.from.trim() && { from: state.from.trim() }),
  placeId: state.placeId ?? null,
  tempC: tempProblem() ? null : tempC(),
})
function validate() {
  const result = BroughtData.safeParse(wish())
  const unread = tempProblem()
  if (unread) return [{ name: 'tempC', message: unread }]
  return result.success
    ? refusals.still()
    : result.error.issues.map(i => ({ name: i.path.join('.'), message: i.message }))
}
async function send(): Promise<void> {
  const ids = await record({ kind: 'eggsBrought', founds: 'clutch', data: wish() }, `${state.tag} added`, refusals)
  if (!ids) return
  open.value = false
  await router.push(`/eggs/${ids[0]}`)
}
</script>

<template>
  <USlideover v-model:open="open" title="Add eggs" description="Eggs that were bought, given or found">
    <template #body>
      <UForm
        ref="form"
        :state="state"
        :validate="validate"
        :validate-on="['input', 'change']"
        class="grid gap-4"
        @submit="send"
        @error="focusFirstWrong"
      >
        <UFormField name="tag" label="Tag of the clutch" required eager-validation>
          <UInput v-model="state.tag" class="w-full" autocomplete="off" />
        </UFormField>
        <UFormField name="speciesId" label="Species" required>
          <USelectMenu
            v-model="state.speciesId"
            :items="species"
            value-key="value"
            class="w-full"
            placeholder="Choose"
          />
        </UFormField>
        <div class="grid grid-cols-2 gap-3">
          <UFormField name="eggs" label="Eggs" eager-validation>
            <UInput v-model="state.eggs" type="number" min="1" class="w-full" />
          </UFormField>
          <UFormField name="slugs" label="Of these, slugs" eager-validation>
            <UInput v-model="state.slugs" type="number" min="0" class="w-full" />
          </UFormField>
        </div>
        <UFormField name="laid" label="Laid about">
          <LazyRecordDayInput v-model="state.laidDay" label="Laid about" :max="house.today" />
        </UFormField>
        <UFormField name="give" label="Days either way" help="0, where the day is known" eager-validation>
          <UInput v-model="state.give" type="number" min="0" class="w-full" />
        </UFormField>
        <UFormField name="from" label="From" hint="where known">
          <UInput v-model="state.from" class="w-full" maxlength="120" />
        </UFormField>
        <UFormField name="placeId" label="Put into">
          <USelectMenu
            v-model="state.placeId"
            :items="places"
            value-key="value"
            class="w-full"
            placeholder="Choose a place"
          />
        </UFormField>
        <UFormField
          name="tempC"
          label="Kept at"
          :hint="house.settings.tempUnit"
          help="If it is not read"
          eager-validation
        >
          <UInput v-model="state.temp" class="w-full" autocomplete="off" />
        </UFormField>
        <UButton type="submit" label="Add eggs" size="lg" block :loading="busy" />
      </UForm>
    </template>
  </USlideover>
</template>
