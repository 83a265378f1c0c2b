<script setup lang="ts">
import { COLD_ACTION_WORDS } from '#core/brumation'
import type { ColdAnimal, ColdPlaceView } from '#core/season'
import { formatDay, formatQuantity } from '#core/units'

/** One cold place: its temperature, and who lies in it, worst first. */
const props = defineProps<{ name: string; place: ColdPlaceView | null; cold: ColdAnimal[]; width: number }>()
const emit = defineEmits<{ open: [animalId: string]; weigh: [] }>()
const house = useHouse()
const { record, busy } = useRecord()
const { narrow } = useNarrow()

const LABEL = 292
const span = computed(() => {
  const from = Math.min(...props.cold.map(c => c.points[0]?.day ?? c.cooledDay), house.today - 14)
  const to = Math.max(...props.cold.map(c => c.wakeDay), house.today + 7)
  return { from, to: to + 1, width: Math.max(200, Math.floor(props.width - (narrow.value ? 0 : LABEL + 12))) }
})
const show = (t: number) => formatQuantity(Number(t.toFixed(1)), house.settings.tempUnit)

/** What the probe says, in a sentence. */
const climate = computed(() => {
  const { place } = props
  if (!place)
    return props.cold[0]?.kind === 'dormancy'
      ? 'They stay in their own tubs: lower temperature, shorter days, less food.'
      : 'Move them to their cold place, so that its temperature counts.'
  const where = place.band ? `band ${show(place.band.lowC)} to ${show(place.band.highC)}` : ''
  const watch = place.watch
  if (!watch) return `No probe reads here${place.setC === null ? '' : `; set to ${show(place.setC)}`}. ${where}`
  const parts = [
    watch.latest
      ? `${watch.silentHours ? `last ${show(watch.latest.mean)}, ${watch.silentHours} h ago` : `${show(watch.latest.mean)} now`}`
      : 'nothing read',
    where,
    `lowest ${show(watch.lowest ?? 0)}, highest ${show(watch.highest ?? 0)}`,
  ]
  if (watch.hoursBelow || watch.hoursAbove)
    parts.push(
      `${watch.hoursBelow + watch.hoursAbove} h outside, longest ${Math.max(watch.longestBelow?.hours ?? 0, watch.longestAbove?.hours ?? 0)} h`,
    )
  else parts.push('never outside')
  if (watch.read < watch.hours) parts.push(`${watch.hours - watch.read} of ${watch.hours} h not read`)
  parts.push(`${Math.round(watch.hoursTimesAbove)} degree-hours above the hold`)
  return parts.filter(Boolean).join(' · ')
})
const room = computed(() =>
  props.place?.capacity
    ? `${props.cold.length} of ${props.place.capacity} tubs${props.cold.length > props.place.capacity ? `, ${props.cold.length - props.place.capacity} too many` : ''}`
    : `${props.cold.length} here`,
)

function verdictText(c: ColdAnimal): string {
  const { action, weighInDays, text } = c.verdict.value
  if (action === 'takeOut' || action === 'offerWater') return COLD_ACTION_WORDS[action]
  return action === 'weighAgain' ? (weighInDays === 0 ? 'Weigh now' : `Weigh in ${weighInDays} days`) : text
}
function lostText(c: ColdAnimal): string {
  if (c.lost === null) return 'not known'
  const percent = `${Math.abs(c.lost * 100).toFixed(1)} %`
  return c.lost < -0.0005 ? `+${percent}` : percent
}
const limitText = (c: ColdAnimal) =>
  c.limitDay === null
    ? `weigh ${c.verdict.value.weighInDays === 0 ? 'now' : `in ${c.verdict.value.weighInDays} d`}`
    : `limit ${c.limitDay <= house.today ? 'passed' : `about ${formatDay(c.limitDay, house.today)}`}`
const isGrave = (c: ColdAnimal) => c.verdict.value.action === 'takeOut' || c.verdict.value.action === 'offerWater'

const act = (c: ColdAnimal, kind: 'warmedUp' | 'watered') =>
  record(
    { kind, subject: { type: 'animal', id: c.animalId }, data: kind === 'warmedUp' ? { early: true } : {} },
    `${c.tag}: ${kind === 'warmedUp' ? 'taken out of the cold' : 'water offered'}`,
  )
</script>

