<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { formatDifference } from '#core/channels'
import { summarise } from '#core/chance'
import { EVENT_NAMES } from '#core/pairing'
import { newPairs, openPairs, tellStart, type FeederPlan, type Season, type WhatIf } from '#core/season'
import { formatRange } from '#core/units'
import type { WhatIfOutcome } from '~/workers/whatIf.worker'

const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ outcome: [outcome: WhatIfOutcome | null] }>()
const house = useHouse()

const warmUp = ref<number | null>(null)
const incubation = ref(0)
const appetite = ref(100)
const cupYield = ref(100)
const losses = ref(100)
const pace = ref(100)
const pairs = ref<Record<string, number>>({})
/** What is tried as a share of what is, in percent. */
const shares = [
  {
    of: appetite,
    label: 'Appetite',
    hint: '% of the ladder',
    min: 50,
    max: 200,
    step: 5,
    says: 'Appetite in percent',
    testid: 'appetite',
  },
  {
    of: cupYield,
    label: 'Cup yield',
    hint: '% of the almanac',
    min: 30,
    max: 150,
    step: 5,
    says: 'Cup yield in percent',
  },
  {
    of: losses,
    label: 'Losses of young',
    hint: '% of today’s',
    min: 0,
    max: 400,
    step: 25,
    says: 'Losses of young in percent',
    testid: 'losses',
  },
  {
    of: pace,
    label: 'Up the ladder',
    hint: '% of its pace',
    min: 50,
    max: 200,
    step: 10,
    says: 'Pace up the ladder in percent',
  },
]

const open0 = computed(() => openPairs(house.house))
const species = computed(() =>
  [...open0.value].map(([id, list]) => ({ id, name: house.speciesName(id), now: list.length })),
)
const inCold = computed(
  () => Object.values(house.house.animals).filter(a => a.status === 'alive' && a.cooled && !a.warmed).length,
)

const changes = computed<WhatIf>(() => {
  const wanted = Object.fromEntries(
    species.value
      .filter(s => pairs.value[s.id] !== undefined && pairs.value[s.id] !== s.now)
      .map(s => [s.id, pairs.value[s.id]!]),
  )
  return {
    ...(warmUp.value !== null && warmUp.value >= house.today && { warmUpDay: warmUp.value }),
    ...(incubation.value !== 0 && { incubationShiftC: incubation.value }),
    ...(appetite.value !== 100 && { appetite: appetite.value / 100 }),
    ...(cupYield.value !== 100 && { cupYield: cupYield.value / 100 }),
    ...(losses.value !== 100 && { losses: losses.value / 100 }),
    ...(pace.value !== 100 && { ladderPace: pace.value / 100 }),
    ...(Object.keys(wanted).length && { pairs: wanted }),
  }
})
/** Pairs that the house has no animals for. */
const toBuy = computed(() =>
  species.value
    .flatMap(s => {
      const { bought } = newPairs(house.house, house.almanac, s.id, (pairs.value[s.id] ?? s.now) - s.now, house.today)
      const of = (sex: string) => bought.filter(a => a.sex === sex).length
      const parts = [
        of('female') ? `${of('female')} ${of('female') > 1 ? 'females' : 'female'}` : '',
        of('male') ? `${of('male')} ${of('male') > 1 ? 'males' : 'male'}` : '',
      ].filter(Boolean)
      return parts.length ? [`${s.name}: ${parts.join(' and ')} to be bought.`] : []
    })
    .join(' '),
)
const { outcome, running, problem, stop } = useWhatIf(changes)
watch(outcome, o => emit('outcome', o))

function reset(): void {
  warmUp.value = null
  incubation.value = 0
  for (const share of shares) share.of.value = 100
  pairs.value = {}
}

const planText = (plan: FeederPlan | undefined) => {
  if (!plan) return 'not needed'
  const feeder = feederOf(house.almanac, plan.prey)
  return plan.units
    ? `${plan.units} in all; ${tellStart(plan, feeder, house.today)!.replace(/^./, first => first.toLowerCase())}`
    : 'nothing to start'
}

const feederRows = computed(() => {
  if (!outcome.value) return []
  const ids = new Set([...house.plans, ...outcome.value.plans].map(p => p.prey))
  return [...ids]
    .map(id => {
      const [now, then] = [house.plans, outcome.value!.plans].map(list => list.find(p => p.prey === id))
      return {
        id,
        name: feederOf(house.almanac, id).name,
        now: planText(now),
        then: planText(then),
        more: (then?.units ?? 0) - (now?.units ?? 0),
      }
    })
    .filter(r => r.now !== r.then)
})

