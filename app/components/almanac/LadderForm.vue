<script setup lang="ts">
import { ownWhereChanged, type LadderStep, type Species } from '#core/almanac'

/** The steps of a feeding ladder: to add, drop, and set otherwise. */
const props = defineProps<{ species: Species }>()
const open = defineModel<boolean>('open', { required: true })
const steps = ref<LadderStep[]>([])

watch(
  open,
  is => {
    if (is) steps.value = JSON.parse(JSON.stringify(props.species.ladder)) as LadderStep[]
  },
  { immediate: true },
)
const prey = usePreyItems()
function add(): void {
  const last = steps.value.at(-1)
  steps.value.push({
    fromDay: last ? last.fromDay + 60 : 0,
    everyDays: last?.everyDays ?? 1,
    meal: [{ prey: last?.meal[0]?.prey ?? prey.value[0]!.value, count: 1 }],
    mark: 'own',
  })
}
/** The button gives way to its field. */
async function askLeast(part: LadderStep['meal'][number], { currentTarget }: Event): Promise<void> {
  const row = (currentTarget as HTMLElement).closest('.part')
  part.least = 0.5
  await nextTick()
  Array.from(row?.querySelectorAll('input') ?? [])
    .at(-1)
    ?.focus()
}
/** Nothing of it must be itself: it is left out again. */
function setLeast(part: LadderStep['meal'][number], percent: number | null | undefined): void {
  if (percent) part.least = percent / 100
  else delete part.least
}
const said = () => ({
  ladder: ownWhereChanged(
    props.species.ladder,
    [...steps.value].sort((a, b) => a.fromDay - b.fromDay),
  ),
})
</script>

<template>
  <AlmanacPartFrame
    v-model:open="open"
    of="species"
    :row="species"
    title="Feeding ladder"
    :description="`${species.name}, in days from the first meal`"
    :parts="['ladder']"
    :said="said"
    says="feeding ladder"
    button="Set ladder"
  >
    <fieldset v-for="(s, i) in steps" :key="i" class="step">
      <legend class="sr-only">Step {{ i + 1 }}</legend>
      <UFormField label="From day"><UInputNumber v-model="s.fromDay" :min="0" :max="20000" class="w-28" /></UFormField>
      <UFormField label="Every, days"
        ><UInputNumber v-model="s.everyDays" :min="1" :max="365" class="w-28"
      /></UFormField>
      <div class="meal">
        <div v-for="(m, j) in s.meal" :key="j" class="part">
          <UInputNumber
            v-model="m.count"
            :min="0.1"
            :step="1"
            :step-snapping="false"
            class="w-28"
            :aria-label="`Count, step ${i + 1}`"
          />
          <RecordPick v-model="m.prey" :items="prey" class="w-52" :name="`Prey, step ${i + 1}`" />
          <UFormField v-if="m.least !== undefined" label="Itself at least, %">
            <UInputNumber
              :model-value="Math.round(100 * m.least)"
              :min="0"
              :max="100"
              :step="10"
              :step-snapping="false"
              class="w-28"
              :aria-label="`Itself at least, %, step ${i + 1}`"
              @update:model-value="percent => setLeast(m, percent)"
            />
          </UFormField>
          <UButton
            v-else
            label="At least …"
            size="xs"
            variant="ghost"
            color="neutral"
            :aria-label="`At least … of it itself, whatever may stand for it, step ${i + 1}`"
            @click="askLeast(m, $event)"
          />
          <UButton
            v-if="s.meal.length > 1"
            icon="i-lucide-x"
            variant="ghost"
            color="neutral"
            :aria-label="`Take ${j + 1} off the menu of step ${i + 1}`"
            @click="s.meal.splice(j, 1)"
          />
        </div>
        <div class="flex gap-2">
          <UButton
            label="And another prey"
            size="xs"
            variant="ghost"
            @click="s.meal.push({ prey: prey[0]!.value, count: 1 })"
          />
          <UButton
            v-if="steps.length > 1"
            label="Drop this step"
            size="xs"
            variant="ghost"
            color="neutral"
            @click="steps.splice(i, 1)"
          />
        </div>
      </div>
    </fieldset>
    <UButton label="Add a step" icon="i-lucide-plus" variant="outline" class="justify-self-start" @click="add" />
  </AlmanacPartFrame>
</template>

<style scoped>
.step {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  padding-bottom: 1rem;
  border-bottom: 1px solid var(--ui-border);
}
.meal {
  display: grid;
  gap: 0.375rem;
  align-content: end;
}
.part {
  display: flex;
  flex-wrap: wrap;
  gap: 0.375rem;
  align-items: end;
}
</style>
