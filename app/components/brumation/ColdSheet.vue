<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { COLD_ACTION_WORDS } from '#core/brumation'
import { COLD_SIGNS } from '#core/subjects'
import type { ColdAnimal } from '#core/season'
import { formatDay, formatRange } from '#core/units'

/** One animal in the cold: its line, its temperature, the judgement, and what can be written. */
const props = defineProps<{ cold: ColdAnimal }>()
const house = useHouse()
const { record, busy } = useRecord()
const box = useTemplateRef<HTMLElement>('box')
const { width } = useElementSize(box)

const span = computed(() => ({
  from: props.cold.points[0]?.day ?? props.cold.cooledDay,
  to: Math.max(props.cold.wakeDay, house.today) + 4,
  width: Math.max(240, Math.floor(width.value)),
}))
const place = computed(
  () => house.season?.winter.places.find(p => p.placeId === props.cold.coldPlaceId && p.days.length) ?? null,
)
const percent = (share: number) => `${(share * 100).toFixed(1)} %`
const facts = computed(() => {
  const c = props.cold
  const rows: [string, string][] = [
    ['In the cold since', `${formatDay(c.cooledDay, house.today)}, wakes ${formatDay(c.wakeDay, house.today)}`],
  ]
  if (c.lost !== null) rows.push(['Lost', `${percent(c.lost)}, ${percent(c.slopePerWeek!)} a week`])
  if (c.atWake)
    rows.push([
      'At waking',
      `${percent(c.atWake.mid)} (${percent(Math.max(0, c.atWake.low))}–${percent(c.atWake.high)})`,
    ])
  if (c.outOn && c.outOn.low <= c.wakeDay)
    rows.push([
      'Over the limit',
      `${formatRange(c.outOn)}${c.outOn.never > 0.05 ? `, ${Math.round(c.outOn.never * 100)} % not at all` : ''}`,
    ])
  if (c.lost !== null)
    rows.push(['Of it burnt', `${percent(c.metabolicShare)}; water or worse ${percent(Math.max(0, c.waterShare))}`])
  return rows
})
const LOOKS: Record<(typeof COLD_SIGNS)[number], string> = {
  breathing: 'Noisy breath',
  discharge: 'Discharge',
  skin: 'Dry skin',
  alertness: 'Does not react',
  thin: 'Thin',
  injury: 'Injury',
}
const about = computed(() => ({ type: 'animal' as const, id: props.cold.animalId }))
const write = (kind: string, data: Record<string, unknown>, says: string) =>
  record({ kind, subject: about.value, data }, `${props.cold.tag}: ${says}`)
</script>

<template>
  <div ref="box" class="sheet">
    <p class="verdict" :class="cold.verdict.value.action">
      <WorkingLink
        :title="`${cold.tag}: judgement in the cold`"
        :answer="`${COLD_ACTION_WORDS[cold.verdict.value.action]}. ${cold.verdict.value.text}`"
        :reasons="cold.verdict.reasons"
      />
    </p>
    <BrumationLossLine :cold="cold" :span="span" :height="220" axes />
    <BrumationTemperatureStrip v-if="place" :place="place" :span="span" :height="70" />
    <p v-if="place" class="quiet small">
      {{ place.name }}, lowest to highest of each day; pale days were not read in full.
    </p>
    <dl>
      <template v-for="[label, value] in facts" :key="label"
        ><dt>{{ label }}</dt>
        <dd>{{ value }}</dd></template
      >
    </dl>
    <div class="buttons">
      <RecordAskNumber
        label="Weight"
        :title="`${cold.tag}: weight`"
        unit="mass"
        :likely="cold.points.at(-1)?.massG"
        main
        :busy="busy"
        @record="write('weighed', { massG: $event }, `${$event} g`)"
      />
      <UButton
        label="Looked at, well"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('checked', { well: true }, 'looked at, well')"
      />
      <UButton
        label="Water offered"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('watered', {}, 'water offered')"
      />
      <UButton
        label="Taken out"
        variant="outline"
        color="neutral"
        :disabled="busy"
        @click="write('warmedUp', { early: house.today < cold.wakeDay }, 'taken out of the cold')"
      />
    </div>
    <div class="buttons" role="group" aria-label="A look found">
      <span class="quiet">Found:</span>
      <UButton
        v-for="sign in COLD_SIGNS"
        :key="sign"
        :label="LOOKS[sign]"
        size="sm"
        variant="ghost"
        color="neutral"
        :disabled="busy"
        @click="write('checked', { well: false, signs: [sign] }, LOOKS[sign].toLowerCase())"
      />
    </div>
    <p class="small quiet">Noisy breath or discharge in the cold is for the vet. Wash hands after handling.</p>
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 0.625rem;
}
.verdict {
  font-weight: 650;
  color: var(--ui-text-highlighted);
}
.verdict.takeOut {
  color: var(--harm);
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0.25rem 1rem;
}
dt {
  color: var(--ui-text-muted);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
