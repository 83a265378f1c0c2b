<script setup lang="ts">
import { computedInput, type Reason } from '#core/judgement'
import { MANNER_WORDS, PREY_STATE_WORDS } from '#core/subjects'
import type { YoungOne } from '#core/season'

/** One of a litter on its board: who it is, how its weight goes, and what is next. */
const props = defineProps<{ young: YoungOne }>()
const house = useHouse()
const tag = computed(() => props.young.animal.tag)
const tried = computed(() => {
  const { refusal, animal } = props.young
  return animal.refusals >= house.almanac.common.refusesFrom!.value ? (refusal?.value.next?.of ?? null) : null
})
const grave = computed(() => ['weigh', 'vet'].includes(props.young.refusal?.value.level ?? ''))
const next = computed(() => {
  const { refusal, offer, standing, animal } = props.young
  if (refusal?.value.level === 'vet') return 'to the vet'
  if (tried.value) return `try ${MANNER_WORDS[tried.value.manner]}`
  if (standing === 'mayGo') return animal.reserved ? `reserved for ${animal.reserved.for}` : ''
  const { state, manner } = offer?.value ?? {}
  if (!state) return ''
  return [PREY_STATE_WORDS[state], manner === 'moved' ? MANNER_WORDS[manner] : ''].filter(Boolean).join(', ')
})
const stepped = computed(() => {
  const step = props.young.step?.value
  return step ? (step.way === 'up' ? 'may go up a step' : 'down a step?') : ''
})
const said = computed(() => [
  next.value,
  stepped.value,
  ...(props.young.animal.refusals ? [`refused ${props.young.animal.refusals}`] : []),
])
const growth = computed(() => {
  const g = props.young.growth?.value
  if (g?.state !== 'stalls' && g?.state !== 'loses') return ''
  const week = (share: number) => `${share < 0 ? '−' : '+'}${Math.abs(100 * share).toFixed(1)} %`
  return `${g.state}: ${week(g.perWeek)} a week, mates ${week(g.mates)}`
})
const reasons = computed((): Reason[] => [
  ...(props.young.offer?.reasons ?? []),
  ...(props.young.refusal?.reasons ?? []),
  ...(props.young.step?.reasons ?? []),
  {
    rule: 'What is looked at before it leaves',
    inputs: props.young.checks.map(c =>
      computedInput(c.label, `${c.said}${c.is === 'wrong' ? ': speaks against it' : ''}`),
    ),
  },
])
</script>

<template>
  <li :data-young="tag" :class="{ grave, wide: said.some(Boolean) || growth }">
    <span class="who">
      <UIcon v-if="grave" name="i-lucide-circle-alert" class="size-4 flex-none" aria-label="Needs care" />
      <NuxtLink :to="`/animals/${young.animal.id}#eating`" class="tag">{{ tag }}</NuxtLink>
      <NurserySpark :weights="young.animal.weights" />
    </span>
    <WorkingLink
      v-if="said.some(Boolean)"
      class="small"
      :title="`${tag}: what is next`"
      :answer="said.filter(Boolean).join(', ')"
      :reasons="reasons"
    />
    <WorkingLink
      v-if="growth"
      class="small"
      :title="`${tag}: how it grows`"
      :answer="growth"
      :reasons="young.growth!.reasons"
    />
    <span v-if="young.behind" class="small behind">behind: {{ young.behind }}</span>
  </li>
</template>

<style scoped>
li {
  padding: 0.25rem 0;
}
@media (max-width: 800px) {
  .wide {
    grid-column: 1 / -1;
  }
}
.who .tag {
  line-height: 1.5rem;
}
.who {
  display: flex;
  align-items: center;
  gap: 0.375rem;
  min-height: 1.5rem;
}
.grave .who {
  color: var(--harm);
}
.behind {
  display: block;
  color: var(--ui-text-muted);
}
</style>
