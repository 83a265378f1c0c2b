<script setup lang="ts">
import { leavingChecks, type AnimalState } from '#core/subjects'
import { dayToIso, formatDay } from '#core/units'

/** What speaks for and against an animal leaving, for whom it is kept, its sale, and the sheet that goes with it. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const { record, busy } = useRecord()
const species = computed(() => house.almanac.species[props.animal.speciesId]!)
const checks = computed(() =>
  leavingChecks(props.animal, species.value, house.house, house.almanac.common, house.today),
)
const wrong = computed(() => checks.value.filter(c => c.is === 'wrong'))
const ICONS = {
  good: { icon: 'i-lucide-check', says: 'good' },
  wrong: { icon: 'i-lucide-x', says: 'speaks against it' },
  told: { icon: 'i-lucide-info', says: 'told' },
} as const

const state = reactive({ for: '', until: null as number | null })
const form = useTemplateRef<FormErrors>('form')
const refusals = useRefusals(state, form)
const about = computed(() => ({ type: 'animal' as const, id: props.animal.id }))
async function reserve(): Promise<void> {
  const data = { for: state.for.trim(), ...(state.until !== null && { until: dayToIso(state.until) }) }
  if (await record({ kind: 'reserved', subject: about.value, data }, `${props.animal.tag}: reserved`, refusals))
    Object.assign(state, { for: '', until: null })
}
const free = () =>
  record({ kind: 'reserved', subject: about.value, data: { for: null } }, `${props.animal.tag}: not reserved any more`)
const sell = async (_: number, said: Record<string, unknown>, beside: FormErrors) =>
  (await record({ kind: 'sold', subject: about.value, data: said }, `${props.animal.tag}: sold`, beside)) !== null
</script>

<template>
  <section>
    <h2>May it leave?</h2>
    <p :class="wrong.length ? 'no' : 'yes'" class="answer">
      <UIcon :name="wrong.length ? 'i-lucide-hand' : 'i-lucide-check'" class="size-4.5" />
      {{ wrong.length ? `Not yet: ${wrong.map(c => c.label.toLowerCase()).join(', ')}` : 'Nothing speaks against it' }}
    </p>
    <ul class="checks">
      <li v-for="check in checks" :key="check.id" :data-check="check.id">
        <UIcon
          :name="ICONS[check.is].icon"
          :class="check.is"
          class="size-4 flex-none"
          :aria-label="ICONS[check.is].says"
        />
        <span>{{ check.label }}</span>
        <span class="said">{{ check.said }}</span>
      </li>
    </ul>
    <p v-if="animal.reserved" class="mt-2">
      Reserved for <b>{{ animal.reserved.for }}</b>
      <template v-if="animal.reserved.until !== null"
        >until {{ formatDay(animal.reserved.until, house.today) }}</template
      >
      <UButton size="sm" label="Not any more" variant="outline" color="neutral" :disabled="busy" @click="free" />
    </p>
    <UForm
      v-else
      ref="form"
      :state="state"
      :validate="refusals.still"
      class="reserve"
      @submit="reserve"
      @error="focusFirstWrong"
    >
      <UFormField name="for" label="Reserve for" hint="initials"
        ><UInput v-model="state.for" class="w-32" autocomplete="off"
      /></UFormField>
      <RecordDayField v-model="state.until" label="Until" :min="house.today" optional />
      <UButton type="submit" label="Reserve" variant="outline" color="neutral" :disabled="!state.for.trim() || busy" />
    </UForm>
    <div class="line">
      <RecordAskNumber label="Sold" :title="`${animal.tag} sold`" kind="sold" no-number :busy="busy" @record="sell" />
      <UButton
        :to="`/handover/${animal.id}`"
        label="Hand-over sheet"
        variant="outline"
        color="neutral"
        icon="i-lucide-file-text"
      />
    </div>
  </section>
</template>

<style scoped>
.answer {
  display: flex;
  align-items: center;
  gap: 0.375rem;
  font-weight: 600;
}
.no,
.wrong {
  color: var(--harm);
}
.checks {
  margin-block: 0.5rem;
}
.checks li {
  display: grid;
  grid-template-columns: 1.25rem 12rem minmax(0, 1fr);
  gap: 0.5rem;
  align-items: center;
  padding: 0.1875rem 0;
  border-bottom: 1px solid var(--ui-border);
}
.said {
  color: var(--ui-text-highlighted);
}
.reserve,
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
  margin-top: 0.75rem;
}
</style>
