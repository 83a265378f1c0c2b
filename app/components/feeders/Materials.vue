<script setup lang="ts">
import { manyOf, materialsAhead, tellAmount, type MaterialAhead } from '#core/season'
import { formatDay, formatMoney } from '#core/units'

/** What the cultures are made of: what is left of it, until when it lasts, and by when more is got. */
const house = useHouse()
const { record, busy } = useRecord()
const context = useSeasonContext()
/** What runs out first stands first, what nobody counts last. */
const list = computed(() =>
  materialsAhead(house.plans, context.value).sort(
    (a, b) => Number(a.left === null) - Number(b.left === null) || (a.getBy ?? Infinity) - (b.getBy ?? Infinity) || 0,
  ),
)
/** What runs out first, and by when it is got. */
const first = computed(() => list.value.find(m => m.getBy !== null))
const summary = computed(() =>
  first.value
    ? `Materials: get ${first.value.what} by ${formatDay(first.value.getBy!, house.today)}`
    : list.value.some(m => m.left !== null)
      ? 'Materials: enough for what is planned'
      : 'Materials: none counted',
)
const amount = (n: number, unit: string) => tellAmount({ amount: n, unit })
const lasts = (m: MaterialAhead) =>
  m.left === null
    ? 'not counted'
    : m.shortOn === null
      ? `${amount(m.left, m.unit)} left, enough`
      : `${amount(m.left, m.unit)} left, short on ${formatDay(m.shortOn, house.today)}: get it by ${formatDay(m.getBy!, house.today)}`
const cost = (m: MaterialAhead) =>
  m.unitPrice === null || !m.soon ? '' : `, ${formatMoney(m.unitPrice * m.soon, house.settings.currency)}`
const write = (m: MaterialAhead, kind: string, n: number, further: object, form?: FormErrors) =>
  record(
    { kind, subject: { type: 'material', id: m.id }, data: { amount: n, ...further } },
    `${m.what}: ${amount(n, m.unit)} ${kind === 'materialCounted' ? 'left' : 'more'}`,
    form,
  )
</script>

<template>
  <Fold v-if="list.length" :summary="summary" class="materials">
    <ul>
      <FeedersLine v-for="m in list" :key="m.id" :data-material="m.what">
        <WorkingLink :title="m.what" :answer="`${m.what}: ${lasts(m)}`" :reasons="m.reasons" />
        <span v-if="m.soon" class="quiet small"> four weeks take {{ amount(m.soon, m.unit) }}{{ cost(m) }}</span>

        <template #do>
          <RecordAskNumber
            label="Count"
            :title="`${m.what} left, ${manyOf(m.unit)}`"
            :likely="m.left ?? undefined"
            :busy="busy"
            @record="(n, further, form) => write(m, 'materialCounted', n, further, form)"
          />
          <RecordAskNumber
            label="Bought"
            :title="`${m.what} bought, ${manyOf(m.unit)}`"
            kind="materialBought"
            :busy="busy"
            @record="(n, further, form) => write(m, 'materialBought', n, further, form)"
          />
        </template>
      </FeedersLine>
    </ul>
  </Fold>
</template>

<style scoped>
.materials {
  max-width: 60rem;
  margin-top: 0.5rem;
}
@media print {
  .materials {
    display: none;
  }
}
</style>