<template>
  <section class="shelf" :aria-label="name">
    <header>
      <h2>
        {{ name }} <span class="quiet">{{ room }}</span>
      </h2>
      <UButton
        v-if="cold.length"
        label="Weigh this shelf"
        icon="i-lucide-scale"
        size="sm"
        variant="outline"
        color="neutral"
        @click="emit('weigh')"
      />
    </header>
    <p class="climate">
      <WorkingLink
        v-if="place?.watch"
        :title="`${name}: temperature`"
        :answer="climate"
        :reasons="place.reasons"
      /><template v-else>{{ climate }}</template>
    </p>
    <div v-if="cold.length" class="axis" :style="{ gridTemplateColumns: narrow ? '1fr' : `${LABEL}px auto` }">
      <span v-if="!narrow" class="key">Loss, worst first. Soft: usual · dashed: watch · red: take out</span>
      <SeasonTimeAxis :span="span" :today="house.today" />
    </div>
    <div
      v-if="place?.days.length && cold.length"
      class="row"
      :style="{ gridTemplateColumns: narrow ? '1fr' : `${LABEL}px auto` }"
    >
      <span class="key">{{ narrow ? 'Soft: usual · dashed: watch · red: take out. ' : '' }}Temperature by day</span>
      <BrumationTemperatureStrip :place="place" :span="span" :height="44" />
    </div>
    <ul v-if="cold.length">
      <li
        v-for="c in cold"
        :key="c.animalId"
        class="row"
        :class="{ grave: isGrave(c) }"
        :data-cold="c.tag"
        :style="{ gridTemplateColumns: narrow ? '1fr' : `${LABEL}px auto` }"
      >
        <div class="head">
          <button type="button" class="open" :aria-label="`${c.tag}: open its sheet`" @click="emit('open', c.animalId)">
            <span class="tag">{{ c.tag }}</span>
          </button>
          <WorkingLink
            class="lost"
            :title="`${c.tag}: loss in the cold`"
            :answer="`${lostText(c)}: ${c.verdict.value.text}`"
            :reasons="c.verdict.reasons"
            >{{ lostText(c) }}</WorkingLink
          >
          <span class="limit">{{ limitText(c) }}</span>
          <span v-if="isGrave(c)" class="say" :class="c.verdict.value.action"
            ><UIcon
              :name="c.verdict.value.action === 'takeOut' ? 'i-lucide-octagon-alert' : 'i-lucide-droplets'"
              class="size-4 flex-none"
            />
            {{ verdictText(c) }}</span
          >
          <span v-if="isGrave(c)" class="why">{{ c.verdict.value.text }}</span>
          <span v-else-if="c.verdict.value.action === 'weighAgain'" class="say quiet">{{ verdictText(c) }}</span>
          <span v-if="isGrave(c)" class="acts">
            <UButton
              v-if="c.verdict.value.action === 'offerWater'"
              label="Water offered"
              size="xs"
              :disabled="busy"
              @click="act(c, 'watered')"
            />
            <UButton
              label="Taken out"
              size="xs"
              :variant="c.verdict.value.action === 'takeOut' ? 'solid' : 'outline'"
              :color="c.verdict.value.action === 'takeOut' ? 'primary' : 'neutral'"
              :disabled="busy"
              @click="act(c, 'warmedUp')"
            />
          </span>
        </div>
        <button
          type="button"
          class="draw"
          :aria-label="`${c.tag}: open its sheet`"
          tabindex="-1"
          @click="emit('open', c.animalId)"
        >
          <BrumationLossLine :cold="c" :span="span" :height="isGrave(c) ? 104 : 40" />
        </button>
      </li>
    </ul>
    <p v-else class="quiet">Nobody lies here.</p>
  </section>
</template>

<style scoped>
.shelf {
  margin-bottom: 2.25rem;
}
.shelf > header {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  justify-content: space-between;
  align-items: baseline;
}
.climate {
  color: var(--ui-text-muted);
  font-size: 0.9375rem;
}
.axis,
.row {
  display: grid;
  align-items: center;
}
.row {
  border-bottom: 1px solid var(--ui-border);
  content-visibility: auto;
  contain-intrinsic-size: auto 41px;
}
.key {
  font-size: 0.8125rem;
  color: var(--ui-text-muted);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.75rem;
  align-items: baseline;
  padding: 0.25rem 0.5rem 0.25rem 0;
}
.open {
  cursor: pointer;
  min-width: 3.25rem;
  text-align: left;
}
.open:hover .tag {
  text-decoration: underline;
}
.lost {
  min-width: 3.75rem;
  font-family: var(--font-mono);
  font-size: 0.9375rem;
  color: var(--ui-text-highlighted);
}
.limit {
  font-size: 0.875rem;
  color: var(--ui-text-muted);
}
.say {
  flex-basis: 100%;
  display: flex;
  gap: 0.375rem;
  align-items: center;
  font-size: 0.9375rem;
}
.grave .say {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.grave .takeOut {
  color: var(--harm);
}
.why {
  flex-basis: 100%;
  font-size: 0.875rem;
  line-height: 1.3;
  color: var(--ui-text-toned);
}
.acts {
  display: flex;
  gap: 0.5rem;
  padding-top: 0.25rem;
}
.draw {
  display: block;
  cursor: pointer;
  text-align: left;
}
@media (max-width: 800px) {
  .row {
    padding: 0.25rem 0;
  }
  .head {
    padding-right: 0;
  }
  .open {
    min-height: 2.75rem;
  }
  .acts :deep(button) {
    min-height: 2.75rem;
    padding-inline: 1rem;
  }
}
</style>
