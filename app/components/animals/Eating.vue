<script setup lang="ts">
import { MANNER_WORDS, PREY_STATE_WORDS, type AnimalState } from '#core/subjects'
import { menuBalance, triesOf, weaningRecord } from '#core/feeding'
import { offerOf, refusalOf } from '#core/season'
import { formatDay } from '#core/units'

/** How an animal eats: its meals, its way to thawed prey, what was tried while it refused; and whether it may leave. */
const props = defineProps<{ animal: AnimalState }>()
const house = useHouse()
const context = useSeasonContext()
const species = computed(() => house.almanac.species[props.animal.speciesId]!)
const offer = computed(() => offerOf(props.animal, context.value))
const refusal = computed(() => refusalOf(props.animal, false, context.value))
const LEVELS = {
  normal: 'Usual now: leave it be',
  watch: 'Watch its weight',
  weigh: 'Weigh it every week',
  vet: 'Call the reptile vet',
}
const STAGES = {
  notStarted: 'It has not eaten by itself yet',
  unsaid: 'It eats; live or thawed is not written',
  live: 'It takes live prey',
  freshKilled: 'It takes fresh-killed prey',
  thawed: 'It has taken thawed prey',
  weaned: 'It is weaned: thawed prey, left in',
}
const way = computed(() => {
  if (!species.value.weaning) return null
  const { stage } = weaningRecord(props.animal.meals, house.almanac.common)
  const next = offer.value?.value
  const how =
    next && [PREY_STATE_WORDS[next.state], next.manner && MANNER_WORDS[next.manner]].filter(Boolean).join(', ')
  return `${STAGES[stage]}${how ? `. Next: ${how}` : ''}`
})
const menu = computed(() => menuBalance(house.almanac, props.animal.meals, house.today))
const times = (ratio: number) => `${ratio.toFixed(ratio < 1 ? 2 : 1)} : 1`
const menuText = computed(() => {
  if (!menu.value) return ''
  const { plain, dusted, known, kinds, meals, dustedMeals } = menu.value.value
  const { menuDays, menuKinds } = house.almanac.common
  const few = species.value.eats === 'insects' && kinds < menuKinds!.value ? `, of ${menuKinds!.value} wanted` : ''
  return [
    `${meals} meals in ${menuDays!.value} days, ${kinds} ${kinds === 1 ? 'kind' : 'kinds'} of prey${few}`,
    ...(plain === null ? ['calcium of it not known'] : [`calcium to phosphorus ${times(plain)}`]),
    ...(dusted !== null && species.value.supplements
      ? [`${times(dusted)} as dusted, ${dustedMeals === 1 ? 'once' : `${dustedMeals} times`}`]
      : []),
    ...(plain !== null && known < 0.95 ? [`of ${Math.round(100 * known)} % of it`] : []),
  ].join('; ')
})
const lacks = computed(() => {
  const { dusted } = menu.value?.value ?? {}
  return species.value.supplements && typeof dusted === 'number' && dusted < house.almanac.common.mineralsWanted!.value
})
const refusalText = computed(() => {
  if (!refusal.value) return ''
  const { level, loss, daysWithout } = refusal.value.value
  return [
    `${LEVELS[level]}: refused ${props.animal.refusals} in a row`,
    ...(daysWithout === null ? [] : [`${daysWithout} days without food`]),
    loss === null ? 'not weighed' : loss < 0.005 ? 'weight holds' : `${(100 * loss).toFixed(1)} % lost`,
  ].join(', ')
})
/** Every try in its order: done, next, or to come. */
const tries = computed(() => {
  const { done = [], next = null } = refusal.value?.value ?? {}
  return triesOf(species.value).map(of => ({
    of,
    done: done.find(d => d.of === of) ?? null,
    next: next?.of === of ? next : null,
  }))
})
/** When a try was made and what came of it, or when it is next. */
function whenOf({ done, next }: (typeof tries.value)[number]): string {
  if (done) {
    const minutes = done.minutes ? `${done.minutes} min` : ''
    return [formatDay(done.day, house.today), done.struck && 'struck', minutes].filter(Boolean).join(', ')
  }
  if (!next) return ''
  return next.day <= house.today ? 'today' : `not before ${formatDay(next.day, house.today)}`
}
</script>

<template>
  <div class="eating">
    <section>
      <h2>Meals</h2>
      <AnimalsMealStrip :animal="animal" class="mt-1" />
      <template v-if="menu">
        <h2 class="mt-5">What is in it</h2>
        <WorkingLink :title="`${animal.tag}: what its meals hold`" :answer="menuText" :reasons="menu.reasons" />
        <p v-if="lacks" class="lacks">
          <UIcon name="i-lucide-triangle-alert" class="size-4 flex-none" /> Less calcium than it needs, by what is
          written: dust its insects, and write what with. Soft jaw, trembling or a bent back are for the reptile vet.
        </p>
      </template>
      <h2 class="mt-5">On the ladder</h2>
      <AnimalsLadder :animal="animal" />
      <template v-if="way">
        <h2 class="mt-5">On the way to thawed prey</h2>
        <WorkingLink v-if="offer" :title="`${animal.tag}: what prey is next`" :answer="way" :reasons="offer.reasons" />
        <p v-else>{{ way }}</p>
      </template>
      <template v-if="refusal">
        <h2 class="mt-5">It refuses</h2>
        <WorkingLink :title="`${animal.tag}: how grave it is`" :answer="refusalText" :reasons="refusal.reasons" />
        <ol class="tries">
          <li v-for="(t, i) in tries" :key="i" :class="{ next: t.next, done: t.done }" :data-try="t.of.manner">
            <UIcon
              :name="t.done ? 'i-lucide-check' : t.next ? 'i-lucide-arrow-right' : 'i-lucide-circle-dashed'"
              class="size-4"
              :aria-label="t.done ? 'tried' : t.next ? 'next' : 'to come'"
            />
            <span>{{ t.of.how }}<template v-if="t.of.trained">. Never by the book alone</template></span>
            <span class="quiet small">{{ whenOf(t) }}</span>
          </li>
        </ol>
        <p class="quiet small">
          Leave it alone between tries, never force. Falling weight with refusals is for the reptile vet.
        </p>
      </template>
    </section>
    <AnimalsLeaving v-if="animal.status === 'alive'" :animal="animal" />
  </div>
</template>

<style scoped>
.eating {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 2.5rem;
}
.lacks {
  display: flex;
  gap: 0.375rem;
  align-items: baseline;
  margin-top: 0.25rem;
}
.tries {
  margin-block: 0.5rem;
}
.tries li {
  display: grid;
  grid-template-columns: 1.25rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: baseline;
  padding: 0.1875rem 0;
  border-bottom: 1px solid var(--ui-border);
  color: var(--ui-text-muted);
}
.tries .done {
  color: var(--ui-text);
}
.tries .next {
  color: var(--ui-text-highlighted);
  font-weight: 600;
}
@media (max-width: 900px) {
  .eating {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
