<script setup lang="ts">
import { eggsReport, type EggLosses } from '#core/season/eggs'
import { formatDay, formatQuantity } from '#core/units'

/** What came of every clutch, and whether what was said at laying was right. */
const house = useHouse()
const context = useSeasonContext()
const report = computed(() => eggsReport(context.value))
const { shown, more, showAll } = useFirst(() => report.value.clutches, 60)
const temp = (t: number | null) => (t === null ? '' : formatQuantity(Number(t.toFixed(1)), house.settings.tempUnit))
/** Where it lay, without the room around it. */
const short = (id: string | null) => (id ? (house.house.places[id]?.name ?? '') : 'no place')
function lossWords({ eggs, slugs, dead, opened }: EggLosses): string {
  const seen = opened.map(o => `${o.count} ${o.end}`).join(', ')
  const how = dead ? `${dead} died${seen ? ` (opened: ${seen})` : ''}` : ''
  return `of ${eggs} eggs ${[slugs ? `${slugs} slug${slugs === 1 ? '' : 's'}` : '', how].filter(Boolean).join(', ')}.`
}
function paceWords(times: number): string {
  const percent = Math.abs(100 * (times - 1))
  if (percent < 0.5) return 'as the table says'
  return `${percent.toFixed(0)} % ${times > 1 ? 'slower' : 'quicker'} than the table, and counted so`
}
const right = computed(() => {
  const { inside, of } = report.value.right
  if (!of) return 'No clutch has hatched yet against which a forecast could be held.'
  const expected = Math.round(of * 0.8)
  return `${inside} of ${of} hatches fell into the 80 % range that stood on the day of laying; about ${expected} should.`
})
</script>

<template>
  <div>
    <p>{{ right }}</p>
    <p v-if="!report.clutches.length" class="quiet">Nothing was laid yet.</p>
    <div v-else class="wide" tabindex="0" role="region" aria-label="What came of every clutch">
      <table>
        <thead>
          <tr>
            <th scope="col">Clutch</th>
            <th scope="col">Species</th>
            <th scope="col">Laid</th>
            <th scope="col">Place</th>
            <th scope="col" class="n">Lay at</th>
            <th scope="col" class="n">Eggs</th>
            <th scope="col" class="n">Slugs</th>
            <th scope="col" class="n">Dead</th>
            <th scope="col" class="n">Out</th>
            <th scope="col" class="n">Whole</th>
            <th scope="col" class="n">Days</th>
            <th scope="col">Said at laying</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in shown" :key="c.clutchId">
            <th scope="row">
              <NuxtLink :to="`/eggs/${c.clutchId}`" class="tag underline">{{ c.tag }}</NuxtLink>
            </th>
            <td>{{ house.speciesName(c.speciesId) }}</td>
            <td>{{ formatDay(c.laid, house.today) }}</td>
            <td>{{ short(c.placeId) }}</td>
            <td class="n">{{ temp(c.tempC) }}</td>
            <td class="n">{{ c.eggs }}</td>
            <td class="n">{{ c.slugs || '' }}</td>
            <td class="n">{{ c.dead || '' }}</td>
            <td class="n">{{ c.hatched || '' }}</td>
            <td class="n">{{ c.left || '' }}</td>
            <td class="n">{{ c.days ?? '' }}</td>
            <td>
              <template v-if="c.forecast"
                >{{ c.forecast.mid }} d ({{ c.forecast.low }}–{{ c.forecast.high }})<template v-if="c.inside !== null"
                  >, {{ c.inside ? 'inside' : 'outside' }}</template
                ></template
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <UButton v-if="more" class="mt-4" variant="outline" color="neutral" :label="`Show ${more} more`" @click="showAll" />
    <template v-if="report.losses.length">
      <h2 class="mt-6">Where they were lost</h2>
      <ul>
        <li v-for="l in report.losses" :key="l.speciesId">{{ house.speciesName(l.speciesId) }}: {{ lossWords(l) }}</li>
      </ul>
    </template>
    <template v-if="report.paces.length">
      <h2 class="mt-6">How long they take here</h2>
      <ul>
        <li v-for="{ speciesId, pace } in report.paces" :key="speciesId">
          {{ house.speciesName(speciesId) }}:
          <WorkingLink
            :title="`${house.speciesName(speciesId)}: time to the hatch in this house`"
            :answer="paceWords(pace.times)"
            :reasons="[
              {
                rule: 'Days to each hatch against the table at the warmth that its eggs had; the table weighs as some clutches more',
                inputs: pace.inputs,
                change: 'Every hatch; a second thermometer beside the first',
              },
            ]"
          />
        </li>
      </ul>
    </template>
    <template v-if="report.times.length">
      <h2 class="mt-6">Time to the hatch</h2>
      <p class="quiet small">Eggs that are still whole, or died, count as far as they got (Kaplan–Meier).</p>
      <ul>
        <li v-for="t in report.times" :key="`${t.speciesId} ${t.placeId}`">
          {{ house.speciesName(t.speciesId) }}, {{ short(t.placeId) }}: {{ t.hatched }} of {{ t.eggs }} good eggs out{{
            t.survival.median === null ? ', fewer than half' : `, half by day ${t.survival.median}`
          }}.
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
  margin-top: 0.75rem;
}
table {
  font-size: 0.9375rem;
  border-collapse: collapse;
  min-width: 54rem;
}
th,
td {
  text-align: left;
  padding: 0.375rem 0.75rem 0.375rem 0;
  border-bottom: 1px solid var(--ui-border);
  white-space: nowrap;
}
.n {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
