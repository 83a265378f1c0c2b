<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { tellHungry, tellInPlace, type FeederPlan } from '#core/season'
import { dayToIso, formatDay } from '#core/units'

/** What is given in place of a prey, what stays short all the same, and how sure the plan is. */
const props = defineProps<{ plan: FeederPlan }>()
const house = useHouse()
const inPlace = computed(() => tellInPlace(props.plan, house.almanac.feeders, house.today))
/** Seasons with a hungry day among those who eat it, and what one more would change. */
const hungry = computed(() => tellHungry(props.plan, house.today))
const gap = computed(() => props.plan.gaps[0])

const { record, busy } = useRecord()
const line = useTemplateRef<HTMLElement[]>('line')
const { many } = feederOf(house.almanac, props.plan.prey)
/** Leaves a day to the plan again. */
async function leave(day: number): Promise<void> {
  const row = line.value?.[0]?.parentElement
  await record(
    { kind: 'startDecided', subject: { type: 'prey', id: props.plan.prey }, data: { day: dayToIso(day), units: null } },
    `${formatDay(day, house.today)} left to the plan: ${many}`,
  )
  await passFocus(() => row?.querySelector<HTMLElement>('.working-link, button'))
}
</script>

<template>
  <p v-for="d in plan.decided" ref="line" :key="d.day" class="small">
    Decided: {{ d.said || 'none' }} on {{ formatDay(d.day, house.today) }}.
    <UButton
      label="Leave it to the plan"
      :aria-label="`Leave it to the plan: ${many}, ${formatDay(d.day, house.today)}`"
      variant="link"
      :disabled="busy"
      @click="leave(d.day)"
    />
  </p>
  <p v-if="inPlace || hungry || gap || plan.spares" class="small">
    <template v-if="inPlace">{{ inPlace }}{{ ' ' }}</template>
    <b v-if="gap" class="short"
      >Short by {{ Math.ceil(gap.missing).toLocaleString('en-GB') }}, {{ formatDay(gap.from, house.today)
      }}<template v-if="gap.to > gap.from">–{{ formatDay(gap.to, house.today) }}</template
      >: nothing comes in time.
    </b>
    <template v-if="plan.spares">{{ plan.spares }} of {{ plan.units }} are spares. </template>
    <template v-if="hungry">{{ hungry }}</template>
  </p>
</template>

<style scoped>
.short {
  color: var(--harm);
}
</style>