const laneRows = computed(() => {
  if (!outcome.value || !house.season) return []
  const text = (season: Season, id: string) => {
    const lane = season.lanes.find(l => l.id === id)
    const event = lane?.events.find(e => ['hatched', 'born', 'metamorphosed'].includes(e.event) && !e.observed)
    const sum = event ? summarise(event.dist) : null
    return lane ? (event && sum ? `${EVENT_NAMES[event.event]} ${formatRange(sum)}` : 'nothing further') : 'not set'
  }
  const ids = new Set([...house.season.lanes, ...outcome.value.season.lanes].map(l => l.id))
  return [...ids]
    .map(id => ({
      id,
      title: (house.season!.lanes.find(l => l.id === id) ?? outcome.value!.season.lanes.find(l => l.id === id))!.title,
      now: text(house.season!, id),
      then: text(outcome.value!.season, id),
    }))
    .filter(r => r.now !== r.then)
})
</script>

<template>
  <SeasonTrialDrawer
    v-model:open="open"
    description="Tries a change beside today’s plan. Nothing is written."
    :running="running"
    :problem="problem"
    :answered="outcome !== null"
    hint="Move something above to see today’s plan and the changed one side by side."
    @reset="reset"
    @stop="stop"
  >
    <RecordDayField
      v-if="inCold"
      v-model="warmUp"
      :label="`Warm up those in the cold (${inCold}) on`"
      :min="house.today"
      optional
      data-testid="warm-up"
    />
    <SeasonShift
      v-model="incubation"
      label="Incubators"
      :hint="`${incubation > 0 ? '+' : ''}${formatDifference('temperature', incubation, house.settings.tempUnit)}`"
      :min="-3"
      :max="3"
      :step="0.5"
      says="Incubator temperature, degrees warmer"
    />
    <SeasonShift
      v-for="s in shares"
      :key="s.label"
      v-model="s.of.value"
      :label="s.label"
      :hint="`${s.of.value} ${s.hint}`"
      :min="s.min"
      :max="s.max"
      :step="s.step"
      :says="s.says"
      :testid="s.testid"
    />
    <fieldset>
      <legend>Pairs</legend>
      <label v-for="s in species" :key="s.id"
        ><span>{{ s.name }}</span
        ><UInputNumber
          :model-value="pairs[s.id] ?? s.now"
          :min="0"
          :max="60"
          size="sm"
          class="w-28"
          :aria-label="`Pairs of ${s.name}`"
          @update:model-value="pairs[s.id] = $event ?? s.now"
      /></label>
      <p v-if="toBuy" class="buy" role="status">{{ toBuy }}</p>
    </fieldset>
    <template #answer>
      <div v-if="outcome" class="mt-4" data-testid="what-if-outcome">
        <h2>The plan would change</h2>
        <p v-if="!feederRows.length && !laneRows.length" class="quiet">Nothing changes.</p>
        <table v-if="feederRows.length" class="plain">
          <thead>
            <tr>
              <th>Feeder</th>
              <th>Today’s plan</th>
              <th>What if</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in feederRows" :key="r.id">
              <td>{{ r.name }}</td>
              <td>{{ r.now }}</td>
              <td>
                <b>{{ r.then }}</b><span v-if="r.more" class="quiet">
                  ({{ r.more > 0 ? '+' : '−' }}{{ Math.abs(r.more) }})</span
                >
              </td>
            </tr>
          </tbody>
        </table>
        <table v-if="laneRows.length" class="plain mt-4">
          <thead>
            <tr>
              <th>Lane</th>
              <th>Today</th>
              <th>What if</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in laneRows" :key="r.id">
              <td class="tag">{{ r.title }}</td>
              <td>{{ r.now }}</td>
              <td>
                <b>{{ r.then }}</b>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </SeasonTrialDrawer>
</template>

<style scoped>
.buy {
  font-size: 0.875rem;
  color: var(--ui-text-highlighted);
  padding-top: 0.25rem;
}
legend {
  font-weight: 500;
  font-size: 0.875rem;
  color: var(--ui-text);
  padding-bottom: 0.25rem;
}
label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 1rem;
  padding: 0.125rem 0;
  font-size: 0.9375rem;
}
</style>
