<script setup lang="ts">
import { scaleLinear } from 'd3'
import { useElementSize } from '@vueuse/core'
import { winterReport, type SpeciesWinter } from '#core/brumation'

/** Losses of each winter, species by species, year against year. */
const house = useHouse()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)
const south = computed(() => (house.settings.latitude ?? 1) < 0)
const report = computed(() => winterReport(house.house, house.almanac, house.today, south.value))
/** A southern winter has one year, a northern one two. */
const winterName = (year: number) => (south.value ? `${year}` : `${year}/${String(year + 1).slice(2)}`)
const LABEL = 220
const plot = computed(() => Math.max(160, Math.floor(width.value) - (width.value < 640 ? 12 : LABEL + 260)))
const most = computed(() => Math.max(0.12, ...report.value.records.map(r => r.lost ?? 0)))
const x = computed(() =>
  scaleLinear()
    .domain([-0.005, most.value])
    .range([6, plot.value - 8]),
)
const percent = (share: number | null) => (share === null ? '' : `${(share * 100).toFixed(1)}\u00A0%`)
const animalsOf = (s: SpeciesWinter) =>
  report.value.records.filter(r => r.speciesId === s.speciesId && r.year === s.year)
/** Rows kept together by species, newest winter first. */
const rows = computed(() =>
  [...report.value.bySpecies].sort(
    (a, b) => house.speciesName(a.speciesId).localeCompare(house.speciesName(b.speciesId)) || b.year - a.year,
  ),
)
const limits = (s: SpeciesWinter) => house.almanac.species[s.speciesId]?.cold
</script>

<template>
  <section ref="box" aria-label="Report of winters">
    <h2>Winters compared</h2>
    <p v-if="!rows.length" class="quiet">No winter is written yet.</p>
    <template v-else>
      <p class="quiet small">
        Each dot is one animal’s loss of its starting weight; the mark is the mean; red is its limit.
      </p>
      <div
        v-for="(s, i) in rows"
        :key="`${s.speciesId}${s.year}`"
        class="row"
        :class="{ first: s.speciesId !== rows[i - 1]?.speciesId }"
      >
        <span class="who"
          ><b v-if="s.speciesId !== rows[i - 1]?.speciesId">{{ house.speciesName(s.speciesId) }}</b>
          <span class="quiet">{{ winterName(s.year) }}{{ s.running ? ', running' : '' }}</span></span
        >
        <svg
          :width="plot"
          height="30"
          role="img"
          :aria-label="`${house.speciesName(s.speciesId)} ${s.year}: mean loss ${percent(s.meanLost)}`"
        >
          <line x1="0" :x2="plot" y1="26" y2="26" stroke="var(--ui-border)" />
          <line
            v-if="limits(s)"
            :x1="x(limits(s)!.takeOutLoss.value)"
            :x2="x(limits(s)!.takeOutLoss.value)"
            y1="2"
            y2="26"
            stroke="var(--harm)"
          />
          <line
            v-if="limits(s)"
            :x1="x(limits(s)!.watchLoss.value)"
            :x2="x(limits(s)!.watchLoss.value)"
            y1="2"
            y2="26"
            stroke="var(--stage-gravid)"
            stroke-dasharray="3 3"
          />
          <template v-for="(r, n) in animalsOf(s)" :key="r.animalId + r.cooledDay">
            <circle
              v-if="r.lost !== null"
              :cx="x(r.lost)"
              :cy="10 + (n % 3) * 5"
              r="4"
              fill="var(--stage-cooling)"
              fill-opacity="0.75"
            >
              <title>{{ r.tag }}: {{ percent(r.lost) }} in {{ r.days }} days</title>
            </circle>
          </template>
          <path
            v-if="s.meanLost !== null"
            :d="`M${x(s.meanLost)},2l4,6l-8,0z`"
            fill="var(--ui-text-highlighted)"
            transform="translate(0,18)"
          />
        </svg>
        <span class="sum"
          >{{ s.animals }} animals, mean {{ percent(s.meanLost)
          }}<template v-if="s.worstLost">, most {{ s.worstLost.tag }} {{ percent(s.worstLost.lost) }}</template
          >, {{ Math.round(s.meanDays) }} days<template v-if="s.incidents"
            >, {{ s.incidents }} {{ s.incidents === 1 ? 'incident' : 'incidents' }}</template
          ></span
        >
      </div>
      <details>
        <summary>Every animal</summary>
        <table class="plain">
          <thead>
            <tr>
              <th>Animal</th>
              <th>Winter</th>
              <th class="num">Start</th>
              <th class="num">Lost</th>
              <th class="num">Days</th>
              <th class="num">Weighed</th>
              <th class="num">Incidents</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in report.records" :key="r.animalId + r.cooledDay">
              <td>
                <NuxtLink :to="`/animals/${r.animalId}`" class="tag">{{ r.tag }}</NuxtLink>
              </td>
              <td>{{ winterName(r.year) }}</td>
              <td class="num">{{ r.startG === null ? '' : `${r.startG} g` }}</td>
              <td class="num">{{ percent(r.lost) }}</td>
              <td class="num">{{ r.days }}</td>
              <td class="num">{{ r.weighings }} ×</td>
              <td class="num">{{ r.incidents || '' }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 0.75rem;
}
.row.first {
  border-top: 1px solid var(--ui-border);
  padding-top: 0.25rem;
  margin-top: 0.25rem;
}
.who {
  width: 13rem;
}
.sum {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
  flex: 1 1 12rem;
}
summary {
  cursor: pointer;
  min-height: 2.75rem;
  display: flex;
  align-items: center;
  text-decoration: underline;
  color: var(--ui-text-muted);
}
details {
  overflow-x: auto;
}
table {
  max-width: 52rem;
}
</style>
