<script setup lang="ts">
import { feederOf, type Species } from '#core/almanac'
import type { Judgement } from '#core/judgement'
import type { NextMeal } from '#core/feeding'
import { nextOfferOf, refusalOf } from '#core/season'
import {
  MANNERS,
  MANNER_WORDS,
  OUTCOMES,
  OUTCOME_WORDS,
  POWDERS,
  POWDER_WORDS,
  PREY_STATES,
  PREY_STATE_WORDS,
  type AnimalState,
  type Manner,
  type Outcome,
  type Powder,
  type PreyState,
} from '#core/subjects'

/** One offer to one animal: what, how many, what the prey was, how it was offered, and what came of it. */
const props = defineProps<{
  animal: AnimalState
  species: Species
  meal: Judgement<NextMeal> | null
  /** It is what there is to do. */
  due: boolean
  busy: boolean
  write: (kind: string, data: Record<string, unknown>, says: string, form?: FormErrors) => Promise<boolean>
}>()
const house = useHouse()
const context = useSeasonContext()
const prey = ref<string>()
const offered = ref(1)
const state = ref<PreyState>()
const manner = ref<Manner>()
const outcome = ref<Outcome>()
const dusted = ref<Powder>()
const minutes = ref<number>()
const NOT_SAID = { value: 'notSaid', label: 'not said' }
const items = <T extends string>(ids: readonly T[], words: Readonly<Record<T, string>>) => [
  NOT_SAID,
  ...ids.map(value => ({ value: value as string, label: words[value] })),
]
/** What was picked, unless that it is left unsaid. */
const picked = <T extends string>(value: T | undefined) => ((value as string) === NOT_SAID.value ? undefined : value)
const preyItems = usePreyItems()

watch(
  () => props.meal?.value.portions[0],
  portion => {
    // one that fasts or has no plan is offered what it took last
    prey.value = portion?.prey ?? prey.value ?? props.animal.meals.at(-1)?.prey
    offered.value = portion?.count ?? 1
  },
  { immediate: true },
)
/** As it is proposed next; what is not asked of it is left unsaid. */
function propose(): void {
  const { said } = nextOfferOf(props.animal, refusalOf(props.animal, false, context.value), context.value)
  state.value = said.state
  manner.value = said.manner
  dusted.value = said.dusted
  outcome.value = undefined
  minutes.value = undefined
}
watch(() => [props.animal.id, props.animal.meals.at(-1)?.entryId], propose, { immediate: true })

async function feed(taken: number, _further?: object, form?: FormErrors): Promise<boolean> {
  const feeder = feederOf(house.almanac, prey.value!)
  const words = taken === 0 ? 'refused' : taken < offered.value ? `took ${taken} of` : 'took'
  return props.write(
    'fed',
    {
      prey: prey.value,
      offered: offered.value,
      taken,
      ...(picked(state.value) && { state: picked(state.value) }),
      ...(picked(manner.value) && { manner: picked(manner.value) }),
      ...(picked(outcome.value) && { outcome: picked(outcome.value) }),
      ...(picked(dusted.value) && { dusted: picked(dusted.value) }),
      ...(minutes.value !== undefined && { minutes: minutes.value }),
    },
    `${words} ${offered.value} ${offered.value === 1 ? feeder.one : feeder.many}`,
    form,
  )
}
</script>

<template>
  <form class="feed" @submit.prevent="feed(offered)">
    <div class="line">
      <UInputNumber v-model="offered" :min="1" :max="500" class="w-28" aria-label="Offered" />
      <USelectMenu
        v-model="prey"
        :items="preyItems"
        value-key="value"
        class="w-48"
        :aria-label="`Feeder: ${prey ? feederOf(house.almanac, prey).name : 'none'}`"
      />
      <RecordPick
        v-if="species.eats === 'rodents'"
        v-model="state"
        :items="items(PREY_STATES, PREY_STATE_WORDS)"
        name="Prey was"
        placeholder="live or thawed"
        class="w-36"
      />
      <RecordPick
        v-if="species.supplements"
        v-model="dusted"
        :items="items(POWDERS, POWDER_WORDS)"
        name="Dusted with"
        placeholder="dusted with"
        class="w-44"
      />
      <UButton
        type="submit"
        label="Took"
        :disabled="!prey"
        :color="due ? 'primary' : 'neutral'"
        :variant="due ? 'solid' : 'outline'"
      />
      <RecordAskNumber
        v-if="offered > 1"
        label="Took some"
        :title="`${animal.tag}: how many of ${offered} it took`"
        :disabled="!prey"
        :busy="busy"
        @record="feed"
      />
      <UButton label="Refused" variant="outline" color="neutral" :disabled="!prey" @click="feed(0)" />
    </div>
    <Fold summary="How it was offered, and what it did">
      <div class="line">
        <RecordPick
          v-model="manner"
          :items="items(MANNERS, MANNER_WORDS)"
          name="Offered"
          placeholder="as usual"
          class="w-48"
        />
        <RecordPick
          v-model="outcome"
          :items="items(OUTCOMES, OUTCOME_WORDS)"
          name="What it did"
          placeholder="what it did"
          class="w-44"
        />
        <UInputNumber v-model="minutes" :min="0" :max="1440" class="w-36" aria-label="Minutes" placeholder="minutes" />
      </div>
    </Fold>
  </form>
</template>

<style scoped>
.feed {
  display: grid;
  gap: 0.25rem;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
