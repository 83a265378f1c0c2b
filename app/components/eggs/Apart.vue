<script setup lang="ts">
import { eggsLeft, isAliveEgg, partTag, type ClutchState } from '#core/subjects'
import { UnitError, parseAs } from '#core/units'
import { EGG_LOOK_WORDS, drawnEggs } from './drawing'

/** Some eggs of a clutch go into another box, and are a clutch of their own from then on. */
const props = defineProps<{ clutch: ClutchState; day: number | null }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()

const blank = () => ({
  tag: partTag(props.clutch.tag, house.house),
  eggs: [] as number[],
  placeId: props.clutch.placeId ?? undefined,
  temp: '',
})
const state = reactive(blank())
watch(open, now => now && Object.assign(state, blank()))
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const places = usePlaceItems()
/** Pipped eggs stay where they are; what does not live goes nowhere. */
const eggs = computed(() =>
  drawnEggs(props.clutch).filter(e => !e.egg || (isAliveEgg(e.egg) && e.egg.state !== 'pipped')),
)
const stay = computed(() => eggsLeft(props.clutch) - state.eggs.length)
function toggle(n: number): void {
  state.eggs = state.eggs.includes(n) ? state.eggs.filter(e => e !== n) : [...state.eggs, n].sort((a, b) => a - b)
}
const tempC = (): number | null =>
  state.temp.trim() ? Number(parseAs('temperature', state.temp, house.settings.tempUnit).toFixed(2)) : null
function validate() {
  const wrong = []
  if (!state.tag.trim()) wrong.push({ name: 'tag', message: 'It needs a tag of its own' })
  if (!state.eggs.length) wrong.push({ name: 'eggs', message: 'Choose the eggs' })
  try {
    tempC()
  } catch (error) {
    if (!(error instanceof UnitError)) throw error
    wrong.push({ name: 'tempC', message: error.message })
  }
  return wrong.length ? wrong : refusals.still()
}
async function send(): Promise<void> {
  if (props.day === null) return
  const data = { tag: state.tag.trim(), eggs: state.eggs, placeId: state.placeId ?? null, tempC: tempC() }
  const wish = { kind: 'eggsApart', subject: { type: 'clutch' as const, id: props.clutch.id }, data, day: props.day }
  const many = state.eggs.length === 1 ? '1 egg is' : `${state.eggs.length} eggs are`
  // what refuses one of them stands beside all of them
  const beside: FormErrors = {
    setErrors: errors => refusals.setErrors(errors.map(e => (e.name.startsWith('eggs') ? { ...e, name: 'eggs' } : e))),
  }
  if (await record(wish, `${many} now ${data.tag}`, beside)) open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="`${clutch.tag}: some into another box`"
    description="They keep their numbers, their day of laying and the warmth that they have had."
  >
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
        <UFormField name="eggs" label="Eggs" :help="`${stay} stay in ${clutch.tag}`">
          <div class="eggs" role="group" aria-label="Eggs that go">
            <button
              v-for="egg in eggs"
              :key="egg.n"
              type="button"
              :aria-pressed="state.eggs.includes(egg.n)"
              :aria-label="`Egg ${egg.n}, ${EGG_LOOK_WORDS[egg.look]}`"
              @click="toggle(egg.n)"
            >
              <svg width="26" height="28" aria-hidden="true">
                <EggsEgg :look="egg.look" :cx="13" :cy="14" :r="11" />
              </svg>
              {{ egg.n }}
            </button>
          </div>
        </UFormField>
        <UFormField name="tag" label="Tag of the new box" required>
          <UInput v-model="state.tag" class="w-full" autocomplete="off" />
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
        <UFormField name="tempC" label="Kept at" :hint="house.settings.tempUnit" help="If it is not read">
          <UInput v-model="state.temp" class="w-full" autocomplete="off" />
        </UFormField>
        <p class="quiet small">
          Mark the upper side before you lift an egg, and do not turn it.
          <template v-if="clutch.box">The water of {{ clutch.tag }} is counted anew from its next setting up.</template>
        </p>
        <UButton
          type="submit"
          size="lg"
          block
          :label="`Move ${state.eggs.length} ${state.eggs.length === 1 ? 'egg' : 'eggs'} into ${state.tag.trim() || 'it'}`"
          :disabled="!state.eggs.length || day === null"
          :loading="busy"
        />
      </UForm>
    </template>
  </USlideover>
</template>

<style scoped>
.eggs {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
}
.eggs button {
  display: grid;
  justify-items: center;
  min-width: 2.75rem;
  min-height: 2.75rem;
  padding: 0.125rem;
  border-radius: 4px;
  font-size: 0.875rem;
  font-variant-numeric: tabular-nums;
  cursor: pointer;
}
.eggs button[aria-pressed='true'] {
  background: var(--ui-bg-elevated);
  box-shadow: inset 0 -2px 0 var(--ui-primary);
  font-weight: 600;
}
</style>
