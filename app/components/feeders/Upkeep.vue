<script setup lang="ts">
import { feederOf } from '#core/almanac'
import { upkeepDue, type UpkeepDue } from '#core/season'
import { formatDay, formatDistance } from '#core/units'

/** What comes round for the feeders that are kept, how often, and how often here. */
const house = useHouse()
const { record, busy } = useRecord()
const list = computed(() => upkeepDue(house, house.season?.prey ?? []))
const due = computed(() => list.value.filter(u => u.everyDays !== null && u.due <= house.today).length)
const name = (u: UpkeepDue) => feederOf(house.almanac, u.prey).name
const summary = computed(() => `Upkeep of feeders: ${due.value ? `${due.value} due` : 'nothing due'}`)
async function set(u: UpkeepDue, says: string, everyDays?: number | null, form?: FormErrors): Promise<unknown> {
  const goOn = mindLine()
  const written = await record(
    {
      kind: 'upkeepSet',
      subject: { type: 'prey', id: u.prey },
      data: { job: u.job.id, ...(everyDays !== undefined && { everyDays }) },
    },
    `${name(u)}: ${says}`,
    form,
  )
  await goOn()
  return written
}
const done = (u: UpkeepDue) =>
  record(
    { kind: 'upkeepDone', subject: { type: 'prey', id: u.prey }, data: { job: u.job.id } },
    `${name(u)}: ${u.job.what.toLowerCase()}`,
  )
const rhythm = ({ everyDays, own }: UpkeepDue) =>
  everyDays === null ? 'not here' : `${everyDays === 1 ? 'daily' : `every ${everyDays} days`}${own ? ', own' : ''}`
</script>

<template>
  <Fold v-if="list.length" :summary="summary" class="upkeep">
    <ul>
      <FeedersLine v-for="u in list" :key="`${u.prey} ${u.job.id}`" :data-upkeep="`${u.prey} ${u.job.id}`">
        <b>{{ name(u) }}</b> {{ u.job.what }}
        <span class="quiet small">
          {{ rhythm(u) }}; {{ u.last ? `last ${formatDistance(u.last.day, house.today)}` : 'never written'
          }}<template v-if="u.everyDays !== null && u.last"
            >, due {{ formatDay(u.due, house.today) }}{{ u.late ? ', late' : '' }}</template
          >
        </span>

        <template #do>
          <UButton
            v-if="u.everyDays !== null"
            label="Done"
            :aria-label="`Done: ${name(u)}, ${u.job.what}`"
            :variant="u.due <= house.today ? 'solid' : 'outline'"
            :color="u.due <= house.today ? 'primary' : 'neutral'"
            :disabled="busy"
            @click="done(u)"
          />
          <RecordAskNumber
            label="Every"
            :title="`${name(u)}: ${u.job.what}, every so many days`"
            :likely="u.everyDays ?? u.job.everyDays.value"
            :busy="busy"
            @record="(days, _, form) => set(u, `every ${days} days`, days, form)"
          />
          <UButton
            v-if="u.everyDays !== null"
            label="Not here"
            :aria-label="`Not here: ${name(u)}, ${u.job.what}`"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="set(u, 'not done here', null)"
          />
          <UButton
            v-if="u.own"
            label="As usual"
            :aria-label="`As usual: ${name(u)}, ${u.job.what}`"
            variant="outline"
            color="neutral"
            :disabled="busy"
            @click="set(u, 'as the Almanac says')"
          />
        </template>
      </FeedersLine>
    </ul>
  </Fold>
</template>

<style scoped>
.upkeep {
  max-width: 60rem;
}
</style>
