<script setup lang="ts">
import { speciesOf } from '#core/almanac'
import { EggProgramme, eggIncubation, type ClutchState } from '#core/subjects'
import { UnitError, formatQuantity, parseAs } from '#core/units'

/** What the eggs of a clutch pass before they develop: as the species, as another clutch, or as the keeper says. */
const props = defineProps<{ clutch: ClutchState; day: number | null }>()
const open = defineModel<boolean>('open', { required: true })
const house = useHouse()
const { record, busy } = useRecord()

/** A temperature as it is typed, in the unit of the house. */
const shown = (tempC: number) => formatQuantity(tempC, house.settings.tempUnit)
const blankPhase = () => ({
  name: 'Cool spell',
  earliest: 25,
  likely: 30,
  latest: 40,
  low: shown(15),
  high: shown(21),
})
type Phase = ReturnType<typeof blankPhase>
const typed = ({ lowC, highC, ...phase }: EggProgramme['phases'][number]): Phase => ({
  ...phase,
  low: shown(lowC),
  high: shown(highC),
})
/** What is typed as a temperature, °C; not a number where it is none. */
function celsius(text: string): number {
  try {
    return Number(parseAs('temperature', text, house.settings.tempUnit).toFixed(2))
  } catch (error) {
    if (error instanceof UnitError) return Number.NaN
    throw error
  }
}
function now(): { name: string; phases: Phase[] } {
  const phases = (eggIncubation(props.clutch, house.almanac)?.phases ?? []).map(p => ({
    name: p.name,
    ...{ earliest: p.days.earliest, likely: p.days.likely, latest: p.days.latest },
    low: shown(p.lowC.value),
    high: shown(p.highC.value),
  }))
  return { name: props.clutch.programme?.name ?? '', phases: phases.length ? phases : [blankPhase()] }
}
const state = reactive(now())
watch(open, is => is && Object.assign(state, now()))
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const species = computed(() => speciesOf(house.almanac, props.clutch.speciesId))

/** Programmes that were set for other clutches, each once. */
const known = computed(() => {
  const by = new Map<string, EggProgramme>()
  for (const { programme } of Object.values(house.house.clutches)) if (programme) by.set(programme.name, programme)
  return [...by.values()].map(programme => ({ value: programme.name, label: programme.name, programme }))
})
function take(name: string): void {
  const programme = known.value.find(k => k.value === name)?.programme
  if (programme) Object.assign(state, { name, phases: programme.phases.map(typed) })
}
const wish = (): EggProgramme => ({
  name: state.name.trim(),
  phases: state.phases.map(({ low, high, ...p }) => ({
    ...p,
    name: p.name.trim(),
    lowC: celsius(low),
    highC: celsius(high),
  })),
})
function validate() {
  const result = EggProgramme.safeParse(wish())
  return result.success
    ? refusals.still()
    : result.error.issues.map(i => ({ name: i.path.join('.'), message: i.message }))
}
async function write(programme: EggProgramme | null): Promise<void> {
  if (props.day === null) return
  const subject = { type: 'clutch' as const, id: props.clutch.id }
  // a refusal names the field in the entry; here they stand one level up
  const beside: FormErrors = {
    setErrors: errors => refusals.setErrors(errors.map(e => ({ ...e, name: e.name.replace(/^programme\./, '') }))),
  }
  const says = `${props.clutch.tag}: ${programme ? programme.name : 'programme as the species'}`
  if (await record({ kind: 'programmeSet', subject, data: { programme }, day: props.day }, says, beside))
    open.value = false
}
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="`${clutch.tag}: programme`"
    description="Phases before they develop in the warm. The Round says when each is over."
  >
    <template #body>
      <UForm
        ref="form"
        :state="state"
        :validate="validate"
        :validate-on="['input', 'change']"
        class="grid gap-4"
        @submit="write(wish())"
        @error="focusFirstWrong"
      >
        <RecordPick
          v-if="known.length"
          name="As before"
          :items="known"
          placeholder="As for another clutch …"
          @update:model-value="take"
        />
        <UFormField name="name" label="Name" required>
          <UInput v-model="state.name" class="w-full" maxlength="60" autocomplete="off" />
        </UFormField>
        <fieldset v-for="(p, i) in state.phases" :key="i" class="phase">
          <legend>{{ i + 1 }}. phase</legend>
          <div class="named">
            <UFormField :name="`phases.${i}.name`" label="Called" class="grow">
              <UInput v-model="p.name" class="w-full" maxlength="60" />
            </UFormField>
            <UButton
              icon="i-lucide-x"
              variant="ghost"
              color="neutral"
              :aria-label="`Drop phase ${i + 1}`"
              @click="state.phases.splice(i, 1)"
            />
          </div>
          <div class="grid grid-cols-3 gap-2">
            <UFormField :name="`phases.${i}.earliest`" label="Days, fewest">
              <UInput v-model.number="p.earliest" type="number" min="0" class="w-full" />
            </UFormField>
            <UFormField :name="`phases.${i}.likely`" label="Likely">
              <UInput v-model.number="p.likely" type="number" min="0" class="w-full" />
            </UFormField>
            <UFormField :name="`phases.${i}.latest`" label="Most">
              <UInput v-model.number="p.latest" type="number" min="0" class="w-full" />
            </UFormField>
          </div>
          <div class="grid grid-cols-3 gap-2">
            <UFormField :name="`phases.${i}.lowC`" label="From">
              <UInput v-model="p.low" class="w-full" autocomplete="off" />
            </UFormField>
            <UFormField :name="`phases.${i}.highC`" label="To">
              <UInput v-model="p.high" class="w-full" autocomplete="off" />
            </UFormField>
          </div>
        </fieldset>
        <UButton
          v-if="state.phases.length < 4"
          label="Add a phase"
          icon="i-lucide-plus"
          variant="outline"
          color="neutral"
          class="justify-self-start"
          @click="state.phases.push(blankPhase())"
        />
        <p class="quiet small">
          Then they develop at {{ shown(species.incubation!.usualTempC.value) }}, or where they lie. Without a phase
          they develop from the day of laying.
        </p>
        <UButton type="submit" size="lg" block label="Set programme" :disabled="day === null" :loading="busy" />
        <UButton
          v-if="clutch.programme"
          block
          variant="outline"
          color="neutral"
          label="As the species again"
          :disabled="day === null"
          :loading="busy"
          @click="write(null)"
        />
      </UForm>
    </template>
  </USlideover>
</template>

<style scoped>
.phase {
  display: grid;
  gap: 0.75rem;
  padding-block: 0.5rem;
  border-top: 1px solid var(--ui-border);
}
.phase legend {
  float: left;
  font-weight: 600;
}
.named {
  display: flex;
  gap: 0.5rem;
  align-items: end;
}
</style>
